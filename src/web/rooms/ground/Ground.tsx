import { type ReactNode, useState } from "react";
import { Link, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { useFieldWrite } from "../../parts/outbox";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Room } from "../../parts/Room";
import { WrongElse } from "../../parts/Wrong";
import { HoldingForm, HoldingLine } from "./HoldingForm";
import { KitForm, type KitKind } from "./KitForm";

interface Row {
  id: number;
  name: string;
  line: string;
  says?: string;
  old: Record<string, unknown>;
}

interface Chosen {
  kind: keyof ReturnType<typeof kitOf>;
  /** Which; none for a new one. */
  id?: number;
}

/** Ground and kit: kit as it stands in the shed, ground one line a bed. */
export function Ground() {
  const ground = useRead("/api/ground");
  const [search] = useSearchParams();
  const [chosen, setChosen] = useState<Chosen | "holding" | null>(search.get("say") === "place" ? "holding" : null);
  const rows = kitOf(ground);
  const form = chosen && chosen !== "holding" ? chosen : null;
  const row = form && rows[form.kind].find((r) => r.id === form.id);
  return (
    <Room
      title="Ground and kit"
      under="What plans are worked out from. Touch a thing to see what it means, or to change it."
      peek={form ? (row?.name ?? "The form") : "What is chosen"}
      bench={
        <>
          <HoldingLine open={() => setChosen("holding")} />
          <Shed ground={ground} rows={rows} chosen={form} choose={setChosen} />
          <Beds rows={rows.beds} chosen={form?.kind === "beds" ? form.id : undefined} choose={setChosen} />
        </>
      }
      slate={
        chosen === "holding" ? (
          <HoldingForm done={() => setChosen(null)} />
        ) : form ? (
          <>
            {row && (
              <section>
                <h2 className="text-2xl">{row.name}</h2>
                <p className="figures">{row.line}</p>
                {row.says && <p>{row.says}</p>}
              </section>
            )}
            {form.kind === "waters" && row && <Strip water={row} />}
            {row && <Air ground={ground} kind={form.kind} id={row.id} />}
            <Fold key={String(row?.id)} line={row ? `Change ${row.name}` : "A new one"} open={!row}>
              <KitForm
                key={form.kind + String(row?.id)}
                kind={form.kind}
                old={row?.old}
                ground={ground}
                done={() => setChosen(null)}
              />
            </Fold>
          </>
        ) : (
          <section>
            <h2 className="text-2xl">The shed</h2>
            <p>
              {ground.vessels.length} vessels, {ground.pumps.length} pumps, {ground.diffusers.length} outlets,{" "}
              {ground.waters.length} waters; {ground.beds.length} beds. What is used up stands on the{" "}
              <Link to="/shelf" className="text-clay underline underline-offset-4">
                shelf
              </Link>
              , what sprays under{" "}
              <Link to="/put-out/sprayers" className="text-clay underline underline-offset-4">
                sprayers
              </Link>
              .
            </p>
          </section>
        )
      }
    />
  );
}

