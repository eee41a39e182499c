import { useState } from "react";
import { Link, useParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { ForkMark } from "../../parts/ForkMark";
import { Form } from "../../parts/Form";
import { Go } from "../../parts/Go";
import { GroundMap } from "../../parts/GroundMap";
import { Mind } from "../../parts/Mind";
import { useFieldWrite } from "../../parts/outbox";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Verdict } from "../../parts/Verdict";
import { WhenField } from "../../parts/WhenField";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { nothing } from "../make/WormSteps";
import { type Striking, YardLog } from "../make/YardLog";
import { PrepUse } from "./PrepUse";
import { StirTimer } from "./StirTimer";

type View = Schemas["PrepView"];
type Did = Schemas["WorkStepAsked"];

/** A preparation as it stands: where it lies, when it is lifted, what came of it. */
export function PrepPage() {
  const id = Number(useParams().id);
  const view = useRead("/api/works/preparations/{id}", { params: { path: { id } } });
  const plan = useRead("/api/ground/plan");
  const heaps = useRead("/api/heaps").heaps.filter((h) => h.state !== "done");
  const choose = useWrite("/api/holding/forks/{fork}", (c: { fork: string; school: string }) => ({
    params: { path: { fork: c.fork } },
    body: { school: c.school },
  }));
  const name = view.asked.name ?? view.kind.called;
  const strike = useFieldWrite(
    "/api/works/{id}/steps/{entry}/strike",
    (a: Striking) => ({ params: { path: { id, entry: a.id } }, body: { why: a.why, at: null } }),
    () => `${name}: an entry struck`,
  );
  const lies = plan.marks.some((m) => m.id === `buried-${id}`);
  return (
    <Room
      title={name}
      under={[view.kind.called, view.word, view.countShown].filter(Boolean).join(" · ")}
      peek={view.verdict.sentence}
      bench={
        <>
          {view.placeShown && <p className="text-lg">{view.placeShown}</p>}
          {lies && (
            <GroundMap
              plan={plan}
              many={false}
              label="Where it lies"
              chosen={[]}
              onToggle={() => undefined}
              marked={`buried-${id}`}
            />
          )}
          <Fold line="How it is made, step by step" open={!lies}>
            <ol className="list-decimal pl-6">
              {view.kind.kind.steps.map((s) => (
                <li key={s} className="border-t border-line py-1.5">
                  {s}
                </li>
              ))}
            </ol>
          </Fold>
          <YardLog entries={view.log} strike={strike} first={7} />
        </>
      }
      slate={
        <>
          <div className="flex items-start gap-2">
            <Verdict verdict={view.verdict} />
            {view.lift && <ForkMark fork={view.lift} onChoose={(fork, school) => choose.mutate({ fork, school })} />}
          </div>
          {view.waits && <PrepUse view={view} plan={plan} />}
          <Step key={view.next[0]} view={view} heaps={heaps} />
          {view.lots.map((l) => (
            <p key={l.id}>
              <Link to={`/shelf?input=${l.inputId}`} className="text-clay underline underline-offset-4">
                {l.leftShown} of {l.name}
              </Link>{" "}
              on the shelf.
            </p>
          ))}
          {view.state === "lifted" && view.kind.kind.use !== "heap" && (
            <p className="flex flex-wrap gap-3">
              <Go to="/judge/new?template=preparation">Try it against stirred water</Go>
            </p>
          )}
          <p>
            <Link
              to={`/make/prep/${id}/change`}
              className="inline-flex min-h-11 items-center text-clay underline underline-offset-4"
            >
              {view.marked ? "change its words or its mark" : "mark it on the plan, or change its words"}
            </Link>
          </p>
          <Mind cautions={view.cautions} />
          <p className="text-ash">{view.contested}</p>
        </>
      }
    />
  );
}

const words: Partial<Record<Schemas["WorkStep"], [title: string, button: string]>> = {
  hung: ["Hang it in the sun", "It hangs"],
  buried: ["Bury it", "It is buried"],
  lifted: ["Lift it", "It is lifted"],
  pressed: ["Into its bottle", "It is in its bottle"],
  stirred: ["Stir some of it", "It is stirred"],
  given: ["Into a heap", "It is in the heap"],
};

