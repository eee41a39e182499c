import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useFieldWrite } from "../../parts/outbox";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { WrongElse } from "../../parts/Wrong";
import { Wrote } from "../../parts/Wrote";
import { useClock } from "../../parts/clock";

export const words: Record<Schemas["LogKind"], string> = {
  oxygen: "oxygen",
  warmth: "warmth",
  smell: "smell",
  foam: "foam",
  strip: "strip",
  note: "note",
  photo: "photo",
  step: "done",
  start: "source in",
  airOff: "air off",
  heaped: "heaped",
  fed: "fed",
  airTo: "air from then on",
  pathogen: "test for gut germs",
};
export const mendable: Schemas["LogKind"][] = [
  "oxygen",
  "warmth",
  "strip",
  "note",
  "smell",
  "foam",
  "fed",
  "airTo",
  "pathogen",
];

/** A correction is a new entry; the old one stays readable. */
export function Mend({ batch, entry }: { batch: Schemas["BatchView"]; entry: Schemas["LogView"] }) {
  const clock = useClock();
  const [value, setValue] = useState<string | null>(null);
  const put = useFieldWrite(
    "/api/brew/batches/{id}/log/{entry}/correct",
    (v: string) => ({
      params: { path: { id: batch.id, entry: entry.id } },
      body: { kind: entry.kind, value: v, at: entry.at },
    }),
    (v) => `${words[entry.kind]} ${v} put right, ${batch.vessel.name}`,
    () => setValue(null),
  );
  if (value === null)
    return (
      <Button
        kind="plain"
        aria-label={`record a correction: ${words[entry.kind]} of ${clock.when(entry.at)}`}
        onClick={() => setValue(entry.again)}
      >
        record a correction
      </Button>
    );
  return (
    <Form problem={put.error} className="flex basis-full items-end gap-3" onSend={() => put.mutate(value)}>
      <Field label="It should be" value={value} onChange={setValue} name="value" autoFocus />
      <Button type="submit" className="mb-7" disabled={put.isPending}>
        Record it
      </Button>
      <WrongElse />
    </Form>
  );
}

/** Everything seen and done, one line an entry; corrected ones stay readable. */
export function LogList({ batch }: { batch: Schemas["BatchView"] }) {
  const clock = useClock();
  const [all, setAll] = useState(false);
  const shown = batch.log.filter((l) => l.kind !== "step");
  return (
    <div>
      {batch.logSays && <p className="text-ash">{batch.logSays}</p>}
      {shown.length === 0 && <p>Nothing yet. Strip, source, then a reading every few hours.</p>}
      <ol className="figures">
        {(all ? shown : shown.slice(0, 12)).map((l) => (
          <li
            key={l.id}
            className={`flex flex-wrap items-center justify-between gap-x-3 border-t border-line py-1 ${l.correctedById !== null ? "text-ash line-through" : ""}`}
          >
            <span>
              <time dateTime={l.at}>{clock.when(l.at)}</time> <b>{words[l.kind]}</b> {l.shown}{" "}
              {l.typed && <span className="text-ash">{l.typed} </span>}
              {l.source === "logger" && "(logger)"}
              {l.correctsId !== null && <span className="text-straw"> a correction</span>}
              <Wrote wrote={l.wrote} />
            </span>
            {l.correctedById === null && mendable.includes(l.kind) && !(batch.logSays && l.source === "logger") && (
              <Mend batch={batch} entry={l} />
            )}
          </li>
        ))}
      </ol>
      {shown.length > 12 && !all && (
        <Button kind="plain" onClick={() => setAll(true)}>
          all {shown.length} entries
        </Button>
      )}
    </div>
  );
}
