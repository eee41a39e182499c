import { useState } from "react";
import { Link, useParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { useClock } from "../../parts/clock";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { Go } from "../../parts/Go";
import { Mind } from "../../parts/Mind";
import { useFieldWrite } from "../../parts/outbox";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Tick } from "../../parts/Tick";
import { Verdict } from "../../parts/Verdict";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { PitDrawn } from "./PitDrawn";
import { nothing } from "./WormSteps";
import { type Striking, YardLog } from "./YardLog";

type Step = Schemas["WorkStep"];
type Did = Schemas["WorkStepAsked"];

const words: Partial<Record<Step, string>> = {
  lit: "It is lit",
  fuelled: "Wood laid on",
  quenched: "Quenched",
  dugOver: "Dug over and doused again",
  felt: "Felt for heat",
  measured: "Measured and taken up",
  carried: "A can carried off",
  seen: "Something seen or done",
};

/** A burn as it stands: what matters at this moment first. */
export function BurnPage() {
  const id = Number(useParams().id);
  const burn = useRead("/api/works/burns/{id}", { params: { path: { id } } });
  const clock = useClock();
  const bench = burn.bench.value!;
  const strike = useFieldWrite(
    "/api/works/{id}/steps/{entry}/strike",
    (a: Striking) => ({ params: { path: { id: burn.id, entry: a.id } }, body: { why: a.why, at: null } }),
    () => `${burn.name}: an entry struck`,
  );
  return (
    <Room
      title={`${burn.name}: ${burn.word}`}
      under={`${burn.asked.amount ?? ""} of ${burn.asked.wood ?? "wood"}${burn.asked.place ? `, ${burn.asked.place}` : ""}.`}
      peek={burn.verdict.sentence}
      bench={
        <>
          <PitDrawn
            across={bench.pitAcross}
            foot={bench.footShare}
            fill={bench.fill}
            state={burn.state}
            name={burn.name}
            words={[burn.word, `the pit holds ${bench.pitShown}`]}
          />
          <p className="figures mt-1">
            The pit holds {bench.pitShown}; about {bench.charShown} of char is usual.
            {burn.courseShown && ` ${burn.courseShown}.`}
          </p>
          {burn.yieldShown && (
            <section aria-label="What came of it" className="mt-2">
              <h2 className="text-xl">{burn.yieldShown}</h2>
              <p className="figures">{burn.carbonShown}.</p>
              {burn.yield && <Sum working={burn.yield.working} sure={burn.yield.sure} of="its yield and carbon" />}
            </section>
          )}
          <YardLog entries={burn.log} strike={strike} first={7} />
        </>
      }
      slate={
        <>
          <Verdict verdict={burn.verdict} />
          {burn.feelAt && (
            <p className="figures text-lg">
              Feel it for heat: <b>{clock.when(burn.feelAt)}</b>
            </p>
          )}
          <Mind cautions={burn.cautions} />
          <Next burn={burn} key={burn.state} />
          {burn.lots.map((l) => (
            <p key={l.id}>
              <Link to={`/shelf?input=${l.inputId}`} className="text-clay underline underline-offset-4">
                {l.leftShown} of {l.name}
              </Link>{" "}
              on the shelf, raw: a mix takes it once it was{" "}
              <Link to="/make/mix/new" className="text-clay underline underline-offset-4">
                charged
              </Link>
              .
            </p>
          ))}
          {burn.state === "planned" && (
            <p>
              <Go to={`/make/char/${burn.id}/change`}>Change the plan</Go>
            </p>
          )}
        </>
      }
    />
  );
}

/** What comes next is the button; the rest is folded. What is done at the fire goes by the outbox. */
function Next({ burn }: { burn: Schemas["BurnView"] }) {
  const heaps = useRead("/api/heaps").heaps.filter((h) => h.state !== "done");
  const [first, ...others] = burn.next;
  const write = useFieldWrite(
    "/api/works/{id}/steps",
    (d: Did) => ({ params: { path: { id: burn.id } }, body: { did: d, at: null } }),
    (d) => `${burn.name}: ${(d.step && words[d.step]) ?? ""}`,
  );
  const [other, setOther] = useState<Step>(others[0] ?? "seen");
  // Quenching is what a fire comes to: it stands in sight while it burns.
  const main: Step = burn.state === "burning" ? "quenched" : first!;
  const rest = [first!, ...others].filter((s) => s !== main);
  return (
    <>
      <Doing step={main} write={write} heaps={heaps} filled />
      {rest.length > 0 && (
        <Fold line={rest.map((s) => words[s]?.toLowerCase()).join(", ")}>
          <Pick
            label="What"
            value={rest.includes(other) ? other : rest[0]!}
            options={rest.map((s) => ({ value: s, name: words[s] ?? s }))}
            onChange={setOther}
          />
          <Doing step={rest.includes(other) ? other : rest[0]!} write={write} heaps={heaps} key={other} />
        </Fold>
      )}
    </>
  );
}

