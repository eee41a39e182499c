import { useQueryClient } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";
import { Problem } from "../api/problem";
import { Button } from "./Button";
import { useClock } from "./clock";
import { drop, flush, useOutbox } from "./outbox";
import { Dialog } from "radix-ui";

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

/** What stands is not what is: said, with since when, and what waits to be sent. Nothing while all is well. */
export function Answering() {
  const queries = useQueryClient();
  const clock = useClock();
  const since = useSilence();
  const { list, reached, kept } = useOutbox();
  const refused = list.filter((w) => w.refused);
  const waits = list.length - refused.length;
  const silent = since !== null || (!reached && waits > 0);
  if (!silent && refused.length === 0 && kept) return null;
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
        {!kept && (
          <b className="text-plum">
            {" "}
            ✕ This browser keeps nothing once it is closed: leave the page open until all is sent.
          </b>
        )}
      </p>
      {silent && (
        <Button kind="plain" onClick={again}>
          try again
        </Button>
      )}
      {list.length > 0 && <Box />}
    </div>
  );
}

/** What waits for a signal, and what was refused, as it was written. */
function Box() {
  const clock = useClock();
  const { list } = useOutbox();
  return (
    <Dialog.Root>
      <Dialog.Trigger asChild>
        <Button kind="plain">what waits</Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-0 bottom-0 z-50 max-h-[85vh] overflow-y-auto rounded-t-3xl bg-paper p-5 text-ink wide:inset-x-auto wide:bottom-auto wide:left-1/2 wide:top-24 wide:w-[40rem] wide:-translate-x-1/2 wide:rounded-3xl"
        >
          <Dialog.Title className="font-head text-xl font-bold">Waiting for a signal</Dialog.Title>
          <p className="text-ash">Kept on this device; sent in order, each once.</p>
          <ol className="figures my-3">
            {list.map((w) => (
              <li key={w.key} className="border-t border-line py-2">
                <p className="flex flex-wrap justify-between gap-x-4">
                  <span>
                    <time dateTime={w.at}>{clock.when(w.at)}</time> <b>{w.says}</b>
                  </span>
                  <b className={w.refused ? "text-plum" : "text-straw"}>{w.refused ? "✕ not taken" : "waits"}</b>
                </p>
                {w.refused && (
                  <p>
                    {w.refused.fields.map((f) => `${f.wrong} ${f.wayOut}`).join(" ") || w.refused.message}{" "}
                    <Button kind="plain" aria-label={`let it go: ${w.says}`} onClick={() => void drop(w.key)}>
                      let it go
                    </Button>
                  </p>
                )}
              </li>
            ))}
          </ol>
          <Dialog.Close asChild>
            <Button>Close</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
