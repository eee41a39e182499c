import type { Schemas } from "../../api/client";

interface Props {
  before: Schemas["BrixVisitView"];
  after: Schemas["BrixVisitView"];
  difference: Schemas["BrixDifference"];
  /** What the two are called; before and after where nothing else is said. */
  names?: [string, string];
}

/** Every leaf as a dot, before above after, each with its mean and interval; the sentence above says what it comes to. */
export function Difference({ before, after, difference, names = ["before", "after"] }: Props) {
  const all = [
    ...before.at20,
    ...after.at20,
    before.value.low95 ?? 99,
    after.value.high95 ?? 0,
    before.value.high95 ?? 0,
    after.value.low95 ?? 99,
  ].filter((v) => v < 90);
  const low = Math.floor(Math.min(...all)) - 0.2;
  const high = Math.ceil(Math.max(...all)) + 0.2;
  const x = (v: number) => 70 + ((v - low) / (high - low)) * 460;
  const row = (v: Schemas["BrixVisitView"], y: number, name: string) => (
    <g>
      <text x="0" y={y + 5} fontSize="16" fontWeight="700" className="fill-ink">
        {name}
      </text>
      {v.value.low95 !== null && v.value.high95 !== null && (
        <path
          d={`M${x(v.value.low95)} ${y}H${x(v.value.high95)}M${x(v.value.low95)} ${y - 7}v14M${x(v.value.high95)} ${y - 7}v14`}
          className="stroke-ink"
          strokeWidth="2.5"
        />
      )}
      <path d={`M${x(v.value.mean)} ${y - 9}l8 9-8 9-8-9z`} className="fill-clay" />
      {v.at20.map((b, i) => (
        <circle
          key={i}
          cx={x(b)}
          cy={y + 17 + 9 * v.at20.slice(0, i).filter((o) => o === b).length}
          r="5"
          className="fill-paper stroke-river"
          strokeWidth="2.2"
        />
      ))}
    </g>
  );
  const ticks = Array.from({ length: Math.ceil(high - low) }, (_, i) => Math.ceil(low) + i).filter((t) => t <= high);
  return (
    <svg
      viewBox="0 0 560 152"
      className="h-auto w-full max-w-2xl"
      role="img"
      aria-label={`${names[0]}: ${before.at20.map((v) => v.toFixed(1)).join(", ")}. ${names[1]}: ${after.at20.map((v) => v.toFixed(1)).join(", ")}. ${difference.sentence}`}
    >
      {row(before, 20, names[0])}
      {row(after, 76, names[1])}
      <path d="M70 122H530" className="stroke-line" />
      {ticks.map((t) => (
        <text key={t} x={x(t)} y="144" textAnchor="middle" fontSize="15" className="fill-ash figures">
          {t}
          {t === ticks[0] ? " °Bx" : ""}
        </text>
      ))}
    </svg>
  );
}
