import { type KeyboardEvent, useState } from "react";
import { Button } from "../../../parts/Button";
import { Choice } from "../../../parts/Choice";
import { at, type ToolProps } from "./asked";

const depths = [5, 10, 15, 20, 25, 30, 35, 40, 45];
const [left, top, wide, row] = [52, 26, 296, 38];

/** The rod: a push is tapped depth by depth on its own line; pushes before it stay to be seen. */
export function RodTool({ asked, set }: ToolProps) {
  const [on, turn] = useState<"pushes" | "wheelings">("pushes");
  const wheeled = asked.wheelings?.length ?? 0;
  const all = asked[on] ?? [];
  const push = all.at(-1) ?? [];
  const [most, step] = asked.psi ? [600, 10] : [4, 0.1];
  const put = (i: number, value: number | null) => {
    const now = Array.from({ length: Math.max(push.length, i + 1) }, (_, j) => push[j] ?? null);
    set({ [on]: [...all.slice(0, -1), at(now, i, value)] });
  };
  const near = (value: number) => Math.round(Math.min(most, Math.max(0, value)) / step) * step;
  const tidy = (value: number) => Number(near(value).toFixed(2));
  const x = (v: number) => left + (v / most) * wide;
  const line = (p: readonly (number | null)[]) =>
    p.flatMap((v, i) => (v === null ? [] : [`${x(v)},${top + i * row + row / 2}`])).join(" ");
  const keys = (e: KeyboardEvent, i: number) => {
    const by = { ArrowRight: step, ArrowLeft: -step, PageUp: step * 5, PageDown: -step * 5 }[e.key];
    if (by !== undefined) put(i, tidy((push[i] ?? 0) + by));
    else if (e.key === "Delete" || e.key === "Backspace") put(i, null);
    else return;
    e.preventDefault();
  };
  const stop = asked.psi ? 300 : 2;
  const ticks = asked.psi ? [0, 150, 300, 450, 600] : [0, 1, 2, 3, 4];
  return (
    <>
      <div className="flex flex-wrap gap-x-6">
        <Choice
          label="Where"
          value={on}
          options={[
            { value: "pushes", name: "in the ground" },
            { value: "wheelings", name: "in the wheelings" },
          ]}
          onChange={(v) => turn(v as typeof on)}
        />
        <Choice
          label="The gauge says"
          value={asked.psi ? "psi" : "mpa"}
          options={[
            { value: "mpa", name: "MPa" },
            { value: "psi", name: "psi" },
          ]}
          onChange={(v) => set({ psi: v === "psi", pushes: null, wheelings: null })}
        />
      </div>
      <svg
        viewBox={`0 0 360 ${top + depths.length * row + 8}`}
        className="mt-2 block w-full max-w-md touch-pan-y select-none"
        role="group"
        aria-label={`Push ${Math.max(1, all.length)}: tap where the gauge stood at each depth`}
      >
        <rect
          x={x(stop)}
          y={top}
          width={x(most) - x(stop)}
          height={depths.length * row}
          className="fill-plum"
          fillOpacity="0.1"
        />
        {ticks.map((t) => (
          <g key={t} aria-hidden>
            <path d={`M${x(t)} ${top}V${top + depths.length * row}`} className="stroke-line" />
            <text x={x(t)} y={top - 8} textAnchor="middle" fontSize="14" className="fill-ash">
              {t}
            </text>
          </g>
        ))}
        <text x={x(most) - 4} y={top + 16} textAnchor="end" fontSize="14" className="fill-plum" aria-hidden>
          most roots stop
        </text>
        {all.slice(0, -1).map((p, i) => (
          <polyline key={i} points={line(p)} className="fill-none stroke-line" strokeWidth="2" />
        ))}
        <polyline points={line(push)} className="fill-none stroke-clay" strokeWidth="3.5" />
        {depths.map((cm, i) => (
          <g
            key={cm}
            role="slider"
            tabIndex={0}
            aria-label={`${cm} cm deep`}
            aria-valuemin={0}
            aria-valuemax={most}
            aria-valuenow={push[i] ?? 0}
            aria-valuetext={push[i] == null ? "not read" : `${push[i]} ${asked.psi ? "psi" : "MPa"}`}
            className="cursor-pointer"
            onKeyDown={(e) => keys(e, i)}
            onClick={(e) => {
              const box = e.currentTarget.ownerSVGElement!.getBoundingClientRect();
              const seen = ((e.clientX - box.left) / box.width) * 360;
              put(i, tidy(((seen - left) / wide) * most));
            }}
          >
            <rect x="0" y={top + i * row} width="360" height={row} fill="transparent" />
            <path
              d={`M${left} ${top + i * row + row / 2}H${left + wide}`}
              className="stroke-line"
              strokeDasharray="2 5"
            />
            <text x={left - 8} y={top + i * row + row / 2 + 5} textAnchor="end" fontSize="14" className="fill-ink">
              {cm} cm
            </text>
            {push[i] != null && (
              <>
                <circle cx={x(push[i])} cy={top + i * row + row / 2} r="7" className="fill-clay" />
                <text
                  x={x(push[i]) + (push[i] > most * 0.8 ? -12 : 12)}
                  y={top + i * row + row / 2 + 5}
                  textAnchor={push[i] > most * 0.8 ? "end" : "start"}
                  fontSize="15"
                  fontWeight="700"
                  className="fill-clay halo"
                >
                  {push[i]}
                </text>
              </>
            )}
          </g>
        ))}
      </svg>
      <p className="flex flex-wrap items-center gap-3">
        <b className="figures">
          push {Math.max(1, all.length)} {on === "pushes" && wheeled > 0 && `· ${wheeled} in wheelings`}
        </b>
        <Button disabled={push.every((v) => v === null)} onClick={() => set({ [on]: [...all, []] })}>
          Next push
        </Button>
        <Button kind="plain" disabled={all.length === 0} onClick={() => set({ [on]: all.slice(0, -1) })}>
          take this push back
        </Button>
      </p>
    </>
  );
}
