// The child's side: keys that write into the field, boxes that are tapped, how long an answer takes, and answers that wait
// while there is no connection. What an answer means the server knows.
(() => {
  let shown = performance.now();
  let begun = null;
  const byId = (id) => document.getElementById(id);
  const form = () => document.querySelector("[data-answer-form]");

  function fresh() {
    shown = performance.now();
    begun = null;
    (document.querySelector("#turn [autofocus]") ?? document.querySelector("#turn h1"))?.focus();
    speaker();
  }

  document.addEventListener("htmx:afterSettle", (event) => { if (event.target.id === "turn" || event.target.closest?.("#turn")) fresh(); });

  for (const kind of ["pointerdown", "keydown"])
    document.addEventListener(kind, (event) => {
      if (begun === null && event.target.closest?.("[data-answer-form], [data-hands], .numeral-places") && event.key !== "Tab") begun = performance.now();
    }, true);

  const seconds = (at) => ((at - shown) / 1000).toFixed(1);

  document.addEventListener("htmx:configRequest", (event) => {
    const sent = event.target.closest("[data-answer-form][data-timed=yes]");
    if (!sent) return;
    event.detail.parameters.set("seconds", seconds(performance.now()));
    if (begun !== null) event.detail.parameters.set("begun", seconds(begun));
  });

  document.addEventListener("click", (event) => {
    const hit = (hook) => event.target.closest?.(`[${hook}]`);
    if (hit("data-key")) press(hit("data-key").dataset.key);
    else if (hit("data-join")) join(hit("data-join"));
    else if (hit("data-numeral")) putNumeral(hit("data-numeral").dataset.numeral);
    else if (hit("data-feel")) feel(hit("data-feel"));
    else if (hit("data-speaker")) speechSynthesis.speak(new SpeechSynthesisUtterance(document.querySelector("[data-speak]").textContent));
  });

  function press(key) {
    const entry = document.querySelector("[data-entry]");
    if (entry) entry.value = key === "back" ? entry.value.slice(0, -1) : entry.value + key;
  }

  document.addEventListener("input", (event) => {
    if (event.target.matches("[data-other-amount]")) document.querySelector('[name="amount"][value="number"]').checked = true;
  });

  // A choice is also made by typing how it begins: 1 and 2 make twelve, q is a quarter, p past.
  let typed = "";
  let typedAt = 0;
  let typedIn = null;
  document.addEventListener("keydown", (event) => {
    const group = event.target.closest?.(".part");
    if (!group || !event.target.matches("[type=radio], [type=checkbox]") || event.key.length !== 1 || event.key === " " || event.ctrlKey || event.metaKey) return;
    const goesOn = typedIn === group && performance.now() - typedAt < 900;
    typed = (goesOn ? typed : "") + event.key.toLowerCase();
    [typedAt, typedIn] = [performance.now(), group];
    const begins = (text) => [...group.querySelectorAll("label")].find((label) => label.textContent.trim().toLowerCase().startsWith(text));
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
  document.addEventListener("focusin", (event) => { if (event.target.matches("[data-numeral-place]")) lastPlace = event.target; });
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
      byId("turn").classList.add("eyes-shut");
      return;
    }
    document.querySelector("[data-felt]").value = ((performance.now() - started) / 1000).toFixed(1);
    started = null;
    byId("turn").classList.remove("eyes-shut");
    button.hidden = true;
    document.querySelector("[data-felt-told]").textContent = "Thank you. Press Done.";
    document.querySelector("[data-done-button]").focus();
  }

  function speaker() {
    const question = document.querySelector("[data-speak]");
    if (!question || !window.speechSynthesis || document.querySelector("[data-speaker]")) return;
    const button = document.createElement("button");
    button.type = "button";
    button.className = "as-link";
    button.dataset.speaker = "";
    button.textContent = "Read it to me";
    question.after(button);
  }
  speaker();

  // Answers that wait. They stand in the browser's storage until the server has said that it has them.
  const store = "umbick.waiting";
  const waiting = () => JSON.parse(localStorage.getItem(store) ?? "[]");
  const keep = (answers) => (answers.length ? localStorage.setItem(store, JSON.stringify(answers)) : localStorage.removeItem(store));
  let ahead = [];

  function note() {
    const count = waiting().length;
    const bar = byId("waiting");
    bar.hidden = count === 0;
    bar.textContent = count === 1 ? "No connection. Your answer is kept, and goes as soon as it can." : `No connection. ${count} answers are kept, and go as soon as they can.`;
  }

  // A list that was made before is fetched whole, so that it can go on without a connection.
  async function fetchAhead() {
    if (!document.querySelector("#turn[data-listed=yes]")) return;
    try {
      const answer = await fetch("/turn?handler=ahead", { headers: { "HX-Request": "true" } });
      if (!answer.ok) return;
      const page = new DOMParser().parseFromString(await answer.text(), "text/html");
      ahead = [...page.querySelectorAll("[data-ahead]")].map((part) => part.innerHTML);
      byId("turn").dataset.aheadReady = "yes";
    } catch { /* without a connection there is nothing to fetch; what is here stays */ }
  }

  document.addEventListener("htmx:sendError", (event) => {
    const sent = event.target.closest?.("[data-answer-form]");
    if (!sent) return;
    const answer = { sitting: byId("turn").dataset.sitting, fields: [...event.detail.requestConfig.formData.entries()] };
    const id = (one) => one.fields.find(([name]) => name === "answer")[1];
    keep([...waiting().filter((one) => id(one) !== id(answer)), answer]);
    note();
    if (ahead.length > 0) {
      const turn = byId("turn");
      const holder = document.createElement("template");
      holder.innerHTML = ahead.shift();
      turn.replaceWith(holder.content);
      htmx.process(byId("turn"));
      fresh();
    } else {
      sent.querySelectorAll("button, input, fieldset").forEach((part) => { part.disabled = true; });
    }
  });

  // Where things stand now. A question that she is in the middle of stays as it is.
  function arrive(turn) {
    const place = (part) => part.querySelector("[name=place]")?.value;
    const now = byId("turn");
    if (begun !== null && place(turn) && place(turn) === place(now) && !now.querySelector("[data-done-button]:disabled")) {
      now.querySelector("[data-watch]").replaceWith(turn.querySelector("[data-watch]"));
      htmx.process(now.querySelector("[data-watch]"));
    } else {
      now.replaceWith(turn);
      htmx.process(byId("turn"));
      fresh();
    }
    fetchAhead();
  }

  // While answers wait, where the sitting stands on the server is not where the child is.
  document.addEventListener("htmx:beforeRequest", (event) => {
    if (event.target.matches("[data-watch]") && waiting().length > 0) event.preventDefault();
  });

  let sending = false;
  async function sendWaiting() {
    if (sending || waiting().length === 0) return;
    sending = true;
    try {
      while (waiting().length > 0) {
        const [first, ...rest] = waiting();
        if (first.sitting !== byId("turn").dataset.sitting) { keep(rest); continue; }
        const body = new URLSearchParams(first.fields);
        const token = document.querySelector("[name=__RequestVerificationToken]");
        if (token) body.set("__RequestVerificationToken", token.value);
        const answer = await fetch("/turn?handler=answer", { method: "POST", body, headers: { "HX-Request": "true" } });
        // 409: it was answered in the meantime, by this or from another device; the page then shows where things stand.
        if (!answer.ok && answer.status !== 409) break;
        keep(rest);
        if (rest.length === 0) {
          const holder = document.createElement("template");
          holder.innerHTML = await answer.text();
          arrive(holder.content.querySelector("#turn"));
        }
      }
    } catch { /* still no connection: it is tried again */ }
    sending = false;
    note();
  }

  note();
  fetchAhead();
  sendWaiting();
  setInterval(sendWaiting, 2000);
  addEventListener("online", sendWaiting);
})();
