// What a child answers with: keys that write into the field, and boxes that are tapped. What an answer means the server knows.
(() => {
  document.addEventListener("click", (event) => {
    const hit = (hook) => event.target.closest?.(`[${hook}]`);
    if (hit("data-key")) press(hit("data-key").dataset.key);
    else if (hit("data-join")) join(hit("data-join"));
    else if (hit("data-numeral")) putNumeral(hit("data-numeral").dataset.numeral);
    else if (hit("data-feel")) feel(hit("data-feel"));
  });

  // The keys on the page are enough: the device's own keyboard would cover them. Without scripts it is needed.
  const withoutKeyboard = () => {
    for (const entry of document.querySelectorAll("[data-pad]")) entry.parentElement.querySelector("[data-entry]").inputMode = "none";
  };
  document.addEventListener("umbick:question", withoutKeyboard);
  document.addEventListener("htmx:load", withoutKeyboard);
  withoutKeyboard();

  function press(key) {
    const entry = document.querySelector("[data-entry]");
    if (entry) entry.value = key === "back" ? entry.value.slice(0, -1) : entry.value + key;
  }

  document.addEventListener("input", (event) => {
    if (event.target.matches("[data-other-amount]")) document.querySelector('[name="amount"][value="number"]').checked = true;
  });

  // What has been put together stands above the press that sends it.
  document.addEventListener("input", together);
  document.addEventListener("change", together);
  function together(event) {
    const told = event.target.closest?.("form")?.querySelector("[data-together]");
    if (!told) return;
    const chosen = (name) => told.closest("form").querySelector(`[name="${name}"]:checked`);
    const label = (name) => chosen(name)?.closest("label").textContent.trim() ?? "…";
    const amount = chosen("amount")?.value === "number" ? document.querySelector("[data-other-amount]").value || "…" : label("amount");
    if (chosen("hourOf") || chosen("placeOf")) told.textContent = `${label("hourOf")}, ${label("placeOf")}`;
    else if (amount === "o'clock") told.textContent = `${label("hour")} o’clock`;
    else told.textContent = `${amount} ${label("way")} ${label("hour")}`;
  }

  // Whether the hands agree: the child's own check, which nobody scores.
  document.addEventListener("change", (event) => {
    const asked = event.target.closest?.("[data-agree]");
    if (!asked) return;
    const told = asked.querySelector("[data-agree-told]");
    told.textContent = event.target.value === asked.dataset.agree ? told.dataset.yes : told.dataset.no;
  });

  // One that is done stays open, or shut, as the child left it.
  let worked = null;
  document.addEventListener(
    "toggle",
    (event) => {
      if (event.target.matches?.("[data-worked]")) worked = event.target.open;
    },
    true,
  );
  document.addEventListener("htmx:load", (event) => {
    const shown = event.target.querySelector?.("[data-worked]");
    if (shown && worked !== null) shown.open = worked;
  });

  // A choice is also made by typing how it begins: 1 and 2 make twelve, q is a quarter, p past.
  let typed = "";
  let typedAt = 0;
  let typedIn = null;
  document.addEventListener("keydown", (event) => {
    const group = event.target.closest?.(".part");
    if (!group || !event.target.matches("[type=radio], [type=checkbox]") || event.key.length !== 1 || event.ctrlKey || event.metaKey)
      return;
    if (event.key === " ") {
      typed = "";
      return;
    }
    const key = event.key.toLowerCase();
    const goesOn = typedIn === group && performance.now() - typedAt < 900;
    const begins = (text) => [...group.querySelectorAll("label")].find((label) => label.textContent.trim().toLowerCase().startsWith(text));
    // What goes on with nothing begins again: 7 and 8 are two numbers, not the start of a third.
    typed = goesOn && begins(typed + key) ? typed + key : key;
    [typedAt, typedIn] = [performance.now(), group];
    const choice = begins(typed)?.querySelector("input");
    if (!choice) return;
    choice.focus();
    if (choice.type === "radio") choice.checked = true;
    event.preventDefault();
  });

  // Pairs: the time that is tapped goes to the clock that is marked, and the next clock without one is marked.
  function join(button) {
    const clocks = [...document.querySelectorAll("[name=joining]")];
    const marked = clocks.find((clock) => clock.checked);
    const at = marked.value;
    document.querySelector(`[data-pair="${at}"]`).value = button.dataset.join;
    document.querySelector(`[data-joined="${at}"]`).textContent = button.textContent;
    const open = clocks.find((clock) => document.querySelector(`[data-pair="${clock.value}"]`).value === "");
    if (open) open.checked = true;
  }

  // Numerals: into the place that was tapped last, else the next empty one.
  let lastPlace = null;
  document.addEventListener("focusin", (event) => {
    if (event.target.matches("[data-numeral-place]")) lastPlace = event.target;
  });
  function putNumeral(numeral) {
    const places = [...document.querySelectorAll("[data-numeral-place]")];
    const at = lastPlace?.isConnected ? lastPlace : places.find((place) => place.value === "");
    if (!at) return;
    at.value = numeral;
    lastPlace = places[(places.indexOf(at) + 1) % places.length];
    places.forEach((place) => place.toggleAttribute("data-next", place === lastPlace));
  }

  // Stop when so many seconds are over: nothing is seen or heard in between.
  let started = null;
  function feel(button) {
    if (started === null) {
      started = performance.now();
      button.textContent = "Stop";
      document.getElementById("turn").classList.add("eyes-shut");
      return;
    }
    document.querySelector("[data-felt]").value = ((performance.now() - started) / 1000).toFixed(1);
    started = null;
    document.getElementById("turn").classList.remove("eyes-shut");
    button.hidden = true;
    document.querySelector("[data-felt-told]").textContent = "Thank you. Press Done.";
    document.querySelector("[data-done-button]").focus();
  }
})();
