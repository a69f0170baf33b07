// Keeps the child's page as it stands, so that it opens again without a connection. Browsers allow this over HTTPS, and on the machine
// that runs Umbick; elsewhere a page that is open goes on all the same.
(async () => {
  if (!navigator.serviceWorker) return;
  const store = "umbick.turn";
  // What is fetched ahead is kept as it comes, and fetched a second time only where it came before this script did.
  let heard = false;
  document.addEventListener("umbick:ahead", async (event) => {
    heard = true;
    await (await caches.open(store)).put("/turn?handler=ahead", event.detail);
  });
  await navigator.serviceWorker.register("/turn-worker.js", { scope: "/turn" });
  const parts = performance
    .getEntriesByType("resource")
    .map((part) => new URL(part.name))
    .filter((part) => /^\/(js|built)\//.test(part.pathname));
  const cache = await caches.open(store);
  await cache.addAll([...new Set(parts.map(String))].filter((part) => !part.includes("handler=")));
  if (!heard && document.querySelector("#turn[data-ahead-ready]")) await cache.add("/turn?handler=ahead");
  // A page put together here is bound by the same policy as one that was sent.
  const policy = (await cache.match(document.querySelector("script[src]").src)).headers.get("Content-Security-Policy");

  async function keep() {
    const turn = document.getElementById("turn");
    if (turn.querySelector("[data-finished]")) {
      await caches.delete(store);
      return;
    }
    const headers = { "Content-Type": "text/html; charset=utf-8", "Content-Security-Policy": policy };
    await (await caches.open(store)).put("/turn", new Response(`<!doctype html>${document.documentElement.outerHTML}`, { headers }));
    turn.dataset.kept = "yes";
  }

  for (const kind of ["htmx:afterSettle", "umbick:question", "umbick:waits"]) document.addEventListener(kind, () => setTimeout(keep));
  await keep();
})();
