import { useDeferredValue, useState } from "react";
import type { Schemas } from "../../api/client";
import { useUnitWords } from "../../api/units";
import { asFile } from "../../api/files";
import { useRead, useWorkOut, useWrite } from "../../api/data";
import { useFieldWrite } from "../../parts/outbox";
import { Form, Refusals } from "../../parts/Form";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Pick } from "../../parts/Pick";
import { DayField } from "../../parts/DayField";
import { Field } from "../../parts/Field";
import { Room } from "../../parts/Room";
import { Sum, Sure } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { Wrong, WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { Mark } from "../../parts/tone";

/** Waters poured together, and every way of clearing what is in them. */
export function WaterBench() {
  const words = useUnitWords();
  const ground = useRead("/api/ground");
  const [pours, setPours] = useState<Record<number, string>>({});
  const waters = ground.waters ?? [];
  const first = waters[0];
  const poured = Object.keys(pours).length > 0 ? pours : first ? { [first.id]: words.barrel } : {};
  const asked = useDeferredValue(JSON.stringify(poured));
  const mix = useWorkOut(
    "/api/brew/water/work-out",
    first
      ? {
          body: {
            pours: Object.entries(JSON.parse(asked) as Record<string, string>)
              .filter(([, amount]) => amount.trim())
              .map(([id, amount]) => ({ waterId: Number(id), amount })),
          },
        }
      : null,
  );
  const v = mix.data?.value;
  return (
    <Room
      title="Water comes first"
      under="Pour the waters together; the dose answers to the milligrams, wherever they are."
      peek={v?.mix.verdict.sentence}
      bench={
        <>
          <div className="grid gap-x-6 sm:grid-cols-2">
            {waters.map((w, i) => (
              <AmountField
                key={w.id}
                label={`${w.name}, ${w.lastStrip === null ? "no strip read" : `strip ${w.lastStrip} mg/L`}`}
                dimension="volume"
                value={poured[w.id] ?? ""}
                onChange={(t) => setPours({ ...poured, [w.id]: t })}
                wrong={i === 0 ? mix.problem?.of("pours") : undefined}
              />
            ))}
          </div>
          <Wrong problem={mix.problem} />
          <Strips waters={waters} />
          <GermTests waters={waters} />
        </>
      }
      slate={
        v && mix.data ? (
          <>
            <Verdict verdict={v.mix.verdict} />
            <ul className="figures">
              {v.ways.map((w) => (
                <li key={w.way.way} className="border-t border-line py-2">
                  <p className="flex flex-wrap justify-between gap-x-4">
                    <b className="text-lg">
                      <Mark good={w.way.willDo} /> {w.way.name}
                    </b>
                    <b>{w.amountShown}</b>
                  </p>
                  <p>
                    {w.timeShown}, then a strip at zero · chlorine: {w.way.chlorine} · chloramine: {w.way.chloramine} ·
                    costs {w.costShown}
                  </p>
                  <p className="text-ash">
                    {w.way.note} · how sure: <Sure sure={w.way.sure} />
                  </p>
                </li>
              ))}
            </ul>
            <Sum working={mix.data.working} sure={mix.data.sure} of="this water" />
            {mix.data.cautions.map((c) => (
              <p key={c.id}>
                <b className="text-straw">▲ Mind</b> {c.text} <span className="text-ash">{c.localRule}</span>
              </p>
            ))}
            <p className="text-ash">The water for thinning is cleared like any other: every plan has that step too.</p>
          </>
        ) : null
      }
    />
  );
}

/** Strips as they were read; a new one, with its picture. */
function Strips({ waters }: { waters: Schemas["WaterView"][] }) {
  const clock = useClock();
  const strips = useRead("/api/brew/water/strips");
  const [water, setWater] = useState<number | null>(null);
  const [strip, setStrip] = useState("");
  const id = water ?? waters[0]?.id ?? 0;
  const keep = useFieldWrite(
    "/api/ground/waters/{id}/strips",
    () => ({
      params: { path: { id } },
      body: { strip, at: null },
    }),
    () => `strip ${strip}, ${waters.find((w) => w.id === id)?.name ?? "water"}`,
    () => setStrip(""),
  );
  const photo = useFieldWrite(
    "/api/brew/water/strips/{id}/photo",
    (v: { id: number; file: File }) => ({ params: { path: { id: v.id } }, ...asFile(v.file) }),
    (v) => `picture of a strip, ${strips.find((s) => s.id === v.id)?.water ?? "water"}`,
  );
  return (
    <Refusals problem={[keep.error, photo.error]}>
      {" "}
      <section aria-label="Strips" className="mt-5">
        <h2 className="text-xl">Strips</h2>
        <Form className="grid items-start gap-x-4 sm:grid-cols-[1fr_9rem_auto]" onSend={() => keep.mutate(null)}>
          <Pick
            label="Read in"
            value={String(id)}
            options={waters.map((w) => ({ value: String(w.id), name: w.name }))}
            onChange={(v) => setWater(Number(v))}
          />
          <Field label="It reads, mg/L" inputMode="decimal" value={strip} onChange={setStrip} name="strip" />
          <Button type="submit" kind="filled" className="sm:mt-7" disabled={keep.isPending}>
            Keep it
          </Button>
        </Form>
        <WrongElse />
        <ul className="figures">
          {(strips ?? []).map((s) => (
            <li key={s.id} className="flex items-center justify-between gap-3 border-t border-line py-1.5">
              <span>
                <time dateTime={s.at}>{clock.when(s.at)}</time> {s.water}: <b>{s.mgPerL} mg/L</b>
                {s.mgPerL === 0 && <span className="text-moss"> ✓ clear</span>}
              </span>
              {s.photoId ? (
                <a href={`/api/brew/photos/${s.photoId}`}>
                  <img
                    src={`/api/brew/photos/${s.photoId}`}
                    alt={`strip of ${clock.when(s.at)}`}
                    className="h-11 w-11 object-cover"
                  />
                </a>
              ) : (
                <label className="flex min-h-11 cursor-pointer items-center text-clay underline">
                  its picture
                  <input
                    type="file"
                    accept="image/jpeg,image/png"
                    className="sr-only"
                    onChange={(e) => {
                      const file = e.target.files?.[0];
                      if (file) photo.mutate({ id: s.id, file });
                    }}
                  />
                </label>
              )}
            </li>
          ))}
        </ul>
      </section>
    </Refusals>
  );
}

/** Germ tests of a water: open water has no other way in. */
function GermTests({ waters }: { waters: Schemas["WaterView"][] }) {
  const clock = useClock();
  const tests = useRead("/api/brew/water/tests");
  const [water, setWater] = useState<number | null>(null);
  const [test, setTest] = useState({ eColi: "", by: "", on: "" });
  const id = water ?? waters.find((w) => w.kind === "surface")?.id ?? waters[0]?.id ?? 0;
  const keep = useWrite(
    "/api/brew/water/{id}/tests",
    () => ({
      params: { path: { id } },
      body: {
        eColi: test.eColi,
        by: test.by,
        at: test.on ? (clock.fromField(`${test.on}T12:00`)?.toISOString() ?? null) : null,
      },
    }),
    () => setTest({ eColi: "", by: "", on: "" }),
  );
  return (
    <Refusals problem={keep.error}>
      {" "}
      <section aria-label="Germ tests" className="mt-5">
        <h2 className="text-xl">Germ tests</h2>
        <p>
          River and pond water goes into a brew only after a lab found no E. coli in 100 mL of it, 60 days back at most.
        </p>
        <Form className="grid items-start gap-x-4 sm:grid-cols-2" onSend={() => keep.mutate(null)}>
          <Pick
            label="Water tested"
            value={String(id)}
            options={waters.map((w) => ({ value: String(w.id), name: w.name }))}
            onChange={(v) => setWater(Number(v))}
          />
          <Field
            label="E. coli in 100 mL"
            inputMode="decimal"
            value={test.eColi}
            onChange={(eColi) => setTest({ ...test, eColi })}
            name="eColi"
          />
          <Field label="Which lab" value={test.by} onChange={(by) => setTest({ ...test, by })} name="by" />
          <DayField
            label="Sampled on"
            value={test.on}
            onChange={(on) => setTest({ ...test, on })}
            name="at"
            hint="empty: today"
          />
          <Button type="submit" className="justify-self-start" disabled={keep.isPending}>
            Keep this test
          </Button>
        </Form>
        <WrongElse />
        <ul className="figures">
          {(tests ?? []).map((t) => (
            <li key={t.id} className="border-t border-line py-1.5">
              <time dateTime={t.at}>{clock.date(t.at)}</time> {t.water}: {t.says}
            </li>
          ))}
        </ul>
      </section>
    </Refusals>
  );
}