type Writing = ReturnType<typeof useFieldWrite<"/api/works/{id}/steps", Did>>;

interface DoingProps {
  step: Step;
  write: Writing;
  heaps: Schemas["HeapLine"][];
  filled?: boolean;
}

/** One step with what it asks for. */
function Doing({ step, write, heaps, filled = false }: DoingProps) {
  const [did, setDid] = useState<Did>(nothing);
  const set = (part: Partial<Did>) => setDid({ ...did, ...part });
  const mine = write.variables?.step === step;
  const amount = (label: string, hint?: string) => (
    <AmountField
      label={label}
      dimension="volume"
      value={did.amount ?? ""}
      onChange={(a) => set({ amount: a })}
      name="amount"
      hint={hint}
    />
  );
  return (
    <Form
      problem={mine ? write.error : null}
      onSend={() => write.mutate({ ...did, step }, { onSuccess: () => setDid(nothing) })}
      className="flex flex-col gap-2"
      label={words[step]}
    >
      {step === "lit" && (
        <>
          <Tick
            on={did.permit ?? false}
            onToggle={() => set({ permit: !did.permit })}
            label="A permit is there, or none is needed"
          />
          <WrongHere name="permit" />
          <Tick
            on={did.water ?? false}
            onToggle={() => set({ water: !did.water })}
            label="Water and a rake stand ready"
          />
          <WrongHere name="water" />
          <Field
            label="Wind at the pit"
            value={did.wind ?? ""}
            onChange={(wind) => set({ wind })}
            name="wind"
            hint="m/s: 0 where smoke rises straight, 3 where leaves keep moving"
          />
        </>
      )}
      {step === "quenched" && amount("Water that went on")}
      {(step === "fuelled" || step === "dugOver") &&
        amount(step === "fuelled" ? "Wood laid on" : "Water", "may be left out")}
      {step === "felt" && (
        <Choice<NonNullable<Schemas["Heat"]> | "">
          label="It feels"
          value={did.heat ?? ""}
          options={[
            { value: "cold", name: "cold all through" },
            { value: "warm", name: "warm somewhere" },
            { value: "glowing", name: "it smokes or glows" },
          ]}
          onChange={(heat) => heat && set({ heat })}
          name="heat"
        />
      )}
      {step === "measured" && (
        <>
          {amount("Char that came of it", "in cans of a known size")}
          <Field
            label="A litre of it weighs, dried"
            value={did.density ?? ""}
            onChange={(density) => set({ density })}
            name="density"
            inputMode="decimal"
            hint="kg; empty: 0.15 to 0.25"
          />
        </>
      )}
      {step === "carried" && (
        <div className="grid grid-cols-2 gap-4">
          {amount("How much")}
          <Pick
            label="Onto a heap"
            value={String(did.heapId ?? "")}
            options={[
              { value: "", name: "not onto a heap" },
              ...heaps.map((h) => ({ value: String(h.id), name: h.name })),
            ]}
            onChange={(id) => set({ heapId: id ? Number(id) : null })}
          />
          {did.heapId == null && (
            <Field
              label="To"
              value={did.what ?? ""}
              onChange={(what) => set({ what })}
              name="what"
              hint="a mix, a bed"
            />
          )}
          <WrongHere name="heapId" />
        </div>
      )}
      <Field label="In your own words" value={did.note ?? ""} onChange={(note) => set({ note })} name="note" />
      <Button type="submit" kind={filled ? "filled" : undefined} className="self-start" disabled={write.isPending}>
        {words[step]}
      </Button>
      <WrongElse />
    </Form>
  );
}
