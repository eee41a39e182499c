import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Refusals } from "../../parts/Form";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Wrong, WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

const names: Record<string, string> = {
  brew: "a live brew",
  feed: "a steeped feed",
  manure: "manure",
  inoculant: "an inoculant or amendment",
  biostimulant: "a biostimulant",
  spray: "a spray",
  other: "anything else",
};

export const eatenHow: { value: Schemas["Eaten"]; name: string }[] = [
  { value: "touches", name: "raw, and it touches the ground or is splashed" },
  { value: "clear", name: "raw, but it hangs clear of the ground" },
  { value: "grazed", name: "grazed or cut for fodder" },
  { value: "nothing", name: "nothing of it is eaten raw" },
];

/** Waits before harvest that run, and the rules behind them. */
export function WaitsPanel({ beds }: { beds: Schemas["BedView"][] }) {
  const clock = useClock();
  const waits = useRead("/api/book/waits");
  const [r, setR] = useState({ kind: "brew", days: "", why: "" });
  const keep = useWrite(
    "/api/book/waits",
    () => ({ body: r }),
    () => setR({ ...r, days: "", why: "" }),
  );
  const eaten = useWrite("/api/book/beds/{id}/eaten", (b: { id: number; how: Schemas["Eaten"] }) => ({
    params: { path: { id: b.id } },
    body: { how: b.how },
  }));
  return (
    <Refusals problem={keep.error}>
      {" "}
      <section aria-label="Waits before harvest">
        <h2 className="text-xl">Waits before harvest</h2>
        {waits.running.length === 0 && <p>✓ None runs.</p>}
        {Object.entries(Object.groupBy(waits.running ?? [], (w) => `${w.days} days, ${w.reason}`)).map(
          ([why, list]) => (
            <div key={why} className="border-t border-line py-1">
              <ul className="figures">
                {list!.map((w) => (
                  <li key={w.bedId}>
                    <b>{w.bed}</b>: not before {clock.date(w.until)} <span className="text-ash">({w.what})</span>
                  </li>
                ))}
              </ul>
              <p className="text-ash">{why}.</p>
            </div>
          ),
        )}
        <details>
          <summary className="min-h-11 cursor-pointer text-clay underline underline-offset-4">
            whose days they are: set your own code’s
          </summary>
          <ul>
            {waits.rules.map((w) => (
              <li key={w.kind} className="border-t border-line py-1">
                <b>{names[w.kind]}</b>: {w.days} days, {w.own ? `yours: ${w.why}` : `house default: ${w.why}`}
              </li>
            ))}
          </ul>
          <div className="grid gap-x-4 sm:grid-cols-[1fr_7rem]">
            <Pick
              label="After"
              value={r.kind}
              options={Object.entries(names).map(([value, name]) => ({ value, name }))}
              onChange={(kind) => setR({ ...r, kind })}
            />
            <Field
              label="Days"
              inputMode="decimal"
              value={r.days}
              onChange={(days) => setR({ ...r, days })}
              name="days"
            />
          </div>
          <Field label="Which code says so" value={r.why} onChange={(why) => setR({ ...r, why })} name="why" />
          <Button disabled={keep.isPending} onClick={() => keep.mutate(null)}>
            Keep the rule
          </Button>
          <WrongElse />
          <h3 className="mt-3 text-lg">What is eaten raw of each bed</h3>
          <p className="text-ash">The waits follow from it. Where you are not sure, leave it as touching the ground.</p>
          <div className="grid gap-x-4 sm:grid-cols-2">
            {beds.map((b) => (
              <Pick
                key={b.id}
                label={`${b.name}, ${b.crop}`}
                value={waits.eaten.find((e) => e.bedId === b.id)?.how ?? b.eaten}
                options={eatenHow}
                onChange={(how) => eaten.mutate({ id: b.id, how: how as Schemas["Eaten"] })}
              />
            ))}
          </div>
          <Wrong problem={eaten.error} />
        </details>
      </section>
    </Refusals>
  );
}