function kitOf(g: Schemas["GroundView"]): Record<"beds" | "waters" | "vessels" | "pumps" | "diffusers", Row[]> {
  return {
    beds: g.beds.map((b) => ({
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
    waters: g.waters.map((w) => ({
      id: w.id,
      name: w.name,
      line: w.lastStrip === null ? "no strip read" : `last strip ${w.lastStrip} mg/L`,
      says: w.says,
      old: { id: w.id, version: w.version, name: w.name, kind: w.kind, chloramine: w.chloramine, strip: "" },
    })),
    vessels: g.vessels.map((v) => ({
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
    pumps: g.pumps.map((p) => ({
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
    diffusers: g.diffusers.map((d) => ({
      id: d.id,
      name: d.name,
      line: g.diffuserKinds.find((k) => k.kind === d.kind)?.name ?? d.kind,
      says: d.says,
      old: {
        id: d.id,
        version: d.version,
        name: d.name,
        kind: d.kind,
        loss: d.lossKPa === null ? "" : `${d.lossKPa} kPa`,
      },
    })),
  };
}

type Choose = (c: Chosen) => void;

/** The kit drawn on its boards: what is large stands below, what is small lies above. */
function Shed({
  ground,
  rows,
  chosen,
  choose,
}: {
  ground: Schemas["GroundView"];
  rows: ReturnType<typeof kitOf>;
  chosen: Chosen | null;
  choose: Choose;
}) {
  const boards: [string, Exclude<Chosen["kind"], "beds">, (id: number) => ReactNode][] = [
    ["Pumps", "pumps", () => <PumpShape />],
    [
      "Outlets (diffusers)",
      "diffusers",
      (id) => <OutletShape kind={ground.diffusers.find((d) => d.id === id)?.kind} />,
    ],
    ["Water", "waters", () => <DropShape />],
    ["Vessels", "vessels", (id) => <VesselShape shape={ground.vessels.find((v) => v.id === id)?.shape} />],
  ];
  return (
    <section aria-label="The shed" className="mt-3 border-2 border-b-0 border-ink/70">
      {boards.map(([title, kind, draw]) => (
        <div key={kind} className="flex items-end gap-3 border-b-4 border-ink/70 px-3 py-1.5">
          <h2 className="w-20 shrink-0 pb-2 text-base font-medium leading-tight text-ash">{title}</h2>
          <ul className="flex grow flex-wrap items-end gap-x-4 gap-y-2">
            {rows[kind].map((r) => (
              <li key={r.id}>
                <button
                  type="button"
                  aria-pressed={chosen?.id === r.id && chosen.kind === kind}
                  onClick={() => choose({ kind, id: r.id })}
                  className="flex min-h-11 max-w-40 flex-col items-center rounded px-1.5 text-center aria-pressed:bg-paper aria-pressed:font-bold aria-pressed:text-clay"
                >
                  {draw(r.id)}
                  <span className="text-base leading-tight">{r.name}</span>
                </button>
              </li>
            ))}
          </ul>
          <span className="shrink-0">
            <Button kind="plain" aria-label={`add one: ${title.toLowerCase()}`} onClick={() => choose({ kind })}>
              add one
            </Button>
          </span>
        </div>
      ))}
    </section>
  );
}

const line = { fill: "none", strokeWidth: 2.5, strokeLinejoin: "round", strokeLinecap: "round" } as const;

const PumpShape = () => (
  <svg viewBox="0 0 56 34" className="h-8 stroke-ink" aria-hidden>
    <path d="M6 30V12q0-6 8-6h24q8 0 8 6v18zM46 16h8M14 30v3M38 30v3" {...line} />
    <circle cx="26" cy="18" r="6" {...line} className="stroke-river" />
  </svg>
);

const outlets: Record<string, string> = {
  openHose: "M4 14q20-10 34 0t14 2",
  drilledPipe: "M4 14H52M12 14v6M22 14v6M32 14v6M42 14v6",
  airStone: "M4 8H22M22 4h22q8 0 8 8t-8 8H22z",
  fineMembrane: "M28 2v8M6 16q22-14 44 0q-22 8-44 0z",
};
const OutletShape = ({ kind = "" }: { kind?: string }) => (
  <svg viewBox="0 0 56 24" className="h-6 stroke-river" aria-hidden>
    <path d={outlets[kind] ?? outlets.openHose} {...line} />
  </svg>
);

const DropShape = () => (
  <svg viewBox="0 0 30 32" className="h-7 stroke-river" aria-hidden>
    <path d="M15 3q11 13 11 19a11 9 0 0 1-22 0q0-6 11-19z" {...line} />
  </svg>
);

const vesselShapes: Record<string, [d: string, tall: string]> = {
  bucket: ["M6 12L12 46H38L44 12zM6 12Q25-8 44 12", "h-11"],
  barrel: ["M10 4Q2 32 10 60H40Q48 32 40 4zM6 22H44M6 42H44", "h-16"],
  tank: ["M6 4V40L20 60H30L44 40V4zM12 60H38", "h-20"],
};
const VesselShape = ({ shape = "" }: { shape?: string }) => {
  const [d, tall] = vesselShapes[shape] ?? vesselShapes.barrel!;
  return (
    <svg viewBox="0 0 50 64" className={`${tall} stroke-ink`} aria-hidden>
      <path d={d} {...line} />
    </svg>
  );
};

const Many = 7;

/** Beds, one line each; found by a word of their name or crop where there are many. */
function Beds({ rows, chosen, choose }: { rows: Row[]; chosen: number | undefined; choose: Choose }) {
  const [find, setFind] = useState("");
  const seen = rows.filter((r) => `${r.name} ${r.line}`.toLowerCase().includes(find.trim().toLowerCase()));
  return (
    <section className="mt-5">
      <h2 className="flex items-baseline justify-between text-xl">
        Beds
        <Button kind="plain" onClick={() => choose({ kind: "beds" })}>
          add one
        </Button>
      </h2>
      {rows.length > Many && (
        <Field label="Find a bed" value={find} onChange={setFind} hint="a word of its name or crop" />
      )}
      <ul className="figures grid gap-x-6 sm:grid-cols-2">
        {seen.map((r) => (
          <li key={r.id} className="border-t border-line">
            <button
              type="button"
              aria-pressed={chosen === r.id}
              onClick={() => choose({ kind: "beds", id: r.id })}
              className="flex min-h-11 w-full items-baseline justify-between gap-3 py-1.5 text-left aria-pressed:text-clay"
            >
              <b className="whitespace-nowrap">{r.name}</b> <span className="truncate text-ash">{r.line}</span>
            </button>
          </li>
        ))}
      </ul>
      {seen.length === 0 && <p>No bed has that in its name or crop.</p>}
    </section>
  );
}

/** A strip read on a source: never changed, the newest counts. */
function Strip({ water }: { water: Row }) {
  const [typed, setTyped] = useState("");
  const keep = useFieldWrite(
    "/api/ground/waters/{id}/strips",
    (v: { id: number; strip: string }) => ({
      params: { path: { id: v.id } },
      body: { strip: v.strip, at: null },
    }),
    (v) => `strip ${v.strip}, ${water.name}`,
  );
  if (water.old.kind === "surface") return null;
  return (
    <Form
      problem={keep.error}
      className="flex flex-wrap items-end gap-3"
      onSend={() => {
        keep.mutate({ id: water.id, strip: typed });
        setTyped("");
      }}
    >
      <Field label="Read a strip, mg/L" value={typed} onChange={setTyped} name="strip" />
      <Button type="submit">Keep</Button>
      <WrongElse />
    </Form>
  );
}

/** The air that arrives with a pump, in a vessel or through an outlet. */
function Air({ ground, kind, id }: { ground: Schemas["GroundView"]; kind: KitKind; id: number }) {
  const of = { pumps: "pumpId", vessels: "vesselId", diffusers: "diffuserId" }[kind as string] as
    "pumpId" | "vesselId" | "diffuserId" | undefined;
  const air = of ? ground.air.filter((a) => a[of] === id) : [];
  if (air.length === 0) return null;
  const name = (list: { id: number; name: string }[], at: number) => list.find((x) => x.id === at)?.name;
  return (
    <section>
      <h2 className="text-xl">Air that arrives</h2>
      <ul className="figures">
        {air.map((a) => (
          <li key={`${a.pumpId}-${a.vesselId}-${a.diffuserId}`} className="border-t border-line py-1">
            <b>
              {name(ground.pumps, a.pumpId)} in {name(ground.vessels, a.vesselId)}
            </b>
            : {a.says}
          </li>
        ))}
      </ul>
    </section>
  );
}
