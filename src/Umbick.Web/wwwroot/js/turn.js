// The child's side: where the focus goes, how long an answer takes, and reading the question aloud.
(() => {
  let shown = performance.now();
  let begun = null;

  function fresh() {
    shown = performance.now();
    begun = null;
    (document.querySelector("#turn [autofocus]") ?? document.querySelector("#turn h1"))?.focus();
    speaker();
  }

  document.addEventListener("htmx:afterSettle", (event) => { if (event.target.closest?.("#turn")) fresh(); });
  // A question that came without htmx, because answers were waiting.
  document.addEventListener("umbick:question", fresh);

  for (const kind of ["pointerdown", "keydown"])
    document.addEventListener(kind, (event) => {
      if (begun === null && event.target.closest?.("[data-answer-form], [data-hands], .numeral-places") && event.key !== "Tab") {
        begun = performance.now();
        document.getElementById("turn").dataset.begun = "yes";
      }
    }, true);

  const seconds = (at) => ((at - shown) / 1000).toFixed(1);

  document.addEventListener("htmx:configRequest", (event) => {
    const sent = event.target.closest("[data-answer-form][data-timed=yes]");
    if (!sent) return;
    event.detail.parameters.set("seconds", seconds(performance.now()));
    if (begun !== null) event.detail.parameters.set("begun", seconds(begun));
  });

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

  document.addEventListener("click", (event) => {
    if (event.target.closest?.("[data-speaker]"))
      speechSynthesis.speak(new SpeechSynthesisUtterance(document.querySelector("[data-speak]").textContent));
  });
})();
