import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWrite } from "../../api/data";
import { Form } from "../../parts/Form";
import { useRateBases, useUnitWords } from "../../api/units";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { WrongElse } from "../../parts/Wrong";

interface Props {
  old: Schemas["ShelfInputView"] | null;
  kinds: Schemas["InputKind"][];
  done: (id: number | null) => void;
}

/** An input in the grower's own words, with what its label says. */
export function InputForm({ old, kinds, done }: Props) {
  const [kind, setKind] = useState(old?.kind ?? "seaweed");
  const [r, setR] = useState<Record<string, string>>({
    name: old?.name ?? "",
    density: old?.density?.toString() ?? "",
    price: old?.price ?? "",
    labelRate: old?.labelSays ?? "",
    labelBasis: old?.labelBasis ?? "",
    labelPer: old?.labelPer ?? "",
    labelEveryDays: old?.labelEveryDays?.toString() ?? "",
    labelWaitDays: old?.labelWaitDays?.toString() ?? "",
    npk: old?.npk ?? "",
    ph: old?.ph?.toString() ?? "",
    notes: old?.notes ?? "",
  });
  const [species, setSpecies] = useState<{ name: string; count: string }[]>(
    old?.species.map((s) => ({ name: s.name, count: s.count?.toExponential() ?? "" })) ?? [],
  );
  const [version] = useState(old?.version ?? null); // of what this form was filled from
  const words = useUnitWords();
  const bases = useRateBases();
  const life = kinds.find((k) => k.kind === kind)?.life;
  const keep = useWrite(
    "/api/shelf/inputs",
    () => ({
      body: {
        id: old?.id ?? null,
        version,
        kind,
        name: r.name!,
        density: r.density!,
        price: r.price!,
        labelRate: r.labelRate!,
        labelBasis: r.labelBasis || bases[0]!.value,
        labelPer: r.labelPer || null,
        labelEveryDays: r.labelEveryDays!,
        labelWaitDays: r.labelWaitDays!,
        npk: r.npk!,
        ph: r.ph!,
        notes: r.notes!,
        species,
      },
    }),
    (k) => done(k.id),
  );
  const field = (key: string, label: string, hint?: string) => (
    <Field label={label} value={r[key] ?? ""} onChange={(t) => setR({ ...r, [key]: t })} name={key} hint={hint} />
  );
  return (
    <Form problem={keep.error} className="mt-4 border-t-2 border-line pt-3" onSend={() => keep.mutate(null)}>
      <h2 className="text-xl">{old ? `Change ${old.name}` : "Add something"}</h2>
      <div className="grid gap-x-4 sm:grid-cols-2">
        {field("name", "Your name for it")}
        <Pick
          label="It is"
          value={kind}
          options={kinds.map((k) => ({ value: k.kind, name: k.name }))}
          onChange={setKind}
        />
        {field("price", `Price of a ${words.volume} or ${words.mass}`)}
        {field("density", "Kilos in a litre", "water is 1")}
        {field("labelRate", "Label rate, in its own words", "4 mL per 2 L; 3 to 5 L a hectare; 1:300")}
        <Pick
          label="if it names no ground, it is"
          value={r.labelBasis || bases[0]!.value}
          options={[...bases, { value: "perPlant", name: "on a plant" }]}
          onChange={(labelBasis) => setR({ ...r, labelBasis })}
        />
        {field("labelEveryDays", "Label: days between")}
        {field("labelWaitDays", "Label: days before harvest")}
        {field("npk", "N-P-K by weight, %", "2-1-3")}
        {field("ph", "pH neat")}
      </div>
      {life && (
        <>
          <h3 className="text-lg">What lives in it</h3>
          {species.map((s, i) => (
            <div key={i} className="grid items-start gap-x-4 sm:grid-cols-[1.4fr_1fr_auto]">
              <Field
                label={`Organism ${i + 1}`}
                value={s.name}
                onChange={(name) => setSpecies(species.map((x, n) => (n === i ? { ...x, name } : x)))}
                name={`species[${i}].name`}
              />
              <Field
                label="Count on the label"
                value={s.count}
                onChange={(count) => setSpecies(species.map((x, n) => (n === i ? { ...x, count } : x)))}
                name={`species[${i}].count`}
                hint="1e8, or 100 million"
              />
              <Button kind="plain" className="sm:mt-7" onClick={() => setSpecies(species.filter((_, n) => n !== i))}>
                take off
              </Button>
            </div>
          ))}
          <Button kind="plain" onClick={() => setSpecies([...species, { name: "", count: "" }])}>
            add an organism
          </Button>
          {species.length > 0 && (
            <Choice
              label="Per what? It stands beside the number"
              value={(r.labelPer ?? "") as "" | "mL" | "g"}
              options={[
                { value: "mL", name: "per mL" },
                { value: "g", name: "per g" },
              ]}
              onChange={(labelPer) => setR({ ...r, labelPer })}
              name="labelPer"
            />
          )}
        </>
      )}
      {field("notes", "Notes")}
      <p className="flex gap-3">
        <Button type="submit" kind="filled" disabled={keep.isPending}>
          Keep it
        </Button>
        <Button kind="plain" onClick={() => done(null)}>
          leave it
        </Button>
      </p>
      <WrongElse />
    </Form>
  );
}
