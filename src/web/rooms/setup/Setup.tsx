import { useState } from "react";
import { useNavigate } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useWorkOut, useWrite } from "../../api/data";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { PlaceFields } from "../../parts/PlaceFields";
import { Wrong } from "../../parts/Wrong";
import { BringHolding } from "./BringHolding";

interface Answers {
  makes: "extract" | "air";
  when: "now" | "later";
  place: string;
  altitude: string;
  zone: string;
  units: NonNullable<Schemas["UnitSystem"]>;
  dates: "day" | "month";
  hours: "24" | "12";
  bedName: string;
  area: string;
  crop: string;
  growing: string;
  shape: string;
  total: string;
  depth: string;
  openFlow: string;
  shutOff: string;
  diffuserKind: string;
  waterKind: string;
  strip: string;
}

type Asked = keyof Answers;

const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** Sensible values standing in each, so that Enter to the end is a plan. */
const standing: Answers = {
  makes: "extract",
  when: "now",
  place: "",
  altitude: "50 m",
  zone,
  units: "metric",
  dates: "day",
  hours: "24",
  bedName: "First bed",
  area: "20 m²",
  crop: "mixed vegetables",
  growing: "annual",
  shape: "bucket",
  total: "20 L",
  depth: "28 cm",
  openFlow: "6 L/min",
  shutOff: "20 kPa",
  diffuserKind: "airStone",
  waterKind: "mains",
  strip: "",
};

const vessels: Record<string, Partial<Answers>> = {
  bucket: { total: "20 L", depth: "28 cm", openFlow: "6 L/min", shutOff: "20 kPa", diffuserKind: "airStone" },
  barrel: { total: "210 L", depth: "75 cm", openFlow: "60 L/min", shutOff: "32 kPa", diffuserKind: "drilledPipe" },
  tank: { total: "900 L", depth: "110 cm", openFlow: "420 L/min", shutOff: "40 kPa", diffuserKind: "fineMembrane" },
};

/** The same in US customary units: what stands there is changed with them, what was typed stays as it was typed. */
const inUs: Record<string, string> = {
  "50 m": "160 ft",
  "20 m²": "200 sq ft",
  "20 L": "5 gal",
  "28 cm": "11 in",
  "6 L/min": "0.2 cfm",
  "20 kPa": "2.9 psi",
  "210 L": "55 gal",
  "75 cm": "30 in",
  "60 L/min": "2.1 cfm",
  "32 kPa": "4.6 psi",
  "900 L": "240 gal",
  "110 cm": "43 in",
  "420 L/min": "15 cfm",
  "40 kPa": "5.8 psi",
};
const inMetric = Object.fromEntries(Object.entries(inUs).map(([metric, us]) => [us, metric]));
const told = (a: Answers): Answers => {
  const words = a.units === "usCustomary" ? inUs : inMetric;
  return Object.fromEntries(Object.entries(a).map(([k, v]) => [k, words[v] ?? v])) as unknown as Answers;
};

interface Step {
  question: string;
  says?: string;
  fields: readonly Asked[];
}

/** What is asked: no more than what is to be made needs. A bag dunked in a bucket needs no air, and so nothing that air hangs on. */
const stepsFor = (makes: Answers["makes"]): Step[] => [
  { question: "What will you make first?", fields: ["makes", "when"] },
  { question: "How do you write?", fields: ["units", "dates", "hours"] },
  {
    question: "Which ground is it for?",
    says: "area",
    fields: makes === "air" ? ["bedName", "area", "crop", "growing"] : ["bedName", "area"],
  },
  ...(makes === "air"
    ? ([
        { question: "What will you brew in?", says: "vessel", fields: ["shape", "total", "depth"] },
        { question: "What does your air pump’s box say?", says: "pump", fields: ["openFlow", "shutOff"] },
        { question: "What breaks the air up?", says: "diffuser", fields: ["diffuserKind"] },
      ] as const)
    : ([{ question: "How much does your bucket hold?", says: "vessel", fields: ["total"] }] as const)),
  { question: "Which water?", says: "water", fields: ["waterKind", "strip"] },
  {
    question: "Where does it lie?",
    says: "place",
    fields: makes === "air" ? ["place", "altitude", "zone"] : ["place", "zone"],
  },
];

const labels: Partial<Record<Asked, string>> = {
  zone: "Your clock",
  altitude: "Height above the sea",
  bedName: "Its name",
  area: "Area",
  crop: "Crop",
  total: "It holds, to the brim",
  depth: "Depth of the outlet under water",
  openFlow: "Open flow",
  shutOff: "Greatest pressure (1 m of water is 9.8 kPa)",
  strip: "Chlorine strip, mg/L (leave empty if you have read none)",
};

