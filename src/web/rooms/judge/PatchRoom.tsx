import { useEffect, useState } from "react";
import { Link } from "react-router-dom";
import { client, type Schemas, useRead, useWrite } from "../../api/client";
import { useUnitWords, useUs } from "../../api/units";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Mind } from "../../parts/Mind";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Tick } from "../../parts/Tick";
import { Wrong } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { JudgeNav } from "./JudgeNav";
import { PatchLifts } from "./PatchLifts";

/** Square-metre patches: which of several products do these leaves answer to within the hour? */
export function PatchRoom() {
  const tests = useRead(["patches"], () => client.GET("/api/judge/patches"));
  const clock = useClock();
  const [open, setOpen] = useState<number | null>(null);
  const [fresh, setFresh] = useState(false);
  const test = tests.data?.find((t) => t.id === open) ?? tests.data?.[0];
  return (
    <Room
      title="Square-metre patches"
      under="Each candidate on a patch of its own, water always on one; read before, and again within the hour."
      peek={test?.answer?.value?.sentence ?? test?.wants ?? "Mark patches"}
      bench={
        <>
          <JudgeNav />
          <Wrong problem={tests.error} />
          {(tests.data?.length ?? 0) > 1 && (
            <Pick
              label="Test"
              value={String(test?.id ?? "")}
              options={tests.data!.map((t) => ({ value: String(t.id), name: `${t.bed}, ${clock.date(t.at)}` }))}
              onChange={(v) => setOpen(Number(v))}
            />
          )}
          {test && <Test key={test.id} test={test} />}
          <p className="mt-4">
            <Button kind={test ? "drawn" : "filled"} aria-expanded={fresh} onClick={() => setFresh(!fresh)}>
              Mark new patches
            </Button>
          </p>
          {(fresh || tests.data?.length === 0) && (
            <NewTest
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
  const on = useWrite((_: null, headers) =>
    client.POST("/api/judge/patches/{id}/on", { params: { path: { id: test.id } }, headers }),
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
  const keep = useWrite(
    (_: null, headers) =>
      client.POST("/api/judge/patches/patch/{id}/leaves", {
        params: { path: { id: p.id } },
        body: { phase, readings, temperature },
        headers,
      }),
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
        <form
          className="grid grid-cols-[1fr_7rem] gap-x-3"
          aria-label={`Patch ${p.order}, ${phase}`}
          onSubmit={(e) => {
            e.preventDefault();
            keep.mutate(null);
          }}
        >
          <Field
            label={`Leaves ${phase}`}
            inputMode="text"
            value={readings}
            onChange={setReadings}
            wrong={keep.error?.of("readings")}
            hint="8.1 8.4 7.9 8.2"
          />
          <Field
            label={`Meter, ${words.warmth}`}
            value={temperature}
            onChange={setTemperature}
            wrong={keep.error?.of("temperature")}
          />
          <Button type="submit">Keep</Button>
          <Wrong problem={keep.error} shown={["readings", "temperature"]} />
        </form>
      )}
    </li>
  );
}

/** Candidates from the shelf; water is always one more. */
function NewTest({ done }: { done: (id: number) => void }) {
  const ground = useRead(["ground"], () => client.GET("/api/ground"));
  const shelf = useRead(["shelf"], () => client.GET("/api/shelf"));
  const [bed, setBed] = useState("");
  const [each, setEach] = useState("2");
  const us = useUs();
  const words = useUnitWords();
  const [area, setArea] = useState<string | null>(null);
  const [water, setWater] = useState<string | null>(null);
  const [chosen, setChosen] = useState<Record<number, { rate: string; role: string; inCarrier: boolean }>>({});
  const carrier = Object.entries(chosen).find(([, c]) => c.role === "carrier")?.[0] ?? null;
  const make = useWrite(
    (_: null, headers) =>
      client.POST("/api/judge/patches", {
        body: {
          bedId: Number(bed) || ground.data?.beds[0]?.id || null,
          each: /^\d+$/.test(each) ? Number(each) : null,
          area,
          water,
          meterCorrects: false,
          candidates: Object.entries(chosen).map(([id, c]) => ({
            inputId: Number(id),
            ratePerHa: c.rate,
            role: c.role,
            inCarrier: c.inCarrier && c.role === "candidate" && !!carrier,
          })),
        },
        headers,
      }),
    (kept) => done(kept.id),
  );
  const order = Object.keys(chosen).map(Number);
  const likely = [
    "seaweed",
    "fulvic",
    "humic",
    "fish",
    "amino",
    "silica",
    "kelpLiquid",
    "humicLiquid",
    "fishHydrolysate",
    "molasses",
    "mineral",
    "organicFeed",
  ];
  const inputs = shelf.data?.inputs.filter((i) => likely.includes(i.kind)) ?? [];
  return (
    <form
      className="mt-3 border-l-4 border-clay pl-4"
      aria-label="New patches"
      onSubmit={(e) => {
        e.preventDefault();
        make.mutate(null);
      }}
    >
      <Pick
        label="Bed"
        value={bed || String(ground.data?.beds[0]?.id ?? "")}
        options={ground.data?.beds.map((b) => ({ value: String(b.id), name: `${b.name}, ${b.crop}` })) ?? []}
        onChange={setBed}
      />
      <fieldset className="mt-3">
        <legend className="font-medium">Candidates, from the shelf</legend>
        {inputs.map((i) => (
          <div key={i.id}>
            <Tick
              on={i.id in chosen}
              onToggle={() => {
                const rest = Object.entries(chosen).filter(([id]) => Number(id) !== i.id);
                setChosen(
                  Object.fromEntries(
                    i.id in chosen ? rest : [...rest, [i.id, { rate: "", role: "candidate", inCarrier: false }]],
                  ) as typeof chosen,
                );
              }}
              label={i.name}
            />
            {chosen[i.id] && (
              <div className="grid gap-x-4 pl-10 sm:grid-cols-2">
                <Field
                  label={`Rate on ${words.large}`}
                  value={chosen[i.id]!.rate}
                  onChange={(rate) => setChosen({ ...chosen, [i.id]: { ...chosen[i.id]!, rate } })}
                  wrong={make.error?.of(`candidates[${order.indexOf(i.id)}].ratePerHa`)}
                  hint={`${us ? "2 qt" : "5 L"}; empty takes the label’s`}
                />
                <Pick
                  label="It is"
                  value={chosen[i.id]!.role}
                  options={[
                    { value: "candidate", name: "a candidate" },
                    { value: "carrier", name: "what others are mixed with" },
                  ]}
                  onChange={(role) => setChosen({ ...chosen, [i.id]: { ...chosen[i.id]!, role } })}
                />
                {carrier && chosen[i.id]!.role === "candidate" && (
                  <Tick
                    on={chosen[i.id]!.inCarrier}
                    onToggle={() =>
                      setChosen({ ...chosen, [i.id]: { ...chosen[i.id]!, inCarrier: !chosen[i.id]!.inCarrier } })
                    }
                    label={`mixed into ${inputs.find((x) => x.id === Number(carrier))?.name ?? "the carrier"}`}
                  />
                )}
              </div>
            )}
          </div>
        ))}
      </fieldset>
      <div className="grid gap-x-4 sm:grid-cols-3">
        <Field
          label="Patches of each"
          value={each}
          onChange={setEach}
          wrong={make.error?.of("each")}
          inputMode="numeric"
        />
        <Field label="Patch" value={area ?? words.patch} onChange={setArea} wrong={make.error?.of("area")} />
        <Field
          label={`Water on ${words.wetting}`}
          value={water ?? words.wet}
          onChange={setWater}
          wrong={make.error?.of("water")}
        />
      </div>
      <Wrong problem={make.error} shown={["each", "area", "water"]} />
      <Button type="submit" kind="filled">
        Draw the order by lot
      </Button>
    </form>
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
