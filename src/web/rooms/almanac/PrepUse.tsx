import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useReadIf } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Form } from "../../parts/Form";
import { GroundMap } from "../../parts/GroundMap";
import { useFieldWrite } from "../../parts/outbox";
import { Sum } from "../../parts/Sum";
import { Tick } from "../../parts/Tick";
import { WrongElse, WrongHere } from "../../parts/Wrong";

/** What was stirred goes on the ground: beds by touch, and it stands in the book. */
export function PrepUse({ view, plan }: { view: Schemas["PrepView"]; plan: Schemas["GroundPlanView"] }) {
  const [beds, setBeds] = useState<number[]>([]);
  const [water, setWater] = useState("");
  const [seen, setSeen] = useState<string[]>([]);
  const byArea = view.kind.kind.use === "stirredEvening" || view.kind.kind.use === "stirredMorning";
  const rate = useReadIf(beds.length > 0 && byArea, "/api/works/preparations/{id}/rate", {
    params: { path: { id: view.id }, query: { beds: beds.join(",") } },
  });
  const put = useFieldWrite(
    "/api/works/preparations/{id}/put-out",
    () => ({
      params: { path: { id: view.id } },
      body: { at: null, bedIds: beds, water: water || (rate?.value?.waterShown ?? ""), who: null, cautionsSeen: seen },
    }),
    () => `${view.asked.name ?? view.kind.called}: put out`,
    () => {
      setBeds([]);
      setWater("");
    },
  );
  const mind = view.cautions.filter((c) => c.id === "horn-manure-raw");
  return (
    <Form problem={put.error} onSend={() => put.mutate(null)} label="Put it out" className="flex flex-col gap-1">
      <h3 className="text-lg">Put it out</h3>
      <GroundMap
        plan={plan}
        label="Beds that it goes on"
        chosen={beds}
        onToggle={(id) => setBeds(beds.includes(id) ? beds.filter((b) => b !== id) : [...beds, id])}
      />
      <WrongHere name="bedIds" />
      {rate?.value && (
        <p>
          By practice, for {rate.value.areaShown}: <b>{rate.value.amountShown}</b> in <b>{rate.value.waterShown}</b>.{" "}
          <Sum working={rate.working} sure={rate.sure} of="what is stirred" />
        </p>
      )}
      <AmountField
        label="How much goes out"
        dimension="volume"
        value={water}
        onChange={setWater}
        name="water"
        hint={rate?.value?.waterShown}
      />
      {mind.length > 0 && (
        <fieldset>
          <legend className="font-bold text-straw">▲ Mind</legend>
          {mind.map((c) => (
            <Tick
              key={c.id}
              on={seen.includes(c.id)}
              onToggle={() => setSeen(seen.includes(c.id) ? seen.filter((s) => s !== c.id) : [...seen, c.id])}
              label="I have read this"
              under={c.text}
            />
          ))}
        </fieldset>
      )}
      <WrongHere name="cautionsSeen" />
      <Button type="submit" kind="filled" className="self-start" disabled={put.isPending}>
        It is out
      </Button>
      <WrongElse />
    </Form>
  );
}
