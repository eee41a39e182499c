import type { Schemas } from "../../api/client";
import { useDoseEach } from "../../api/units";

/** A count as it is spoken: "100 million". */
const many = (n: number | null | undefined) =>
  n == null
    ? "no count"
    : n >= 1e9
      ? `${Number((n / 1e9).toPrecision(3))} thousand million`
      : n >= 1e6
        ? `${Number((n / 1e6).toPrecision(3))} million`
        : String(Number(n.toPrecision(3)));

/** The bottle as it stands: how full, its label as it was typed, how much of it lives, and what reaches each. */
export function Bottle({
  input,
  v,
  per,
}: {
  input: Schemas["ShelfInputView"] | undefined;
  v: Schemas["DoseView"] | null;
  per: string;
}) {
  const each = useDoseEach().find((e) => e.value === per);
  if (!input) return null;
  const share = Math.max(0, ...input.lots.map((l) => (l.tone === "stop" ? 0 : l.leftShare)));
  const top = 176 - share * 118;
  const dose = v?.dose?.value;
  const says = [...input.species.map((s) => `${s.name}: ${many(s.count)} per ${input.labelPer}`)];
  return (
    <figure className="grid items-center gap-x-5 sm:grid-cols-[auto_1fr]">
      <svg
        viewBox="0 0 420 190"
        className="h-44 w-full max-w-md"
        role="img"
        aria-label={`${input.name}: ${input.leftShown} left${dose ? `; ${dose.sentence}` : ""}`}
      >
        <clipPath id="bottle">
          <path d="M58 12h44v26q28 10 28 40v98q0 6-8 6H38q-8 0-8-6V78q0-30 28-40z" />
        </clipPath>
        <g clipPath="url(#bottle)">
          <rect x="20" y={top} width="120" height="190" className="fill-brew" />
        </g>
        <path
          d="M58 12h44v26q28 10 28 40v98q0 6-8 6H38q-8 0-8-6V78q0-30 28-40z"
          fill="none"
          className="stroke-ink"
          strokeWidth="4"
        />
        <path d="M54 4h52v12H54z" className="fill-bag stroke-ink" strokeWidth="2.5" />
        <rect x="30" y="86" width="100" height="62" className="fill-paper stroke-ink" strokeWidth="1.5" />
        <text x="80" y="112" textAnchor="middle" fontSize="14" fontWeight="700" className="fill-ink">
          {input.name.length > 12 ? `${input.name.slice(0, 11)}…` : input.name}
        </text>
        <text x="80" y="134" textAnchor="middle" fontSize="13" className="fill-ink figures">
          {input.leftShown}
        </text>
        {v && (
          <>
            <path d="M142 96q60 -46 112 0" fill="none" className="stroke-river" strokeWidth="3" strokeDasharray="7 6" />
            <text x="198" y="56" textAnchor="middle" fontSize="14" fontWeight="700" className="fill-river halo">
              {Math.round(v.viableShare * 100)} % alive
            </text>
            <path
              d="M292 170V112M292 134q-26 -4 -30 -28q26 0 30 22q2 -30 32 -34q0 30 -32 40M260 170H326"
              fill="none"
              className="stroke-moss"
              strokeWidth="4"
              strokeLinecap="round"
            />
            <text x="340" y="120" fontSize="14" className="fill-ash">
              each
            </text>
            <text x="340" y="140" fontSize="15" fontWeight="700" className="fill-ink">
              {each?.name ?? per}
            </text>
          </>
        )}
      </svg>
      <figcaption className="figures">
        <b>Its label, as typed</b>
        {says.length > 0 ? (
          <ul>
            {says.map((s) => (
              <li key={s}>{s}</li>
            ))}
          </ul>
        ) : (
          <p>no organisms are written down</p>
        )}
        {input.labelSays && (
          <p>
            {input.labelSays}
            {input.labelEveryDays && `, every ${input.labelEveryDays} days`}
          </p>
        )}
        {dose && <p className="mt-1 font-bold">{dose.sentence}</p>}
      </figcaption>
    </figure>
  );
}
