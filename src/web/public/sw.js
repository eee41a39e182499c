// Keeps what a measuring sheet needs, so that it opens without a signal. The network always comes first.
const store = "mud-pie";
const whose = "/mud-pie-own"; // which holding was served last: what is kept of one is never shown as another's
const ofHolding = (url) => url.pathname.startsWith("/api/") && url.pathname !== "/api/holding";

async function own() {
  const kept = await (await caches.open(store)).match(whose);
  return kept ? kept.text() : "none";
}

const placeOf = async (url) => caches.open(ofHolding(url) ? `${store}-${await own()}` : store);

async function keep(key, url, answer) {
  if (url.pathname === "/api/holding") {
    const told = await answer.clone().json();
    if (told.own) await (await caches.open(store)).put(whose, new Response(told.own));
  }
  await (await placeOf(url)).put(key, answer);
}

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
  e.waitUntil(
    Promise.all(
      urls.map((u) =>
        fetch(u)
          .then((answer) => (answer.ok ? keep(u, new URL(u), answer) : undefined))
          .catch(() => undefined),
      ),
    ),
  );
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
          e.waitUntil(keep(key, page ? new URL("/", location.origin) : url, copy));
        }
        return answer;
      })
      .catch(
        async () => (await (await placeOf(page ? new URL("/", location.origin) : url)).match(key)) ?? Response.error(),
      ),
  );
});
