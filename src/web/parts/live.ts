import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { isOwn, refresh } from "../api/data";

const beside = typeof BroadcastChannel === "undefined" ? null : new BroadcastChannel("mud-pie-live");

/**
 * What others write is read again as they write it. One page of a browser listens for all that are open in it: a browser opens six
 * lines to a server and no more.
 */
export function useLive() {
  const queries = useQueryClient();
  useEffect(() => {
    if (typeof EventSource === "undefined" || !navigator.locks) return; // the page reads again by the minute
    const over = new AbortController();
    const hear = (said: string) => {
      const [path, key] = said.split(" ");
      if (path && !isOwn(key)) void refresh(queries, path);
    };
    const told = (e: MessageEvent<string>) => hear(e.data);
    beside?.addEventListener("message", told);
    const listen = () =>
      new Promise<void>((done) => {
        const line = new EventSource("/api/live");
        line.addEventListener("written", (e: MessageEvent<string>) => {
          hear(e.data);
          beside?.postMessage(e.data);
        });
        over.signal.addEventListener("abort", () => {
          line.close();
          done();
        });
      });
    void navigator.locks.request("mud-pie-live", { signal: over.signal }, listen).catch(() => undefined);
    return () => {
      over.abort();
      beside?.removeEventListener("message", told);
    };
  }, [queries]);
}
