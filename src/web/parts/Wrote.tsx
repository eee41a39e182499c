import type { Schemas } from "../api/client";
import { useClock } from "./clock";

/** Who wrote a line of the record, and when it came where that was later than the hour it is of. */
export function Wrote({ wrote }: { wrote?: Schemas["WroteView"] | null }) {
  const clock = useClock();
  if (!wrote) return null;
  return (
    <span className="text-ash">
      {wrote.by && ` by ${wrote.by}`}
      {wrote.received && `, received ${clock.when(wrote.received)}`}
    </span>
  );
}
