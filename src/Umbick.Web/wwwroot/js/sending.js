// The one queue of this page, kept going: sent again by itself, at once when the network is back.
globalThis.Sending = (() => {
  const { queueScope: scope, tokenFrom } = document.body.dataset;
  if (!scope) return null;
  const field = () => document.querySelector("[name=__RequestVerificationToken]");
  let fresh = null;

  // Why it was refused stands in the reply, wherever it is shown.
  const reasonIn = (body) => new DOMParser().parseFromString(body, "text/html").querySelector("[data-told]")?.textContent.trim() ?? "";

  const listeners = [];
  const queue = new AnswerQueue({
    scope,
    storage: localStorage,
    fetch: (...request) => fetch(...request),
    token: () => fresh ?? field()?.value,
    renew: async () => {
      const answer = await fetch(tokenFrom, { redirect: "manual", headers: { "Umbick-Queue": "1" } }).catch(() => null);
      if (answer?.ok) fresh = await answer.text();
    },
    changed: (all) => Notices.show(all, { others: AnswerQueue.others(localStorage, scope) }),
    settled: (entry, reply) => listeners.forEach((listener) => listener(entry, reply)),
    reasonIn,
  });

  document.addEventListener("click", (event) => {
    const seen = event.target.closest?.("[data-dismiss]");
    if (seen) queue.dismiss(seen.dataset.dismiss);
  });

  let timer;
  async function goOn() {
    clearTimeout(timer);
    if (queue.waiting().length > 0) await queue.flush();
    timer = setTimeout(goOn, queue.waiting().length > 0 ? queue.pause : 1000);
  }
  addEventListener("beforeunload", () => {
    queue.hold(true);
    setTimeout(() => queue.hold(false), 3000);
  });
  addEventListener("pageshow", () => queue.hold(false));
  addEventListener("online", goOn);
  addEventListener("focus", goOn);
  Notices.show(queue, { others: AnswerQueue.others(localStorage, scope) });
  goOn();

  return { queue, reasonIn, heard: (listener) => listeners.push(listener) };
})();
