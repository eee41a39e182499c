import { useId, useRef } from "react";
import type { Schemas } from "../../api/client";

type Layer = Schemas["MixLayer"];

/** How parts are told apart: by a drawing as well as by a word. Char is always lumps; the rest go by their place among the parts. */
const looks = ["waves", "dots", "crosses", "rings", "strokes", "grain"] as const;
const lookOf = (layer: { name: string; part: number }) =>
  layer.name.includes("char") ? "lumps" : looks[Math.max(layer.part, 0) % looks.length]!;

/** The patterns of the parts, once on a page. */
export function PartPatterns({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={`${id}-waves`} width="22" height="11" patternUnits="userSpaceOnUse">
        <path d="M0 6q5.5 -5 11 0t11 0" fill="none" className="stroke-clay" strokeWidth="1.1" />
      </pattern>
      <pattern id={`${id}-dots`} width="10" height="10" patternUnits="userSpaceOnUse">
        <circle cx="2.5" cy="2.5" r="1.3" className="fill-bag" />
        <circle cx="7.5" cy="7.5" r="1.3" className="fill-bag" />
      </pattern>
      <pattern id={`${id}-lumps`} width="20" height="16" patternUnits="userSpaceOnUse">
        <path d="M2 3l5 -1 1 4 -4 2zM12 9l5 -2 1 4 -4 2zM13 2l3 0 0 2 -3 1zM3 12l4 -1 0 3 -3 0z" className="fill-ink" />
      </pattern>
      <pattern id={`${id}-crosses`} width="14" height="14" patternUnits="userSpaceOnUse">
        <path d="M4 2V8M1 5H7" className="stroke-moss" strokeWidth="1.4" />
      </pattern>
      <pattern id={`${id}-rings`} width="16" height="16" patternUnits="userSpaceOnUse">
        <circle cx="8" cy="8" r="4" fill="none" className="stroke-river" strokeWidth="1.4" />
      </pattern>
      <pattern id={`${id}-strokes`} width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(55)">
        <path d="M0 0V8" className="stroke-straw" strokeWidth="1.8" />
      </pattern>
      <pattern id={`${id}-grain`} width="9" height="6" patternUnits="userSpaceOnUse">
        <path d="M1 3H5" className="stroke-plum" strokeWidth="1.6" />
      </pattern>
    </defs>
  );
}

const Width = 190;
const Tall = 240;
const Brim = 6;
const Foot = 26; // how much narrower the foot is, each side

interface PotProps {
  layers: readonly Layer[];
  /** Where a boundary between two parts is taken hold of: per cent to move from the lower to the upper. */
  onMove?: (lower: Layer, upper: Layer, percent: number) => void;
  name: string;
}

