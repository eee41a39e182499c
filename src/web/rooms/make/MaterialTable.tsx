import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { Pick } from "../../parts/Pick";
import { WrongElse } from "../../parts/Wrong";

/** The table of materials, and changing it: a third either way is usual, so a lab's figure or one's own counts more. */
export function MaterialTable({ materials }: { materials: readonly Schemas["MaterialView"][] }) {
  const [r, setR] = useState<Schemas["MaterialRequest"] | null>(null);
  const keep = useWrite(
    "/api/heaps/materials",
    () => ({ body: r! }),
    () => setR(null),
  );
  const set = (part: Partial<Schemas["MaterialRequest"]>) => setR({ ...r!, ...part });
  const from = (id: string) => {
    const m = materials.find((x) => x.id === id);
    setR({
      materialId: m?.id ?? null,
      name: m?.name ?? "",
      carbon: m ? String(m.carbon) : "",
      nitrogen: m ? String(m.nitrogen) : "",
      moisture: m ? String(m.moisture) : "",
      kgPerL: m ? String(m.kgPerL) : "",
    });
  };
  return (
    <section aria-label="Table of materials">
      <h2 className="text-xl">The table that recipes go by</h2>
      <p className="text-ash">Tables differ by a third either way; figures of your own count more.</p>
      <Fold line={`${materials.length} materials, by carbon to nitrogen`}>
        <table className="figures w-full text-left">
          <thead>
            <tr className="text-ash">
              <th scope="col">material</th>
              <th scope="col" className="text-right">
                C:N
              </th>
              <th scope="col" className="text-right">
                N, %
              </th>
              <th scope="col" className="text-right">
                water, %
              </th>
            </tr>
          </thead>
          <tbody>
            {materials.map((m) => (
              <tr key={m.id} className="border-t border-line">
                <th scope="row" className="py-1 font-normal">
                  {m.name}
                  {m.own && <b> · yours</b>}
                </th>
                <td className="text-right">{m.cnShown}</td>
                <td className="text-right">{m.nitrogen}</td>
                <td className="text-right">{m.moisture}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Fold>
      {r === null ? (
        <Button kind="plain" onClick={() => from("")}>
          change one, or add your own
        </Button>
      ) : (
        <Form problem={keep.error} onSend={() => keep.mutate(null)} className="mt-2">
          <Pick
            label="Which"
            value={r.materialId ?? ""}
            options={[{ value: "", name: "a new one" }, ...materials.map((m) => ({ value: m.id, name: m.name }))]}
            onChange={from}
          />
          {!r.materialId && (
            <Field label="Called" value={r.name ?? ""} onChange={(name) => set({ name })} name="name" />
          )}
          <div className="grid grid-cols-2 gap-x-4">
            <Field
              label="Carbon, % of dry matter"
              value={r.carbon ?? ""}
              onChange={(carbon) => set({ carbon })}
              name="carbon"
              inputMode="decimal"
            />
            <Field
              label="Nitrogen, % of dry matter"
              value={r.nitrogen ?? ""}
              onChange={(nitrogen) => set({ nitrogen })}
              name="nitrogen"
              inputMode="decimal"
            />
            <Field
              label="Water, %"
              value={r.moisture ?? ""}
              onChange={(moisture) => set({ moisture })}
              name="moisture"
              inputMode="decimal"
            />
            <Field
              label="Weight of a litre, kg"
              value={r.kgPerL ?? ""}
              onChange={(kgPerL) => set({ kgPerL })}
              name="kgPerL"
              inputMode="decimal"
            />
          </div>
          <WrongElse />
          <p className="flex gap-3">
            <Button type="submit" kind="filled" disabled={keep.isPending}>
              Keep it
            </Button>
            <Button onClick={() => setR(null)}>Leave it</Button>
          </p>
        </Form>
      )}
    </section>
  );
}
