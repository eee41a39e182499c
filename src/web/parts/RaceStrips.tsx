import { useId } from "react";
import type { Schemas } from "../api/client";

const W = 700;
const Left = 84;
const Row = 40;

/** The clock against the oxygen, filling by filling: draw, way, putting out, and where each would be flat. */
export function RaceStrips({ race }: { race: Schemas["RaceView"] }) {
  const hatch = useId();
  const end =
    Math.max(race.doneAtMin, ...race.strips.map((s) => Math.min(s.flatAtMin, race.doneAtMin * 1.25))) * 1.04 || 1;
  const x = (min: number) => Left + (Math.min(min, end) / end) * (W - Left - 8);
  const every = [1, 2, 5, 10, 15, 30, 60, 120, 240, 480, 960].find((m) => end / m <= 8) ?? 1440;
  const air = race.lastDrawnAtMin;
  const first = air === null ? 0 : Row;
  const H = first + race.strips.length * Row + 34;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="block w-full"
      role="img"
      aria-label={`${race.verdict.sentence} ${race.rows.map((r) => `Filling ${r.filling}: ${r.withoutAir} without air, ${r.withinGrace ? "in time" : "flat"}`).join(". ")}.`}
    >
      <defs>
        <pattern id={hatch} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V7" className="stroke-plum" strokeWidth="2" />
        </pattern>
      </defs>
      {air !== null && (
        <g>
          <text x={Left - 10} y="24" textAnchor="end" fontSize="15" fontWeight="700" className="fill-ink">
            vessel
          </text>
          <rect
            x={x(0)}
            y="8"
            width={Math.max(x(air) - x(0), 3)}
            height="24"
            rx="4"
            className="fill-shade stroke-river"
          />
          <text x={Math.min(x(0) + 8, W - 220)} y="25" fontSize="14" className="fill-ink halo">
            air stays on until the last draw
          </text>
        </g>
      )}
      {race.strips.map((s, i) => {
        const y = first + i * Row;
        const skipped = i > 0 && s.filling - race.strips[i - 1]!.filling > 1;
        return (
          <g key={s.filling}>
            <text x={Left - 10} y={y + 24} textAnchor="end" fontSize="15" fontWeight="700" className="fill-ink">
              {skipped ? "… " : "filling "}
              {s.filling}
            </text>
            <rect
              x={x(s.drawFromMin)}
              y={y + 8}
              width={Math.max(x(s.drawnAtMin) - x(s.drawFromMin), 2)}
              height="22"
              rx="3"
              className="fill-brew stroke-ink"
            />
            <path
              d={`M${x(s.drawnAtMin)} ${y + 19}H${x(s.sprayFromMin)}`}
              className="stroke-ink"
              strokeWidth="2"
              strokeDasharray="3 4"
            />
            <rect
              x={x(s.sprayFromMin)}
              y={y + 8}
              width={Math.max(x(s.outByMin) - x(s.sprayFromMin), 2)}
              height="22"
              rx="3"
              className="fill-moss stroke-ink"
            />
            {!s.withinGrace && (
              <rect
                x={x(s.flatAtMin)}
                y={y + 8}
                width={Math.max(x(s.outByMin) - x(s.flatAtMin), 2)}
                height="22"
                fill={`url(#${hatch})`}
                className="stroke-plum"
              />
            )}
            <path
              d={`M${x(s.airLostAtMin)} ${y + 34}H${x(s.flatAtMin)}${s.flatAtMin <= end ? "v-6v12" : ""}`}
              fill="none"
              className="stroke-plum"
              strokeWidth="2"
            />
            {s.flatAtMin <= end && (
              <text
                x={x(s.flatAtMin) + (x(s.flatAtMin) > W - 60 ? -6 : 6)}
                y={y + 39}
                textAnchor={x(s.flatAtMin) > W - 60 ? "end" : "start"}
                fontSize="13"
                fontWeight="700"
                className="fill-plum halo"
              >
                flat
              </text>
            )}
          </g>
        );
      })}
      {Array.from({ length: Math.floor(end / every) + 1 }, (_, i) => i * every).map((m) => (
        <text
          key={m}
          x={x(m)}
          y={H - 6}
          textAnchor={m === 0 ? "start" : "middle"}
          fontSize="14"
          className="fill-ash figures"
        >
          {m < 60 || every < 60 ? `${m} min` : `${m / 60} h`}
        </text>
      ))}
    </svg>
  );
}

/** The same race, were it run otherwise. */
export function Otherwise({ race }: { race: Schemas["RaceView"] }) {
  if (race.otherwise.length === 0) return null;
  return (
    <section>
      <h2 className="text-xl">If it were otherwise</h2>
      <ul className="figures">
        {race.otherwise.map((o) => (
          <li key={o.what} className="flex flex-wrap justify-between gap-x-4 border-t border-line py-1.5">
            <b>{o.what}</b>
            <span className={o.won ? "text-moss" : "text-plum"}>
              {o.won ? "✓" : "✕"} {o.says}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
