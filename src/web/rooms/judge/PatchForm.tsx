import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Form } from "../../parts/Form";
import { useUnitWords, useUs } from "../../api/units";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Tick } from "../../parts/Tick";
import { WrongElse } from "../../parts/Wrong";

/** Candidates from the shelf; water is always one more. */
export function NewTest({ bedId, done }: { bedId: string | null; done: (id: number) => void }) {
  const ground = useRead("/api/ground");
  const shelf = useRead("/api/shelf");
  const [bed, setBed] = useState(bedId ?? "");
  const [each, setEach] = useState("2");
  const us = useUs();
  const words = useUnitWords();
  const [area, setArea] = useState<string | null>(null);
  const [water, setWater] = useState<string | null>(null);
  const [chosen, setChosen] = useState<
    Record<number, { rate: string; role: Schemas["PatchRole"]; inCarrier: boolean }>
  >({});
  const carrier = Object.entries(chosen).find(([, c]) => c.role === "carrier")?.[0] ?? null;
  const make = useWrite(
    "/api/judge/patches",
    () => ({
      body: {
        bedId: Number(bed) || ground.beds[0]?.id || null,
        each: /^\d+$/.test(each) ? Number(each) : null,
        area,
        water,
        meterCorrects: false,
        candidates: Object.entries(chosen).map(([id, c]) => ({
          inputId: Number(id),
          ratePerHa: c.rate,
          role: c.role,
          inCarrier: c.inCarrier && c.role === "candidate" && !!carrier,
        })),
      },
    }),
    (kept) => done(kept.id),
  );
  const order = Object.keys(chosen).map(Number);
  const likely = [
    "seaweed",
    "fulvic",
    "humic",
    "fish",
    "amino",
    "silica",
    "kelpLiquid",
    "humicLiquid",
    "fishHydrolysate",
    "molasses",
    "mineral",
    "organicFeed",
  ];
  const inputs = shelf.inputs.filter((i) => likely.includes(i.kind)) ?? [];
  return (
    <Form
      problem={make.error}
      className="mt-3 border-l-4 border-clay pl-4"
      label="New patches"
      onSend={() => make.mutate(null)}
    >
      <Pick
        label="Bed"
        value={bed || String(ground.beds[0]?.id ?? "")}
        options={ground.beds.map((b) => ({ value: String(b.id), name: `${b.name}, ${b.crop}` })) ?? []}
        onChange={setBed}
      />
      <fieldset className="mt-3">
        <legend className="font-medium">Candidates, from the shelf</legend>
        {inputs.map((i) => (
          <div key={i.id}>
            <Tick
              on={i.id in chosen}
              onToggle={() => {
                const rest = Object.entries(chosen).filter(([id]) => Number(id) !== i.id);
                setChosen(
                  Object.fromEntries(
                    i.id in chosen ? rest : [...rest, [i.id, { rate: "", role: "candidate", inCarrier: false }]],
                  ) as typeof chosen,
                );
              }}
              label={i.name}
            />
            {chosen[i.id] && (
              <div className="grid gap-x-4 pl-10 sm:grid-cols-2">
                <Field
                  label={`Rate on ${words.large}`}
                  value={chosen[i.id]!.rate}
                  onChange={(rate) => setChosen({ ...chosen, [i.id]: { ...chosen[i.id]!, rate } })}
                  name={`candidates[${order.indexOf(i.id)}].ratePerHa`}
                  hint={`${us ? "2 qt" : "5 L"}; empty takes the label’s`}
                />
                <Pick
                  label="It is"
                  value={chosen[i.id]!.role}
                  options={[
                    { value: "candidate", name: "a candidate" },
                    { value: "carrier", name: "what others are mixed with" },
                  ]}
                  onChange={(role) => setChosen({ ...chosen, [i.id]: { ...chosen[i.id]!, role } })}
                />
                {carrier && chosen[i.id]!.role === "candidate" && (
                  <Tick
                    on={chosen[i.id]!.inCarrier}
                    onToggle={() =>
                      setChosen({ ...chosen, [i.id]: { ...chosen[i.id]!, inCarrier: !chosen[i.id]!.inCarrier } })
                    }
                    label={`mixed into ${inputs.find((x) => x.id === Number(carrier))?.name ?? "the carrier"}`}
                  />
                )}
              </div>
            )}
          </div>
        ))}
      </fieldset>
      <div className="grid gap-x-4 sm:grid-cols-3">
        <Field label="Patches of each" value={each} onChange={setEach} name="each" inputMode="numeric" />
        <Field label="Patch" value={area ?? words.patch} onChange={setArea} name="area" />
        <Field label={`Water on ${words.wetting}`} value={water ?? words.wet} onChange={setWater} name="water" />
      </div>
      <WrongElse />
      <Button type="submit" kind="filled">
        Draw the order by lot
      </Button>
    </Form>
  );
}