/** A pot cut open: its parts by share, from the bottom up in the order they stand in, the first on top. */
export function Pot({ layers, onMove, name }: PotProps) {
  const id = useId();
  const svg = useRef<SVGSVGElement>(null);
  const held = useRef<{ i: number; y: number; at: number } | null>(null);
  const room = Tall - 22 - Brim;
  const sum = layers.reduce((s, l) => s + l.share, 0) || 1;
  const tops = layers.map((_, i) => 22 + (room * layers.slice(0, i).reduce((s, l) => s + l.share, 0)) / sum);
  const ends = [...tops.slice(1), Tall - Brim];
  const side = (y: number) => 8 + (Foot * (y - 10)) / (Tall - 10);
  const perPercent = room / 100;
  const move = (i: number, percent: number) => percent !== 0 && onMove?.(layers[i + 1]!, layers[i]!, percent);
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${Width} ${Tall}`}
      className="block h-auto w-full max-w-48 touch-none"
      role={onMove ? "group" : "img"}
      aria-label={`${name}: ${layers.map((l) => `${l.percentShown} ${l.name}`).join(", ")}`}
      onPointerMove={(e) => {
        const h = held.current;
        if (!h || !svg.current) return;
        const scale = Tall / svg.current.getBoundingClientRect().height;
        const steps = Math.round(((e.clientY - h.y) * scale) / perPercent) - h.at;
        if (steps !== 0) {
          h.at += steps;
          move(h.i, steps);
        }
      }}
      onPointerUp={() => (held.current = null)}
      onPointerLeave={() => (held.current = null)}
    >
      <PartPatterns id={id} />
      <clipPath id={`${id}-in`}>
        <path
          d={`M${side(10)} 10L${side(Tall - Brim)} ${Tall - Brim}H${Width - side(Tall - Brim)}L${Width - side(10)} 10Z`}
        />
      </clipPath>
      <g clipPath={`url(#${id}-in)`}>
        {layers.map((l, i) => (
          <g key={l.name}>
            <rect x="0" y={tops[i]} width={Width} height={ends[i]! - tops[i]!} className="fill-paper" />
            <rect x="0" y={tops[i]} width={Width} height={ends[i]! - tops[i]!} fill={`url(#${id}-${lookOf(l)})`} />
            <path d={`M0 ${tops[i]}H${Width}`} className="stroke-ink" strokeWidth="1.6" />
          </g>
        ))}
      </g>
      {layers.map((l, i) => {
        const mid = (tops[i]! + ends[i]!) / 2;
        return ends[i]! - tops[i]! < 22 ? null : (
          <g key={l.name}>
            <rect x={Width / 2 - 34} y={mid - 12} width="68" height="24" rx="12" className="fill-paper" />
            <text
              x={Width / 2}
              y={mid + 6}
              textAnchor="middle"
              fontSize="17"
              fontWeight="700"
              className="figures fill-ink"
            >
              {l.percentShown}
            </text>
          </g>
        );
      })}
      <path
        d={`M2 8H${Width - 2}M${side(8)} 8L${side(Tall - Brim)} ${Tall - Brim}H${Width - side(Tall - Brim)}L${Width - side(8)} 8`}
        fill="none"
        className="stroke-ink"
        strokeWidth="4"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
      {onMove &&
        layers.slice(0, -1).map((l, i) => (
          <g
            key={l.name}
            role="slider"
            tabIndex={0}
            aria-label={`Between ${l.name} and ${layers[i + 1]!.name} in ${name}`}
            aria-valuenow={Math.round(l.share * 100)}
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuetext={`${l.percentShown} ${l.name}, ${layers[i + 1]!.percentShown} ${layers[i + 1]!.name}`}
            className="cursor-row-resize"
            onKeyDown={(e) => {
              const by =
                e.key === "ArrowUp"
                  ? -1
                  : e.key === "ArrowDown"
                    ? 1
                    : e.key === "PageUp"
                      ? -5
                      : e.key === "PageDown"
                        ? 5
                        : 0;
              if (by === 0) return;
              e.preventDefault();
              move(i, by);
            }}
            onPointerDown={(e) => {
              e.preventDefault();
              e.currentTarget.focus();
              svg.current?.setPointerCapture(e.pointerId);
              held.current = { i, y: e.clientY, at: 0 };
            }}
          >
            <rect x="0" y={ends[i]! - 14} width={Width} height="28" fill="transparent" />
            <path
              d={`M${Width / 2 - 14} ${ends[i]}h28M${Width / 2 - 8} ${ends[i]! - 4}h16M${Width / 2 - 8} ${ends[i]! + 4}h16`}
              className="stroke-clay"
              strokeWidth="2.2"
              strokeLinecap="round"
            />
          </g>
        ))}
    </svg>
  );
}

/** What each drawing means: the parts, once. */
export function PartsKey({ layers }: { layers: readonly Layer[] }) {
  const id = useId();
  const seen = layers.filter((l, i) => layers.findIndex((x) => x.name === l.name) === i);
  return (
    <ul className="flex flex-wrap gap-x-4 gap-y-1">
      {seen.map((l) => (
        <li key={l.name} className="flex items-center gap-2">
          <svg viewBox="0 0 34 34" className="h-7 w-7" aria-hidden>
            <PartPatterns id={id + l.part} />
            <rect x="1" y="1" width="32" height="32" rx="8" className="fill-paper" />
            <rect
              x="1"
              y="1"
              width="32"
              height="32"
              rx="8"
              fill={`url(#${id + l.part}-${lookOf(l)})`}
              className="stroke-ink"
              strokeWidth="1.6"
            />
          </svg>
          {l.name}
        </li>
      ))}
    </ul>
  );
}

/** The charge cut open: what is charged on top of what it lies in. */
export function ChargeDrawn({ charge }: { charge: Schemas["MixCharge"] }) {
  const id = useId();
  const top = 12 + 84 * charge.ofShare;
  return (
    <svg
      viewBox="0 0 150 106"
      className="block w-36 shrink-0"
      role="img"
      aria-label={`The charge: ${charge.ofShown} of ${charge.of} in ${charge.withShown} of ${charge.with}`}
    >
      <PartPatterns id={id} />
      <rect x="8" y="12" width="134" height={top - 12} className="fill-paper" />
      <rect x="8" y="12" width="134" height={top - 12} fill={`url(#${id}-lumps)`} />
      <rect x="8" y={top} width="134" height={96 - top} className="fill-paper" />
      <rect x="8" y={top} width="134" height={96 - top} fill={`url(#${id}-dots)`} />
      <path d={`M8 ${top}H142`} className="stroke-ink" strokeWidth="1.6" />
      <path
        d="M5 2V94Q5 100 12 100H138Q145 100 145 94V2"
        fill="none"
        className="stroke-ink"
        strokeWidth="4"
        strokeLinecap="round"
      />
    </svg>
  );
}
