import type { Schemas } from "../../api/client";
import { ForkMark } from "../../parts/ForkMark";
import { Sum } from "../../parts/Sum";

/** How likely a difference worth having is to be seen, by plots of each, with the present choice on it. */
export function PowerCurve({ curve }: { curve: Schemas["WorkedOfReplicatesCurve"] }) {
  const c = curve.value!;
  const most = Math.min(40, Math.max(12, (c.needed ?? 24) + 4, c.now.replicates + 2));
  const x = (n: number) => 56 + ((n - 1) / (most - 1)) * 460;
  const y = (power: number) => 196 - power * 170;
  const points = c.points.filter((p) => p.replicates <= most);
  return (
    <section>
      <h3 className="text-lg">
        How many plots does it take? <ForkMark fork={curve.forks[0]} />
      </h3>
      <p className="text-lg font-bold" aria-live="polite">
        {c.sentence}
      </p>
      <svg
        viewBox="0 0 540 244"
        className="h-auto w-full max-w-2xl"
        role="img"
        aria-label={`Chance of seeing it by plots of each: ${points
          .filter((p) => p.replicates % 4 === 0)
          .map((p) => `${p.replicates} plots ${(10 * p.power).toFixed(0)} in ten`)
          .join(", ")}`}
      >
        <path d={`M56 ${y(0.8)}H516`} className="stroke-moss" strokeWidth="2" strokeDasharray="6 5" />
        <text x="60" y={y(0.8) - 6} fontSize="14" className="fill-moss">
          eight times in ten
        </text>
        <path
          d={points.map((p, i) => `${i === 0 ? "M" : "L"}${x(p.replicates)} ${y(p.power)}`).join("")}
          className="stroke-river"
          strokeWidth="3"
          fill="none"
        />
        {c.needed && c.needed <= most && (
          <circle cx={x(c.needed)} cy={y(0.8)} r="6" className="fill-paper stroke-moss" strokeWidth="2.5" />
        )}
        <circle cx={x(c.now.replicates)} cy={y(c.now.power)} r="8" className="fill-clay" />
        <text
          x={x(c.now.replicates) + (c.now.replicates > most * 0.7 ? -12 : 12)}
          y={y(c.now.power) + 20}
          textAnchor={c.now.replicates > most * 0.7 ? "end" : "start"}
          fontSize="15"
          fontWeight="700"
          className="fill-clay halo"
        >
          now: {c.now.replicates}
        </text>
        <path d="M56 20V196H516" className="stroke-line" fill="none" />
        {[0, 5, 10].map((t) => (
          <text key={t} x="48" y={y(t / 10) + 5} textAnchor="end" fontSize="14" className="fill-ash figures">
            {t}
          </text>
        ))}
        {points
          .filter((p) => p.replicates === 1 || p.replicates % 4 === 0)
          .map((p) => (
            <text
              key={p.replicates}
              x={x(p.replicates)}
              y="214"
              textAnchor="middle"
              fontSize="14"
              className="fill-ash figures"
            >
              {p.replicates}
            </text>
          ))}
        <text x="516" y="236" textAnchor="end" fontSize="14" className="fill-ash">
          plots of each; upward: times in ten that it is seen
        </text>
      </svg>
      <Sum working={curve.working} sure={curve.sure} of="how many plots" />
    </section>
  );
}
