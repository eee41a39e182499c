import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { useFieldWrite } from "../../parts/outbox";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Room } from "../../parts/Room";
import { KitForm, type KitKind } from "./KitForm";

/** Ground and kit, each with what it means for a brew. */
export function Ground() {
  const ground = useRead("/api/ground");
  const [form, setForm] = useState<{ kind: KitKind; old?: Record<string, unknown> } | null>(null);
  const g = ground;
  const part = (
    title: string,
    kind: KitKind,
    rows: { id: number; name: string; line: string; says?: string; old: Record<string, unknown> }[],
  ) => (
    <section className="mt-6">
      <h2 className="flex items-baseline justify-between text-xl">
        {title}
        <Button kind="plain" onClick={() => setForm({ kind })}>
          add one
        </Button>
      </h2>
      <ul>
        {rows.map((r) => (
          <li key={r.id} className="flex items-start justify-between gap-3 border-t border-line py-2">
            <div>
              <p className="text-lg">
                <b>{r.name}</b> <span className="figures">{r.line}</span>
              </p>
              {r.says && <p className="text-ash">{r.says}</p>}
            </div>
            <Button kind="plain" aria-label={`Change ${r.name}`} onClick={() => setForm({ kind, old: r.old })}>
              change
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
  return (
    <Room
      title="Ground and kit"
      under="What plans are worked out from."
      peek={form ? "The form" : "Air at depth"}
      bench={
        g && (
          <>
            {part(
              "Beds",
              "beds",
              g.beds.map((b) => ({
                id: b.id,
                name: b.name,
                line: `${b.areaShown}, ${b.crop}${b.soilPh ? `, pH ${b.soilPh}` : ""}`,
                says: b.wait ? `${b.says} ▲ ${b.wait}` : b.says,
                old: {
                  id: b.id,
                  version: b.version,
                  name: b.name,
                  area: b.areaTyped,
                  crop: b.crop,
                  growing: b.growing,
                  soilPh: b.soilPh?.toString() ?? "",
                },
              })),
            )}
            {part(
              "Water",
              "waters",
              g.waters.map((w) => ({
                id: w.id,
                name: w.name,
                line: w.lastStrip === null ? "no strip read" : `last strip ${w.lastStrip} mg/L`,
                says: w.says,
                old: { id: w.id, version: w.version, name: w.name, kind: w.kind, chloramine: w.chloramine, strip: "" },
              })),
            )}
            {part(
              "Vessels",
              "vessels",
              g.vessels.map((v) => ({
                id: v.id,
                name: v.name,
                line: `works with ${v.workingShown}, outlet ${v.depthShown} deep`,
                says: v.says,
                old: {
                  id: v.id,
                  version: v.version,
                  name: v.name,
                  shape: v.shape,
                  total: `${v.totalL} L`,
                  working: `${v.workingL} L`,
                  depth: `${v.depthM} m`,
                },
              })),
            )}
            {part(
              "Pumps",
              "pumps",
              g.pumps.map((p) => ({
                id: p.id,
                name: p.name,
                line: `${p.openShown} open, stops at ${p.shutOffShown}`,
                says: p.says,
                old: {
                  id: p.id,
                  version: p.version,
                  name: p.name,
                  openFlow: `${p.openLpm} L/min`,
                  shutOff: `${p.shutOffKPa} kPa`,
                  battery: p.batteryHours?.toString() ?? "",
                },
              })),
            )}
            {part(
              "Diffusers",
              "diffusers",
              g.diffusers.map((d) => ({
                id: d.id,
                name: d.name,
                line: "",
                says: d.says,
                old: {
                  id: d.id,
                  version: d.version,
                  name: d.name,
                  kind: d.kind,
                  loss: d.lossKPa === null ? "" : `${d.lossKPa} kPa`,
                },
              })),
            )}
            {part(
              "On the shelf",
              "inputs",
              g.inputs.map((i) => ({
                id: i.id,
                name: i.name,
                line: [i.lot && `lot ${i.lot}`, i.priceShown].filter(Boolean).join(", "),
                says: i.unfitWhy ? `not to be used: ${i.unfitWhy}` : undefined,
                old: {
                  id: i.id,
                  version: i.version,
                  name: i.name,
                  kind: i.kind,
                  lot: i.lot ?? "",
                  price: i.price ?? "",
                  unfitWhy: i.unfitWhy ?? "",
                },
              })),
            )}
          </>
        )
      }
      slate={
        <>
          {form && g && (
            <KitForm
              key={form.kind + String(form.old?.id)}
              kind={form.kind}
              old={form.old}
              ground={g}
              done={() => setForm(null)}
            />
          )}
          {g && <Strips waters={g.waters} />}
          <h2 className="text-xl">Air that arrives</h2>
          <AirTable ground={g} />
        </>
      }
    />
  );
}

/** A strip read on a source: never changed, the newest counts. */
function Strips({ waters }: { waters: Schemas["WaterView"][] }) {
  const [typed, setTyped] = useState<Record<number, string>>({});
  const keep = useFieldWrite(
    "/api/ground/waters/{id}/strips",
    (v: { id: number; strip: string }) => ({
      params: { path: { id: v.id } },
      body: { strip: v.strip, at: null },
    }),
    (v) => `strip ${v.strip}, ${waters.find((w) => w.id === v.id)?.name ?? "water"}`,
  );
  return (
    <section>
      <h2 className="text-xl">Read a strip</h2>
      {waters
        .filter((w) => w.kind !== "surface")
        .map((w) => (
          <Form
            problem={null}
            key={w.id}
            className="flex items-center gap-3 border-t border-line py-2"
            onSend={() => {
              keep.mutate({ id: w.id, strip: typed[w.id] ?? "" });
              setTyped({ ...typed, [w.id]: "" });
            }}
          >
            <label className="grow" htmlFor={`strip-${w.id}`}>
              {w.name}, mg/L
            </label>
            <input
              id={`strip-${w.id}`}
              inputMode="decimal"
              className="figures h-12 w-24 border-b-2 border-line bg-paper px-3 text-lg"
              value={typed[w.id] ?? ""}
              onChange={(e) => setTyped({ ...typed, [w.id]: e.target.value })}
            />
            <Button type="submit">Keep</Button>
          </Form>
        ))}
      {keep.error && (
        <p role="alert" className="text-plum">
          ✕ {keep.error.of("strip") ?? keep.error.message}
        </p>
      )}
    </section>
  );
}

function AirTable({ ground }: { ground?: Schemas["GroundView"] }) {
  if (!ground) return null;
  const name = (list: { id: number; name: string }[], id: number) => list.find((x) => x.id === id)?.name;
  return (
    <ul className="figures">
      {ground.air.map((a) => (
        <li key={`${a.pumpId}-${a.vesselId}-${a.diffuserId}`} className="border-t border-line py-1">
          <b>
            {name(ground.pumps, a.pumpId)} in {name(ground.vessels, a.vesselId)}
          </b>
          : {a.says}
        </li>
      ))}
    </ul>
  );
}
