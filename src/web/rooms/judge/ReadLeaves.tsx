import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Form } from "../../parts/Form";
import { useUnitWords } from "../../api/units";
import { useRead, useWorkOut } from "../../api/data";
import { useFieldWrite } from "../../parts/outbox";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Tick } from "../../parts/Tick";
import { WhenField } from "../../parts/WhenField";
import { WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

interface Props {
  beds: Schemas["BedView"][];
  pair: Schemas["BrixPair"] | null;
  bedId: number | null;
  /** One half of a guided pair. */
  half: { kind: string; with: number | null; leaf: string; weed: boolean } | null;
  /** The visit that this one puts right. */
  corrects: number | null;
  onDone: () => void;
}

const halves: Record<string, string> = {
  "weed-crop": "Weed and crop, side by side",
  "top-bottom": "Top and bottom leaves",
  "morning-afternoon": "Morning and afternoon",
};

/** A set of squeezes, typed one after another; corrected and weighed against the set before as they are typed. */
export function ReadLeaves({ beds, pair, bedId, half, corrects, onDone }: Props) {
  const words = useUnitWords();
  const clock = useClock();
  const [r, setR] = useState<Schemas["BrixRequest"]>({
    bedId: pair?.bedId ?? bedId ?? beds[0]?.id ?? null,
    applicationId: pair?.applicationId ?? null,
    readings: "",
    temperature: "20",
    meterCorrects: false,
    leafPosition: pair?.before?.leafPosition ?? half?.leaf ?? "top",
    sky: "clear",
    pairKind: half?.kind ?? null,
    pairWithId: half?.with ?? null,
    samePlants: half?.kind === "top-bottom",
    weed: half?.weed ? "" : null,
    stage: null,
    stress: null,
    meterId: undefined, // until one is chosen: the first that is kept
    correctsId: corrects,
  });
  const meters = useRead("/api/judge/meters");
  const [kept, setKept] = useState(false);
  const meter = r.meterId === undefined ? meters[0] : meters.find((m) => m.id === r.meterId);
  const corrects20 = meter?.corrects ?? r.meterCorrects ?? false;
  const body: Schemas["BrixRequest"] = { ...r, meterId: meter?.id ?? null, meterCorrects: corrects20 };
  const worked = useWorkOut("/api/judge/brix/work-out", (r.readings ?? "").trim().length > 0 ? { body } : null);
  const keep = useFieldWrite(
    "/api/judge/brix",
    (body: Schemas["BrixRequest"]) => ({ body }),
    (b) => `brix ${b.readings}, ${beds.find((x) => x.id === b.bedId)?.name ?? "a bed"}`,
    () => {
      setKept(true);
      setR({ ...r, readings: "" });
      onDone();
    },
  );
  const w = (r.readings ?? "").trim() ? worked.data : undefined;
  return (
    <Form
      problem={[keep.error, worked.problem]}
      label="Read leaves"
      className="flex flex-col gap-4"
      onSend={() => keep.mutate(body)}
    >
      <h2 className="text-2xl">
        {pair
          ? `${pair.bed}, after the spray of ${clock.when(pair.sprayedAt)}`
          : half
            ? `${halves[half.kind]}: ${half.with ? "second" : "first"} half`
            : corrects
              ? "Put a reading right"
              : "Measure a bed"}
      </h2>
      <ol className="list-inside list-decimal text-ash">
        <li>Zero the meter with clean water.</li>
        <li>Youngest fully opened leaf, the same place on each plant; a few drops; close; face the light.</li>
        <li>Read where blue meets white. Three to five plants.</li>
      </ol>
      {!pair && (
        <label>
          Bed
          <select
            className="mt-1 block h-12 w-full border-b-2 border-line bg-paper px-3 text-lg"
            value={r.bedId ?? ""}
            onChange={(e) => setR({ ...r, bedId: Number(e.target.value) })}
          >
            {beds.map((b) => (
              <option key={b.id} value={b.id}>
                {b.name}, {b.crop}
              </option>
            ))}
          </select>
        </label>
      )}
      <Field
        label="Brix, one after another"
        inputMode="text"
        value={r.readings ?? ""}
        onChange={(readings) => setR({ ...r, readings })}
        name="readings"
        hint="9.1 8.8 9.4; dry where a leaf gives nothing"
      />
      {w && (
        <div aria-live="polite" className="border-l-4 border-river pl-4">
          <p className="figures text-lg">at 20 °C: {w.at20.map((v) => v.toFixed(2)).join("  ")}</p>
          <p className="text-lg font-bold">{w.advice}</p>
          {w.difference?.value && <p className="text-lg font-bold">{w.difference.value.sentence}</p>}
        </div>
      )}
      {(meters.length ?? 0) > 0 && (
        <Pick
          label="Meter"
          value={String(meter?.id ?? "")}
          options={[
            { value: "", name: "another" },
            ...meters.map((m) => ({ value: String(m.id), name: `${m.name}: ${m.says}` })),
          ]}
          onChange={(v) => setR({ ...r, meterId: Number(v) || null })}
        />
      )}
      {!meter && (
        <Choice
          label="The meter"
          value={r.meterCorrects ? "yes" : "no"}
          options={[
            { value: "no", name: "does not correct for temperature" },
            { value: "yes", name: "does" },
          ]}
          onChange={(v) => setR({ ...r, meterCorrects: v === "yes" })}
        />
      )}
      {!corrects20 && (
        <Field
          label="Its temperature"
          value={r.temperature ?? ""}
          onChange={(temperature) => setR({ ...r, temperature })}
          name="temperature"
          hint={words.meter}
        />
      )}
      <Choice
        label="Leaf"
        value={r.leafPosition ?? "top"}
        options={["top", "middle", "bottom"].map((v) => ({ value: v, name: v }))}
        onChange={(leafPosition) => setR({ ...r, leafPosition })}
      />
      <Choice
        label="Sky, the last three days"
        value={r.sky ?? "clear"}
        options={["clear", "mixed", "dull"].map((v) => ({ value: v, name: v }))}
        onChange={(sky) => setR({ ...r, sky })}
      />
      {r.weed !== null && r.weed !== undefined && (
        <Field
          label="Which weed?"
          value={r.weed}
          onChange={(weed) => setR({ ...r, weed })}
          name="weed"
          hint="fat hen"
        />
      )}
      <details>
        <summary className="min-h-11 cursor-pointer content-center text-clay">stage and stress</summary>
        <Pick
          label="Stage"
          value={r.stage ?? ""}
          options={[
            { value: "", name: "not noted" },
            ...["seedling", "leafing", "flowering", "fruiting", "ripening"].map((v) => ({ value: v, name: v })),
          ]}
          onChange={(v) => setR({ ...r, stage: v || null })}
        />
        <Field
          label="Stress"
          value={r.stress ?? ""}
          onChange={(stress) => setR({ ...r, stress })}
          name="stress"
          hint="drought, heat, just cut"
        />
        {half && (
          <Tick
            on={r.samePlants ?? false}
            onToggle={() => setR({ ...r, samePlants: !r.samePlants })}
            label="Same plants, in the same order"
          />
        )}
      </details>
      <WhenField onChange={(at) => setR({ ...r, at })} name="at" />
      <WrongElse />
      <Button type="submit" kind="filled" className="self-start" disabled={keep.isPending}>
        Keep these readings
      </Button>
      <p role="status">{kept && "✓ Kept."}</p>
    </Form>
  );
}
