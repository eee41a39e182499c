import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Go } from "../../parts/Go";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";

type Line = Schemas["ChainLineView"];

const names: Record<string, string> = { hyphae: "threads of fungi" };

/** Counts from compost to soil as one line for each machine and year: where organisms are lost. */
export function HarmRoom() {
  const [group, setGroup] = useState("bacteria");
  const h = useRead("/api/judge/harm", { params: { query: { group } } });
  return (
    <Room
      title="Where organisms are lost"
      under="Counts at compost, brew, pump, nozzle and soil, as one line for each machine and year."
      peek={h.lines[0]?.sentence ?? "No line yet"}
      bench={
        <>
          <div className="max-w-72">
            <Pick
              label="Which organisms"
              value={group}
              options={h.groups.map((g) => ({ value: g, name: names[g] ?? g }))}
              onChange={setGroup}
            />
          </div>
          {h.wants && <p className="mt-3 text-lg">{h.wants}</p>}
          {h.lines.map((l) => (
            <section key={`${l.machine} ${l.year}`} className="mt-5" aria-label={`${l.machine}, ${l.year}`}>
              <h2 className="text-xl">
                {l.machine}, {l.year}
              </h2>
              <Chain line={l} />
            </section>
          ))}
        </>
      }
      slate={
        <>
          {h.lines.map((l) => (
            <section key={`${l.machine} ${l.year}`} aria-label={`What came through: ${l.machine}, ${l.year}`}>
              <h2 className="text-lg">
                {l.machine}, {l.year}
              </h2>
              <p className="font-bold">{l.sentence}</p>
              <ul>
                {l.links.map((k) => (
                  <li key={k.from + k.to} className="border-t border-line py-1">
                    <span className={k.lost ? "text-plum" : ""}>
                      {k.lost && <span aria-hidden>■ </span>}
                      {k.from} to {k.to}
                    </span>
                    <span className="figures block text-ash">{k.says}</span>
                  </li>
                ))}
              </ul>
            </section>
          ))}
          <p className="flex flex-wrap gap-3">
            <Go to="/brew/microscope">Count at the microscope</Go>
          </p>
          <p className="text-ash">
            Count before a pump, behind it and out of the nozzle with the same glass and dilution, on one brew. Brewing
            multiplies, and the ground dilutes: only what a machine does to the liquid is harm.
          </p>
          <Sum working={h.worked.working} sure={h.worked.sure} of="what came through" />
        </>
      }
    />
  );
}

/** One line: each stage a dot with its interval, on a scale of tens. */
function Chain({ line: l }: { line: Line }) {
  const seen = l.points.flatMap((p) => [p.low, p.high, p.perMl]).filter((v) => v > 0);
  const [low, high] = [Math.floor(Math.log10(Math.min(...seen))), Math.ceil(Math.log10(Math.max(...seen)))];
  const tens = Math.max(1, high - low);
  const y = (v: number) => 20 + (1 - (Math.log10(Math.max(v, 10 ** low)) - low) / tens) * 150;
  const x = (i: number) => 80 + (i * 560) / Math.max(1, l.points.length - 1);
  return (
    <svg
      viewBox="0 0 720 242"
      className="h-auto w-full"
      role="img"
      aria-label={l.points.map((p) => `${p.name}: ${p.shown}`).join("; ")}
    >
      {Array.from({ length: tens + 1 }, (_, i) => (
        <g key={i}>
          <path d={`M60 ${y(10 ** (low + i))}H700`} className="stroke-line" strokeWidth="1" />
          <text x="54" y={y(10 ** (low + i)) + 5} textAnchor="end" fontSize="15" className="fill-ash figures">
            10{["⁰", "¹", "²", "³", "⁴", "⁵", "⁶", "⁷", "⁸", "⁹"][low + i] ?? ""}
          </text>
        </g>
      ))}
      {l.points.slice(1).map((p, i) => (
        <path
          key={i}
          d={`M${x(i)} ${y(l.points[i]!.perMl)}L${x(i + 1)} ${y(p.perMl)}`}
          className={l.links[i]?.lost ? "stroke-plum" : "stroke-moss"}
          strokeWidth="3"
          strokeDasharray={l.links[i]?.lost ? "8 5" : undefined}
        />
      ))}
      {l.points.map((p, i) => (
        <g key={p.stage}>
          <path
            d={`M${x(i)} ${y(p.low)}V${y(p.high)}M${x(i) - 7} ${y(p.low)}h14M${x(i) - 7} ${y(p.high)}h14`}
            className="stroke-ink"
            strokeWidth="2"
          />
          <circle cx={x(i)} cy={y(p.perMl)} r="6" className="fill-clay" />
          <text
            x={x(i)}
            y="194"
            textAnchor={i === 0 ? "start" : i === l.points.length - 1 ? "end" : "middle"}
            fontSize="15"
            className="fill-ink"
          >
            {p.name.split(/ (?=the )/).map((part, k) => (
              <tspan key={k} x={x(i)} dy={k === 0 ? 0 : 17}>
                {part}
              </tspan>
            ))}
          </text>
        </g>
      ))}
      <text x="700" y="236" textAnchor="end" fontSize="14" className="fill-ash">
        in 1 mL; a broken line: they are lost there
      </text>
    </svg>
  );
}
