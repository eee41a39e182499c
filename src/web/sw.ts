/// <reference lib="webworker" />
import { matchPrecache, precacheAndRoute } from "workbox-precaching";
import { NavigationRoute, registerRoute } from "workbox-routing";
import { CacheFirst, NetworkFirst } from "workbox-strategies";

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: (string | { url: string; revision: string | null })[] };

// The application itself: all of it is on the device once the page was opened, and each piece under its own name.
precacheAndRoute(self.__WB_MANIFEST);
void self.skipWaiting();
self.addEventListener("activate", (e) => e.waitUntil(self.clients.claim()));

// Any page, without a signal: the application, which then shows what it has.
registerRoute(
  new NavigationRoute(
    async ({ request }) => {
      try {
        return await fetch(request);
      } catch {
        return (await matchPrecache("/index.html")) ?? Response.error();
      }
    },
    { denylist: [/^\/(api|openapi)\//] },
  ),
);

/** Which holding was served last: what is kept of one is never shown as another's. */
const whose = "/mud-pie-own";
const store = () => caches.open("mud-pie-whose");
const own = async () => (await (await store()).match(whose))?.text() ?? "none";

const holding = new NetworkFirst({
  cacheName: "mud-pie-holding",
  plugins: [
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

/** What is looked at standing in a field: read again whenever there is a signal, and as it was last where there is none. */
const field = new RegExp(
  "^/api/(" +
    [
      "today|day-line|watch|ground|ground/plan|make/yard|shelf",
      "put-out|put-out/(windows|sprayers)",
      "brew/(batches|sources|cleaning|ground-checks)|brew/batches/\\d+",
      "judge/(brix|meters|patches|trials)|judge/trials/\\d+(/sheet)?",
      "look/(walk|plantings|goals|years)|look/pegs/\\d+",
    ].join("|") +
    ")$",
);
const reads = new NetworkFirst({
  cacheName: "mud-pie-field",
  plugins: [{ cacheKeyWillBeUsed: async ({ request }) => `${request.url}#${await own()}` }],
});
registerRoute(({ url, request }) => request.method === "GET" && field.test(url.pathname), reads);

/** Small pictures do not change once they are kept; a walk fetches the last one of each peg, to frame the next one by. */
const pictures = new CacheFirst({
  cacheName: "mud-pie-pictures",
  plugins: [{ cacheKeyWillBeUsed: async ({ request }) => `${request.url}#${await own()}` }],
});
registerRoute(
  ({ url, request }) => request.method === "GET" && /^\/api\/look\/photos\/\d+\/small$/.test(url.pathname),
  pictures,
);
