// The child's page opens again without a connection: what it was made of is kept, and comes from there when nothing else comes.
const store = "umbick.turn";

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const { pathname, search } = new URL(request.url);
  const page = pathname === "/turn" && (search === "" || search === "?handler=ahead");
  if (request.method === "GET" && (page || /^\/(js|built)\//.test(pathname))) event.respondWith(freshOrKept(request));
});

async function freshOrKept(request) {
  const kept = await caches.open(store);
  try {
    const answer = await fetch(request);
    // A device that was taken back is led elsewhere, and keeps nothing.
    if (answer.type === "opaqueredirect") await caches.delete(store);
    else if (answer.status === 200) await kept.put(request.url, answer.clone());
    return answer;
  } catch (lost) {
    const before = await kept.match(request.url);
    if (before) return before;
    throw lost;
  }
}
