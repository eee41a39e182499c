import { useState } from "react";
import { Link, useParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { ForkMark } from "../../parts/ForkMark";
import { Form, Refusals } from "../../parts/Form";
import { Go } from "../../parts/Go";
import { Mind } from "../../parts/Mind";
import { useFieldWrite } from "../../parts/outbox";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { WrongElse } from "../../parts/Wrong";
import { Wrote } from "../../parts/Wrote";
import { BlendSays } from "./BlendSays";
import { PartsKey, Pot } from "./Pots";
import { TheCharge, ToFetch, WillDo } from "./MixSays";

type Job = Schemas["MixJobView"];

/** A job of mixing as it stands: its pots, what comes next, what was done. */
export function MixJob() {
  const id = Number(useParams().id);
  const job = useRead("/api/mix/{id}", { params: { path: { id } } });
  const bench = job.bench?.value;
  const clock = useClock();
  return (
    <Room
      title={bench?.title ?? job.name}
      under={
        <>
          {job.stateSays}
          {job.asked.sowOn && ` · sown or planted on ${clock.sayDate(job.asked.sowOn)}`}
          {job.asked.trialId && (
            <>
              {" · "}
              <Link to={`/judge/trials/${job.asked.trialId}`} className="text-clay underline underline-offset-4">
                for its trial
              </Link>
            </>
          )}
        </>
      }
      peek={bench?.verdict.sentence}
      bench={
        <>
          {bench && (
            <>
              <div className="flex flex-wrap gap-x-6 gap-y-3">
                {bench.each.map((m) => (
                  <figure key={m.name} className="m-0 flex-1 basis-32 text-center max-wide:max-w-40 wide:max-w-52">
                    <figcaption className="font-head text-lg font-bold">{m.name}</figcaption>
                    <Pot layers={m.layers} name={m.name} />
                    <p className="figures text-ash">
                      {m.fills}
                      {m.overShown && ` + ${m.overShown}`}
                    </p>
                  </figure>
                ))}
              </div>
              <div className="mt-3">
                <PartsKey layers={bench.each.flatMap((m) => m.layers)} />
              </div>
              {bench.charge && (job.state === "planned" || job.state === "charging") && (
                <TheCharge charge={bench.charge}>
                  <ForkMark fork={job.bench!.forks.find((f) => f.id === "char")} />
                </TheCharge>
              )}
            </>
          )}
          {job.trouble && (
            <p role="alert" className="font-bold text-straw">
              ▲ It can’t be worked out any more: {job.trouble}
            </p>
          )}
          <Log job={job} />
        </>
      }
      slate={
        <>
          {bench && <Verdict verdict={bench.verdict} />}
          <Steps job={job} />
          {bench && (job.state === "planned" || job.state === "charging") && <ToFetch bench={bench} />}
          {bench && <WillDo bench={bench} />}
          {bench && <BlendSays job={job.id} />}
          <p className="flex flex-wrap items-center gap-3">
            <Go to={`/make/mix/${job.id}/card`}>Card and labels</Go>
            {job.log.every((l) => l.undone) && <Go to={`/make/mix/${job.id}/change`}>Change it</Go>}
            <Go to={`/book/thread?of=mix-${job.id}`}>From bag to harvest</Go>
            {job.bench && <Sum working={job.bench.working} sure={job.bench.sure} of="the mixes" />}
          </p>
          {job.bench && job.next.length > 0 && <Mind cautions={job.bench.cautions} />}
        </>
      }
    />
  );
}

const does: Record<Schemas["MixStep"], string> = {
  charged: "The charge is laid in",
  checked: "I looked at the charge",
  mixed: "It is mixed",
  filled: "It is filled in",
};

const damps = [
  ["dry", "dry"],
  ["right", "as a wrung sponge"],
  ["wet", "wet"],
] as const;

/** What comes next, each with its one button. */
function Steps({ job }: { job: Job }) {
  const [note, setNote] = useState("");
  const [bed, setBed] = useState(String(job.asked.bedId ?? ""));
  const known = useRead("/api/mix");
  const step = useFieldWrite(
    "/api/mix/{id}/steps",
    (done: { step: Schemas["MixStep"]; damp?: (typeof damps)[number][0] }) => ({
      params: { path: { id: job.id } },
      body: {
        step: done.step,
        damp: done.damp ?? null,
        note: note || null,
        bedId: done.step === "filled" && bed ? Number(bed) : null,
        at: null,
      },
    }),
    (done) => `${job.name}: ${does[done.step].toLowerCase()}`,
    () => setNote(""),
  );
  if (job.next.length === 0) return null;
  const early = job.state === "charging" && job.bench?.value?.verdict.tone !== "go";
  return (
    <Refusals problem={step.error}>
      {" "}
      <section aria-label="Next" className="flex flex-col gap-2">
        {job.next.includes("checked") && (
          <div role="group" aria-label="How damp the charge is">
            <p>In the hand, the charge is</p>
            <p className="mt-1 flex flex-wrap gap-2">
              {damps.map(([damp, name]) => (
                <Button key={damp} disabled={step.isPending} onClick={() => step.mutate({ step: "checked", damp })}>
                  {name}
                </Button>
              ))}
            </p>
          </div>
        )}
        {job.next.includes("filled") && (
          <Pick
            label="Where they stand"
            value={bed}
            options={[
              { value: "", name: "no bed said" },
              ...known.beds.map((b) => ({ value: String(b.id), name: b.name })),
            ]}
            onChange={setBed}
          />
        )}
        <p className="flex flex-wrap gap-3">
          {job.next
            .filter((n) => n !== "checked")
            .map((n) => (
              <Button
                key={n}
                kind={early && n === "mixed" ? "drawn" : "filled"}
                disabled={step.isPending}
                onClick={() => step.mutate({ step: n })}
              >
                {does[n]}
              </Button>
            ))}
        </p>
        <Field label="In your own words, if you like" value={note} onChange={setNote} name="note" />
        <WrongElse />
      </section>
    </Refusals>
  );
}

/** What was done, newest first; the newest can be undone, with a word why. */
function Log({ job }: { job: Job }) {
  const clock = useClock();
  const [why, setWhy] = useState<string | null>(null);
  const undo = useFieldWrite(
    "/api/mix/{id}/steps/{step}/undo",
    (of: { step: number; why: string }) => ({
      params: { path: { id: job.id, step: of.step } },
      body: { why: of.why, at: null },
    }),
    () => `${job.name}: undone`,
    () => setWhy(null),
  );
  return (
    <section aria-label="What was done" className="mt-5 border-t-2 border-line pt-3">
      <h2 className="text-xl">What was done</h2>
      {job.log.length === 0 && (
        <p className="text-ash">Nothing yet: the card is written, nothing is taken from the shelf.</p>
      )}
      <ol>
        {job.log.map((l) => (
          <li key={l.id} className="border-t border-line py-2">
            <p className={l.undone ? "text-ash line-through" : undefined}>
              <b className="figures">{clock.when(l.at)}</b> {l.text}
              {l.note && <span className="text-ash"> · {l.note}</span>}
              <Wrote wrote={l.wrote} />
            </p>
            {l.undone && <p className="text-ash">undone: {l.undoneWhy}</p>}
            {l.canUndo && why === null && (
              <Button kind="plain" onClick={() => setWhy("")}>
                undo
              </Button>
            )}
            {l.canUndo && why !== null && (
              <Form
                problem={undo.error}
                onSend={() => undo.mutate({ step: l.id, why })}
                className="flex flex-col gap-2"
              >
                <Field label="What was wrong with it" value={why} onChange={setWhy} name="why" autoFocus />
                <Button type="submit" className="self-start">
                  Undo it
                </Button>
                <WrongElse />
              </Form>
            )}
          </li>
        ))}
      </ol>
      {job.lots.length > 0 && (
        <Fold line={`On the shelf of it: ${job.lots.map((l) => `${l.leftShown} of ${l.name}`).join(", ")}`}>
          {job.lots.map((l) => (
            <Link key={l.id} to={`/shelf?input=${l.inputId}`} className="text-clay underline underline-offset-4">
              {l.name}
            </Link>
          ))}
          <Link to="/make/sheet" className="text-clay underline underline-offset-4">
            have a mix of it tested by a lab
          </Link>
        </Fold>
      )}
    </section>
  );
}
