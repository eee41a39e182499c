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

// Opens without a signal; what is written then waits in the outbox (parts/outbox.ts).
if ("serviceWorker" in navigator && import.meta.env.PROD) {
  void navigator.serviceWorker.register("/sw.js").catch(() => undefined); // a browser that has none works as before
}

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <BrowserRouter useTransitions={false}>
        <App />
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
