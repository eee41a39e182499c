import { useState } from "react";
import { client, useWrite } from "../../api/client";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Wrong } from "../../parts/Wrong";
import type { Plan } from "./trialForm";
import { typed as number } from "../../api/typed";

interface Props {
  plan: Plan;
  set: (part: Partial<Plan>) => void;
  unit: string;
  wrong: (field: string) => string | undefined;
}

/** The smallest difference worth having, from money if wanted; and how far plots treated alike stray. */
export function Worth({ plan: p, set, unit, wrong }: Props) {
  const [money, setMoney] = useState(p.money?.pricePerUnit != null);
  const [typed, setTyped] = useState({
    costPerHa: p.money?.costPerHa == null ? "" : String(p.money.costPerHa),
    pricePerUnit: p.money?.pricePerUnit == null ? "" : String(p.money.pricePerUnit),
    plotM2: p.money?.plotM2 == null ? "" : String(p.money.plotM2),
  });
  const basis = p.money?.basis ?? "perM2";
  const asked = {
    costPerHa: number(typed.costPerHa),
    pricePerUnit: number(typed.pricePerUnit),
    plotM2: number(typed.plotM2),
    basis,
  };
  const worth = useWrite(
    (body: typeof asked) => client.POST("/api/judge/trials/worth", { body }),
    (w) => set({ worthHaving: String(Number(w.value!.toPrecision(3))), money: asked }),
  );
  const type = (key: keyof typeof typed, v: string) => {
    setTyped({ ...typed, [key]: v });
    set({ money: { ...asked, [key]: number(v) } });
  };
  return (
    <section>
      <h2 className="text-xl">What would be worth having?</h2>
      <Field
        label={`The smallest difference worth having${unit && `, ${unit}`}`}
        value={p.worthHaving ?? ""}
        onChange={(worthHaving) => set({ worthHaving })}
        wrong={wrong("worthHaving")}
        hint="0.15"
      />
      <Button kind="plain" aria-expanded={money} onClick={() => setMoney(!money)}>
        from money
      </Button>
      {money && (
        <div className="border-l-4 border-line pl-4">
          <div className="grid gap-x-4 sm:grid-cols-2">
            <Field
              label="It costs, a hectare"
              inputMode="decimal"
              value={typed.costPerHa}
              onChange={(v) => type("costPerHa", v)}
              wrong={worth.error?.of("costPerHa")}
            />
            <Field
              label="One unit measured sells for"
              inputMode="decimal"
              value={typed.pricePerUnit}
              onChange={(v) => type("pricePerUnit", v)}
              wrong={worth.error?.of("pricePerUnit")}
            />
            <Pick
              label="The measure is"
              value={basis}
              options={[
                { value: "perM2", name: "on a square metre" },
                { value: "perPlot", name: "on a plot, or a metre of bed" },
                { value: "perHa", name: "on a hectare" },
              ]}
              onChange={(b) => set({ money: { ...asked, basis: b } })}
            />
            {basis === "perPlot" && (
              <Field
                label="That is so many m²"
                inputMode="decimal"
                value={typed.plotM2}
                onChange={(v) => type("plotM2", v)}
                wrong={worth.error?.of("plotM2")}
              />
            )}
          </div>
          <Button onClick={() => worth.mutate(asked)}>Work it out</Button>
          <Wrong problem={worth.error} shown={["costPerHa", "pricePerUnit", "plotM2"]} />
        </div>
      )}
      <Field
        label={`How far plots treated alike stray${unit && `, ${unit}`}`}
        value={p.noise ?? ""}
        onChange={(noise) => set({ noise })}
        wrong={wrong("noise")}
        hint="left empty, it is taken from your own past trials of this measure; a tenth of the mean is a usual guess"
      />
    </section>
  );
}
