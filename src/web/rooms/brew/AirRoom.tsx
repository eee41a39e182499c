import { useDeferredValue, useState } from "react";
import type { Schemas } from "../../api/client";
import { Refusals } from "../../parts/Form";
import { useUs } from "../../api/units";
import { useRead, useReadIf, useWorkOut, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Pick } from "../../parts/Pick";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { Wrong } from "../../parts/Wrong";
import { PumpCurve } from "./PumpCurve";

type Bench = Schemas["AirBenchAsked"];

/** The air that really comes out: pumps, hoses and outlets in parallel. */
export function AirRoom() {
  const ground = useRead("/api/ground");
  const [vessel, setVessel] = useState<number | null>(null);
  const id = vessel ?? ground.vessels[0]?.id ?? 0;
  const start = useReadIf(id > 0, "/api/brew/air/{vesselId}", { params: { path: { vesselId: id } } });
  return start && ground ? (
    <OneBench key={id} start={start} ground={ground} choose={setVessel} />
  ) : (
    <main id="room" className="p-7" aria-busy>
      <h1 className="text-2xl">Air</h1>
    </main>
  );
}

interface Props {
  start: Schemas["AirSetUpView"];
  ground: Schemas["GroundView"];
  choose: (id: number) => void;
}

function OneBench({ start, ground, choose }: Props) {
  const us = useUs();
  const [pumps, setPumps] = useState(start.bench.pumps ?? []);
  const [outlets, setOutlets] = useState(start.bench.outlets ?? []);
  const [fill, setFill] = useState({ l: "", s: "" });
  const [version, setVersion] = useState(start.bench.version);
  const bench: Bench = { volumeL: start.bench.volumeL, pumps, outlets, fillL: fill.l, fillS: fill.s, version };
  const asked = useDeferredValue(JSON.stringify(bench));
  const worked = useWorkOut("/api/brew/air/work-out", { body: JSON.parse(asked) as Bench });
  const keep = useWrite(
    "/api/brew/air/{vesselId}",
    (body: Bench) => ({ params: { path: { vesselId: start.vesselId } }, body }),
    (kept) => setVersion(kept.version),
  );
  const v = worked.data?.value;
  const a = v?.answer;
  const setPump = (i: number, field: string, v: string) =>
    setPumps(pumps.map((p, k) => (k === i ? { ...p, [field]: v } : p)));
  const setOutlet = (i: number, field: string, v: string) =>
    setOutlets(outlets.map((o, k) => (k === i ? { ...o, [field]: v } : o)));
  return (
    <Refusals problem={[worked.problem, keep.error]}>
      {" "}
      <Room
        title="Air"
        under={`What comes out in ${start.vessel}, ${start.workingShown}. The number on the box is at no depth at all.`}
        peek={worked.problem?.message ?? a?.verdict.sentence}
        bench={
          <>
            <Choice
              label="Vessel"
              value={String(start.vesselId)}
              options={ground.vessels.map((v) => ({ value: String(v.id), name: v.name }))}
              onChange={(v) => choose(Number(v))}
            />
            <h2 className="mt-4 text-xl">Pumps, side by side</h2>
            {pumps.map((p, i) => (
              <fieldset key={i} className="border-t border-line pt-2">
                <legend className="sr-only">Pump {i + 1}</legend>
                <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-4">
                  <Field label="Pump" value={p.name ?? ""} onChange={(v) => setPump(i, "name", v)} />
                  <Field
                    label="Open flow"
                    inputMode="decimal"
                    value={p.openLpm ?? ""}
                    onChange={(v) => setPump(i, "openLpm", v)}
                    name={`pumps[${i}].openLpm`}
                  />
                  <Field
                    label="Stops at"
                    inputMode="decimal"
                    value={p.shutOffKPa ?? ""}
                    onChange={(v) => setPump(i, "shutOffKPa", v)}
                    name={`pumps[${i}].shutOffKPa`}
                  />
                  <Field
                    label="How many"
                    inputMode="numeric"
                    value={p.count ?? ""}
                    onChange={(v) => setPump(i, "count", v)}
                    name={`pumps[${i}].count`}
                  />
                </div>
                <Field
                  label="Or its own curve"
                  value={p.curve ?? ""}
                  onChange={(v) => setPump(i, "curve", v)}
                  hint={us ? "cfm at psi: 2 at 0, 1.4 at 1.5, 0 at 3.6" : "L/min at kPa: 60 at 0, 40 at 10, 0 at 25"}
                  name={`pumps[${i}].curve`}
                />
                {pumps.length > 1 && (
                  <Button kind="plain" onClick={() => setPumps(pumps.filter((_, k) => k !== i))}>
                    take {p.name} away
                  </Button>
                )}
              </fieldset>
            ))}
            <Button
              kind="plain"
              onClick={() => setPumps([...pumps, { ...pumps[0]!, name: `pump ${pumps.length + 1}`, count: "1" }])}
            >
              + another pump
            </Button>
            <h2 className="mt-4 text-xl">Outlets</h2>
            {outlets.map((o, i) => (
              <fieldset key={i} className="border-t border-line pt-2">
                <legend className="sr-only">Outlet {i + 1}</legend>
                <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
                  <Field label="Outlet" value={o.name ?? ""} onChange={(v) => setOutlet(i, "name", v)} />
                  <Pick
                    label="Kind"
                    value={o.diffuser ?? "airStone"}
                    options={ground.diffuserKinds.map((k) => ({ value: k.kind, name: k.name }))}
                    onChange={(v) => setOutlet(i, "diffuser", v)}
                  />
                  <Field
                    label="Depth"
                    inputMode="decimal"
                    value={o.depthM ?? ""}
                    onChange={(v) => setOutlet(i, "depthM", v)}
                    name={`outlets[${i}].depthM`}
                  />
                  <Field
                    label="Share, by valve"
                    inputMode="decimal"
                    value={o.share ?? ""}
                    onChange={(v) => setOutlet(i, "share", v)}
                    name={`outlets[${i}].share`}
                  />
                  <Field
                    label="Hose"
                    inputMode="decimal"
                    value={o.hoseM ?? ""}
                    onChange={(v) => setOutlet(i, "hoseM", v)}
                    name={`outlets[${i}].hoseM`}
                  />
                  <Field
                    label="Bore"
                    inputMode="decimal"
                    value={o.hoseMm ?? ""}
                    onChange={(v) => setOutlet(i, "hoseMm", v)}
                    name={`outlets[${i}].hoseMm`}
                  />
                </div>
                {outlets.length > 1 && (
                  <Button kind="plain" onClick={() => setOutlets(outlets.filter((_, k) => k !== i))}>
                    take {o.name} away
                  </Button>
                )}
              </fieldset>
            ))}
            <Button
              kind="plain"
              onClick={() => setOutlets([...outlets, { ...outlets[0]!, name: "floor ring", share: "0.5" }])}
            >
              + another circuit
            </Button>
            <h2 className="mt-4 text-xl">Or measured</h2>
            <p className="text-ash">
              Fill an upturned bottle under water at the outlet: that counts for more than any box.
            </p>
            <div className="grid grid-cols-2 gap-4">
              <Field
                label="Caught"
                inputMode="decimal"
                value={fill.l}
                onChange={(l) => setFill({ ...fill, l })}
                name="fillL"
              />
              <Field
                label="In seconds"
                inputMode="decimal"
                value={fill.s}
                onChange={(s) => setFill({ ...fill, s })}
                name="fillS"
              />
            </div>
          </>
        }
        slate={
          <>
            <Wrong problem={worked.problem} />
            {v && a && worked.data && (
              <>
                <Verdict verdict={a.verdict} />
                <PumpCurve view={v} />
                <dl className="figures grid grid-cols-2 gap-x-5">
                  {(
                    [
                      ["light air", v.lightShown],
                      ["heavy air", v.heavyShown],
                      ["by oxygen", v.byOxygenShown],
                      ["goes over", `${a.kLa20.toFixed(1)} per h`],
                    ] as const
                  ).map(([what, value]) => (
                    <div key={what} className="border-t border-line py-1">
                      <dt className="text-ash">{what}</dt>
                      <dd className="text-xl font-bold">{value}</dd>
                    </div>
                  ))}
                </dl>
                <ul className="figures">
                  {a.outlets.map((o, i) => (
                    <li key={i} className="flex flex-wrap justify-between gap-x-4 border-t border-line py-1.5">
                      <b>{o.name}</b>
                      <span>{v.outletsShown[i]}</span>
                    </li>
                  ))}
                </ul>
                <p className="flex flex-wrap items-center gap-4">
                  <Button
                    kind="filled"
                    disabled={keep.isPending || !!worked.problem}
                    onClick={() => keep.mutate(bench)}
                  >
                    Keep for {start.vessel}
                  </Button>
                  <Sum working={worked.data.working} sure={worked.data.sure} of="this air" />
                </p>
                <p role="status" className="text-moss">
                  {keep.isSuccess && "✓ Kept: plans for this vessel breathe with it."}
                </p>
                <Wrong problem={keep.error} />
                <p className="text-ash">{v.usualShown}</p>
                {worked.data.cautions.map((c) => (
                  <p key={c.id}>
                    <b className="text-straw">▲ Mind</b> {c.text} <span className="text-ash">{c.localRule}</span>
                  </p>
                ))}
              </>
            )}
          </>
        }
      />
    </Refusals>
  );
}
