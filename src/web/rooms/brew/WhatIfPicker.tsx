import type { Schemas } from "../../api/client";
import { useUnitWords } from "../../api/units";
import { Button } from "../../parts/Button";
import { Pick } from "../../parts/Pick";
import { Field } from "../../parts/Field";

type What = Schemas["WhatIfAsked"];

const all: { kind: string; name: string; planOnly?: boolean; amount?: string; hour?: boolean; food?: boolean }[] = [
  { kind: "powerFails", name: "the power fails", hour: true },
  { kind: "secondPump", name: "a second pump", hour: true },
  { kind: "coldNight", name: "a cold night", amount: "colder" },
  { kind: "cooler", name: "a cooler place", amount: "cooler", hour: true },
  { kind: "moreFood", name: "a spoon more", amount: "volume", hour: true, food: true },
  { kind: "halfFood", name: "half of a food", planOnly: true, food: true },
  { kind: "inParts", name: "a food in three parts", planOnly: true, food: true },
];

const foods = [
  ["molasses", "molasses"],
  ["fishHydrolysate", "fish hydrolysate"],
  ["kelpLiquid", "liquid kelp"],
  ["humicLiquid", "liquid humic"],
  ["oatFlour", "oat flour"],
] as const;

interface Props {
  value: What[];
  onChange: (w: What[]) => void;
  planned: boolean;
  nowH: number;
}

/** Up to three things that might happen or be done, drawn over the brew as it is. */
export function WhatIfPicker({ value, onChange, planned, nowH }: Props) {
  const words = useUnitWords();
  const set = (i: number, w: What) => onChange(value.map((x, k) => (k === i ? w : x)));
  return (
    <div>
      <div className="flex flex-wrap gap-2" role="group" aria-label="What might happen">
        {all
          .filter((k) => planned || !k.planOnly)
          .map((k) => {
            const on = value.some((w) => w.kind === k.kind);
            return (
              <button
                key={k.kind}
                type="button"
                aria-pressed={on}
                disabled={!on && value.length >= 3}
                onClick={() =>
                  onChange(
                    on
                      ? value.filter((w) => w.kind !== k.kind)
                      : [...value, { kind: k.kind, atH: null, amount: null, food: k.food ? "fishHydrolysate" : null }],
                  )
                }
                className={`min-h-12 rounded-full border-2 px-4 disabled:opacity-60 ${on ? "border-clay bg-paper font-bold text-clay" : "border-ink"}`}
              >
                {on ? "● " : "○ "}
                {k.name}
              </button>
            );
          })}
      </div>
      <div className="mt-2 flex flex-wrap gap-x-4">
        {value.map((w, i) => {
          const kind = all.find((k) => k.kind === w.kind);
          if (!kind || (!kind.hour && !kind.amount && !kind.food)) return null;
          return (
            <div key={w.kind} className="flex gap-x-4 [&>*]:w-44">
              {kind.hour && (
                <Field
                  label={`${kind.name}: at hour`}
                  inputMode="decimal"
                  value={w.atH ?? ""}
                  hint={`now is ${nowH.toFixed(1)}`}
                  onChange={(atH) => set(i, { ...w, atH })}
                  name={`whatIfs[${i}].atH`}
                />
              )}
              {kind.amount && (
                <Field
                  label={`${kind.name}: ${kind.amount === "volume" ? words.ounce : `${words.warmth} ${kind.amount}`}`}
                  inputMode="decimal"
                  value={w.amount ?? ""}
                  onChange={(amount) => set(i, { ...w, amount })}
                  name={`whatIfs[${i}].amount`}
                />
              )}
              {kind.food && (
                <Pick
                  label={`${kind.name}: which`}
                  value={w.food ?? "molasses"}
                  options={foods.map(([value, name]) => ({ value, name }))}
                  onChange={(food) => set(i, { ...w, food })}
                />
              )}
            </div>
          );
        })}
      </div>
      {value.length > 0 && (
        <Button kind="plain" onClick={() => onChange([])}>
          only as it is
        </Button>
      )}
    </div>
  );
}
