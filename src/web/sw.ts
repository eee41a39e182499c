/// <reference lib="webworker" />
import { ExpirationPlugin } from "workbox-expiration";
import { matchPrecache, precacheAndRoute } from "workbox-precaching";
import { NavigationRoute, registerRoute } from "workbox-routing";
import { CacheFirst, NetworkFirst } from "workbox-strategies";

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: (string | { url: string; revision: string | null })[] };

// The application itself: all of it is on the device once the page was opened, and each piece under its own name.
precacheAndRoute(self.__WB_MANIFEST);
void self.skipWaiting();
self.addEventListener("activate", (e) => e.waitUntil(self.clients.claim()));

/** With one bar of signal a request hangs for minutes: after so many seconds what is kept is shown. */
const patience = 6;

// Any page, without a signal: the application, which then shows what it has.
registerRoute(
  new NavigationRoute(
    async ({ request }) => {
      const fresh = fetch(request);
      const late = new Promise<undefined>((done) => setTimeout(done, patience * 1000));
      const shell = () => matchPrecache("/index.html");
      try {
        return (await Promise.race([fresh, late])) ?? (await shell()) ?? (await fresh);
      } catch {
        return (await shell()) ?? Response.error();
      }
    },
    { denylist: [/^\/(api|openapi)\//] },
  ),
);

/** Which holding was served last: what is kept of one is never shown as another's. */
const whose = "/mud-pie-own";
const store = () => caches.open("mud-pie-whose");
const own = async () => (await (await store()).match(whose))?.text() ?? "none";

/** What comes from this device says so, and of when it is: the page tells it, and does not set its clock by it. */
function marked(kept: Response) {
  const headers = new Headers(kept.headers);
  headers.set("Mudpie-Kept", headers.get("Mudpie-Now") ?? "");
  return new Response(kept.body, { status: kept.status, statusText: kept.statusText, headers });
}
const marking = {
  cachedResponseWillBeUsed: ({ cachedResponse }: { cachedResponse?: Response | null }) =>
    Promise.resolve(cachedResponse ? marked(cachedResponse) : null),
};

const holding = new NetworkFirst({
  cacheName: "mud-pie-holding",
  networkTimeoutSeconds: patience,
  plugins: [
    marking,
    {
      fetchDidSucceed: async ({ response }) => {
        const told = (await response.clone().json()) as { own?: string };
        if (told.own) await (await store()).put(whose, new Response(told.own));
        return response;
      },
    },
  ],
});
registerRoute(({ url }) => url.pathname === "/api/holding", holding);

/** Under the holding's own sign: in the address's query, for what stands behind a # is not looked at. */
async function byOwn(address: string) {
  const url = new URL(address, self.location.origin);
  url.searchParams.set("of-holding", await own());
  return url.href;
}
const bySelf = { cacheKeyWillBeUsed: ({ request }: { request: Request }) => byOwn(request.url) };

/** That there is nothing, such as a probe in a brew that has none, is an answer too. */
const alsoNothing = {
  cacheWillUpdate: ({ response }: { response: Response }) =>
    Promise.resolve(response.status === 200 || response.status === 204 ? response : null),
};

/**
 * What was read is read again whenever there is a signal, and is as it was last where there is none. What is needed standing in
 * a field the page reads beforehand (parts/field.ts). Not what belongs to the owner's desk, nor files.
 */
const reads = new NetworkFirst({
  cacheName: "mud-pie-field",
  networkTimeoutSeconds: patience,
  plugins: [marking, bySelf, alsoNothing, new ExpirationPlugin({ maxEntries: 600, purgeOnQuotaError: true })],
});
const read = ({ url, request }: { url: URL; request: Request }) =>
  request.method === "GET" &&
  /^\/api\/(?!people|copies|field$|live$|calendar|openapi)[a-z0-9/-]+$/.test(url.pathname) &&
  !/\/(photos?|pictures?)\//.test(url.pathname);
registerRoute(read, reads);

/** Small pictures do not change once they are kept; a walk fetches the last one of each peg, to frame the next one by. */
const pictures = new CacheFirst({
  cacheName: "mud-pie-pictures",
  plugins: [bySelf, new ExpirationPlugin({ maxEntries: 400, purgeOnQuotaError: true })],
});
registerRoute(
  ({ url, request }) => request.method === "GET" && /^\/api\/look\/photos\/\d+\/small$/.test(url.pathname),
  pictures,
);

/** A tank's card, worked out before the field: the same question has the same answer where nobody can be asked. */
registerRoute(
  ({ url }) => url.pathname === "/api/put-out/tank/work-out",
  async ({ request }) => {
    const asked = await request.clone().arrayBuffer();
    const digest = new Uint8Array(await crypto.subtle.digest("SHA-256", asked));
    const key = await byOwn(`/asked/${[...digest].map((b) => b.toString(16).padStart(2, "0")).join("")}`);
    const cache = await caches.open("mud-pie-asked");
    try {
      const fresh = await fetch(request);
      if (fresh.ok) {
        await cache.put(key, fresh.clone());
        for (const old of (await cache.keys()).slice(0, -40)) await cache.delete(old);
      }
      return fresh;
    } catch {
      const kept = await cache.match(key);
      return kept ? marked(kept) : Response.error();
    }
  },
  "POST",
);
