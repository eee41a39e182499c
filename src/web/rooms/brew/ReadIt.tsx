import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useFieldWrite } from "../../parts/outbox";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { WhenField } from "../../parts/WhenField";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { aired } from "./aired";
import { Bring } from "./Bring";

type Kind = Extract<
  Schemas["LogKind"],
  "oxygen" | "warmth" | "smell" | "foam" | "strip" | "note" | "fed" | "airTo" | "pathogen"
>;

const smells = [
  ["earthy", "earthy"],
  ["sweet", "sweet"],
  ["none", "of nothing much"],
  ["sour", "sour"],
  ["rottenEgg", "rotten eggs"],
  ["putrid", "putrid"],
  ["alcohol", "sharp alcohol"],
] as const;
const foams = [
  ["none", "none"],
  ["little", "a little, white"],
  ["thick", "thick, inside"],
  ["over", "over the side"],
] as const;
const kinds: { kind: Kind; name: string; unit: string }[] = [
  { kind: "oxygen", name: "oxygen", unit: "mg/L" },
  { kind: "warmth", name: "warmth", unit: "°C" },
  { kind: "smell", name: "smell", unit: "" },
  { kind: "foam", name: "foam", unit: "" },
  { kind: "strip", name: "strip", unit: "mg/L" },
  { kind: "fed", name: "fed it", unit: "" },
  { kind: "airTo", name: "changed the air", unit: "" },
  { kind: "pathogen", name: "germ test", unit: "" },
  { kind: "note", name: "note", unit: "" },
];

/** One reading at a time, with big keys for cold thumbs; or a logger's file, or a photo. */
export function ReadIt({ batch, first }: { batch: Schemas["BatchView"]; first: string }) {
  const clock = useClock();
  const [kind, setKind] = useState<Kind>(kinds.find((k) => k.kind === first)?.kind ?? "oxygen");
  const [value, setValue] = useState("");
  const [bring, setBring] = useState(false);
  const [kept, setKept] = useState("");
  const [at, setAt] = useState<string | null>(null);
  const unit = kinds.find((k) => k.kind === kind)!;
  const log = useFieldWrite(
    "/api/brew/batches/{id}/log",
    (body: Schemas["LogRequest"]) => ({ params: { path: { id: batch.id } }, body }),
    (r) => `${unit.name} ${r.value}, ${batch.vessel.name}`,
    (taken) => {
      setKept(`Kept ${taken ? `at ${clock.time(new Date())}` : "on this device"}: ${unit.name} ${value} ${unit.unit}`);
      setValue("");
    },
  );
  const number = kind === "oxygen" || kind === "warmth" || kind === "strip";
  return (
    <section aria-label="Read it" className="mt-6 border-t-2 border-ink pt-3">
      <h2 className="text-xl">Read it</h2>
      <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label="What you read">
        {kinds
          .filter((k) => aired(batch) || (k.kind !== "airTo" && k.kind !== "fed"))
          .map((k) => (
            <button
              key={k.kind}
              type="button"
              aria-pressed={k.kind === kind}
              onClick={() => {
                setKind(k.kind);
                setValue("");
                log.reset();
              }}
              className={`min-h-12 rounded-full border-2 px-4 ${k.kind === kind ? "border-clay bg-paper font-bold text-clay" : "border-ink"}`}
            >
              {k.name}
            </button>
          ))}
        <button
          type="button"
          aria-pressed={bring}
          onClick={() => setBring(!bring)}
          className={`min-h-12 rounded-full border-2 px-4 ${bring ? "border-clay bg-paper font-bold text-clay" : "border-ink"}`}
        >
          photo or logger file
        </button>
      </div>
      {bring && <Bring batch={batch} />}
      <Form problem={log.error} className="mt-3 max-w-xl" onSend={() => log.mutate({ kind, value, at })}>
        {kind === "smell" && (
          <Choice
            label="It smells"
            value={value}
            options={smells.map(([v, name]) => ({ value: v, name }))}
            onChange={setValue}
            name="value"
          />
        )}
        {kind === "foam" && (
          <Choice
            label="Foam"
            value={value}
            options={foams.map(([v, name]) => ({ value: v, name }))}
            onChange={setValue}
            name="value"
          />
        )}
        {kind === "pathogen" && (
          <Choice
            label="The test found"
            value={value}
            options={[
              { value: "clear", name: "no gut germs" },
              { value: "found", name: "gut germs" },
            ]}
            onChange={setValue}
            name="value"
          />
        )}
        {(kind === "fed" || kind === "airTo") && (
          <Field
            label={kind === "fed" ? "How much of what" : "Air in all from now on, at depth"}
            value={value}
            onChange={setValue}
            name="value"
            hint={kind === "fed" ? "1 tbsp molasses, 30 ml fish" : "60 L/min, 2 cfm; the forecast follows"}
          />
        )}
        {kind === "note" && (
          <label className="block">
            Note
            <textarea
              className="mt-1 block min-h-24 w-full border-b-2 border-line bg-paper p-3 text-lg"
              value={value}
              onChange={(e) => setValue(e.target.value)}
            />
          </label>
        )}
        {number && (
          <NumberPad label={`${unit.name}${unit.unit && `, ${unit.unit}`}`} value={value} onChange={setValue} />
        )}
        {(number || kind === "note") && <WrongHere name="value" />}
        <WrongElse />
        <WhenField onChange={setAt} />
        <Button type="submit" kind="filled" className="mt-3 block w-full sm:w-auto" disabled={log.isPending}>
          Keep it
        </Button>
      </Form>
      <p role="status" className="mt-2 min-h-6 text-lg text-moss">
        {kept && `✓ ${kept}`}
      </p>
    </section>
  );
}

const pad = ["1", "2", "3", "4", "5", "6", "7", "8", "9", ".", "0", "back"];

/** A figure large enough for four in the morning: typed, or thumbed wherever there is a screen to touch, which then keeps its own
 * keyboard down. */
function NumberPad({ label, value, onChange }: { label: string; value: string; onChange: (v: string) => void }) {
  return (
    <div>
      <label className="block text-center sm:text-left">
        {label}
        <input
          className="figures mx-auto mt-1 block h-20 w-48 border-b-4 border-clay bg-paper text-center font-head text-5xl font-bold sm:mx-0"
          inputMode="none"
          autoComplete="off"
          value={value}
          onChange={(e) => onChange(e.target.value)}
        />
      </label>
      <div
        className="mx-auto mt-4 grid max-w-80 grid-cols-3 gap-2 sm:hidden any-pointer-coarse:grid"
        role="group"
        aria-label="Keypad"
      >
        {pad.map((key) => (
          <button
            key={key}
            type="button"
            className="min-h-16 rounded-3xl border-2 border-line font-head text-2xl font-bold"
            onClick={() => onChange(key === "back" ? value.slice(0, -1) : value + key)}
          >
            {key}
          </button>
        ))}
      </div>
    </div>
  );
}
