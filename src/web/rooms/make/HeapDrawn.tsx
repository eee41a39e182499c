import { useId } from "react";
import type { Schemas } from "../../api/client";
import { useWidth } from "../../parts/mapView";
import { PartPatterns } from "./Pots";

const looks = ["crosses", "dots", "waves", "strokes", "rings", "grain"] as const;

/** A heap cut open: what it is built of, by volume, from the foot up. Its names stand beside it, a line apart. */
export function HeapDrawn({ layers, name }: { layers: readonly Schemas["HeapLayer"][]; name: string }) {
  const id = useId();
  const [width, ref] = useWidth();
  const narrow = width < 500; // then the names stand under it, as large as everywhere
  const [foot, top] = [226, 24];
  const tall = foot - top;
  // A heap is wider at its foot: the same volume stands lower there than on top.
  const height = (share: number) => 1 - Math.sqrt(Math.max(0, 1 - share));
  const sums = layers.map((_, i) => layers.slice(0, i).reduce((s, l) => s + l.share, 0));
  const y = (share: number) => foot - tall * Math.min(1, height(share));
  const at = layers.map((l, i) => (y(sums[i]!) + y(sums[i]! + l.share)) / 2);
  const words: number[] = [];
  at.forEach((want, i) => words.push(i === 0 ? Math.min(want, foot - 10) : Math.min(want, words[i - 1]! - 42)));
  return (
    <div ref={ref}>
      <svg viewBox={`0 0 ${narrow ? 362 : 620} 240`} className="block h-auto w-full" role="img" aria-labelledby={id}>
        <title id={id}>{`${name}: ${layers.map((l) => `${l.litresShown} of ${l.name}`).join(", ")}`}</title>
        <PartPatterns id={id} />
        <clipPath id={`${id}-in`}>
          <path d={`M10 ${foot}Q90 ${top} 180 ${top}Q270 ${top} 350 ${foot}Z`} />
        </clipPath>
        <g clipPath={`url(#${id}-in)`}>
          {layers.map((l, i) => (
            <g key={l.name + i}>
              <rect
                x="0"
                y={y(sums[i]! + l.share)}
                width="360"
                height={y(sums[i]!) - y(sums[i]! + l.share)}
                className="fill-paper"
              />
              <rect
                x="0"
                y={y(sums[i]! + l.share)}
                width="360"
                height={y(sums[i]!) - y(sums[i]! + l.share)}
                fill={`url(#${id}-${looks[l.place % looks.length]})`}
              />
              <path d={`M0 ${y(sums[i]!)}H360`} className="stroke-ink" strokeWidth="1.6" />
            </g>
          ))}
        </g>
        <path
          d={`M10 ${foot}Q90 ${top} 180 ${top}Q270 ${top} 350 ${foot}`}
          fill="none"
          className="stroke-ink"
          strokeWidth="4"
          strokeLinecap="round"
        />
        <path d={`M0 ${foot}H362`} className="stroke-ink" strokeWidth="3" />
        {!narrow &&
          layers.map((l, i) => (
            <g key={l.name + i}>
              <path
                d={`M${180 + 165 * ((at[i]! - top) / tall)} ${at[i]}L392 ${words[i]! - 6}`}
                fill="none"
                className="stroke-ash"
                strokeWidth="1.2"
              />
              <text x="398" y={words[i]! - 4} fontSize="17" fontWeight="700" className="fill-ink">
                {l.name.length > 24 ? l.name.slice(0, 23) + "…" : l.name}
              </text>
              <text
                x="398"
                y={words[i]! + 14}
                fontSize="16"
                className={`figures ${l.solved ? "fill-moss" : "fill-ash"}`}
              >
                {l.litresShown}, {l.kgShown}
                {l.solved && ", solved"}
              </text>
            </g>
          ))}
      </svg>
      {narrow && (
        <ul className="figures mt-1">
          {[...layers].reverse().map((l) => (
            <li key={l.name}>
              <b>{l.name}</b> {l.litresShown}, {l.kgShown}
              {l.solved && <span className="text-moss">, solved</span>}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** The core through the days: readings, the line at 55 °C with what lies above it hatched, turnings as marks at the foot. */
export function HeapCurve({ heap }: { heap: Schemas["HeapView"] }) {
  const id = useId();
  const [width, ref] = useWidth();
  const reads = heap.readings;
  if (reads.length === 0)
    return <p className="text-ash">Nothing was measured yet: the curve begins with the first reading.</p>;
  const [w, h, l, r, t, b] = [width, 230, 24, 62, 14, 30];
  const end = Math.max(10, ...reads.map((p) => p.day), ...heap.turned);
  const [low, high] = [0, 75];
  const x = (day: number) => l + ((w - l - r) * day) / end;
  const y = (c: number) => t + ((h - t - b) * (high - Math.min(Math.max(c, low), high))) / (high - low);
  const step = (end > 120 ? 30 : end > 40 ? 10 : end > 16 ? 4 : 2) * (w < 500 ? 2 : 1);
  const ticks = Array.from({ length: Math.floor(end / step) + 1 }, (_, i) => i * step);
  const last = reads.at(-1)!;
  return (
    <div ref={ref}>
      <svg viewBox={`0 0 ${w} ${h}`} width={w} height={h} className="block max-w-full" role="img" aria-labelledby={id}>
        <title id={id}>{`The core of ${heap.name} through its days; last ${last.shown}. ${heap.codeSays}.`}</title>
        <defs>
          <pattern id={`${id}-hot`} width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V9" className="stroke-clay" strokeWidth="1.2" opacity="0.45" />
          </pattern>
        </defs>
        <rect x={l} y={t} width={w - l - r} height={y(55) - t} fill={`url(#${id}-hot)`} />
        <path d={`M${l} ${y(55)}H${w - r}`} className="stroke-clay" strokeWidth="1.6" strokeDasharray="6 4" />
        <text x={w - r + 6} y={y(55) + 5} fontSize="15" className="figures fill-clay">
          {heap.hotShown}
        </text>
        <path
          d={reads.map((p, i) => `${i ? "L" : "M"}${x(p.day).toFixed(1)} ${y(p.celsius).toFixed(1)}`).join("")}
          fill="none"
          className="stroke-ink"
          strokeWidth="2.5"
        />
        {reads.map((p, i) => (
          <circle key={i} cx={x(p.day)} cy={y(p.celsius)} r={reads.length > 60 ? 2 : 4} className="fill-ink" />
        ))}
        <text
          x={x(last.day) + 8}
          y={y(last.celsius) - 8}
          fontSize="16"
          fontWeight="700"
          className="halo figures fill-ink"
        >
          {last.shown}
        </text>
        <path d={`M${l} ${h - b}H${w - r}`} className="stroke-ink" strokeWidth="1.6" />
        {heap.turned.map((d, i) => (
          <path
            key={i}
            d={`M${x(d) - 7} ${h - b - 4}a7 7 0 1 1 12 0m0 0l1 -6m-1 6l-6 -1`}
            fill="none"
            className="stroke-river"
            strokeWidth="2"
          />
        ))}
        {ticks.map((d) => (
          <text key={d} x={x(d)} y={h - 8} fontSize="15" textAnchor="middle" className="figures fill-ash">
            {d === 0 ? "day 0" : d}
          </text>
        ))}
        {heap.turned.length > 0 && (
          <text x={w - r + 6} y={h - b - 2} fontSize="15" className="fill-river">
            turned
          </text>
        )}
      </svg>
    </div>
  );
}
