import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Tick } from "../../parts/Tick";
import { useUnitWords, useUs } from "../../api/units";
import { crossed, cut, type Plan } from "./trialForm";

interface Props {
  plan: Plan;
  set: (part: Partial<Plan>) => void;
  inputs: Schemas["ShelfInputView"][];
}

type Treatment = Schemas["TreatmentRequest"];

const blank = (name: string, role: Schemas["TrialRole"], rateBasis: string): Treatment => ({
  name,
  levels: [name],
  role,
  inputId: null,
  rate: "",
  rateBasis,
  water: "",
});

/** What is compared: a control and water only offered; things crossed; doses as a ladder. */
export function Treatments({ plan: p, set, inputs }: Props) {
  const us = useUs();
  const words = useUnitWords();
  const square = us ? "perFt2" : "perM2";
  const bases = [
    { value: square, name: words.square },
    { value: "perPlot", name: "a plot" },
    { value: us ? "perAcre" : "perHa", name: words.large },
  ];
  // A trial keeps the words it was planned in, whatever the holding speaks in by now.
  const kept = { perM2: "a square metre", perHa: "a hectare", perFt2: "a square foot", perAcre: "an acre" };
  const several = p.design === "factorial" || p.design === "split-plot";
  const list = p.treatments ?? [];
  const has = (role: string) => list.some((t) => t.role === role);
  const change = (i: number, part: Partial<Treatment>) =>
    set({ treatments: list.map((t, k) => (k === i ? { ...t, ...part } : t)) });
  return (
    <section>
      <Tick
        on={p.liquid ?? false}
        onToggle={() => set({ liquid: !p.liquid })}
        label="It goes on as a liquid:"
        under="plants often thank the water, so water only belongs beside it"
      />
      {several && <Crossing plan={p} set={set} />}
      <ul>
        {list.map((t, i) => (
          <li key={i} className="border-t border-line py-2">
            <div className="grid items-start gap-x-4 sm:grid-cols-[1.4fr_1fr]">
              {several ? (
                <p className="py-3 font-bold">{t.name}</p>
              ) : (
                <Field
                  label={`Treatment ${i + 1}`}
                  value={t.name ?? ""}
                  onChange={(name) => change(i, { name, levels: [name] })}
                  name={`treatments[${i}].name`}
                />
              )}
              <Pick
                label="It is"
                value={t.role ?? "treatment"}
                options={[
                  { value: "treatment", name: "what is tested" },
                  { value: "control", name: "untreated control" },
                  { value: "water", name: "water only" },
                ]}
                onChange={(role) => change(i, { role })}
              />
            </div>
            {t.role !== "control" && (
              <details>
                <summary className="min-h-11 cursor-pointer content-center text-clay">
                  how much of what{t.rate && `: ${t.rate}`}
                </summary>
                <div className="grid items-start gap-x-4 sm:grid-cols-2">
                  <Pick
                    label="From the shelf"
                    value={String(t.inputId ?? "")}
                    options={[
                      { value: "", name: "nothing from the shelf" },
                      ...inputs.map((x) => ({ value: String(x.id), name: x.name })),
                    ]}
                    onChange={(v) => change(i, { inputId: Number(v) || null })}
                  />
                  <Field
                    label="Rate"
                    value={t.rate ?? ""}
                    onChange={(rate) => change(i, { rate })}
                    name={`treatments[${i}].rate`}
                    hint={us ? "1 fl oz, 0.1 oz, 2 qt" : "20 mL, 3 g, 5 L"}
                  />
                  <Pick
                    label="On"
                    value={t.rateBasis ?? square}
                    options={
                      bases.some((b) => b.value === (t.rateBasis ?? square))
                        ? bases
                        : [...bases, { value: t.rateBasis!, name: kept[t.rateBasis as "perM2"] }]
                    }
                    onChange={(rateBasis) => change(i, { rateBasis })}
                  />
                  <Field
                    label={`Mixed with water, on ${words.square}`}
                    value={t.water ?? ""}
                    onChange={(water) => change(i, { water })}
                    name={`treatments[${i}].water`}
                    hint={us ? "3 fl oz" : "1 L"}
                  />
                </div>
              </details>
            )}
            {!several && list.length > 2 && (
              <Button
                kind="plain"
                onClick={() => set({ treatments: list.filter((_, k) => k !== i) })}
                aria-label={`take it out: ${t.name}`}
              >
                take it out
              </Button>
            )}
          </li>
        ))}
      </ul>
      {!several && (
        <p className="flex flex-wrap gap-3">
          <Button onClick={() => set({ treatments: [...list, blank("", "treatment", square)] })}>One more</Button>
          {!has("control") && (
            <Button onClick={() => set({ treatments: [blank("nothing", "control", square), ...list] })}>
              Add an untreated control
            </Button>
          )}
          {p.liquid && !has("water") && (
            <Button onClick={() => set({ treatments: [...list, blank("water only", "water", square)] })}>
              Add water only
            </Button>
          )}
        </p>
      )}
      {!has("control") && (
        <Field
          label="No untreated control: why not?"
          value={p.noControlWhy ?? ""}
          onChange={(noControlWhy) => set({ noControlWhy })}
          name="noControlWhy"
          hint="kept beside the verdict"
        />
      )}
      {p.liquid && !has("water") && !several && (
        <Field
          label="No water only: why not?"
          value={p.noWaterWhy ?? ""}
          onChange={(noWaterWhy) => set({ noWaterWhy })}
          name="noWaterWhy"
          hint="kept beside the verdict"
        />
      )}
    </section>
  );
}

