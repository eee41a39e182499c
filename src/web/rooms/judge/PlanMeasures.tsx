import type { Schemas } from "../../api/client";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import type { Plan } from "./trialForm";

interface Props {
  plan: Plan;
  set: (part: Partial<Plan>) => void;
  kinds: Schemas["MeasureKind"][];
}

type Measure = Schemas["MeasureRequest"];

/** What is measured: the first is the main one; several are counted against the verdict. */
export function Measures({ plan: p, set, kinds }: Props) {
  const list = p.measures ?? [];
  const change = (i: number, part: Partial<Measure>) =>
    set({ measures: list.map((m, k) => (k === i ? { ...m, ...part } : m)) });
  return (
    <section>
      <p className="text-ash">
        The first is the main one, and the line worth having is of it. Every other look makes the verdict more careful.
      </p>
      <ul>
        {list.map((m, i) => {
          const kind = kinds.find((k) => k.id === m.kindId);
          const counts = (kind?.kind ?? m.kind) === "count";
          return (
            <li key={i} className="grid items-start gap-x-4 border-t border-line pt-1 sm:grid-cols-3">
              <Pick
                label={i === 0 ? "Main measure" : "And"}
                value={m.kindId ?? ""}
                options={[
                  ...kinds.map((k) => ({ value: k.id, name: `${k.name}${k.unit && `, ${k.unit}`}` })),
                  { value: "", name: "something else" },
                ]}
                onChange={(v) => change(i, { kindId: v || null, name: v ? null : "", kind: v ? null : "amount" })}
              />
              {!kind && (
                <>
                  <Field
                    label="Called"
                    value={m.name ?? ""}
                    onChange={(name) => change(i, { name })}
                    name={`measures[${i}].name`}
                  />
                  <Field
                    label="Unit"
                    value={m.unit ?? ""}
                    onChange={(unit) => change(i, { unit })}
                    name={`measures[${i}].unit`}
                  />
                  <Pick
                    label="It is"
                    value={m.kind ?? "amount"}
                    options={[
                      { value: "amount", name: "an amount" },
                      { value: "score", name: "a score" },
                      { value: "count", name: "so many out of so many" },
                    ]}
                    onChange={(k) => change(i, { kind: k })}
                  />
                  <Pick
                    label="Better is"
                    value={m.lowerIsBetter ? "less" : "more"}
                    options={[
                      { value: "more", name: "more" },
                      { value: "less", name: "less" },
                    ]}
                    onChange={(v) => change(i, { lowerIsBetter: v === "less" })}
                  />
                </>
              )}
              {counts && (
                <Field
                  label="Out of, on each plot"
                  inputMode="numeric"
                  value={m.outOf == null ? "" : String(m.outOf)}
                  onChange={(v) => change(i, { outOf: /^\d{1,6}$/.test(v.trim()) ? Number(v) : null })}
                  name={`measures[${i}].outOf`}
                />
              )}
              <Pick
                label="Several dates"
                value={m.dates ?? "last"}
                options={[
                  { value: "last", name: "count the last" },
                  { value: "mean", name: "count the mean over time" },
                  { value: "half", name: "count days to half up" },
                ]}
                onChange={(dates) => change(i, { dates })}
              />
              {list.length > 1 && (
                <Button kind="plain" onClick={() => set({ measures: list.filter((_, k) => k !== i) })}>
                  take it out
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      <Button
        className="mt-2"
        onClick={() => set({ measures: [...list, { kindId: "height", dates: "last", lowerIsBetter: false }] })}
      >
        Measure one thing more
      </Button>
    </section>
  );
}
