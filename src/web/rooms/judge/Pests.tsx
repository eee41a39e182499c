import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWorkOut } from "../../api/data";
import { useUs } from "../../api/units";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { Mind } from "../../parts/Mind";
import { useFieldWrite } from "../../parts/outbox";
import { Pick } from "../../parts/Pick";
import { Sum } from "../../parts/Sum";
import { WrongElse } from "../../parts/Wrong";

/** Pests and their enemies against a threshold, and the leaves beside them. */
export function Pests({ bed }: { bed: Schemas["BrixBedView"] }) {
  const clock = useClock();
  const last = bed.pests[0];
  const us = useUs();
  const [r, setR] = useState({
    pest: last?.pest ?? "",
    count: "",
    on: last?.typed.on ?? "",
    per: last?.per ?? "plant",
    threshold: last && !last.typed.cost ? String(last.threshold) : "",
    enemy: last?.typed.enemy ?? "",
    enemies: "",
    cost: last?.typed.cost ?? "",
    price: last?.typed.price ?? "",
    loss: last?.typed.loss ?? "",
    kills: last?.typed.kills ?? "",
  });
  const keep = useFieldWrite(
    "/api/judge/pests",
    () => ({ body: { bedId: bed.bedId, ...r } }),
    () => `${r.count} ${r.pest}, ${bed.bed}`,
    () => setR({ ...r, count: "", enemies: "" }),
  );
  const money = [r.cost, r.price, r.loss, r.kills];
  const whole = money.every((m) => m.trim());
  const worth = useWorkOut(
    "/api/judge/pests/threshold",
    whole
      ? {
          body: {
            bedId: null,
            pest: null,
            count: null,
            per: null,
            threshold: null,
            cost: r.cost,
            price: r.price,
            loss: r.loss,
            kills: r.kills,
          },
        }
      : null,
  );
  const [area, weight] = us ? ["acre", "lb"] : ["hectare", "kg"];
  const field = (key: keyof typeof r, label: string, hint?: string) => (
    <Field
      label={label}
      value={r[key]}
      onChange={(v) => {
        keep.reset();
        setR({ ...r, [key]: v });
      }}
      name={key}
      hint={hint}
    />
  );
  const pers = [...new Set(["plant", ...(us ? ["sq ft", "ft of row"] : ["m²", "m of row"]), r.per])];
  return (
    <section>
      <h2 className="text-xl">Pests: act, or wait?</h2>
      {bed.hold?.value && (
        <>
          <p className="text-lg font-bold">{bed.hold.value.sentence}</p>
          <Mind cautions={bed.hold.cautions} />
          <Sum working={bed.hold.working} sure={bed.hold.sure} of="act or wait" />
        </>
      )}
      <Form
        problem={keep.error}
        className="grid items-start gap-x-4 sm:grid-cols-2"
        label="Pests counted"
        onSend={() => keep.mutate(null)}
      >
        {field("pest", "Pest", "aphids")}
        {field("count", "How many", r.on.trim() ? "in all" : "on each")}
        <Pick
          label="On"
          value={r.per}
          options={pers.map((v) => ({ value: v, name: `a ${v}` }))}
          onChange={(per) => setR({ ...r, per })}
        />
        {field("on", "Looked at, so many", "20; empty: the count is of each")}
        {field("enemy", "An enemy of it", "ladybirds, hoverfly grubs")}
        {field("enemies", "How many of those", "counted the same way")}
        {!money.some((m) => m.trim()) &&
          field("threshold", "Worth acting from", "by your local advice; or from money:")}
        <div className="sm:col-span-2">
          <Fold line="Work it out from money" open={money.some((m) => m.trim())}>
            <div className="grid items-start gap-x-4 sm:grid-cols-2">
              {field("cost", `The control costs, ${us ? "an" : "a"} ${area}`)}
              {field("price", `The crop is worth, a ${weight}`)}
              {field(
                "loss",
                `Lost by one a ${r.per}, ${weight} ${us ? "an" : "a"} ${area}`,
                "an advisory leaflet, or your plots",
              )}
              {field("kills", "The control kills, %", "50 to 90")}
            </div>
            {whole && worth.data && !worth.problem && (
              <p aria-live="polite">
                Worth acting from <b className="figures">{worth.data.working[0]?.result}</b> a {r.per}.{" "}
                <Sum working={worth.data.working} sure={worth.data.sure} of="the threshold" />
              </p>
            )}
          </Fold>
        </div>
        <Button type="submit" className="justify-self-start">
          Keep the count
        </Button>
        <div className="sm:col-span-2">
          <WrongElse />
        </div>
      </Form>
      <ul>
        {bed.pests.slice(0, 5).map((p, i) => (
          <li key={i} className="figures text-ash">
            {clock.when(p.at)}: {p.shown}
          </li>
        ))}
      </ul>
    </section>
  );
}
