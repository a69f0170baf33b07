// Asking in conversation: how long an answer takes, one key for each thing that is noted, and every key in its order, however quickly
// it is typed: what is typed while a question changes waits until the next one stands. The rules are the server's.
(() => {
  const { queue, heard } = Sending;
  let shown = performance.now();
  let begun = null;
  let changing = false;
  let sent = null;
  let typedOn = [];
  // While somebody types on without looking after a refusal, the keys belong to what was refused.
  let typingOn = false;
  let typedAt = -Infinity;
  const pause = 400;
  const find = (hook) => document.querySelector(hook);
  const field = () => document.getElementById("raw");
  const asking = () => document.getElementById("asking");

  function fresh() {
    shown = performance.now();
    begun = null;
    changing = false;
    sent = null;
    const raw = field();
    (raw ?? find("#asking [autofocus]"))?.focus();
    // Gone back to, an answer is typed over, not added to.
    raw?.select();
    // Whatever was typed on before a refusal was meant for another question, however long the reply took.
    typingOn = Boolean(find("[data-told]")?.textContent) && (typedOn.length > 0 || performance.now() - typedAt < pause);
    if (typingOn) divert();
    else replay();
  }

  // At once, not when all has settled: the first key of somebody who types quickly would be selected, and typed over.
  document.addEventListener("htmx:afterSwap", (event) => {
    if (event.target.id === "asking") fresh();
  });

  // After a refusal nothing of what was typed on is sent: it was meant for another question. It is shown.
  function showTypedOn() {
    const line = document.getElementById("typed-on");
    if (!line || typedOn.length === 0) return;
    line.dataset.keys = (line.dataset.keys ?? "") + typedOn.map((key) => ({ Enter: "⏎", Backspace: "⌫" })[key] ?? key).join("");
    line.textContent = `Typed meanwhile, and not used: ${line.dataset.keys}`;
    line.hidden = false;
    typedOn = [];
  }

  // Until there is a pause, whoever types has not seen that anything was refused.
  let rest;
  function divert() {
    asking().dataset.typingOn = "yes";
    showTypedOn();
    clearTimeout(rest);
    rest = setTimeout(() => {
      typingOn = false;
      delete asking().dataset.typingOn;
    }, pause);
  }

  function replay() {
    while (typedOn.length > 0 && !changing && field()) press(typedOn.shift());
  }

  function press(key) {
    const raw = field();
    if (heardKey(key, raw)) return;
    begun ??= performance.now();
    if (key === "Enter") raw.form.requestSubmit();
    else if (key === "Backspace")
      raw.setRangeText(
        "",
        raw.selectionStart === raw.selectionEnd ? Math.max(0, raw.selectionStart - 1) : raw.selectionStart,
        raw.selectionEnd,
        "end",
      );
    else if ([...key].length === 1) raw.setRangeText(key, raw.selectionStart, raw.selectionEnd, "end");
  }

  const isTyped = (key) => [...key].length === 1 || ["Enter", "Backspace", "ArrowLeft", "ArrowRight"].includes(key);
  document.addEventListener(
    "keydown",
    (event) => {
      const elsewhere = event.target.matches?.("input:not(#raw), select, textarea, summary, a, button:not([disabled])");
      if (elsewhere || event.ctrlKey || event.metaKey || event.altKey || !isTyped(event.key)) return;
      typedAt = performance.now();
      if (!changing && !typingOn) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      if (!(event.repeat && event.key === "Enter")) typedOn.push(event.key);
      if (typingOn) divert();
    },
    true,
  );

  function show(reply) {
    const holder = document.createElement("template");
    holder.innerHTML = reply.body;
    const part = holder.content.querySelector("#asking");
    if (!part) return;
    if (reply.pushed) history.replaceState(null, "", reply.pushed);
    asking().replaceWith(part);
    htmx.process(asking());
    fresh();
  }

  const seconds = (at) => ((at - shown) / 1000).toFixed(1);

  document.addEventListener(
    "submit",
    async (event) => {
      const form = event.target;
      if (!form.matches("[data-answer-form]")) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      if (changing) return;
      changing = true;
      const fields = [...new FormData(form).entries()].filter(([name]) => name !== "__RequestVerificationToken");
      if (form.dataset.timed === "yes") {
        fields.push(["seconds", seconds(performance.now())]);
        if (begun !== null) fields.push(["begun", seconds(begun)]);
      }
      const id = AnswerQueue.value({ fields }, "answer");
      sent = id;
      const reply = await queue.submit(form.getAttribute("action"), fields, field().value);
      if (reply.outcome !== "kept" && reply.outcome !== "refused") return;
      // Why it was refused stands on the page that comes.
      if (reply.outcome === "refused") queue.dismiss(id);
      if (sent === id) show(reply);
    },
    true,
  );

  // An answer that had waited: the sitting goes on from here.
  heard((entry, reply) => {
    if (!entry.path.startsWith(location.pathname)) return;
    if (entry.id === sent) queue.dismiss(entry.id);
    if (entry.id === sent || (sent === null && field()?.value === "")) show(reply);
  });

  // Other presses change the question too.
  document.addEventListener("htmx:beforeRequest", (event) => {
    if (event.target.matches("[data-watch]") && (document.hidden || changing || queue.waiting().length > 0)) event.preventDefault();
    else if (event.target.id !== "raw" && event.target.closest("#asking form")) changing = true;
  });
  for (const kind of ["htmx:sendError", "htmx:timeout", "htmx:responseError"])
    document.addEventListener(kind, (event) => {
      if (sent !== null || event.target.matches("[data-watch]")) return;
      changing = false;
      replay();
    });

  // The child has answered on the other screen while something is being typed here: a field that is typed in is not taken away.
  document.addEventListener("htmx:beforeSwap", (event) => {
    if (!event.detail.requestConfig?.elt?.matches("[data-watch]")) return;
    const raw = field();
    if (changing || (raw && begun !== null && raw.value !== "")) event.detail.shouldSwap = false;
  });

  // What is noted beside the answer stands in one line, so that it is seen while the fields are folded away.
  function tell() {
    const first = find("[data-first]").value;
    const chosen = (hook) => find(hook).selectedOptions[0];
    const notes = [
      first && `first “${first}”`,
      find("[data-mode]").value && chosen("[data-mode]").textContent,
      find("[data-prompted]").checked && "with a word of help",
      find("[data-how]").value && chosen("[data-how]").textContent.slice(3),
    ].filter(Boolean);
    find("[data-given-line]").textContent = notes.length ? `· ${notes.join(" · ")}` : "";
  }
  document.addEventListener("change", (event) => {
    if (event.target.closest("[data-given]")) tell();
  });

  function answer(raw) {
    if (changing) return;
    field().value = raw;
    field().form.requestSubmit();
  }
  document.addEventListener("click", (event) => {
    const ready = event.target.closest?.("[data-answer-is]");
    if (ready) answer(ready.dataset.answerIs);
  });

  function note(key, raw) {
    if (key === ">") {
      find("[data-first]").value = raw.value;
      raw.value = "";
    } else if (key === "!") {
      find("[data-prompted]").checked = !find("[data-prompted]").checked;
    } else if (key === "=" && !raw.value.match(/^[a-z]$|; ?[a-z]$/i)) {
      const mode = find("[data-mode]");
      mode.selectedIndex = (mode.selectedIndex + 1) % mode.options.length;
    } else {
      // Capitals are never needed in an answer: each notes how it was done, and the same once more takes it back.
      const how = find("[data-how]");
      const option = key.length === 1 && key !== key.toLowerCase() && find(`[data-note-key="${CSS.escape(key)}"]`);
      if (!option) return false;
      how.value = how.value === option.value ? "" : option.value;
    }
    tell();
    return true;
  }

  // Whether a key is a sign of its own in the field, and not a part of the answer.
  function heardKey(key, raw) {
    const push = (hook) => {
      const button = find(`${hook} button:not([disabled])`);
      if (!button) return false;
      button.click();
      return true;
    };
    if (raw.value === "" || (raw.selectionStart === 0 && raw.selectionEnd === raw.value.length)) {
      if (key === "ArrowLeft" || (key === "Backspace" && raw.value === "")) return push("[data-back-form]");
      if (key === "ArrowRight" && raw.value === "") return push("[data-skip-form]");
      const ready = find("[data-ready][open]")?.querySelector(`[data-ready-key="${CSS.escape(key)}"]`);
      if (ready) {
        answer(ready.dataset.answerIs);
        return true;
      }
    }
    return note(key, raw);
  }

  document.addEventListener("keydown", (event) => {
    if (event.target.id !== "raw" || event.ctrlKey || event.metaKey || event.altKey) return;
    begun ??= performance.now();
    if ((event.repeat && event.key === "Enter") || heardKey(event.key, event.target)) event.preventDefault();
  });
})();
