import { useState } from "react";
import { useParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Go } from "../../parts/Go";
import { Form, Refusals } from "../../parts/Form";
import { useFieldWrite } from "../../parts/outbox";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { WrongElse } from "../../parts/Wrong";
import { HeapCurve, HeapDrawn } from "./HeapDrawn";
import { MadeLots } from "./MadeLots";
import { type Striking, YardLog } from "./YardLog";

type Step = NonNullable<Schemas["HeapStep"]>;

/** A heap as it stands: its curve, its days above 55 °C, what to do, what was done. */
export function HeapPage() {
  const id = Number(useParams().id);
  const heap = useRead("/api/heaps/{id}", { params: { path: { id } } });
  const clock = useClock();
  const stands = heap.stands.value!;
  const strike = useFieldWrite(
    "/api/heaps/{id}/steps/{entry}/strike",
    (a: Striking) => ({ params: { path: { id: heap.id, entry: a.id } }, body: { why: a.why, at: null } }),
    () => `${heap.name}: an entry struck`,
  );
  return (
    <Room
      title={`${heap.name}: ${heap.word}`}
      under={`Built ${clock.sayDate(heap.builtAt)}${heap.place ? `, ${heap.place}` : ""}.`}
      peek={stands.verdict.sentence}
      bench={
        <>
          <HeapCurve heap={heap} />
          <p className="figures mt-1">
            {heap.codeSays}
            {stands.codeMet ? ": as your code counts." : ". Local code decides how many."}
          </p>
          {heap.bench && (
            <Fold
              line={`Built of ${heap.bench.value!.layers.map((l) => l.name).join(", ")}; C:N ${heap.bench.value!.cnShown}`}
            >
              <HeapDrawn layers={heap.bench.value!.layers} name={heap.name} />
            </Fold>
          )}
          <YardLog entries={heap.log} strike={strike} />
        </>
      }
      slate={
        <>
          <Verdict verdict={stands.verdict} />
          {stands.state !== "done" && <Steps heap={heap} />}
          <p className="flex flex-wrap items-center gap-3">
            <Sum working={heap.stands.working} sure={heap.stands.sure} of="its days" />
            <Go to={`/make/heap/${heap.id}/label`}>print its label</Go>
          </p>
          <MadeLots lots={heap.lots} />
        </>
      }
    />
  );
}

const others: readonly { value: Step; name: string }[] = [
  { value: "watered", name: "watered" },
  { value: "layer", name: "a layer laid on" },
  { value: "seen", name: "something seen" },
  { value: "cured", name: "it is cured" },
  { value: "sieved", name: "sieved and taken up" },
];

/** Its core, its turning, and the rest: what is done in the yard goes by the outbox. */
function Steps({ heap }: { heap: Schemas["HeapView"] }) {
  const cured = heap.stands.value!.state === "cured";
  const [warmth, setWarmth] = useState("");
  const [step, setStep] = useState<Step>(cured ? "sieved" : "watered");
  const [amount, setAmount] = useState("");
  const [note, setNote] = useState("");
  const write = useFieldWrite(
    "/api/heaps/{id}/steps",
    (s: Step) => ({
      params: { path: { id: heap.id } },
      body: { step: s, warmth: s === "warmth" ? warmth : null, amount: amount || null, note: note || null, at: null },
    }),
    (s) => `${heap.name}: ${s === "warmth" ? `core ${warmth}` : s}`,
    () => {
      setWarmth("");
      setAmount("");
      setNote("");
    },
  );
  return (
    <Refusals problem={write.error}>
      {" "}
      <Form onSend={() => write.mutate("warmth")} className="flex items-start gap-3" label="Measure its core">
        <div className="flex-1">
          <AmountField label="Its core" dimension="temperature" value={warmth} onChange={setWarmth} name="warmth" />
        </div>
        <Button type="submit" kind="filled" className="mt-7" disabled={write.isPending || warmth.trim() === ""}>
          Log it
        </Button>
        <Button className="mt-7" disabled={write.isPending} onClick={() => write.mutate("turned")}>
          It is turned
        </Button>
      </Form>
      <Fold
        line={
          cured ? "Sieve it and take it up; or something else" : "Watered, a layer, something seen, cured, taken up"
        }
        open={cured}
      >
        <Pick label="What" value={step} options={others} onChange={setStep} />
        {(step === "watered" || step === "sieved") && (
          <AmountField
            label={step === "sieved" ? "Compost that came of it" : "Water"}
            dimension="volume"
            value={amount}
            onChange={setAmount}
            name="amount"
          />
        )}
        <Field label="In your own words" value={note} onChange={setNote} name="note" />
        <Button className="self-start" disabled={write.isPending} onClick={() => write.mutate(step)}>
          Write it down
        </Button>
      </Fold>
      <WrongElse />
      <Probe heap={heap.id} />
    </Refusals>
  );
}

/** Its core from a probe: asked once, and written down with its name. */
function Probe({ heap }: { heap: number }) {
  const [port, setPort] = useState("5181");
  const read = useWrite("/api/heaps/{id}/probe", () => ({
    params: { path: { id: heap } },
    body: { port: Number(port) || 0 },
  }));
  return (
    <Fold line="Or read its core from a probe">
      <Form problem={read.error} onSend={() => read.mutate(null)} label="A probe" className="flex items-start gap-3">
        <div className="flex-1">
          <Field
            label="Port of the probe, on this machine"
            value={port}
            onChange={setPort}
            name="port"
            inputMode="numeric"
          />
        </div>
        <Button type="submit" className="mt-7" disabled={read.isPending}>
          {read.isPending ? "It is asked" : "Read it"}
        </Button>
      </Form>
    </Fold>
  );
}
