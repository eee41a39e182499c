import { useId } from "react";
import type { Schemas } from "../../api/client";

interface Props {
  layers: readonly Schemas["LayerAsked"][];
  /** The lowest depth that is drawn, cm. */
  deep: number;
  held?: number;
  onHold?: (i: number) => void;
  /** Roots that go down, and how many of them turn aside at a depth; worms a block. */
  roots?: { plants: number; turned: number; atCm: number | null } | null;
  worms?: number | null;
  label?: string;
}

const W = 136;
const H = 352;
const shades = [0.95, 0.8, 0.62, 0.46, 0.34, 0.3, 0.26, 0.22];

/** What a score looks like: loose dots, small blocks, plates. */
function Grain({ id, score }: { id: string; score: number }) {
  const d =
    score <= 1
      ? "M4 4h.1M14 10h.1M8 16h.1M18 2h.1"
      : score <= 2
        ? "M2 5q4 -4 8 0M12 14q4 -4 8 0"
        : score <= 3
          ? "M1 6h8v8h-8zM13 1h7v7h-7z"
          : "M0 4h16M6 11h16M0 18h16";
  return (
    <pattern id={id} width="22" height="22" patternUnits="userSpaceOnUse">
      <path
        d={d}
        className="fill-none stroke-paper"
        strokeWidth={score <= 1 ? 3 : 1.4}
        strokeLinecap="round"
        opacity=".75"
      />
    </pattern>
  );
}

const wave = (x: number, from: number, to: number) => {
  const n = Math.max(2, Math.round((to - from) / 22));
  const step = (to - from) / n;
  return Array.from({ length: n }, (_, i) => `q${i % 2 ? -5 : 5} ${step / 2} 0 ${step}`).reduce(
    (d, s) => d + s,
    `M${x} ${from}`,
  );
};

/** The pit as dug: layers from the top, each by its score; roots and worms in it where they were counted. */
export function ProfileDrawn({ layers, deep, held, onHold, roots, worms, label }: Props) {
  const id = useId();
  const y = (cm: number) => 8 + (Math.min(cm, deep) / deep) * (H - 16);
  const count = Math.min(roots?.plants ?? 0, 12);
  const aside = roots ? Math.round((roots.turned / Math.max(1, roots.plants)) * count) : 0;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      preserveAspectRatio="none"
      className="h-full w-full"
      role={onHold ? "group" : "img"}
      aria-label={label ?? "The pit: touch a layer"}
    >
      {layers.map((l, i) => {
        const [from, to] = [y(i === 0 ? 0 : (layers[i - 1]!.toCm ?? 0)), y(l.toCm ?? 0)];
        return (
          <g
            key={i}
            {...(onHold && {
              role: "button",
              tabIndex: 0,
              "aria-pressed": held === i,
              "aria-label": `layer ${i + 1}, to ${l.toCm} cm${l.score ? `, structure ${l.score}` : ""}`,
              onClick: () => onHold(i),
              onKeyDown: (e: React.KeyboardEvent) => {
                if (e.key !== "Enter" && e.key !== " ") return;
                e.preventDefault();
                onHold(i);
              },
              className: "cursor-pointer",
            })}
          >
            <rect
              x="4"
              y={from}
              width={W - 8}
              height={Math.max(0, to - from)}
              className="fill-bag"
              fillOpacity={shades[i] ?? 0.2}
            />
            {l.score && (
              <>
                <defs>
                  <Grain id={`${id}-${i}`} score={l.score} />
                </defs>
                <rect x="4" y={from} width={W - 8} height={Math.max(0, to - from)} fill={`url(#${id}-${i})`} />
              </>
            )}
            {l.mottled && (
              <path
                d={`M18 ${(from + to) / 2}h12M60 ${(from + to) / 2 + 6}h9M96 ${(from + to) / 2 - 4}h14`}
                className="stroke-clay"
                strokeWidth="4"
                strokeLinecap="round"
              />
            )}
            {l.threads && (
              <path
                d={`M12 ${from + 6}l14 8 10 -6 12 9M70 ${from + 5}l12 7 14 -5 8 8`}
                className="fill-none stroke-paper"
                strokeWidth="1.2"
              />
            )}
            <rect
              x="4"
              y={from}
              width={W - 8}
              height={Math.max(0, to - from)}
              className={`fill-none ${held === i ? "stroke-clay" : "stroke-ink"}`}
              strokeWidth={held === i ? 4 : 1.2}
            />
          </g>
        );
      })}
      <path
        d={`M4 8${" q6 -7 12 0".repeat(Math.floor((W - 8) / 12))}`}
        className="fill-none stroke-moss"
        strokeWidth="3"
        aria-hidden
      />
      {Array.from({ length: count }, (_, i) => {
        const x = 14 + (i * (W - 28)) / Math.max(1, count - 1);
        const turns = i % Math.max(1, Math.round(count / Math.max(1, aside))) === 0 && aside > 0;
        const end = turns ? y(roots?.atCm ?? deep / 2) : y(deep * (0.62 + ((i * 7) % 5) * 0.06));
        return (
          <path
            key={i}
            d={wave(x, 8, end) + (turns ? ` q2 3 ${x < W / 2 ? 12 : -12} 2` : "")}
            className="fill-none stroke-paper"
            strokeWidth="1.8"
            aria-hidden
          />
        );
      })}
      {Array.from({ length: Math.min(12, Math.round(worms ?? 0)) }, (_, i) => (
        <path
          key={`w${i}`}
          d={`M${16 + ((i * 37) % (W - 44))} ${26 + ((i * 61) % (H * 0.55))}q5 -6 10 0t10 0`}
          className="fill-none stroke-slip"
          strokeWidth="4.5"
          strokeLinecap="round"
          aria-hidden
        />
      ))}
    </svg>
  );
}