/** Things crossed, two to five of them: each with its levels, the first of each being without. */
function Crossing({ plan: p, set }: Omit<Props, "inputs">) {
  const us = useUs();
  const [rows, setRows] = useState(() =>
    Array.from({ length: Math.max(p.factors?.length ?? 0, 2) }, (_, f) => ({
      name: p.factors?.[f] ?? "",
      levels: [...new Set((p.treatments ?? []).map((t) => t.levels?.[f] ?? ""))].filter(Boolean).join(", "),
    })),
  );
  const cross = (next: typeof rows) => {
    setRows(next);
    // What has no levels yet is not crossed yet.
    const filled = next.filter((r) => cut(r.levels).length > 0);
    if (filled.length === 0) return;
    set({
      factors: filled.map((r) => r.name),
      treatments: crossed(filled.map((r) => cut(r.levels))).map((l, i) => ({
        ...blank(l.join(", "), i === 0 ? "control" : "treatment", us ? "perFt2" : "perM2"),
        levels: l,
      })),
    });
  };
  const changed = (f: number, part: Partial<(typeof rows)[number]>) =>
    rows.map((r, i) => (i === f ? { ...r, ...part } : r));
  // Another name for a factor leaves its treatments as they are.
  const rename = (f: number, name: string) => {
    const next = changed(f, { name });
    setRows(next);
    set({ factors: next.filter((r) => cut(r.levels).length > 0).map((r) => r.name) });
  };
  return (
    <>
      <div className="grid gap-x-4 sm:grid-cols-2">
        {rows.map((r, f) => (
          <div key={f}>
            <Field
              label={p.design === "split-plot" ? (f === 0 ? "On whole plots" : "Within them") : `Factor ${f + 1}`}
              value={r.name}
              onChange={(name) => rename(f, name)}
              name={f === 0 ? "factors" : undefined}
              hint="char, soil, seaweed"
            />
            <Field
              label="Its levels, without first"
              value={r.levels}
              onChange={(levels) => cross(changed(f, { levels }))}
              hint="none, seaweed · no char, 5 % char, 15 % char"
            />
          </div>
        ))}
      </div>
      {p.design === "factorial" && (
        <p className="flex flex-wrap items-center gap-3">
          {rows.length < 5 && (
            <Button onClick={() => setRows([...rows, { name: "", levels: "" }])}>One more factor</Button>
          )}
          {rows.length > 2 && (
            <Button kind="plain" onClick={() => cross(rows.slice(0, -1))}>
              one fewer
            </Button>
          )}
          <span className="text-ash">{(p.treatments ?? []).length} treatments; up to 200</span>
        </p>
      )}
    </>
  );
}
