// The child's side: keys that write into the field, and how long an answer takes.
(() => {
  let shown = performance.now();

  document.addEventListener("htmx:afterSettle", () => {
    shown = performance.now();
    (document.querySelector("#turn [autofocus]") ?? document.querySelector("#turn h1"))?.focus();
  });

  document.addEventListener("htmx:configRequest", (event) => {
    const form = event.target.closest("[data-answer-form]");
    if (form) event.detail.parameters.set("seconds", ((performance.now() - shown) / 1000).toFixed(1));
  });

  document.addEventListener("click", (event) => {
    const key = event.target.closest?.("[data-key]")?.dataset.key;
    const entry = document.querySelector("[data-entry]");
    if (!key || !entry) return;
    entry.value = key === "back" ? entry.value.slice(0, -1) : entry.value + key;
  });

  document.addEventListener("input", (event) => {
    if (event.target.matches("[data-other-amount]")) document.querySelector('[name="amount"][value="number"]').checked = true;
  });
})();
