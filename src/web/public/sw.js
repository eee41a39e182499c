// Keeps what a measuring sheet needs, so that it opens without a signal. The network always comes first.
const store = "mud-pie";
const kept = (url) =>
  url.origin === location.origin &&
  (url.pathname === "/" ||
    url.pathname.startsWith("/assets/") ||
    url.pathname === "/mark.svg" ||
    url.pathname === "/api/holding" ||
    /^\/api\/judge\/trials\/\d+\/sheet$/.test(url.pathname));

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (e) => e.waitUntil(self.clients.claim()));

// What the page had loaded before this worker was there.
self.addEventListener("message", (e) => {
  const urls = e.data.filter((u) => kept(new URL(u)));
  e.waitUntil(caches.open(store).then((c) => Promise.all(urls.map((u) => c.add(u).catch(() => undefined)))));
});

self.addEventListener("fetch", (e) => {
  const page = e.request.mode === "navigate";
  const url = new URL(e.request.url);
  if (
    e.request.method !== "GET" ||
    url.origin !== location.origin ||
    !(page ? !url.pathname.startsWith("/api/") : kept(url))
  )
    return;
  const key = page ? "/" : e.request;
  e.respondWith(
    fetch(e.request)
      .then((answer) => {
        if (answer.ok) {
          const copy = answer.clone();
          e.waitUntil(caches.open(store).then((c) => c.put(key, copy)));
        }
        return answer;
      })
      .catch(async () => (await caches.match(key)) ?? Response.error()),
  );
});
