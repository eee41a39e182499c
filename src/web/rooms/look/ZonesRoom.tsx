import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { GroundMap } from "../../parts/GroundMap";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { WrongElse, WrongHere } from "../../parts/Wrong";

type Zone = Schemas["ZoneView"];
type Texture = Schemas["Texture"];

const textures: { value: string; name: string }[] = [
  { value: "", name: "not felt yet" },
  { value: "sand", name: "sand" },
  { value: "sandyLoam", name: "sandy loam" },
  { value: "loam", name: "loam" },
  { value: "clayLoam", name: "silty clay, clay loam" },
  { value: "clay", name: "clay" },
];

/** Good and poor apart: zones drawn by touching their corners, or from a yield map. */
export function ZonesRoom() {
  const data = useRead("/api/look/walk");
  const plan = useRead("/api/ground/plan");
  const [bedId, setBed] = useState(plan.beds[0]?.id ?? 0);
  const [chosen, choose] = useState<Zone | null>(null);
  const [name, setName] = useState("");
  const [texture, setTexture] = useState("");
  const [corners, setCorners] = useState<{ x: number; y: number }[]>([]);
  const begin = (z: Zone | null) => {
    choose(z);
    setName(z?.name ?? "");
    setTexture(z?.texture ?? "");
    setCorners([]);
    if (z) setBed(z.bedId);
  };
  const keep = useWrite(
    "/api/look/zones",
    () => ({
      body: {
        id: chosen?.id ?? null,
        version: chosen?.version ?? null,
        bedId,
        name,
        texture: (texture || null) as Texture | null,
        outline: corners,
      },
    }),
    () => begin(null),
  );
  const end = useWrite(
    "/api/look/zones/{id}/end",
    () => ({ params: { path: { id: chosen?.id ?? 0 } } }),
    () => begin(null),
  );
  const mine = data.zones.filter((z) => z.bedId === bedId);
  const drawn = corners.length > 0 ? [{ id: 0, name: name || "new", outline: corners, points: [] }] : [];
  return (
    <Room
      title="Zones"
      under="Good and poor ground apart: figures compare within a zone, and the poorest that is known speaks for the dose."
      peek={`${data.zones.length} zones`}
      bench={
        <>
          <GroundMap
            plan={plan}
            many={false}
            label="The ground: touch the corners of a zone"
            marked="peg"
            chosen={[bedId]}
            zones={[...data.zones.filter((z) => z.id !== chosen?.id || corners.length === 0), ...drawn]}
            onToggle={setBed}
            onPoint={(at, on) => {
              if (corners.length === 0 && on) setBed(on);
              setCorners([...corners, at]);
            }}
          />
          <p className="flex flex-wrap items-center gap-3">
            <span>
              {corners.length === 0 ? "Touch corner after corner." : `${corners.length} corners`}
              {corners.length > 0 && corners.length < 3 && ": three at the least"}
            </span>
            {corners.length > 0 && (
              <Button kind="plain" onClick={() => setCorners(corners.slice(0, -1))}>
                take the last back
              </Button>
            )}
          </p>
          <Form
            problem={keep.error ?? end.error}
            label={chosen ? `Change ${chosen.name}` : "A new zone"}
            onSend={() => keep.mutate(null)}
            className="grid items-start gap-x-4 sm:grid-cols-2"
          >
            <Pick
              label="In bed"
              value={String(bedId)}
              options={plan.beds.map((b) => ({ value: String(b.id), name: b.name }))}
              onChange={(v) => setBed(Number(v))}
            />
            <Field
              label="What you call the zone"
              value={name}
              onChange={setName}
              name="name"
              hint="poor, by the ditch"
            />
            <Pick label="It feels like" value={texture} options={textures} onChange={setTexture} />
            <WrongHere name="outline" />
            <p className="flex flex-wrap gap-3 sm:col-span-2">
              <Button type="submit" kind="filled" disabled={keep.isPending}>
                {chosen ? "Keep it so" : "Keep this zone"}
              </Button>
              {chosen && (
                <>
                  <Button kind="plain" onClick={() => begin(null)}>
                    another one
                  </Button>
                  <Button kind="plain" onClick={() => end.mutate(null)}>
                    no zone any more
                  </Button>
                </>
              )}
            </p>
            <div className="sm:col-span-2">
              <WrongElse />
            </div>
          </Form>
        </>
      }
      slate={
        <>
          <h2 className="text-2xl">Zones of {plan.beds.find((b) => b.id === bedId)?.name}</h2>
          {mine.length === 0 && <p>None: the bed is read as one.</p>}
          <ul>
            {mine.map((z) => (
              <li key={z.id} className="flex flex-wrap items-center justify-between gap-x-3 border-t border-line">
                <Button kind="plain" aria-pressed={chosen?.id === z.id} onClick={() => begin(z)}>
                  {z.name}
                </Button>
                <span className="text-ash">
                  {[textures.find((t) => t.value === z.texture)?.name, z.yield].filter(Boolean).join(" · ")}
                </span>
              </li>
            ))}
          </ul>
          <YieldMap bedId={bedId} />
        </>
      }
    />
  );
}

