import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Refusals } from "../../parts/Form";
import { useFieldWrite } from "../../parts/outbox";
import { Button } from "../../parts/Button";
import { Fold } from "../../parts/Fold";
import { WhenField } from "../../parts/WhenField";
import { WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

/** A step that was done at another hour than planned, or written down later, keeps each of its times. */
export function StepTimes({ step: s }: { step: Schemas["StepView"] }) {
  const clock = useClock();
  if (!s.doneAt) return null;
  const planned = clock.when(s.at);
  return (
    <span className="block text-ash">
      {planned !== clock.when(s.doneAt) && `planned ${planned}`}
      {planned !== clock.when(s.doneAt) && s.writtenAt && "; "}
      {s.writtenAt && `written down ${clock.when(s.writtenAt)}`}
    </span>
  );
}

/** The schedule, ticked with real times. */
export function Steps({ batch }: { batch: Schemas["BatchView"] }) {
  const clock = useClock();
  const [at, setAt] = useState<string | null>(null);
  const tick = useFieldWrite(
    "/api/brew/batches/{id}/steps/{step}",
    (step: string) => ({
      params: { path: { id: batch.id, step } },
      body: { at },
    }),
    (step) => `done: ${batch.steps.find((s) => s.id === step)?.name ?? step}, ${batch.vessel.name}`,
  );
  const over = batch.state === "used" || batch.state === "heaped";
  const left = batch.steps.filter((s) => !s.doneAt);
  // What was done last stands beside what is next: whoever ticked it sees that it was kept.
  const last = batch.steps
    .filter((s) => s.doneAt)
    .sort((a, b) => a.doneAt!.localeCompare(b.doneAt!))
    .at(-1);
  const next = over ? [] : left.slice(0, 2);
  const shown = over || !last ? next : [last, ...next];
  const rest = batch.steps.filter((s) => !shown.includes(s));
  const row = (s: Schemas["StepView"]) => (
    <li key={s.id} className="flex items-start justify-between gap-3 border-t border-line py-2">
      <span>
        <b>{s.name}</b>{" "}
        {s.doneAt ? (
          <span className="text-moss">✓ done {clock.when(s.doneAt)}</span>
        ) : (
          <span className="text-ash">planned {clock.when(s.at)}</span>
        )}
        {!s.doneAt && <span className="block">{s.detail}</span>}
        <StepTimes step={s} />
      </span>
      {!s.doneAt && !over && !["source", "use", "strain"].includes(s.id) && (
        <Button aria-label={`done: ${s.name}`} onClick={() => tick.mutate(s.id)} disabled={tick.isPending}>
          done
        </Button>
      )}
    </li>
  );
  const done = batch.steps.length - left.length;
  return (
    <Refusals problem={tick.error}>
      <section aria-label="Steps">
        <h2 className="text-xl">{over ? "Steps" : "Next"}</h2>
        <ol className="figures">{shown.map(row)}</ol>
        {!over && left.length === 0 && <p>✓ All steps are done.</p>}
        {!over && <WhenField onChange={setAt} />}
        <WrongElse />
        {rest.length > 0 && (
          <Fold line={`${done} steps done${over ? "" : `, ${left.length - next.length} to come`}`}>
            <ol className="figures">{rest.map(row)}</ol>
          </Fold>
        )}
      </section>
    </Refusals>
  );
}
