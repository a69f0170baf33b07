// Answers that wait while there is no connection. They stand in the browser's storage until the server has said that it has them.
(() => {
  const byId = (id) => document.getElementById(id);
  // Each sitting has its own: what waits for one is not lost when the device is given another.
  const store = () => `umbick.waiting.${byId("turn").dataset.sitting}`;
  const waiting = () => JSON.parse(localStorage.getItem(store()) ?? "[]");
  const keep = (sent) => (sent.length ? localStorage.setItem(store(), JSON.stringify(sent)) : localStorage.removeItem(store()));
  const value = (one, name) => one.fields.find(([field]) => field === name)?.[1];
  const placeOf = (part) => part.querySelector("[name=place]")?.value;
  let ahead = [];

  function note() {
    const count = waiting().filter((one) => one.fields.some(([name]) => name === "answer")).length;
    const bar = byId("waiting");
    bar.hidden = waiting().length === 0;
    bar.textContent = count <= 1 ? "No connection. Your answer is kept, and goes as soon as it can." : `No connection. ${count} answers are kept, and go as soon as they can.`;
  }

  function show(turn) {
    byId("turn").replaceWith(turn);
    htmx.process(byId("turn"));
    document.dispatchEvent(new Event("umbick:question"));
  }

  function parsed(html) {
    const holder = document.createElement("template");
    holder.innerHTML = html;
    return holder.content.querySelector("#turn");
  }

  const after = (place) => ahead.find((question) => question.place > place);

  // On with what is here; where nothing is, what she gave stays as she gave it.
  function goOn(next, form) {
    if (next) show(parsed(next.html));
    else form?.querySelectorAll("button, input, fieldset").forEach((part) => { part.disabled = true; });
  }

  // A page may come while answers cannot go: it then opens after the last that she gave, and not where the server last heard of her.
  function catchUp() {
    const last = Math.max(...waiting().map((one) => Number(value(one, "place") ?? 0)));
    if (Number(placeOf(byId("turn")) ?? Infinity) <= last) goOn(after(last), byId("answer-form"));
  }

  // A list that was made before is fetched whole, so that it can go on without a connection.
  async function fetchAhead() {
    if (!document.querySelector("#turn[data-listed=yes]")) return;
    try {
      const answer = await fetch("/turn?handler=ahead", { headers: { "HX-Request": "true" } });
      if (answer.status !== 200) return;
      const page = new DOMParser().parseFromString(await answer.text(), "text/html");
      ahead = [...page.querySelectorAll("[data-ahead]")].map((part) => ({ place: Number(placeOf(part) ?? Infinity), html: part.innerHTML }));
      byId("turn").dataset.aheadReady = "yes";
    } catch { /* without a connection there is nothing to fetch; what is here stays */ }
  }

  document.addEventListener("htmx:sendError", (event) => {
    const form = event.target.closest?.("#turn form");
    if (!form) return;
    const { path, formData } = event.detail.requestConfig;
    const fields = [...formData.entries()];
    const next = after(Number(placeOf(form)));
    // In a practice set she goes on before the answer has been looked at.
    if (next && form.matches("[data-answer-form]")) fields.push(["later", "true"]);
    const same = (one) => one.path === path && value(one, "place") === value({ fields }, "place") && value(one, "answer") === value({ fields }, "answer");
    keep([...waiting().filter((one) => !same(one)), { path, fields }]);
    note();
    goOn(next, form);
  });

  // Where things stand now. A question that she is in the middle of stays as it is.
  function arrive(turn) {
    const now = byId("turn");
    const inTheMiddle = now.dataset.begun === "yes" && placeOf(turn) && placeOf(turn) === placeOf(now) && !now.querySelector("[data-done-button]:disabled");
    if (!inTheMiddle) show(turn);
    else if (turn.querySelector("[data-watch]")) {
      now.querySelector("[data-watch]").replaceWith(turn.querySelector("[data-watch]"));
      htmx.process(now.querySelector("[data-watch]"));
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
        const answer = await fetch(first.path, { method: "POST", body, headers: { "HX-Request": "true" } });
        // 409: it was answered in the meantime, by this or from another device; the page then shows where things stand.
        if (!answer.ok && answer.status !== 409) break;
        keep(rest);
        if (rest.length === 0) arrive(parsed(await answer.text()));
      }
    } catch { /* still no connection: it is tried again */ }
    sending = false;
    note();
  }

  note();
  fetchAhead().then(catchUp);
  sendWaiting();
  setInterval(sendWaiting, 2000);
  addEventListener("online", sendWaiting);
})();
