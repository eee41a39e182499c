import { useEffect, useSyncExternalStore } from "react";
import { client } from "../api/client";

/** What is on this device to be read without a signal: how many pages, and since when. */
export interface Carried {
  pages: number;
  at: string;
}

const place = "mud-pie-carried";
const every = 15 * 60_000;
const fresh = 5 * 60_000;
const looks = new Set<() => void>();
let text = localStorage.getItem(place);

function set(now: Carried) {
  text = JSON.stringify(now);
  localStorage.setItem(place, text);
  looks.forEach((look) => look());
}

let running = false;

/** Reads what is needed in a field, one page after the other, so that the service worker keeps it; what fails is read next time. */
export async function carry(get: (path: string) => Promise<boolean> = got) {
  const last = text === null ? 0 : Date.parse((JSON.parse(text) as Carried).at);
  if (running || Math.abs(Date.now() - last) < fresh) return;
  running = true;
  try {
    const { data } = await client.GET("/api/field");
    let pages = 0;
    for (const path of data?.paths ?? []) if (await get(path)) pages++;
    set({ pages, at: new Date().toISOString() });
  } catch {
    // no signal, or not signed in: what was kept before stays
  } finally {
    running = false;
  }
}

const got = (path: string) =>
  fetch(path, { headers: { "Mudpie-Idle": "100000" } }).then(
    (answer) => answer.ok && answer.headers.get("Mudpie-Kept") === null,
    () => false,
  );

/** Keeps what is needed in a field fresh while the page is open and has a signal, after what is looked at now. */
export function useCarrying(after: number) {
  useEffect(() => {
    if (!("serviceWorker" in navigator)) return;
    const again = () => void navigator.serviceWorker.ready.then(() => carry());
    const soon = setTimeout(again, after);
    const timer = setInterval(again, every);
    window.addEventListener("online", again);
    return () => {
      clearTimeout(soon);
      clearInterval(timer);
      window.removeEventListener("online", again);
    };
  }, [after]);
}

export function useCarried(): Carried | null {
  const now = useSyncExternalStore(
    (changed) => {
      looks.add(changed);
      return () => looks.delete(changed);
    },
    () => text,
  );
  return now === null ? null : (JSON.parse(now) as Carried);
}
