import { useId } from "react";

/** One curve of oxygen against hours. */
export interface Curve {
  name: string;
  points: { h: number; mgPerL: number }[];
  /** Readings are drawn as dots, joined by a thin line. */
  dots?: boolean;
}

interface Props {
  title: string;
  curves: Curve[];
  endH: number;
  /** Words for an hour on the axis; hours from the start when not given. */
  hour?: (h: number) => string;
  nowH?: number;
  useAtH?: number;
  /** Small: a panel among others, with fewer words. */
  small?: boolean;
}

// Told apart by stroke as well as colour: whole, dashed, dotted, dash-dot.
const strokes = [
  { colour: "stroke-river", fill: "fill-river", dash: undefined, width: 3.5 },
  { colour: "stroke-clay", fill: "fill-clay", dash: "11 6", width: 3 },
  { colour: "stroke-moss", fill: "fill-moss", dash: "2 6", width: 3.5 },
  { colour: "stroke-straw", fill: "fill-straw", dash: "14 5 2 5", width: 3 },
];

/**
 * Up to four curves of oxygen over each other, named where they end; a table stands behind. Drawing only: the figures come from
 * the server.
 */
export function Curves({ title, curves, endH, hour = (h) => `${h} h`, nowH, useAtH, small = false }: Props) {
  const id = useId();
  const [w, h, l, r, t, b] = small ? [300, 190, 30, 8, 14, 28] : [600, 330, 40, 14, 24, 40];
  const top = Math.max(10, ...curves.flatMap((c) => c.points.map((p) => Math.ceil(p.mgPerL))));
  const x = (at: number) => l + (Math.min(at, endH) / endH) * (w - l - r);
  const y = (mg: number) => h - b - (mg / top) * (h - t - b);
  const path = (points: Curve["points"]) =>
    points
      .filter((p) => p.h <= endH)
      .map((p, i) => `${i ? "L" : "M"}${x(p.h).toFixed(1)} ${y(p.mgPerL).toFixed(1)}`)
      .join("");
  const step = endH > 60 ? 24 : endH > 30 ? 12 : 6;
  const ticks = Array.from({ length: Math.floor(endH / step) + 1 }, (_, i) => i * step);
  const size = small ? 13 : 16;
  const hoursInTable = Array.from({ length: Math.floor(endH / 4) + 1 }, (_, i) => i * 4);
  return (
    <figure className="m-0">
      <svg viewBox={`0 0 ${w} ${h}`} className="h-auto w-full" role="img" aria-labelledby={id + "t"}>
        <title id={id + "t"}>{title}. The figures stand in the table below.</title>
        <defs>
          <pattern id={id + "no"} width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V9" className="stroke-plum" strokeWidth="1.3" opacity="0.5" />
          </pattern>
        </defs>
        <rect x={l} y={y(6)} width={w - l - r} height={y(0) - y(6)} fill={`url(#${id}no)`} />
        <path d={`M${l} ${y(6)}H${w - r}`} className="stroke-plum" strokeWidth="1.6" />
        {!small && (
          <text x={l} y={15} fontSize={size} className="fill-ink halo">
            oxygen, mg/L
          </text>
        )}
        {(small ? [0, 6, 10] : [0, 2, 4, 6, 8, 10]).map((mg) => (
          <text key={mg} x={l - 6} y={y(mg) + 5} textAnchor="end" fontSize={size} className="fill-ink figures halo">
            {mg}
          </text>
        ))}
        {ticks.map((at) => (
          <g key={at}>
            <path d={`M${x(at)} ${y(0)}v5`} className="stroke-ink" />
            <text
              x={x(at)}
              y={h - (small ? 8 : 16)}
              textAnchor={at === 0 ? "start" : x(at) > w - 40 ? "end" : "middle"}
              fontSize={size}
              className="fill-ink figures halo"
            >
              {hour(at)}
            </text>
          </g>
        ))}
        {useAtH !== undefined && useAtH <= endH && (
          <path d={`M${x(useAtH)} ${t}V${y(0)}`} className="stroke-moss" strokeWidth="2" strokeDasharray="3 4" />
        )}
        {nowH !== undefined && nowH > 0 && nowH <= endH && (
          <g>
            <path d={`M${x(nowH)} ${t}V${y(0)}`} className="stroke-clay" strokeWidth="2" />
            <text x={x(nowH) + 5} y={t + 10} fontSize={size} fontWeight="700" className="fill-clay halo">
              now
            </text>
          </g>
        )}
        {curves.map((c, i) => {
          const s = strokes[i % 4]!;
          return (
            <g key={c.name + i}>
              <path
                d={path(c.points)}
                fill="none"
                className={s.colour}
                strokeWidth={c.dots ? 1.5 : small ? 2.5 : s.width}
                strokeDasharray={small ? undefined : s.dash}
              />
              {c.dots &&
                c.points.map((p, k) => (
                  <circle
                    key={k}
                    cx={x(p.h)}
                    cy={y(p.mgPerL)}
                    r="4"
                    className={`fill-paper ${s.colour}`}
                    strokeWidth="2"
                  />
                ))}
            </g>
          );
        })}
      </svg>
      {!small && curves.length > 1 && (
        <ul className="flex flex-wrap gap-x-5 gap-y-1" aria-hidden>
          {curves.map((c, i) => (
            <li key={c.name + i} className="flex items-center gap-2">
              <svg viewBox="0 0 44 8" className="h-2 w-11">
                <path
                  d="M0 4H44"
                  className={strokes[i % 4]!.colour}
                  strokeWidth={strokes[i % 4]!.width}
                  strokeDasharray={strokes[i % 4]!.dash}
                />
              </svg>
              <b>{c.name}</b>
            </li>
          ))}
        </ul>
      )}
      <div className="sr-only">
        <table>
          <caption>{title}, oxygen in mg/L</caption>
          <thead>
            <tr>
              <th>hour</th>
              {curves.map((c, i) => (
                <th key={i}>{c.name}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {hoursInTable.map((at) => (
              <tr key={at}>
                <td>{hour(at)}</td>
                {curves.map((c, i) => {
                  const near = c.points
                    .filter((p) => Math.abs(p.h - at) <= 1)
                    .sort((a, z) => Math.abs(a.h - at) - Math.abs(z.h - at))[0];
                  return <td key={i}>{near ? near.mgPerL.toFixed(1) : ""}</td>;
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </figure>
  );
}
