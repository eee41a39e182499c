import { useId } from "react";
import type { Schemas } from "../../api/client";
import { Fills, fill } from "./fills";

interface Props {
  trial: Pick<Schemas["DraftView"], "kind" | "places" | "treatments">;
  plots: Schemas["PlotView"][];
  /** What stands in each plot; its code where nothing else does. */
  shown?: (plot: Schemas["PlotView"]) => string;
}

const width = 640;
const left = 128;

/** The layout as it lies: lengths to scale, each place a row of its own (pots as they stand on the bench). */
export function TrialMap({ trial, plots, shown }: Props) {
  const id = useId().replaceAll(":", "");
  const grid = trial.kind === "pots";
  const longest = Math.max(...trial.places.map((p) => p.lengthM));
  const scale = (width - left - 10) / longest;
  const tall = (p: Schemas["PlaceView"]) =>
    trial.kind === "strips"
      ? Math.min(360, Math.max(120, p.widthM * scale))
      : grid
        ? Math.max(p.widthM * scale, 46 * new Set(plots.map((x) => x.y.toFixed(3))).size)
        : Math.max(46, p.widthM * scale);
  const tops = trial.places.map((_, i) => trial.places.slice(0, i).reduce((sum, q) => sum + tall(q) + 16, 4));
  const rows = trial.places.map((p, i) => ({ place: p, y: tops[i]!, h: tall(p) }));
  const height = rows.length > 0 ? rows.at(-1)!.y + rows.at(-1)!.h + 44 : 60;
  const order = (p: Schemas["PlotView"]) => trial.treatments.findIndex((t) => t.id === p.treatmentId);
  if (trial.places.length === 0) {
    return (
      <figure>
        <svg width="0" height="0" aria-hidden>
          <Fills id={id} />
        </svg>
        <p>How it lay is not known here: it was brought from a file.</p>
        <Legend trial={trial} plots={plots} id={id} />
      </figure>
    );
  }

  return (
    <figure>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className="h-auto w-full"
        role="img"
        aria-label={`Layout: ${plots.map((p) => `${p.place} plot ${p.number}: ${p.treatment ?? "code " + p.code}`).join("; ")}`}
      >
        <Fills id={id} />
        {rows.map(({ place, y, h }) => (
          <g key={place.name}>
            <text x="0" y={y + Math.min(h / 2, 40) + 5} fontSize="16" fontWeight="700" className="fill-ink">
              {place.name}
            </text>
            {plots
              .filter((p) => p.place === place.name)
              .map((p) => {
                const [x, w] = [left + p.x * scale, p.length * scale];
                const [top, deep] = [y + (p.y / place.widthM) * h, (p.width / place.widthM) * h];
                const text = shown?.(p) ?? p.code;
                return (
                  <g key={p.id}>
                    <rect
                      x={x + 2}
                      y={top + 2}
                      width={Math.max(4, w - 4)}
                      height={Math.max(4, deep - 4)}
                      rx={grid ? Math.min(w, deep) / 3 : 8}
                      className="stroke-ink"
                      strokeWidth="1.5"
                      fill={order(p) < 0 ? "var(--color-shade)" : fill(id, order(p))}
                    />
                    <rect
                      x={x + w / 2 - 5 - text.length * 4.6}
                      y={top + deep / 2 - 12}
                      width={10 + text.length * 9.2}
                      height="24"
                      rx="11"
                      className="fill-paper"
                    />
                    <text
                      x={x + w / 2}
                      y={top + deep / 2 + 5}
                      textAnchor="middle"
                      fontSize="15"
                      fontWeight="700"
                      className="fill-ink figures"
                    >
                      {text}
                    </text>
                  </g>
                );
              })}
          </g>
        ))}
        <g className="stroke-ash">
          <path d={`M${left} ${height - 28}H${left + longest * scale}`} strokeWidth="1.5" />
          <path
            d={`M${left} ${height - 33}v10M${left + longest * scale} ${height - 33}v10`}
            strokeWidth="1.5"
            fill="none"
          />
        </g>
        <text x={left + (longest * scale) / 2} y={height - 8} textAnchor="middle" fontSize="15" className="fill-ash">
          {trial.places[0]?.lengthShown} long, {trial.places[0]?.widthShown} wide; lengths to scale
        </text>
      </svg>
      <Legend trial={trial} plots={plots} id={id} />
    </figure>
  );
}

/** Which hatch is which treatment; nothing while the codes are shut. */
function Legend({ trial, plots, id }: { trial: Props["trial"]; plots: Schemas["PlotView"][]; id: string }) {
  if (!plots.some((p) => p.treatmentId !== null)) return null;
  return (
    <figcaption className="mt-1 flex flex-wrap gap-x-6 gap-y-1">
      {trial.treatments.map((t, i) => (
        <span key={t.id} className="flex items-center gap-2">
          <svg width="38" height="24" aria-hidden>
            <rect x="1" y="1" width="36" height="22" rx="6" className="stroke-ink" fill={fill(id, i)} />
          </svg>
          {t.name}
        </span>
      ))}
    </figcaption>
  );
}
