import { useSyncExternalStore } from "react";

/** Of when what stands on the page is, where nobody answered and it was read from what this device kept; null while all is fresh. */
let since: number | null = null;
const looks = new Set<() => void>();

/** Says of when an answer was: by the header that the service worker puts on what it had kept; or that somebody answered. */
export function heard(kept: string | null) {
  const of = kept === null ? null : Date.parse(kept);
  const next = of === null || Number.isNaN(of) ? null : Math.min(of, since ?? of);
  if (next === since) return;
  since = next;
  looks.forEach((look) => look());
}

export const useHeard = () =>
  useSyncExternalStore(
    (changed) => {
      looks.add(changed);
      return () => looks.delete(changed);
    },
    () => since,
  );
