// Asking in conversation: how long an answer takes, and one key back. The rules are the server's.
(() => {
  let shown = performance.now();

  document.addEventListener("htmx:afterSettle", () => {
    shown = performance.now();
    // Gone back to, an answer is typed over, not added to.
    document.getElementById("raw")?.select();
  });

  document.addEventListener("htmx:configRequest", (event) => {
    if (event.target.matches("[data-answer-form]"))
      event.detail.parameters.set("seconds", ((performance.now() - shown) / 1000).toFixed(1));
  });

  document.addEventListener("keydown", (event) => {
    if (event.target.id !== "raw" || event.target.value !== "") return;
    if (event.key !== "Backspace" && event.key !== "ArrowLeft") return;
    const back = document.querySelector("[data-back-form] button:not([disabled])");
    if (!back) return;
    event.preventDefault();
    back.click();
  });
})();
