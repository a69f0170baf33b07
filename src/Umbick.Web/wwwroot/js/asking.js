// Asking in conversation: how long an answer takes, and one key for each thing that is noted. The rules are the server's.
(() => {
  let shown = performance.now();
  let begun = null;
  const find = (hook) => document.querySelector(hook);

  // At once, not when all has settled: whoever types quickly would have her first key selected, and typed over.
  document.addEventListener("htmx:afterSwap", () => {
    shown = performance.now();
    begun = null;
    // Gone back to, an answer is typed over, not added to.
    document.getElementById("raw")?.select();
  });

  document.addEventListener("htmx:configRequest", (event) => {
    if (!event.target.matches("[data-answer-form][data-timed=yes]")) return;
    const seconds = (at) => ((at - shown) / 1000).toFixed(1);
    event.detail.parameters.set("seconds", seconds(performance.now()));
    if (begun !== null) event.detail.parameters.set("begun", seconds(begun));
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
  document.addEventListener("change", (event) => { if (event.target.closest("[data-given]")) tell(); });

  function answer(raw) {
    const field = document.getElementById("raw");
    field.value = raw;
    field.form.requestSubmit();
  }
  document.addEventListener("click", (event) => {
    const ready = event.target.closest?.("[data-answer-is]");
    if (ready) answer(ready.dataset.answerIs);
  });

  function note(event, field) {
    const key = event.key;
    if (key === ">") {
      find("[data-first]").value = field.value;
      field.value = "";
    } else if (key === "!") {
      find("[data-prompted]").checked = !find("[data-prompted]").checked;
    } else if (key === "=" && !field.value.match(/^[a-z]$|; ?[a-z]$/i)) {
      const mode = find("[data-mode]");
      mode.selectedIndex = (mode.selectedIndex + 1) % mode.options.length;
    } else {
      // Capitals are never needed in an answer: each notes how she did it, and the same once more takes it back.
      const how = find("[data-how]");
      const option = key.length === 1 && key !== key.toLowerCase() && find(`[data-note-key="${CSS.escape(key)}"]`);
      if (!option) return false;
      how.value = how.value === option.value ? "" : option.value;
    }
    tell();
    return true;
  }

  document.addEventListener("keydown", (event) => {
    const field = event.target;
    if (field.id !== "raw" || event.ctrlKey || event.metaKey || event.altKey) return;
    begun ??= performance.now();
    const press = (hook) => {
      const button = find(`${hook} button:not([disabled])`);
      if (button) { event.preventDefault(); button.click(); }
    };
    if (field.value === "" || (field.selectionStart === 0 && field.selectionEnd === field.value.length)) {
      if (event.key === "ArrowLeft" || (event.key === "Backspace" && field.value === "")) return press("[data-back-form]");
      if (event.key === "ArrowRight" && field.value === "") return press("[data-skip-form]");
      const ready = find("[data-ready][open]")?.querySelector(`[data-ready-key="${CSS.escape(event.key)}"]`);
      if (ready) { event.preventDefault(); return answer(ready.dataset.answerIs); }
    }
    if (note(event, field)) event.preventDefault();
  });
})();
