import type { Schemas } from "../../api/client";
import { useClock } from "../../parts/clock";

const [W, H, left, top] = [300, 400, 34, 30];

/** The rod's line by depth: the newest, the one it is held against, and the wheelings. */
export function RodDrawn({ rods, deep }: { rods: readonly Schemas["RodLine"][]; deep: number }) {
  const clock = useClock();
  const [now, then] = rods;
  const most = Math.max(3, ...rods.flatMap((r) => [...r.depths, ...r.wheelings].map((d) => d.upper))) * 1.05;
  const x = (v: number) => left + (v / most) * (W - left - 12);
  const y = (cm: number) => top + (cm / deep) * (H - top - 10);
  const line = (d: readonly Schemas["RodDepth"][]) => d.map((p) => `${x(p.mpa)},${y(p.cm)}`).join(" ");
  const end = (d: readonly Schemas["RodDepth"][]) => d.at(-1)!;
  const far = now!.depths.reduce((a, b) => (b.mpa > a.mpa ? b : a));
  const year = (r: Schemas["RodLine"]) => clock.date(r.at).slice(-8);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="h-[24rem] w-full"
      role="img"
      aria-label={`The rod: ${now!.depths.map((d) => `${d.mpa.toFixed(1)} MPa at ${d.cm} cm`).join(", ")}`}
    >
      <text x={left} y="12" fontSize="14" fontWeight="700" className="fill-ink">
        rod, MPa
      </text>
      <rect x={x(2)} y={top} width={W - 12 - x(2)} height={H - top - 10} className="fill-plum" fillOpacity="0.1" />
      {[0, 1, 2, 3].map((t) => (
        <g key={t}>
          <path d={`M${x(t)} ${top}V${H - 10}`} className="stroke-line" />
          <text x={x(t)} y={top - 4} textAnchor="middle" fontSize="14" className="fill-ash">
            {t}
          </text>
        </g>
      ))}
      {[0, 10, 20, 30, 40].map((cm) => (
        <text key={cm} x={left - 8} y={y(cm) + 5} textAnchor="end" fontSize="14" className="fill-ash">
          {cm}
        </text>
      ))}
      <text x={W - 14} y={H - 16} textAnchor="end" fontSize="14" className="fill-plum">
        roots stop
      </text>
      {then && (
        <>
          <polyline
            points={line(then.depths)}
            className="fill-none stroke-ash"
            strokeWidth="2.5"
            strokeDasharray="5 5"
          />
          <text x={x(end(then.depths).mpa) + 6} y={y(end(then.depths).cm) - 26} fontSize="14" className="fill-ash halo">
            {year(then)}
          </text>
        </>
      )}
      {now!.wheelings.length > 0 && (
        <>
          <polyline
            points={line(now!.wheelings)}
            className="fill-none stroke-straw"
            strokeWidth="2"
            strokeDasharray="2 4"
          />
          <text x={x(now!.wheelings[1]?.mpa ?? 0) + 8} y={y(8)} fontSize="14" className="fill-straw halo">
            wheelings
          </text>
        </>
      )}
      {now!.depths.map((d) => (
        <path key={d.cm} d={`M${x(d.lower)} ${y(d.cm)}H${x(d.upper)}`} className="stroke-clay" strokeWidth="1" />
      ))}
      <polyline points={line(now!.depths)} className="fill-none stroke-clay" strokeWidth="3.5" />
      <text
        x={x(far.mpa) - 8}
        y={y(far.cm) + 5}
        textAnchor="end"
        fontSize="15"
        fontWeight="700"
        className="fill-clay halo"
      >
        {far.mpa.toFixed(1)}
      </text>
    </svg>
  );
}
