import { useState } from "react";
import { useNavigate } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useWorkOut, useWrite } from "../../api/data";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Wrong } from "../../parts/Wrong";

type Answers = Required<{ [K in keyof Schemas["SetupRequest"]]: string }>;

const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** Sensible values standing in each, so that Enter ten times is a plan. */
const standing: Answers = {
  name: "My holding",
  place: "52.5, 0.0",
  altitude: "50 m",
  zone,
  units: "metric",
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

interface Step {
  question: string;
  says?: string;
  fields: (keyof Answers)[];
}

const steps: Step[] = [
  { question: "What is your holding called?", fields: ["name"] },
  { question: "Where does it lie?", fields: ["place", "zone"] },
  { question: "How high, and in which units do you think?", says: "altitude", fields: ["altitude", "units"] },
  { question: "Which piece of ground comes first?", fields: ["bedName"] },
  { question: "How big is it?", says: "area", fields: ["area"] },
  { question: "What grows there?", fields: ["crop", "growing"] },
  { question: "What will you brew in?", says: "vessel", fields: ["shape", "total", "depth"] },
  { question: "What does your air pump’s box say?", says: "pump", fields: ["openFlow", "shutOff"] },
  { question: "What breaks the air up?", says: "diffuser", fields: ["diffuserKind"] },
  { question: "Which water?", says: "water", fields: ["waterKind", "strip"] },
];

const labels: Partial<Record<keyof Answers, string>> = {
  name: "Name",
  place: "Latitude, longitude (a degree is near enough: it is for the sun)",
  zone: "Time zone",
  altitude: "Height above the sea",
  bedName: "Its name",
  area: "Area",
  crop: "Crop",
  total: "It holds, to the brim",
  depth: "Depth of the outlet under water",
  openFlow: "Open flow",
  shutOff: "Greatest pressure (1 m of water is 9.8 kPa; leave both empty if you only dunk a bag)",
  strip: "Chlorine strip, mg/L (leave empty if you have read none)",
};

const choices: Partial<Record<keyof Answers, { label: string; options: { value: string; name: string }[] }>> = {
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

/** From nothing to a first plan in ten short answers. */
export function Setup() {
  const [answers, setAnswers] = useState(standing);
  const [at, setAt] = useState(0);
  const go = useNavigate();
  const body = answers as unknown as Schemas["SetupRequest"];
  const remarks = useWorkOut("/api/holding/setup/work-out", { body });
  const keep = useWrite(
    "/api/holding/setup",
    (b: Schemas["SetupRequest"]) => ({ body: b }),
    () => go("/brew/plan"),
  );
  const step = steps[at]!;
  const wrongHere = step.fields.some((f) => remarks.problem?.of(f));
  const change = (f: keyof Answers, v: string) =>
    setAnswers({ ...answers, [f]: v, ...(f === "shape" ? vessels[v] : {}) });
  const last = at === steps.length - 1;
  const next = () => {
    if (wrongHere) return;
    if (last) keep.mutate(body);
    else setAt(at + 1);
  };
  return (
    <main id="room" className="mx-auto max-w-2xl p-5 wide:pt-16">
      <p className="flex items-center gap-3">
        <img src="/mark.svg" alt="" className="h-12 w-12" />
        <span className="font-head text-2xl font-bold">Mud Pie</span>
      </p>
      <p className="mt-3 text-lg">
        Ten short answers, and you plan a first brew. What stands there will do; change what is not so. All of it can be
        changed later.
      </p>
      <Form problem={keep.error} className="mt-8" onSend={() => next()}>
        <p className="text-ash">
          {at + 1} of {steps.length}
        </p>
        <h1 className="text-3xl">{step.question}</h1>
        <div className="mt-4 flex flex-col gap-4" key={at}>
          {step.fields.map((f, i) => {
            const choice = choices[f];
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
        <p className="mt-2 min-h-14 border-l-4 border-river pl-3 text-lg" aria-live="polite">
          {step.says ? remarks.data?.says[step.says] : ""}
        </p>
        <Wrong problem={keep.error} />
        <div className="mt-4 flex gap-4">
          {at > 0 && <Button onClick={() => setAt(at - 1)}>Back</Button>}
          <Button type="submit" kind="filled" disabled={wrongHere || keep.isPending}>
            {last ? "Plan a first brew" : "Next"}
          </Button>
        </div>
      </Form>
    </main>
  );
}
