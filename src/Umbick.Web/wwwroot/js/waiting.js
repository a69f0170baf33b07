// Answers that wait while there is no connection. They stand in the browser's storage until the server has said that it has them.
(() => {
  const byId = (id) => document.getElementById(id);
  // Each sitting has its own: what waits for one is not lost when the device is given another.
  const store = () => `umbick.waiting.${byId("turn").dataset.sitting}`;
  const waiting = () => JSON.parse(localStorage.getItem(store()) ?? "[]");
  const keep = (answers) => (answers.length ? localStorage.setItem(store(), JSON.stringify(answers)) : localStorage.removeItem(store()));
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
    const answer = { fields: [...event.detail.requestConfig.formData.entries()] };
    const id = (one) => one.fields.find(([name]) => name === "answer")[1];
    keep([...waiting().filter((one) => id(one) !== id(answer)), answer]);
    note();
    if (ahead.length > 0) {
      const turn = byId("turn");
      const holder = document.createElement("template");
      holder.innerHTML = ahead.shift();
      turn.replaceWith(holder.content);
      htmx.process(byId("turn"));
      document.dispatchEvent(new Event("umbick:question"));
    } else {
      sent.querySelectorAll("button, input, fieldset").forEach((part) => { part.disabled = true; });
    }
  });

  // Where things stand now. A question that she is in the middle of stays as it is.
  function arrive(turn) {
    const place = (part) => part.querySelector("[name=place]")?.value;
    const now = byId("turn");
    if (now.dataset.begun === "yes" && place(turn) && place(turn) === place(now) && !now.querySelector("[data-done-button]:disabled")) {
      now.querySelector("[data-watch]").replaceWith(turn.querySelector("[data-watch]"));
      htmx.process(now.querySelector("[data-watch]"));
    } else {
      now.replaceWith(turn);
      htmx.process(byId("turn"));
      document.dispatchEvent(new Event("umbick:question"));
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
