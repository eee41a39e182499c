import { useSyncExternalStore } from "react";

/** Why one has to sign in, in the server's words; null while one is in, or need not. */
export interface TurnedAway {
  title: string;
  detail: string;
}

let now: TurnedAway | null = null;
let touched = Date.now();
const looks = new Set<() => void>();

function set(next: TurnedAway | null) {
  now = next;
  looks.forEach((look) => look());
}

/** The server does not know who asks: said over whatever stands on the page, which stays as it is. */
export function turnedAway(said: { title?: string | null; detail?: string | null } | undefined) {
  if (now) return;
  set({ title: said?.title ?? "Sign in first.", detail: said?.detail ?? "" });
  // what was read here is another's to see no more; what was written and waits stays
  if (said?.title?.includes("struck off")) void forget();
}

/** Nothing that was read here is left to whoever comes next. */
export const forget = async () => {
  if (!("caches" in window)) return;
  await Promise.all(
    ["mud-pie-field", "mud-pie-holding", "mud-pie-pictures", "mud-pie-asked"].map((name) => caches.delete(name)),
  );
};

/** One is in again. */
export const welcome = () => set(null);

export const useTurnedAway = () =>
  useSyncExternalStore(
    (changed) => {
      looks.add(changed);
      return () => looks.delete(changed);
    },
    () => now,
  );

for (const kind of ["pointerdown", "keydown"])
  window.addEventListener(kind, () => (touched = Date.now()), { passive: true, capture: true });

/** For how many seconds nobody has touched this page: one that stands open and asks by itself keeps no sitting alive. */
export const idle = () => String(Math.round((Date.now() - touched) / 1000));
