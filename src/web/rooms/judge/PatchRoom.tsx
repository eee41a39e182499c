import { useEffect, useState } from "react";
import { Link, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { useFieldWrite } from "../../parts/outbox";
import { Form } from "../../parts/Form";
import { useUnitWords } from "../../api/units";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Mind } from "../../parts/Mind";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Wrong, WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { PatchLifts } from "./PatchLifts";
import { NewTest } from "./PatchForm";

/** Square-metre patches: which of several products do these leaves answer to within the hour? */
export function PatchRoom() {
  const tests = useRead("/api/judge/patches");
  const clock = useClock();
  const [open, setOpen] = useState<number | null>(null);
  const bed = useSearchParams()[0].get("bed"); // led here from a bed’s sheet
  const [fresh, setFresh] = useState(bed !== null);
  const test = tests.find((t) => t.id === open) ?? tests[0];
  return (
    <Room
      title="Square-metre patches"
      under="Each candidate on a patch of its own, water always on one; read before, and again within the hour."
      peek={test?.answer?.value?.sentence ?? test?.wants ?? "Mark patches"}
      bench={
        <>
          {(tests.length ?? 0) > 1 && (
            <Pick
              label="Test"
              value={String(test?.id ?? "")}
              options={tests.map((t) => ({ value: String(t.id), name: `${t.bed}, ${clock.date(t.at)}` }))}
              onChange={(v) => setOpen(Number(v))}
            />
          )}
          {test && <Test key={test.id} test={test} />}
          <p className="mt-4">
            <Button kind={test ? "drawn" : "filled"} aria-expanded={fresh} onClick={() => setFresh(!fresh)}>
              Mark new patches
            </Button>
          </p>
          {(fresh || tests.length === 0) && (
            <NewTest
              bedId={bed}
              done={(id) => {
                setFresh(false);
                setOpen(id);
              }}
            />
          )}
        </>
      }
      slate={test && <Says test={test} />}
    />
  );
}

/** Time since the products went on, for the next reading. */
function Timer({ test }: { test: Schemas["PatchTestView"] }) {
  const clock = useClock();
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 10_000);
    return () => clearInterval(timer);
  }, []);
  if (!test.putOnAt || test.answer) return null;
  const minutes = Math.floor((now - Date.parse(test.putOnAt)) / 60_000);
  const [from, until] = [test.readFrom!, test.readUntil!];
  return (
    <p role="timer" className="text-lg font-bold">
      {minutes} min since they went on:{" "}
      {now < Date.parse(from)
        ? `read from ${clock.time(from)} on`
        : now <= Date.parse(until)
          ? `read now, until ${clock.time(until)}`
          : "past the hour; read at once"}
      .
    </p>
  );
}

function Test({ test }: { test: Schemas["PatchTestView"] }) {
  const clock = useClock();
  const on = useFieldWrite(
    "/api/judge/patches/{id}/on",
    () => ({ params: { path: { id: test.id } } }),
    () => `patches are on, ${test.bed}`,
  );
  return (
    <section>
      <h2 className="text-xl">
        {test.bed}, {test.crop}: {clock.when(test.at)}
      </h2>
      <p className="text-ash">
        {test.areaShown} each, in the order drawn by lot.{" "}
        {test.putOnAt && `Put on at ${clock.time(test.putOnAt)}; read again from ${clock.time(test.readFrom!)}.`}
      </p>
      <Timer test={test} />
      <ol className="mt-2 grid gap-x-5 sm:grid-cols-2">
        {test.patches.map((p) => (
          <PatchLine key={p.id} patch={p} phase={test.putOnAt ? "after" : "before"} over={!!test.answer} />
        ))}
      </ol>
      {!test.putOnAt && (
        <>
          <Mind cautions={test.cautions} />
          <Button
            kind="filled"
            className="mt-3"
            disabled={test.patches.some((p) => !p.before)}
            onClick={() => on.mutate(null)}
          >
            They are on: start the hour
          </Button>
          <Wrong problem={on.error} />
        </>
      )}
    </section>
  );
}

function PatchLine({ patch: p, phase, over }: { patch: Schemas["PatchView"]; phase: string; over: boolean }) {
  const [readings, setReadings] = useState("");
  const words = useUnitWords();
  const [temperature, setTemperature] = useState(words.indoors);
  const keep = useFieldWrite(
    "/api/judge/patches/patch/{id}/leaves",
    () => ({
      params: { path: { id: p.id } },
      body: { phase, readings, temperature },
    }),
    () => `brix ${readings}, a patch`,
    () => setReadings(""),
  );
  const wants = !over && (phase === "before" ? !p.before : !p.after);
  return (
    <li className="border-t border-line py-2">
      <p>
        <b className="font-head text-lg">
          {p.order} · {p.name}
        </b>{" "}
        {p.role === "carrier" && <span className="text-ash">(carrier)</span>}
      </p>
      {p.dose && <p>{p.dose.sentence}</p>}
      <p className="figures">
        {p.before && `before ${p.before.map((v) => v.toFixed(1)).join(" ")}`}
        {p.after && ` · after ${p.after.map((v) => v.toFixed(1)).join(" ")}`}
      </p>
      {wants && (
        <Form
          problem={keep.error}
          className="grid grid-cols-[1fr_7rem] gap-x-3"
          label={`Patch ${p.order}, ${phase}`}
          onSend={() => keep.mutate(null)}
        >
          <Field
            label={`Leaves ${phase}`}
            inputMode="text"
            value={readings}
            onChange={setReadings}
            name="readings"
            hint="8.1 8.4 7.9 8.2"
          />
          <Field label={`Meter, ${words.warmth}`} value={temperature} onChange={setTemperature} name="temperature" />
          <Button type="submit">Keep</Button>
          <WrongElse />
        </Form>
      )}
    </li>
  );
}

function Says({ test }: { test: Schemas["PatchTestView"] }) {
  const a = test.answer?.value;
  if (!a) {
    return (
      <>
        <h2 className="text-2xl">{test.wants}</h2>
        <p>
          Gloves on; three to five leaves a patch, the same place on each plant. The hour of the day lifts all of them:
          only what goes beyond water counts.
        </p>
      </>
    );
  }
  return (
    <>
      <h2 className="text-2xl">{a.sentence}</h2>
      <PatchLifts answer={a} />
      <ul>
        {a.lifts.map((l) => (
          <li key={l.candidate} className="border-t border-line py-2">
            <b>
              {l.candidate}: {l.word}.
            </b>{" "}
            {l.sentence}
          </li>
        ))}
      </ul>
      {test.winnerInputId && (
        <Link
          to={`/put-out/tank?input=${test.winnerInputId}&bed=${test.bedId}&purpose=leaf`}
          className="min-h-12 content-center self-start rounded-full bg-clay px-6 font-bold text-paper"
        >
          Put {a.winner} out: to the tank
        </Link>
      )}
      <Sum working={test.answer!.working} sure={test.answer!.sure} of="these patches" />
    </>
  );
}
