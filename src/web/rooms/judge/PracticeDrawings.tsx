import type { Schemas } from "../../api/client";
import { Fills, fill } from "./fills";

/** The practice field, wet end at the left: each plot with what it yielded. */
export function PracticeField({ plots, unit }: { plots: Schemas["PracticeFieldPlot"][]; unit: string }) {
  const columns = Math.max(...plots.map((p) => p.column)) + 1;
  const w = 620 / columns;
  return (
    <figure>
      <svg
        viewBox="0 0 640 176"
        className="h-auto w-full"
        role="img"
        aria-label={plots.map((p) => `${p.treated ? "drench" : "nothing"} ${p.value.toFixed(2)}`).join(", ")}
      >
        <Fills id="field" />
        {plots.map((p, i) => {
          const [x, y] = [10 + p.column * w, 6 + p.row * 66];
          return (
            <g key={i}>
              <rect
                x={x + 2}
                y={y}
                width={w - 4}
                height="60"
                rx="8"
                className="stroke-ink"
                strokeWidth="1.4"
                fill={fill("field", p.treated ? 2 : 0)}
              />
              <rect x={x + w / 2 - 20} y={y + 18} width="40" height="24" rx="10" className="fill-paper" />
              <text
                x={x + w / 2}
                y={y + 35}
                textAnchor="middle"
                fontSize={columns > 14 ? 11 : 14}
                fontWeight="700"
                className="fill-ink figures"
              >
                {p.value.toFixed(columns > 14 ? 1 : 2)}
              </text>
            </g>
          );
        })}
        <path d="M10 146H630" className="stroke-ash" />
        <text x="10" y="166" fontSize="14" className="fill-ash">
          one end of the slope
        </text>
        <text x="630" y="166" textAnchor="end" fontSize="14" className="fill-ash">
          the other · {unit}; hatched got the drench
        </text>
      </svg>
    </figure>
  );
}

/** A thousand such fields: what each would have shown, and what it truly was. */
export function Tries({ truth, worth, unit }: { truth: Schemas["PracticePlotTruth"]; worth: number; unit: string }) {
  const bins = truth.yours.differences;
  const [low, high] = [bins[0]!.from, bins.at(-1)!.to];
  const most = Math.max(...bins.map((b) => b.times));
  const x = (v: number) => 20 + ((v - low) / (high - low)) * 600;
  const told = truth.yours.words.map((w) => `${w.word}: ${w.times}${w.right ? " (right)" : ""}`).join(" · ");
  return (
    <section className="mt-5">
      <h2 className="text-xl">A thousand such fields, your way</h2>
      <p>{told}</p>
      <svg
        viewBox="0 0 640 240"
        className="h-auto w-full"
        role="img"
        aria-label={`Differences seen in a thousand tries, from ${low.toFixed(1)} to ${high.toFixed(1)} ${unit}; the truth is ${truth.effect}. ${told}`}
      >
        {bins.map((b) => (
          <rect
            key={b.from}
            x={x(b.from) + 1}
            y={190 - (b.times / most) * 150}
            width={x(b.to) - x(b.from) - 2}
            height={(b.times / most) * 150}
            className="fill-river"
            fillOpacity="0.75"
          />
        ))}
        <path d="M20 190H620" className="stroke-line" />
        {[
          { v: truth.effect, name: `the truth, ${truth.effect}`, colour: "clay" as const, y: 18 },
          { v: worth, name: `worth having, ${worth}`, colour: "moss" as const, y: 36 },
        ].map((l) => (
          <g key={l.name}>
            <path
              d={`M${x(l.v)} ${l.y + 4}V190`}
              className={l.colour === "clay" ? "stroke-clay" : "stroke-moss"}
              strokeWidth="2.6"
              strokeDasharray={l.colour === "moss" ? "6 5" : undefined}
            />
            <text
              x={x(l.v) + (x(l.v) > 420 ? -6 : 6)}
              y={l.y}
              textAnchor={x(l.v) > 420 ? "end" : "start"}
              fontSize="15"
              fontWeight="700"
              className={l.colour === "clay" ? "fill-clay" : "fill-moss"}
            >
              {l.name}
            </text>
          </g>
        ))}
        {[low, 0, high].map((t, i) => (
          <text
            key={i}
            x={x(t)}
            y="210"
            textAnchor={i === 0 ? "start" : i === 2 ? "end" : "middle"}
            fontSize="14"
            className="fill-ash figures"
          >
            {t.toFixed(1)}
          </text>
        ))}
        <text x="620" y="232" textAnchor="end" fontSize="14" className="fill-ash">
          difference that was seen, {unit}; higher is oftener
        </text>
      </svg>
    </section>
  );
}
