import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useFieldWrite } from "../../parts/outbox";
import { Refusals } from "../../parts/Form";
import { useRead } from "../../api/data";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Mind } from "../../parts/Mind";
import { WrongElse } from "../../parts/Wrong";

/** What it takes to carry out, from the tank plan and the shelf; and each treatment ticked as it goes on. */
export function Amounts({ trial }: { trial: Schemas["TrialView"] }) {
  const id = trial.id;
  const read = useRead("/api/judge/trials/{id}/amounts", { params: { path: { id } } });
  const [purpose, setPurpose] = useState<"leaf" | "root">("root");
  const [mixWhy, setMixWhy] = useState("");
  const treat = useFieldWrite(
    "/api/judge/trials/{id}/steps",
    (treatmentId: number) => ({
      params: { path: { id } },
      body: { step: "treat", treatmentId, purpose, mixWhy: mixWhy || null },
    }),
    (treatmentId) =>
      `${read.find((l) => l.treatmentId === treatmentId)?.treatment ?? "a treatment"} put on, ${trial.question}`,
    () => setMixWhy(""), // a reason is for the one time that it was given for
  );
  const lines = read;
  if (trial.plots.length === 0 || trial.state === "ended" || !lines.some((l) => l.perPlotShown || l.waterPerPlotShown))
    return null;
  return (
    <Refusals problem={treat.error}>
      {" "}
      <section className="mt-5">
        <h2 className="text-xl">What it takes, with a tenth to spare</h2>
        <Mind cautions={[...new Map(lines.flatMap((l) => l.cautions).map((c) => [c.id, c])).values()]} />
        <Choice
          label="It goes"
          value={purpose}
          options={[
            { value: "root", name: "to the roots" },
            { value: "leaf", name: "on the leaves" },
          ]}
          onChange={setPurpose}
        />
        <ul>
          {lines.map((l) => (
            <li key={l.treatmentId} className="border-t border-line py-2">
              <p className="flex flex-wrap items-center justify-between gap-3">
                <span>
                  <b>{l.treatment}</b>: {l.plots} plots, {l.areaShown}
                  {l.product && l.perPlotShown && `; ${l.product} ${l.perPlotShown} a plot, ${l.inAllShown} in all`}
                  {l.waterPerPlotShown &&
                    `; mixed ${l.waterPerPlotShown} a plot, ${l.waterInAllShown} in all${(l.loads ?? 1) > 1 ? ` in ${l.loads} cans` : ""}`}
                  {l.done > 0 && <b className="text-moss"> ✓ put on {l.done === 1 ? "once" : `${l.done} times`}</b>}
                </span>
                {(l.perPlotShown || l.waterPerPlotShown) && (
                  <Button onClick={() => treat.mutate(l.treatmentId)} aria-label={`It is on: ${l.treatment}`}>
                    It is on
                  </Button>
                )}
              </p>
              {l.shelf && (
                <p className={l.short ? "font-bold text-straw" : "text-ash"}>
                  {l.short && "▲ "}
                  {l.shelf}
                </p>
              )}
            </li>
          ))}
        </ul>
        {treat.error?.of("mixWhy") && (
          <Field
            label="Against a mixing rule. Wait; or say in words why it goes on, and press again"
            value={mixWhy}
            onChange={setMixWhy}
            name="mixWhy"
            hint="the record keeps it"
          />
        )}
        <WrongElse />
      </section>
    </Refusals>
  );
}
