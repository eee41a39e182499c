import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useUnitWords } from "../../api/units";
import { useWrite } from "../../api/data";
import { Form } from "../../parts/Form";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { WrongElse } from "../../parts/Wrong";

/** What was ever in it. */
export const pasts = [
  { value: "biology", name: "kept for biology" },
  { value: "new", name: "new" },
  { value: "fertiliser", name: "held feeds" },
  { value: "poison", name: "held weed-killer or pesticide" },
  { value: "unknown", name: "not known" },
] as const;

const kinds = ["knapsack", "can", "boom", "injector", "other"] as const;

/** A sprayer or can, as its grower knows it. */
export function SprayerForm({ old, done }: { old: Schemas["SprayerView"] | null; done: () => void }) {
  const words = useUnitWords();
  const [r, setR] = useState<Schemas["SprayerRequest"]>({
    id: old?.id ?? null,
    version: old?.version ?? null,
    name: old?.name ?? "",
    kind: old?.kind ?? "knapsack",
    tank: old?.tankTyped ?? words.knapsack,
    past: old?.past ?? "biology",
    clearedWhy: old?.clearedWhy ?? "",
    mesh: old?.meshUm ? `${Math.round(old.meshUm)} µm` : "",
    pressure: old?.pressureBar === null || old?.pressureBar === undefined ? "" : String(old.pressureBar),
    ratio: old?.ratio ? `1:${old.ratio}` : "",
  });
  const keep = useWrite("/api/put-out/sprayers", () => ({ body: r }), done);
  const set = (part: Partial<typeof r>) => setR({ ...r, ...part });
  return (
    <Form problem={keep.error} className="mt-4 border-t-2 border-line pt-3" onSend={() => keep.mutate(null)}>
      <h2 className="text-xl">{old ? `Change ${old.name}` : "Add a sprayer or can"}</h2>
      <div className="grid gap-x-6 sm:grid-cols-2">
        <Field label="Name" value={r.name ?? ""} onChange={(name) => set({ name })} name="name" autoFocus />
        <Pick
          label="Kind"
          value={r.kind ?? "knapsack"}
          options={kinds.map((k) => ({ value: k, name: k }))}
          onChange={(kind) => set({ kind })}
        />
        <AmountField
          label="It holds"
          dimension="volume"
          value={r.tank ?? ""}
          onChange={(tank) => set({ tank })}
          name="tank"
        />
        <Field
          label="Finest filter"
          value={r.mesh ?? ""}
          onChange={(mesh) => set({ mesh })}
          name="mesh"
          hint="300 µm, or 50 mesh"
        />
        <Field
          label="Pressure, bar"
          inputMode="decimal"
          value={r.pressure ?? ""}
          onChange={(pressure) => set({ pressure })}
          name="pressure"
        />
        {r.kind === "injector" && (
          <Field
            label="Its ratio"
            value={r.ratio ?? ""}
            onChange={(ratio) => set({ ratio })}
            name="ratio"
            hint="1:100"
          />
        )}
      </div>
      <Choice
        label="What was ever in it"
        value={(r.past ?? "unknown") as (typeof pasts)[number]["value"]}
        options={pasts}
        onChange={(past) => set({ past })}
        name="past"
      />
      {(r.past === "poison" || r.past === "unknown") && (
        <Field
          label="Which local rule or lab clears it?"
          value={r.clearedWhy ?? ""}
          onChange={(clearedWhy) => set({ clearedWhy })}
          name="clearedWhy"
          hint="empty: it is refused for anything that lives; a reason is kept with its date"
        />
      )}
      <p className="mt-3 flex gap-3">
        <Button type="submit" kind="filled" disabled={keep.isPending}>
          Keep it
        </Button>
        <Button kind="plain" onClick={done}>
          leave it
        </Button>
      </p>
      <WrongElse />
    </Form>
  );
}
