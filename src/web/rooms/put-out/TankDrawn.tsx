import { useId } from "react";
import type { Schemas } from "../../api/client";
import type { Given, Job } from "./Tank";

interface Layer {
  name: string;
  shown: string;
  /** Of the full tank, 0 to 1. */
  share: number;
  kind: "water" | "brew" | "product";
}

const Top = 14;
const Floor = 176;
const Thin = 9; // what is a spoon in a tank is still to be seen

/** Heights of the layers: true to share, but nothing so thin that it can't be seen. */
function heights(layers: Layer[]) {
  const room = Floor - Top;
  const thin = layers.filter((l) => l.share * room < Thin).length * Thin;
  const wide = layers.filter((l) => l.share * room >= Thin).reduce((s, l) => s + l.share, 0);
  const full = Math.max(wide, 1e-9) * room + thin > room ? (room - thin) / (Math.max(wide, 1e-9) * room) : 1;
  return layers.map((l) => (l.share * room < Thin ? Thin : l.share * room * full));
}

/** What goes in as far as it is known: names alone while beds or bottles are still wanted. */
function layersOf(given: Given, job: Job, v: Schemas["TankView"] | undefined): Layer[] {
  const load = v?.job.loads[0];
  const shown = v?.loads[0];
  if (!v || !load || !shown) {
    const named: Layer[] = (job.items ?? []).map((i) => ({
      name: given.shelf.inputs.find((x) => x.id === i.inputId)?.name ?? "something from the shelf",
      shown: i.rate ?? "",
      share: 0,
      kind: "product",
    }));
    return given.batch ? [...named, { name: "brew", shown: job.brew ?? "", share: 0, kind: "brew" }] : named;
  }
  const tank = Math.max(load.mixL, ...v.job.loads.map((l) => l.mixL), 1e-9);
  return [
    { name: "water to the mark", shown: shown.waterShown, share: load.waterL / tank, kind: "water" },
    ...shown.products.map((p): Layer => ({ name: p.name, shown: p.shown, share: 0, kind: "product" })),
    ...(load.brewL > 0
      ? [{ name: "brew", shown: shown.brewShown, share: load.brewL / tank, kind: "brew" } satisfies Layer]
      : []),
  ];
}

/** The tank cut open as it fills, layer by layer, and beside it the fillings. */
export function TankDrawn({ given, job, view: v }: { given: Given; job: Job; view: Schemas["TankView"] | undefined }) {
  const hatch = useId();
  const layers = layersOf(given, job, v);
  const tall = v ? heights(layers) : layers.map(() => 26);
  const sprayer = given.sprayers.find((s) => s.id === job.sprayerId);
  const tops = tall.map((_, i) => Floor - tall.slice(0, i + 1).reduce((a, b) => a + b, 0));
  // Labels stand a line apart, however thin their layers are.
  const labels = tops.map((t, i) => t + tall[i]! / 2).reverse();
  labels.forEach((y, i) => {
    if (i > 0 && y < labels[i - 1]! + 36) labels[i] = labels[i - 1]! + 36;
  });
  const over = Math.max(0, (labels.at(-1) ?? 0) - (Floor - 4));
  const at = labels.map((y) => y - over).reverse();
  const loads = v?.job.loads ?? [];
  const most = Math.max(...loads.map((l) => l.mixL), 1e-9);
  const few = loads.slice(0, 12);
  const beds = job.bedIds?.length ?? 0;
  return (
    <figure className="m-0">
      <svg
        viewBox="0 0 700 196"
        className="block w-full"
        role="img"
        aria-label={
          v
            ? `The first filling: ${layers.map((l) => `${l.shown} of ${l.name}`).join(", ")}. ${loads.length} ${loads.length === 1 ? "filling" : "fillings"} in all.`
            : `A tank to be filled: ${layers.map((l) => l.name).join(", ") || "nothing in it yet"}.`
        }
      >
        <defs>
          <pattern id={hatch} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V6" className="stroke-bag" strokeWidth="3" />
          </pattern>
        </defs>
        {layers.map((l, i) => (
          <g key={l.name + i}>
            <rect
              x="26"
              y={tops[i]}
              width="190"
              height={tall[i]}
              className={l.kind === "water" ? "fill-shade" : l.kind === "brew" ? "fill-brew" : "fill-paper"}
              opacity={v ? 1 : 0.6}
            />
            {l.kind === "product" && <rect x="26" y={tops[i]} width="190" height={tall[i]} fill={`url(#${hatch})`} />}
            <path d={`M26 ${tops[i]}H216`} className="stroke-ink" strokeWidth="1" />
            <path
              d={`M216 ${tops[i]! + tall[i]! / 2}L238 ${at[i]}`}
              className="stroke-ash"
              strokeWidth="1"
              fill="none"
            />
            <text x="244" y={at[i]! - 2} fontSize="16" fontWeight="700" className="fill-ink">
              {l.name.length > 26 ? l.name.slice(0, 25) + "…" : l.name}
            </text>
            <text x="244" y={at[i]! + 15} fontSize="15" className="fill-ash figures">
              {l.shown}
            </text>
          </g>
        ))}
        <path
          d={`M22 ${Top - 8}V${Floor}Q22 ${Floor + 8} 30 ${Floor + 8}H212Q220 ${Floor + 8} 220 ${Floor}V${Top - 8}`}
          fill="none"
          className="stroke-ink"
          strokeWidth="4"
          strokeLinecap="round"
          strokeDasharray={v ? undefined : "8 6"}
        />
        <g>
          {few.map((l, i) => (
            <g key={i} transform={`translate(${470 + (i % 6) * 37} ${20 + Math.floor(i / 6) * 88})`}>
              <rect x="0" y={60 * (1 - l.mixL / most)} width="28" height={60 * (l.mixL / most)} className="fill-brew" />
              <path d="M0 0V60H28V0" fill="none" className="stroke-ink" strokeWidth="2" />
              <text x="14" y="76" fontSize="14" textAnchor="middle" className="fill-ink figures">
                {i + 1}
              </text>
            </g>
          ))}
          {v && v.job.loadCount > few.length && (
            <text x="470" y="190" fontSize="15" className="fill-ash figures">
              {v.job.loadCount} fillings in all
            </text>
          )}
          {!v && (
            <text x="470" y="60" fontSize="16" className="fill-ash">
              {layers.length === 0 ? "nothing in it yet" : beds === 0 ? "no beds yet" : ""}
            </text>
          )}
        </g>
      </svg>
      <figcaption className="text-ash">
        {sprayer
          ? sprayer.name.includes(sprayer.tankShown)
            ? sprayer.name
            : `${sprayer.name}, ${sprayer.tankShown}`
          : job.tank
            ? `A tank of ${job.tank}`
            : "A tank that is not said yet"}
        {v && `: ${v.mixShown} in ${v.job.loadCount} ${v.job.loadCount === 1 ? "filling" : "fillings"}`}
      </figcaption>
    </figure>
  );
}
