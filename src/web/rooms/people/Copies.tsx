import { Dialog } from "radix-ui";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Part } from "../../parts/Ready";
import { Wrong } from "../../parts/Wrong";

const made = {
  night: "by itself",
  byHand: "by hand",
  beforeRestore: "what stood here before a copy was put back",
  beforeVersion: "as it was before a newer version",
};

/** How safe the holding lies: the last copy's age, where copies lie, and putting one back. */
export function Copies() {
  const read = useRead("/api/copies");
  const now = useWrite("/api/copies", () => ({}));
  const [all, setAll] = useState(false);
  const [back, setBack] = useState<string | null>(null);
  const shown = all ? read.copies : read.copies.slice(0, 5);
  return (
    <section className="mt-6 border-t-2 border-line pt-4" aria-label="Copies">
      <h2 className="text-2xl">Copies</h2>
      <p className="figures text-lg">
        <b className={read.beside.old ? "text-straw" : ""}>
          {read.beside.old && <span aria-hidden>▲ </span>}
          {read.says}
        </b>{" "}
        {read.nightly &&
          "One is made each night and looked through; seven days, four weeks and twelve months are kept."}{" "}
        {read.copies.length > 0 && `Together they take ${read.takes}.`}
      </p>
      <Place place={read.beside} what="Beside the file" />
      {read.second ? (
        <Place place={read.second} what="At the second place" />
      ) : (
        <p className="text-ash">
          No second place is named. Begin with <code>--second FOLDER</code>, a stick or a mounted folder: a copy beside
          the file goes with the machine.
        </p>
      )}
      <p className="my-3 flex flex-wrap items-center gap-4">
        <Button kind="filled" onClick={() => now.mutate(undefined)} disabled={now.isPending}>
          {now.isPending ? "Copying …" : "Copy now"}
        </Button>
        <a
          href="/api/book/holding.zip"
          download
          className="min-h-12 content-center text-clay underline underline-offset-4"
        >
          The whole holding as open files, in one zip
        </a>
      </p>
      <Wrong problem={now.error} />
      {back && (
        <p role="status" className="text-lg">
          ✓ It is put back. What stood here before is kept as <b className="break-all">{back}</b>.
        </p>
      )}
      <ol className="figures">
        {shown.map((c) => (
          <Line key={`${c.name} ${c.second}`} copy={c} done={setBack} />
        ))}
      </ol>
      {read.copies.length > shown.length && (
        <button type="button" onClick={() => setAll(true)} className="min-h-12 text-clay underline underline-offset-4">
          {read.copies.length - shown.length} older
        </button>
      )}
    </section>
  );
}

function Place({ place, what }: { place: Schemas["CopyPlace"]; what: string }) {
  return (
    <p>
      {place.trouble ? (
        <b className="text-plum">
          ✕ {what}: {place.trouble}
        </b>
      ) : (
        <>
          {what}: <span className="break-all text-ash">{place.folder}</span>
        </>
      )}
    </p>
  );
}

function Line({ copy, done }: { copy: Schemas["CopyLine"]; done: (kept: string) => void }) {
  const clock = useClock();
  return (
    <li className="flex flex-wrap items-baseline gap-x-4 border-t border-line">
      <time dateTime={copy.made} className="w-32 shrink-0">
        {clock.when(copy.made)}
      </time>
      <span className="min-w-0 flex-1">
        {made[copy.kind]}
        {copy.second && ", at the second place"}
      </span>
      <PutBack copy={copy} done={done} />
    </li>
  );
}

/** Says what it would mean before it is done. */
function PutBack({ copy, done }: { copy: Schemas["CopyLine"]; done: (kept: string) => void }) {
  const clock = useClock();
  const [open, setOpen] = useState(false);
  const put = useWrite(
    "/api/copies/restore",
    () => ({ body: { name: copy.name, second: copy.second } }),
    (kept) => {
      setOpen(false);
      done(kept.kept);
    },
  );
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button kind="plain" aria-label={`put back the copy of ${clock.when(copy.made)}`}>
          put back
        </Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-0 bottom-0 z-50 rounded-t-3xl bg-paper p-5 text-ink wide:inset-x-auto wide:bottom-auto wide:left-1/2 wide:top-24 wide:w-[36rem] wide:-translate-x-1/2 wide:rounded-3xl"
        >
          <Dialog.Title className="font-head text-xl font-bold">
            The holding as it stood: {clock.when(copy.made)}
          </Dialog.Title>
          <Part>
            <Means copy={copy} />
          </Part>
          <p>People, phones and what happened at the door stay as they are now: who was struck off stays outside.</p>
          <Wrong problem={put.error} />
          <p className="mt-4 flex gap-4">
            <Button kind="filled" onClick={() => put.mutate(undefined)} disabled={put.isPending}>
              {put.isPending ? "Putting it back …" : "Put it back"}
            </Button>
            <Dialog.Close asChild>
              <Button autoFocus>Leave it</Button>
            </Dialog.Close>
          </p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Means({ copy }: { copy: Schemas["CopyLine"] }) {
  const means = useRead("/api/copies/means", { params: { query: { name: copy.name, second: copy.second } } });
  return <p className="my-2 text-lg">{means.says}</p>;
}
