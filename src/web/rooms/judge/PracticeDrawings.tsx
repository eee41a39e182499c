import type { Schemas } from "../../api/client";
import { useWidth } from "../../parts/mapView";
import { Fills, fill } from "./fills";

/** The practice field, wet end at the left: each plot with what it yielded. */
export function PracticeField({ plots, unit }: { plots: Schemas["PracticeFieldPlot"][]; unit: string }) {
  const [width, ref] = useWidth();
  const columns = Math.max(...plots.map((p) => p.column)) + 1;
  const w = width / columns;
  const narrow = w < 44; // then its figure stands upright
  return (
    <figure className="my-2">
      <svg
        ref={ref}
        viewBox={`0 0 ${width} 132`}
        className="block h-[132px] w-full"
        role="img"
        aria-label={plots.map((p) => `${p.treated ? "drench" : "nothing"} ${p.value.toFixed(2)}`).join(", ")}
      >
        <Fills id="field" />
        {plots.map((p, i) => {
          const [x, y] = [p.column * w, 2 + p.row * 66];
          const [cx, cy] = [x + w / 2, y + 30];
          return (
            <g key={i}>
              <rect
                x={x + 1.5}
                y={y}
                width={w - 3}
                height="60"
                rx="6"
                className="stroke-ink"
                strokeWidth="1.4"
                fill={fill("field", p.treated ? 2 : 0)}
              />
              <g transform={narrow ? `rotate(-90 ${cx} ${cy})` : undefined}>
                <rect
                  x={cx - 21}
                  y={cy - Math.min(11, w / 2 - 2)}
                  width="42"
                  height={Math.min(22, w - 4)}
                  rx="8"
                  className="fill-paper"
                />
                <text
                  x={cx}
                  y={cy + 5}
                  textAnchor="middle"
                  fontSize={w < 18 ? 12 : 14}
                  fontWeight="700"
                  className="fill-ink figures"
                >
                  {p.value.toFixed(2)}
                </text>
              </g>
            </g>
          );
        })}
      </svg>
      <figcaption className="text-ash">
        {unit}; hatched got the drench. Left is one end of the slope, right the other.
      </figcaption>
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
