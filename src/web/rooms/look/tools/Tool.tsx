import type { Schemas } from "../../../api/client";
import { typed } from "../../../api/typed";
import { Button } from "../../../parts/Button";
import { Field } from "../../../parts/Field";
import { at, type ToolProps } from "./asked";
import { CrumbTool } from "./CrumbTool";
import { PitTool } from "./PitTool";
import { CottonTool, LeafTool, NoduleTool, RootsTool, WeedsTool } from "./PlantTools";
import { RingTool } from "./RingTool";
import { RodTool } from "./RodTool";
import { StepRows } from "./StepRows";
import { WormTool } from "./WormTool";

const felt = ["slides in", "easy", "leans", "hard", "won’t go"].map((says, i) => ({ name: `${i + 1}, ${says}`, says }));
const damp = ["powdery", "barely holds", "firm ball", "wets the hand"].map((says, i) => ({
  name: `${i + 1}, ${says}`,
  says,
}));
const tens = [10, 20, 30, 40, 50];

/** The instrument of a check, drawn. */
export function Tool({ bands, ...p }: ToolProps & { bands: readonly Schemas["CrumbBand"][] }) {
  const { asked, set } = p;
  switch (asked.kind) {
    case "rod":
      return <RodTool {...p} />;
    case "plainRod":
      return (
        <>
          <StepRows
            label="By feel, every 10 cm"
            rows={tens.map((cm) => `${cm} cm`)}
            steps={felt}
            value={asked.feel ?? []}
            onChange={(i, v) => {
              const feel = Array.from(
                { length: Math.max(asked.feel?.length ?? 0, i + 1) },
                (_, j) => asked.feel?.[j] ?? v,
              );
              set({ feel: at(feel, i, v) });
            }}
          />
          <Field
            label="Moist and even to, cm"
            inputMode="decimal"
            value={asked.moistToCm == null ? "" : String(asked.moistToCm)}
            onChange={(v) => set({ moistToCm: typed(v) })}
            name="check.moistToCm"
          />
        </>
      );
    case "moisture":
      return <Moisture {...p} />;
    case "block":
      return <PitTool {...p} />;
    case "worms":
      return <WormTool {...p} />;
    case "crumbs":
      return <CrumbTool {...p} bands={bands} />;
    case "infiltration":
      return <RingTool {...p} />;
    case "roots":
      return <RootsTool {...p} />;
    case "nodules":
      return <NoduleTool {...p} />;
    case "leaf":
      return <LeafTool {...p} />;
    case "weeds":
      return <WeedsTool {...p} />;
    case "cotton":
      return <CottonTool {...p} />;
    default:
      return (
        <Field
          label="mg of CO₂-C per kg in a day"
          inputMode="decimal"
          value={asked.burst == null ? "" : String(asked.burst)}
          onChange={(v) => set({ burst: typed(v) })}
          name="check.burst"
        />
      );
  }
}

/** How moist, by feel; or by weight, where somebody has a scale. */
function Moisture({ asked, set }: ToolProps) {
  const moist = asked.moist ?? [];
  const rows = Array.from({ length: Math.max(3, moist.length) }, (_, i) => (i + 1) * 20);
  const whole = (n: number) =>
    Array.from({ length: Math.max(moist.length, n) }, (_, i) => ({
      toCm: (i + 1) * 20,
      feel: moist[i]?.feel ?? null,
      wetG: moist[i]?.wetG ?? null,
      dryG: moist[i]?.dryG ?? null,
    }));
  return (
    <>
      <StepRows
        label="By feel, every 20 cm"
        rows={rows.map((cm) => `${cm} cm`)}
        steps={damp}
        value={moist.map((m) => m.feel ?? null)}
        onChange={(i, feel) => set({ moist: at(whole(i + 1), i, { ...whole(i + 1)[i]!, feel }) })}
      />
      <details>
        <summary className="min-h-11 cursor-pointer py-2.5 text-clay underline underline-offset-4">
          or by weight
        </summary>
        {rows.map((cm, i) => (
          <div key={cm} className="grid grid-cols-2 gap-4">
            {(["wetG", "dryG"] as const).map((side) => (
              <Field
                key={side}
                label={`${cm} cm, ${side === "wetG" ? "wet" : "dry"}, g`}
                inputMode="decimal"
                value={moist[i]?.[side] == null ? "" : String(moist[i]![side])}
                onChange={(v) => set({ moist: at(whole(i + 1), i, { ...whole(i + 1)[i]!, [side]: typed(v) }) })}
                name={`check.moist[${i}].${side}`}
              />
            ))}
          </div>
        ))}
      </details>
      {rows.length < 6 && (
        <Button kind="plain" onClick={() => set({ moist: whole(rows.length + 1) })}>
          deeper
        </Button>
      )}
    </>
  );
}
