import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Choice } from "../../parts/Choice";
import { Pick } from "../../parts/Pick";

type Plan = Schemas["PlanRequest"];

const words: Record<Schemas["SourceFitness"], string> = {
  fit: "fit",
  mind: "with care",
  unasked: "not asked",
  unfit: "unfit",
};

const makings: { value: Schemas["Making"] | ""; name: string }[] = [
  { value: "", name: "as Mud Pie proposes" },
  { value: "extract", name: "dunked extract" },
  { value: "bubbled", name: "bubbled extract" },
  { value: "tea", name: "fed tea" },
  { value: "steep", name: "steeped castings: a feed" },
];

/** By which recipe, from which lot, and how it is made. */
export function PlanChoices({
  plan,
  kit,
  setPlan,
}: {
  plan: Plan;
  kit: Schemas["PlanView"] | null;
  setPlan: (p: Plan) => void;
}) {
  const recipes = useRead("/api/brew/recipes");
  const lots = useRead("/api/brew/sources");
  const fitting = (recipes ?? []).filter((r) => r.file.purpose === (plan.purpose ?? "leaf"));
  return (
    <details className="border-t border-line pt-2">
      <summary className="min-h-11 cursor-pointer py-2 text-base">
        <b>{kit?.recipeName ?? "No recipe"}</b>
        {kit?.sourceLot && `, source ${kit.sourceLot}`}
        {plan.making && `, ${makings.find((m) => m.value === plan.making)?.name}`}{" "}
        <span className="text-clay underline">change</span>
      </summary>
      <div className="grid gap-3 pb-3 sm:grid-cols-2">
        <Pick
          label="Recipe"
          value={plan.recipe ?? ""}
          options={[
            { value: "", name: "none: what the ground and the air ask for" },
            ...fitting.map((r) => ({ value: r.ref, name: r.starting ? r.name : `${r.name}, version ${r.version}` })),
          ]}
          onChange={(v) =>
            setPlan({
              ...plan,
              recipe: v || null,
              making: null,
              source: null,
              sourceInputId: null,
              sourceL: null,
              foods: null,
            })
          }
        />
        <div>
          <Pick
            label="Lot of source"
            value={String(plan.sourceInputId ?? "")}
            options={[
              { value: "", name: "as Mud Pie proposes" },
              ...(lots ?? []).map((l) => ({
                value: String(l.id),
                name: `${l.name}${l.lot ? `, ${l.lot}` : ""}: ${words[l.ruling?.value?.fitness ?? "unasked"]}`,
              })),
            ]}
            onChange={(v) => setPlan({ ...plan, sourceInputId: v ? Number(v) : null, source: null, sourceL: null })}
          />
          {kit?.sourceSays && <p className="text-ash">{kit.sourceSays}</p>}
        </div>
        <div className="sm:col-span-2">
          <Choice
            label="Made as"
            value={plan.making ?? ""}
            options={makings}
            onChange={(m) => setPlan({ ...plan, making: m || null, sourceL: null, foods: null })}
          />
        </div>
        {kit?.plan.making === "extract" && (
          <Choice
            label="Fresh loads"
            value={String(plan.loads ?? 1)}
            options={["1", "2", "3", "4"].map((n) => ({ value: n, name: n }))}
            onChange={(n) => setPlan({ ...plan, loads: Number(n), sourceL: null })}
          />
        )}
      </div>
    </details>
  );
}
