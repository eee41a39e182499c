import { useId } from "react";
import type { Schemas } from "../../api/client";

const W = 560;
const H = 280;

/** Pressure against flow: what the pumps give and what the outlets ask, and the point where they meet. */
export function PumpCurve({ view: v }: { view: Schemas["AirBenchView"] }) {
  const a = v.answer;
  const id = useId();
  const most = v.flowMarks.at(-1)?.at ?? 1;
  const top = v.pressureMarks.at(-1)?.at ?? 1;
  const x = (lpm: number) => 44 + (lpm / most) * (W - 60);
  const y = (kPa: number) => H - 40 - (Math.min(kPa, top) / top) * (H - 66);
  const line = (points: Schemas["CurvePoint"][]) =>
    points.map((p, i) => `${i ? "L" : "M"}${x(p.lpm).toFixed(1)} ${y(p.kPa).toFixed(1)}`).join("");
  const right = x(a.totalLpm) > W - 190; // to the right of where they meet nothing is drawn above the outlets’ line
  return (
    <figure className="m-0">
      <svg viewBox={`0 0 ${W} ${H}`} className="h-auto w-full" role="img" aria-labelledby={id}>
        <title id={id}>{`The pumps meet the outlets: ${v.meetShown}.`}</title>
        <path d={`M44 20V${H - 40}H${W - 14}`} fill="none" className="stroke-ink" strokeWidth="1.6" />
        <text x="44" y="14" fontSize="16" className="fill-ink halo">
          {v.pressureUnit}
        </text>
        <text x={W - 14} y={H - 8} textAnchor="end" fontSize="16" className="fill-ink halo">
          {v.flowUnit}
        </text>
        {v.pressureMarks.map((m) => (
          <text key={m.at} x="38" y={y(m.at) + 5} textAnchor="end" fontSize="15" className="fill-ink figures halo">
            {m.says}
          </text>
        ))}
        {v.flowMarks.map((m, i) => (
          <text
            key={m.at}
            x={x(m.at)}
            y={H - 22}
            textAnchor={i === v.flowMarks.length - 1 ? "end" : "middle"}
            fontSize="15"
            className="fill-ink figures halo"
          >
            {m.says}
          </text>
        ))}
        <path d={line(a.pumpCurve)} fill="none" className="stroke-clay" strokeWidth="3" />
        <path d={line(a.systemCurve)} fill="none" className="stroke-river" strokeWidth="3" strokeDasharray="9 5" />
        {a.pumpCurve[4] && (
          <text
            x={x(a.pumpCurve[18]?.lpm ?? 0) + 10}
            y={y(a.pumpCurve[18]?.kPa ?? 0)}
            fontSize="15"
            fontWeight="700"
            className="fill-clay halo"
          >
            pumps give
          </text>
        )}
        <text
          x={x(most * 0.04)}
          y={y(a.systemCurve[1]?.kPa ?? 0) + 20}
          fontSize="15"
          fontWeight="700"
          className="fill-river halo"
        >
          outlets ask
        </text>
        <circle cx={x(a.totalLpm)} cy={y(a.pressureKPa)} r="8" className="fill-paper stroke-ink" strokeWidth="3" />
        <text
          x={x(a.totalLpm) + (right ? -14 : 14)}
          y={y(a.pressureKPa) - 12}
          textAnchor={right ? "end" : "start"}
          fontSize="16"
          fontWeight="700"
          className="fill-ink figures halo"
        >
          {v.meetShown}
        </text>
      </svg>
    </figure>
  );
}
