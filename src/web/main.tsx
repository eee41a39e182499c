import "@fontsource-variable/atkinson-hyperlegible-next";
import "@fontsource-variable/bricolage-grotesque";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router-dom";
import { App } from "./app";
import "./theme.css";

const queries = new QueryClient({
  // The server is on this machine: a lost connection is said at once, and nothing waits in silence for a network.
  defaultOptions: {
    queries: { retry: 1, staleTime: 5_000, refetchInterval: 60_000, networkMode: "always" },
    mutations: { networkMode: "always" },
  },
});

// What has been opened once opens again without a signal; figures wait in the outbox (parts/outbox.ts).
if ("serviceWorker" in navigator && import.meta.env.PROD) {
  void navigator.serviceWorker
    .register("/sw.js")
    .then(() => navigator.serviceWorker.ready)
    .then((worker) =>
      worker.active?.postMessage([
        location.origin + "/",
        ...performance.getEntriesByType("resource").map((r) => r.name),
      ]),
    )
    .catch(() => undefined); // a browser that has none works as before
}

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <BrowserRouter>
        <App />
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