/** What comes next, as a form; or what was seen. */
function Step({ view, heaps }: { view: View; heaps: Schemas["HeapLine"][] }) {
  const step = view.next[0]!;
  const [did, setDid] = useState<Did>({ ...nothing, step });
  const [at, setAt] = useState<string | null>(null);
  const write = useFieldWrite(
    "/api/works/{id}/steps",
    (d: Did) => ({
      params: { path: { id: view.id } },
      body: { did: d, at },
    }),
    () => `${view.asked.name ?? view.kind.called}: ${words[did.step ?? "seen"]?.[1] ?? "something seen"}`,
    () => {
      setDid({ ...nothing, step });
      setAt(null);
    },
  );
  const set = (part: Partial<Did>) => setDid({ ...did, ...part });
  const say = words[step];
  const liquid = view.kind.kind.liquid;
  const sprayed = view.kind.kind.use === "sprayed";
  const [title, button] =
    step === "stirred" && sprayed
      ? ["Thin some for spraying", "It is thinned"]
      : step === "buried" && view.kind.begin.startsWith("Lay")
        ? ["Lay it in water", "It lies in water"]
        : (say ?? ["Something seen", "Keep it"]);
  return (
    <Form problem={write.error} onSend={() => write.mutate(did)} label={title} className="flex flex-col gap-1">
      <h3 className="text-lg">{title}</h3>
      {(step === "hung" || step === "buried" || step === "lifted") && (
        <Field
          label={step === "lifted" ? "How many came out whole" : "How many went in"}
          value={did.count ?? ""}
          onChange={(count) => set({ count: count || null })}
          name="count"
          inputMode="numeric"
          hint={step === "lifted" ? (view.countShown ?? undefined) : (view.asked.count ?? undefined)}
        />
      )}
      {(step === "lifted" || step === "pressed") && (
        <>
          <AmountField
            label={liquid ? "How much it is" : "What it weighs"}
            dimension={liquid ? "volume" : "mass"}
            value={did.amount ?? ""}
            onChange={(amount) => set({ amount })}
            name="amount"
            hint={liquid ? "500 mL" : "620 g"}
          />
          <div className="grid items-start gap-x-4 sm:grid-cols-2">
            <Field label="Colour" value={did.colour ?? ""} onChange={(c) => set({ colour: c || null })} name="colour" />
            <Field label="Smell" value={did.smell ?? ""} onChange={(c) => set({ smell: c || null })} name="smell" />
            <Field
              label="To the touch"
              value={did.texture ?? ""}
              onChange={(c) => set({ texture: c || null })}
              name="texture"
            />
            <Field
              label="Stored where, and how"
              value={did.stored ?? ""}
              onChange={(c) => set({ stored: c || null })}
              name="stored"
              hint="stoneware in peat, cellar"
            />
          </div>
          <p className="text-ash">A good one, it is said: {view.kind.kind.look}.</p>
        </>
      )}
      {step === "given" && (
        <>
          <Pick
            label="Into which heap"
            value={String(did.heapId ?? "")}
            options={[
              { value: "", name: "choose a heap" },
              ...heaps.map((h) => ({ value: String(h.id), name: h.name })),
            ]}
            onChange={(id) => set({ heapId: id ? Number(id) : null })}
          />
          <WrongHere name="heapId" />
          <AmountField
            label="How much of it"
            dimension={liquid ? "volume" : "mass"}
            value={did.amount ?? ""}
            onChange={(amount) => set({ amount })}
            name="amount"
            hint={liquid ? "5 mL" : "1 g: a pinch"}
          />
        </>
      )}
      {step === "stirred" && (
        <>
          {!sprayed && (
            <StirTimer id={view.id} minutes={view.stirMinutes} onDone={(hours) => set({ hours: hours || null })} />
          )}
          <AmountField
            label="How much of it"
            dimension={liquid ? "volume" : "mass"}
            value={did.amount ?? ""}
            onChange={(amount) => set({ amount })}
            name="amount"
            hint={
              liquid
                ? "500 mL"
                : view.kind.kind.id === "501"
                  ? "3 g a hectare, by practice"
                  : "100 g a hectare, by practice"
            }
          />
          <div className="grid items-start gap-x-4 sm:grid-cols-2">
            <Field
              label="Into how much water"
              value={did.added ?? ""}
              onChange={(added) => set({ added: added || null })}
              name="added"
              hint={sprayed ? "1 in 5 to 1 in 10" : "35 L a hectare, by practice"}
            />
            {!sprayed && (
              <Field
                label="Stirred for, hours"
                value={did.hours ?? ""}
                onChange={(hours) => set({ hours: hours || null })}
                name="hours"
                inputMode="decimal"
              />
            )}
          </div>
        </>
      )}
      <Field
        label="In your own words"
        value={did.note ?? ""}
        onChange={(note) => set({ note: note || null })}
        name="note"
      />
      <WhenField onChange={setAt} />
      <p className="flex flex-wrap gap-3">
        <Button type="submit" kind="filled" disabled={write.isPending}>
          {button}
        </Button>
        {step !== "seen" && did.note && (
          <Button disabled={write.isPending} onClick={() => write.mutate({ ...nothing, step: "seen", note: did.note })}>
            Only note it
          </Button>
        )}
      </p>
      <WrongElse />
    </Form>
  );
}