const choices: Partial<Record<Asked, { label: string; options: { value: string; name: string }[] }>> = {
  makes: {
    label: "It is",
    options: [
      { value: "extract", name: "a bag dunked in a bucket (extract)" },
      { value: "air", name: "a brew on an air pump (tea)" },
    ],
  },
  when: {
    label: "When?",
    options: [
      { value: "now", name: "I am starting now" },
      { value: "later", name: "for a day to come" },
    ],
  },
  dates: {
    label: "Days",
    options: [
      { value: "day", name: "10 Jun 2026" },
      { value: "month", name: "Jun 10 2026" },
    ],
  },
  hours: {
    label: "Hours",
    options: [
      { value: "24", name: "19:30" },
      { value: "12", name: "7:30 pm" },
    ],
  },
  units: {
    label: "Units",
    options: [
      { value: "metric", name: "litres, metres, °C" },
      { value: "usCustomary", name: "US gallons, feet, °F" },
    ],
  },
  growing: {
    label: "It is",
    options: [
      { value: "annual", name: "annual" },
      { value: "grass", name: "grass" },
      { value: "perennial", name: "perennial" },
      { value: "tree", name: "trees" },
    ],
  },
  shape: {
    label: "Vessel",
    options: [
      { value: "bucket", name: "a bucket" },
      { value: "barrel", name: "a barrel" },
      { value: "tank", name: "a tank" },
    ],
  },
  diffuserKind: {
    label: "Outlet",
    options: [
      { value: "openHose", name: "open hose" },
      { value: "drilledPipe", name: "drilled pipe" },
      { value: "airStone", name: "air stone" },
      { value: "fineMembrane", name: "fine membrane" },
    ],
  },
  waterKind: {
    label: "Water",
    options: [
      { value: "mains", name: "mains" },
      { value: "rain", name: "rain" },
      { value: "well", name: "well" },
      { value: "ro", name: "reverse osmosis" },
      { value: "surface", name: "river or pond" },
    ],
  },
};

/** What is sent: only what was asked. */
function sent(a: Answers): Schemas["SetupRequest"] {
  const asked = new Set(stepsFor(a.makes).flatMap((s) => [...s.fields]));
  const given = <K extends Asked>(k: K) => (asked.has(k) ? a[k] : null);
  return {
    place: a.place,
    altitude: given("altitude"),
    zone: a.zone,
    units: a.units,
    monthFirst: a.dates === "month",
    hours12: a.hours === "12",
    bedName: a.bedName,
    area: a.area,
    crop: given("crop"),
    growing: given("growing"),
    shape: given("shape") ?? "bucket",
    total: a.total,
    depth: given("depth"),
    openFlow: given("openFlow"),
    shutOff: given("shutOff"),
    diffuserKind: given("diffuserKind"),
    waterKind: a.waterKind,
    strip: a.strip,
  };
}

/** From nothing to a first plan in a few short answers. */
export function Setup() {
  const [answers, setAnswers] = useState(standing);
  const [at, setAt] = useState(0);
  const go = useNavigate();
  const body = sent(answers);
  const remarks = useWorkOut("/api/holding/setup/work-out", { body });
  const keep = useWrite(
    "/api/holding/setup",
    (b: Schemas["SetupRequest"]) => ({ body: b }),
    () => {
      const asks = new URLSearchParams(answers.makes === "extract" ? { purpose: "root", making: "extract" } : {});
      if (answers.when === "now") asks.set("now", "1");
      void go(`/brew/plan?${asks}`);
    },
  );
  const steps = stepsFor(answers.makes);
  const step = steps[at]!;
  const wrongHere = step.fields.some((f) => remarks.problem?.of(f));
  const change = (f: Asked, v: string) =>
    setAnswers((before) => {
      const now = { ...before, [f]: v, ...(f === "shape" ? vessels[v] : {}) } as Answers;
      if (f === "units")
        Object.assign(now, v === "metric" ? { dates: "day", hours: "24" } : { dates: "month", hours: "12" });
      return f === "units" || f === "shape" ? told(now) : now;
    });
  const last = at === steps.length - 1;
  const says = step.says ? remarks.data?.says[step.says] : undefined;
  const next = () => {
    if (wrongHere) return;
    if (last) keep.mutate(body);
    else setAt(at + 1);
  };
  return (
    <main id="room" className="mx-auto max-w-2xl p-5 wide:pt-12">
      <p className="flex items-center gap-3">
        <img src="/mark.svg" alt="" className="h-12 w-12" />
        <span className="font-head text-2xl font-bold">Mud Pie</span>
      </p>
      <p className="mt-3 text-lg">
        A few short answers, and you begin. What stands there will do; change what is not so. All of it can be changed
        later.
      </p>
      <Form problem={keep.error} className="mt-6" onSend={() => next()}>
        <p className="text-ash">
          {at + 1} of {steps.length}
        </p>
        <h1 className="text-3xl">{step.question}</h1>
        <div className="mt-4 flex flex-col gap-4" key={`${answers.makes}${at}`}>
          {step.fields.map((f, i) => {
            const choice = choices[f];
            if (f === "place")
              return (
                <PlaceFields
                  key={f}
                  place={answers.place}
                  wrong={remarks.problem?.of("place")}
                  onPlace={(v) => change("place", v)}
                />
              );
            return choice ? (
              <Choice
                key={f}
                label={choice.label}
                options={choice.options}
                value={answers[f]}
                onChange={(v) => change(f, v)}
              />
            ) : (
              <Field
                key={f}
                label={labels[f] ?? f}
                value={answers[f]}
                autoFocus={i === 0}
                onChange={(v) => change(f, v)}
                wrong={remarks.problem?.of(f)}
              />
            );
          })}
        </div>
        <p className={`mt-2 min-h-14 text-lg ${says ? "border-l-4 border-river pl-3" : ""}`} aria-live="polite">
          {says}
        </p>
        <Wrong problem={keep.error} />
        <div className="mt-4 flex gap-4">
          {at > 0 && <Button onClick={() => setAt(at - 1)}>Back</Button>}
          <Button type="submit" kind="filled" disabled={wrongHere || keep.isPending}>
            {last ? (answers.when === "now" ? "Start now" : "Plan a first brew") : "Next"}
          </Button>
        </div>
      </Form>
      {at === 0 && <BringHolding />}
    </main>
  );
}
