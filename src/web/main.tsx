import "@fontsource-variable/atkinson-hyperlegible-next";
import "@fontsource-variable/bricolage-grotesque";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router-dom";
import { asking, type Path } from "./api/data";
import { App, firstRoom } from "./app";
import "./theme.css";

const queries = new QueryClient({
  // The server is on this machine: a lost connection is said at once, and nothing waits in silence for a network.
  defaultOptions: {
    queries: { retry: 1, staleTime: 5_000, refetchInterval: 60_000, networkMode: "always" },
    mutations: { networkMode: "always" },
  },
});

// Opens without a signal; what is written then waits in the outbox (parts/outbox.ts).
if ("serviceWorker" in navigator && import.meta.env.PROD) {
  void navigator.serviceWorker.register("/sw.js").catch(() => undefined); // a browser that has none works as before
}

/** What the first screen is drawn from, read before anything is drawn: after a shape of what comes, Suspense holds back by 300 ms. */
async function beforehand() {
  if (location.pathname === "/join") return;
  const room = firstRoom();
  const read = async <P extends Path<"get">>(path: P) => {
    const one = asking("get", path);
    return queries.fetchQuery({ ...one, retry: false }).catch(() => {
      queries.removeQueries({ queryKey: one.queryKey }); // who asks for it on screen asks anew, and says what failed
      return null;
    });
  };
  const me = read("/api/me");
  const holding = await read("/api/holding");
  if (holding?.setUp) {
    const today = location.pathname === "/" ? read("/api/today") : null;
    await Promise.all([read("/api/day-line"), read("/api/watch"), today]);
  }
  await Promise.all([room, me]);
}

const soon = new Promise((done) => setTimeout(done, 400));
await Promise.race([beforehand(), soon]);
createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <BrowserRouter useTransitions={false}>
        <App />
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
