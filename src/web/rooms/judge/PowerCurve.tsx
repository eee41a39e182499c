import type { Schemas } from "../../api/client";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { ForkMark } from "../../parts/ForkMark";
import { Sum } from "../../parts/Sum";

type For = "seen" | "twice" | "works";
type Point = Schemas["ReplicatesPoint"];

/** The three things that a number of plots can be chosen for; the drawing has each as its own line. */
const lines: { is: For; at: (p: Point) => number; dash?: string }[] = [
  { is: "seen", at: (p) => p.power },
  { is: "twice", at: (p) => p.seenAtTwice, dash: "12 6" },
];

/**
 * How likely a difference worth having, and twice it, is to be seen and to be called "works", by plots of each; the present
 * choice on the line that was chosen.
 */
export function PowerCurve({
  curve,
  choose,
}: {
  curve: Schemas["WorkedOfReplicatesCurve"];
  /** Left out where nothing can be chosen. */
  choose?: (part: { sureFor: For } | { replicates: number }) => void;
}) {
  const c = curve.value!;
  const chosen = c.for === "twice" ? lines[1]! : lines[0]!; // called “works” at twice it has the same chance as seen at it
  const most = Math.min(40, Math.max(12, (c.neededSeen ?? 24) + 4, c.now.replicates + 2));
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
      {choose && (
        <Choice
          label="Choose the number so that eight times in ten"
          value={(c.for ?? "seen") as For}
          options={[
            { value: "seen", name: `it is seen${c.neededSeen ? `: ${c.neededSeen}` : ""}` },
            { value: "twice", name: `twice it is seen${c.neededTwice ? `: ${c.neededTwice}` : ""}` },
            { value: "works", name: `twice it is called “works”${c.neededWorks ? `: ${c.neededWorks}` : ""}` },
          ]}
          onChange={(sureFor) => choose({ sureFor })}
        />
      )}
      {choose && c.needed && c.needed !== c.now.replicates && (
        <Button kind="plain" onClick={() => choose({ replicates: c.needed! })}>
          take {c.needed} of each
        </Button>
      )}
      <svg
        viewBox="0 0 540 244"
        className="h-auto w-full max-w-2xl"
        role="img"
        aria-label={`Chance of seeing it, and of seeing twice it, by plots of each: ${points
          .filter((p) => p.replicates % 4 === 0)
          .map(
            (p) => `${p.replicates} plots ${(10 * p.power).toFixed(0)} and ${(10 * p.seenAtTwice).toFixed(0)} in ten`,
          )
          .join(", ")}`}
      >
        <path d={`M56 ${y(0.8)}H516`} className="stroke-moss" strokeWidth="2" strokeDasharray="6 5" />
        <text x="60" y={y(0.8) - 6} fontSize="14" className="fill-moss">
          eight times in ten
        </text>
        {lines.map((line) => (
          <path
            key={line.is}
            d={points.map((p, i) => `${i === 0 ? "M" : "L"}${x(p.replicates)} ${y(line.at(p))}`).join("")}
            className="stroke-river"
            strokeWidth={line === chosen ? 3.5 : 2}
            strokeDasharray={line.dash}
            fill="none"
          />
        ))}
        <path
          d={points.map((p, i) => `${i === 0 ? "M" : "L"}${x(p.replicates)} ${y(p.worksAtWorth)}`).join("")}
          className="stroke-plum"
          strokeWidth="2"
          strokeDasharray="2 5"
          strokeLinecap="round"
          fill="none"
        />
        {c.needed && c.needed <= most && (
          <circle cx={x(c.needed)} cy={y(0.8)} r="6" className="fill-paper stroke-moss" strokeWidth="2.5" />
        )}
        <circle cx={x(c.now.replicates)} cy={y(chosen.at(c.now))} r="8" className="fill-clay" />
        <text
          x={x(c.now.replicates) + (c.now.replicates > most * 0.7 ? -12 : 12)}
          y={y(chosen.at(c.now)) + 20}
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
          plots of each; upward: times in ten
        </text>
      </svg>
      <p className="text-ash">
        Whole line: seen; and twice it called “works”. Dashes: twice it seen. Dots: called “works” where it is only just
        worth having.
      </p>
      <Sum working={curve.working} sure={curve.sure} of="how many plots" />
    </section>
  );
}