/** Zones from a yield map: looked at before they are kept, each with a peg in its densest part. */
function YieldMap({ bedId }: { bedId: number }) {
  const [text, setText] = useState<string | null>(null);
  const [property, setProperty] = useState<string | null>(null);
  const [zones, setZones] = useState("2");
  const body = (geoJson: string) => ({ geoJson, property, zones: Number(zones), bedId });
  const look = useWrite(
    "/api/look/zones/yield/preview",
    (ask: { text: string; property: string | null; zones: string }) => ({
      body: { geoJson: ask.text, property: ask.property, zones: Number(ask.zones), bedId },
    }),
  );
  const keep = useWrite(
    "/api/look/zones/yield",
    (geoJson: string) => ({ body: body(geoJson) }),
    () => setText(null),
  );
  return (
    <section>
      <h2 className="text-xl">From a yield map</h2>
      <p className="text-ash">
        GeoJSON, points or cells with a figure each. As many of them go into each zone. One year’s map may show its
        weather: two or three say more.
      </p>
      <Form problem={look.error ?? keep.error} onSend={() => text && keep.mutate(text)} className="flex flex-col gap-2">
        <label className="inline-flex min-h-12 cursor-pointer items-center text-clay underline underline-offset-4 focus-within:outline focus-within:outline-3 focus-within:outline-river">
          bring a yield map
          <input
            type="file"
            accept=".geojson,.json,application/geo+json"
            className="sr-only"
            onChange={async (e) => {
              const file = e.target.files?.[0];
              if (!file) return;
              const t = await file.text();
              setText(t);
              setProperty(null);
              look.mutate({ text: t, property: null, zones });
            }}
          />
        </label>
        {text && look.data && (
          <>
            <Choice
              label="Zones"
              value={zones}
              options={["2", "3", "4", "5"].map((v) => ({ value: v, name: v }))}
              onChange={(v) => {
                setZones(v);
                look.mutate({ text, property, zones: v });
              }}
            />
            {look.data.properties.length > 1 && (
              <Pick
                label="By which figure"
                value={look.data.property}
                options={look.data.properties.map((p) => ({ value: p, name: p }))}
                onChange={(v) => {
                  setProperty(v);
                  look.mutate({ text, property: v, zones });
                }}
              />
            )}
            <ul className="figures">
              {look.data.zones.map((z) => (
                <li key={z.number} className="border-t border-line py-1.5">
                  <b>{z.name}</b>: {z.says}
                </li>
              ))}
            </ul>
            <Button type="submit" kind="filled" className="self-start" disabled={keep.isPending}>
              Keep these zones, a peg in each
            </Button>
          </>
        )}
        {keep.data && <p role="status">✓ {keep.data.id} zones kept, a peg in each.</p>}
        <WrongElse />
      </Form>
    </section>
  );
}
