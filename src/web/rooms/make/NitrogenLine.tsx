import { useId } from "react";
import type { Schemas } from "../../api/client";

/** Nitrogen of one pot week by week: given above the line, robbed under it, with the band of what sources say; what the crop has
 * taken as a dashed line. */
export function NitrogenLine({ outlook, name }: { outlook: Schemas["NitrogenOutlookAnswer"]; name: string }) {
  const id = useId();
  const weeks = outlook.weeks;
  const [w, h, l, r, t, b] = [420, 150, 8, 64, 10, 26];
  const all = weeks.flatMap((x) => [x.low, x.high, x.wanted ?? 0, 0]);
  const [low, high] = [Math.min(...all), Math.max(...all, 1e-9)];
  const x = (week: number) => l + ((w - l - r) * week) / Math.max(weeks.length - 1, 1);
  const y = (g: number) => t + ((h - t - b) * (high - g)) / (high - low || 1);
  const line = (of: (p: (typeof weeks)[number]) => number) =>
    weeks.map((p, i) => `${i ? "L" : "M"}${x(p.week).toFixed(1)} ${y(of(p)).toFixed(1)}`).join("");
  const band = `${line((p) => p.high)}${[...weeks]
    .reverse()
    .map((p) => `L${x(p.week).toFixed(1)} ${y(p.low).toFixed(1)}`)
    .join("")}Z`;
  const last = weeks.at(-1)!;
  const wanted = last.wanted !== null;
  // Two words at the end of the lines keep a line apart.
  const [gives, takes] = [y(last.g), y(last.wanted ?? 0)];
  const apart = wanted && Math.abs(gives - takes) < 18 ? (gives < takes ? -9 : 9) : 0;
  return (
    <svg viewBox={`0 0 ${w} ${h}`} className="block h-auto w-full max-w-lg" role="img" aria-labelledby={id}>
      <title id={id}>{`Nitrogen in ${name}, week by week. ${outlook.sentence}`}</title>
      <path d={band} className="fill-brew" opacity="0.7" />
      <path d={`M${l} ${y(0)}H${w - r}`} className="stroke-ash" strokeWidth="1" />
      <path d={line((p) => p.g)} fill="none" className="stroke-clay" strokeWidth="3" />
      {wanted && (
        <path
          d={line((p) => p.wanted ?? 0)}
          fill="none"
          className="stroke-moss"
          strokeWidth="2.5"
          strokeDasharray="7 5"
        />
      )}
      <text x={w - r + 6} y={gives + 5 + apart} fontSize="15" className="fill-clay">
        {last.g < 0 ? "robbed" : "given"}
      </text>
      {wanted && (
        <text x={w - r + 6} y={takes + 5 - apart} fontSize="15" className="fill-moss">
          wanted
        </text>
      )}
      {weeks
        .filter((p) => p.week % 4 === 0)
        .map((p) => (
          <text
            key={p.week}
            x={x(p.week)}
            y={h - 7}
            fontSize="14"
            textAnchor={p.week === 0 ? "start" : "middle"}
            className="figures fill-ash"
          >
            {p.week === 0 ? "week 0" : p.week}
          </text>
        ))}
    </svg>
  );
}
