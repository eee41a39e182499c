import { useQueryClient } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";
import { Link } from "react-router-dom";
import { useHeard } from "../api/heard";
import { Problem } from "../api/problem";
import { useClock } from "./clock";
import { flush, oldestDays, useOutbox, warnDays } from "./outbox";

/** Since when what stands on the page could not be read again; null while all is well. */
function useSilence(): number | null {
  const cache = useQueryClient().getQueryCache();
  const oldest = () => {
    const stale = cache
      .findAll({ type: "active" })
      .filter((q) => q.state.data !== undefined && q.queryKey[0] === "get" && passing(q.state.error));
    return stale.length === 0 ? null : Math.min(...stale.map((q) => q.state.dataUpdatedAt));
  };
  return useSyncExternalStore((changed) => cache.subscribe(changed), oldest);
}

const passing = (error: unknown) => error instanceof Problem && error.passing;

const way = "inline-block px-1 py-2 font-medium text-clay underline underline-offset-4";

/** What stands is not what is: said, with since when, and what waits to be sent. Nothing while all is well. */
export function Answering() {
  const queries = useQueryClient();
  const clock = useClock();
  const failed = useSilence();
  const kept = useHeard();
  const since = failed !== null && kept !== null ? Math.min(failed, kept) : (failed ?? kept);
  const { list, reached, kept: keeps } = useOutbox();
  const refused = list.filter((w) => w.refused);
  const waits = list.length - refused.length;
  const silent = since !== null || (!reached && waits > 0);
  const oldest = oldestDays(list);
  const old = oldest >= warnDays;
  if (!silent && refused.length === 0 && keeps && !old) return null;
  const again = () => {
    void queries.refetchQueries({ type: "active" });
    void flush(queries);
  };
  return (
    <div
      role="status"
      className="no-print mx-auto flex max-w-[88rem] flex-wrap items-center gap-x-5 border-y border-line bg-paper px-4 wide:px-7"
    >
      <p className="py-2">
        {silent && (
          <>
            <b className="text-straw">▲ Mud Pie does not answer.</b> Nothing is lost.
            {since !== null && ` What stands here is of ${clock.when(new Date(since))}.`}
            {waits > 0 && ` ${waits} ${waits === 1 ? "entry waits" : "entries wait"} on this device.`}
          </>
        )}
        {refused.length > 0 && (
          <b className="text-plum">
            {" "}
            ✕ {refused.length} {refused.length === 1 ? "entry was" : "entries were"} not taken.
          </b>
        )}
        {old && <b className="text-straw"> ▲ The oldest has waited {oldest} days.</b>}
        {!keeps && (
          <b className="text-plum">
            {" "}
            ✕ This browser keeps nothing once it is closed: leave the page open until all is sent.
          </b>
        )}
        {silent && (
          <button type="button" onClick={again} className={way}>
            try again
          </button>
        )}{" "}
        {list.length > 0 && (
          <Link to="/waiting" className={way}>
            what waits
          </Link>
        )}
      </p>
    </div>
  );
}
