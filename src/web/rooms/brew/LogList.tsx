import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWrite } from "../../api/data";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

const words: Record<Schemas["LogKind"], string> = {
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
const mendable: Schemas["LogKind"][] = [
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

/** Everything seen and done. What was wrong is put right by a new entry; the old one stays readable. */
export function LogList({ batch }: { batch: Schemas["BatchView"] }) {
  const clock = useClock();
  const [all, setAll] = useState(false);
  const [mend, setMend] = useState<{ id: number; value: string } | null>(null);
  const put = useWrite(
    "/api/brew/batches/{id}/log/{entry}/correct",
    (v: { entry: number; kind: Schemas["LogKind"]; value: string }) => ({
      params: { path: { id: batch.id, entry: v.entry } },
      body: { kind: v.kind, value: v.value, at: null },
    }),
    () => setMend(null),
  );
  const shown = batch.log.filter((l) => l.kind !== "step");
  return (
    <section aria-label="Log" className="mt-6">
      <h2 className="text-xl">Log</h2>
      {batch.logSays && <p className="text-ash">{batch.logSays}</p>}
      {shown.length === 0 && <p>Nothing yet. Strip, source, then a reading every few hours.</p>}
      <ol className="figures">
        {(all ? shown : shown.slice(0, 12)).map((l) => (
          <li key={l.id} className="border-t border-line py-1.5">
            <p
              className={`flex items-center justify-between gap-3 ${l.correctedById !== null ? "text-ash line-through" : ""}`}
            >
              <span>
                <time dateTime={l.at}>{clock.when(l.at)}</time> <b>{words[l.kind]}</b> {l.shown}{" "}
                {l.typed && <span className="text-ash">{l.typed} </span>}
                {l.source === "logger" && "(logger)"}
                {l.correctsId !== null && <span className="text-straw"> put right</span>}
              </span>
              {l.correctedById === null && mendable.includes(l.kind) && !(batch.logSays && l.source === "logger") && (
                <Button
                  kind="plain"
                  aria-label={`Put right ${words[l.kind]} of ${clock.when(l.at)}`}
                  onClick={() => setMend({ id: l.id, value: l.again })}
                >
                  put right
                </Button>
              )}
            </p>
            {l.photoId !== null && (
              <img
                src={`/api/brew/photos/${l.photoId}`}
                alt={`Photo of ${clock.when(l.at)}`}
                className="mt-1 max-h-56 rounded-xl"
                loading="lazy"
              />
            )}
            {mend?.id === l.id && (
              <Form
                problem={put.error}
                className="flex items-end gap-3"
                onSend={() => put.mutate({ entry: l.id, kind: l.kind, value: mend.value })}
              >
                <Field
                  label="It should be"
                  value={mend.value}
                  onChange={(value) => setMend({ id: l.id, value })}
                  name="value"
                  autoFocus
                />
                <Button type="submit" className="mb-7">
                  Record it
                </Button>
                <WrongElse />
              </Form>
            )}
          </li>
        ))}
      </ol>
      {shown.length > 12 && !all && (
        <Button kind="plain" onClick={() => setAll(true)}>
          all {shown.length} entries
        </Button>
      )}
    </section>
  );
}
