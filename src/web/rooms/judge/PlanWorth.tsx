import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWrite } from "../../api/data";
import { Refusals } from "../../parts/Form";
import { useUnitWords, useUs } from "../../api/units";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { WrongElse } from "../../parts/Wrong";
import type { Plan } from "./trialForm";
import { typed as number } from "../../api/typed";

interface Props {
  plan: Plan;
  set: (part: Partial<Plan>) => void;
  unit: string;
}

const said = (v: number | null | undefined) => (v == null ? "" : String(v));

/** The smallest difference worth having, from money if wanted; and how far plots treated alike stray. */
export function Worth({ plan: p, set, unit }: Props) {
  const [money, setMoney] = useState(p.money?.pricePerUnit != null);
  const [typed, setTyped] = useState({
    cost: said(p.money?.costPerAcre ?? p.money?.costPerHa),
    pricePerUnit: said(p.money?.pricePerUnit),
    plot: said(p.money?.plotFt2 ?? p.money?.plotM2),
  });
  // Money that was given on a hectare stays so, whatever the holding speaks in by now.
  const us = useUs() && p.money?.costPerHa == null && p.money?.plotM2 == null;
  const words = useUnitWords();
  const large = us ? words.large : "a hectare";
  const basis = p.money?.basis ?? (us ? "perFt2" : "perM2");
  const of = (t: typeof typed) => ({
    [us ? "costPerAcre" : "costPerHa"]: number(t.cost),
    pricePerUnit: number(t.pricePerUnit),
    [us ? "plotFt2" : "plotM2"]: number(t.plot),
    basis,
  });
  const asked: Schemas["TrialMoney"] = of(typed);
  const worth = useWrite(
    "/api/judge/trials/worth",
    (body: Schemas["TrialMoney"]) => ({ body }),
    (w) => set({ worthHaving: String(Number(w.value!.toPrecision(3))), money: asked }),
  );
  const type = (key: keyof typeof typed, v: string) => {
    setTyped({ ...typed, [key]: v });
    set({ money: of({ ...typed, [key]: v }) });
  };
  return (
    <section>
      <h2 className="text-xl">What would be worth having?</h2>
      <Field
        label={`The smallest difference worth having${unit && `, ${unit}`}`}
        value={p.worthHaving ?? ""}
        onChange={(worthHaving) => set({ worthHaving })}
        name="worthHaving"
        hint="0.15"
      />
      <Button kind="plain" aria-expanded={money} onClick={() => setMoney(!money)}>
        from money
      </Button>
      {money && (
        <Refusals problem={worth.error}>
          <div className="border-l-4 border-line pl-4">
            <div className="grid gap-x-4 sm:grid-cols-2">
              <Field
                label={`It costs, ${large}`}
                inputMode="decimal"
                value={typed.cost}
                onChange={(v) => type("cost", v)}
                name={us ? "costPerAcre" : "costPerHa"}
              />
              <Field
                label="One unit measured sells for"
                inputMode="decimal"
                value={typed.pricePerUnit}
                onChange={(v) => type("pricePerUnit", v)}
                name="pricePerUnit"
              />
              <Pick
                label="The measure is"
                value={basis}
                options={[
                  { value: us ? "perFt2" : "perM2", name: `on ${us ? words.square : "a square metre"}` },
                  { value: "perPlot", name: `on a plot, or a ${us ? "foot" : "metre"} of bed` },
                  { value: us ? "perAcre" : "perHa", name: `on ${large}` },
                ]}
                onChange={(b) => set({ money: { ...asked, basis: b } })}
              />
              {basis === "perPlot" && (
                <Field
                  label={`That is so many ${us ? "sq ft" : "m²"}`}
                  inputMode="decimal"
                  value={typed.plot}
                  onChange={(v) => type("plot", v)}
                  name={us ? "plotFt2" : "plotM2"}
                />
              )}
            </div>
            <Button onClick={() => worth.mutate(asked)}>Work it out</Button>
            <WrongElse />
          </div>
        </Refusals>
      )}
      <Field
        label={`How far plots treated alike stray${unit && `, ${unit}`}`}
        value={p.noise ?? ""}
        onChange={(noise) => set({ noise })}
        name="noise"
        hint="left empty, it is taken from your own past trials of this measure; a tenth of the mean is a usual guess"
      />
    </section>
  );
}
