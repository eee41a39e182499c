import { Interval } from "../../parts/Interval";
import type { RefObject } from "react";
import type { Schemas } from "../../api/client";

interface Props {
  answer: Schemas["CombineAnswer"];
  unit: string;
  worth: number | null;
  svg: RefObject<SVGSVGElement | null>;
}

/** Each site a line, their mean a lens below, and under it where the next site may lie. */
export function Forest({ answer: a, unit, worth, svg }: Props) {
  const ends = [...a.sites.flatMap((s) => [s.lower, s.upper]), a.predictionLower, a.predictionUpper, 0, worth ?? 0];
  const pad = (Math.max(...ends) - Math.min(...ends)) * 0.04;
  const [low, high] = [Math.min(...ends) - pad, Math.max(...ends) + pad];
  const x = (v: number) => 250 + ((v - low) / (high - low)) * 370;
  const row = 44;
  const y0 = a.sites.length * row + 20;
  const n = (v: number) => (v < 0 ? "−" : "+") + Math.abs(v).toPrecision(2);
  const cut = (text: string) =>
    text.length > 30 ? [text.slice(0, text.lastIndexOf(" ", 30)), text.slice(text.lastIndexOf(" ", 30) + 1)] : [text];
  return (
    <svg
      ref={svg}
      viewBox={`0 0 640 ${y0 + 138}`}
      className="h-auto w-full"
      role="img"
      aria-label={`${a.sites.map((s) => `${s.label}: ${n(s.estimate)}, ${n(s.lower)} to ${n(s.upper)}`).join("; ")}. Together ${n(a.estimate)}, ${n(a.lower)} to ${n(a.upper)}. The next site ${n(a.predictionLower)} to ${n(a.predictionUpper)}.`}
    >
      {worth && (
        <>
          <rect x={x(worth)} y="0" width={620 - x(worth)} height={y0 + 92} className="fill-moss" fillOpacity="0.16" />
          <text x={x(worth) + 5} y={y0 + 88} fontSize="14" fontWeight="700" className="fill-moss">
            worth having
          </text>
        </>
      )}
      <path d={`M${x(0)} 0V${y0 + 92}`} className="stroke-ink" strokeWidth="1.6" />
      {a.sites.map((s, i) => {
        const y = i * row + 24;
        const r = 4 + 9 * Math.sqrt(s.weightShare);
        return (
          <g key={i}>
            {cut(s.label).map((l, k, all) => (
              <text key={k} x="0" y={y + 5 + (k - (all.length - 1) / 2) * 17} fontSize="15" className="fill-ink">
                {l}
              </text>
            ))}
            <path d={`M${x(s.lower)} ${y}H${x(s.upper)}`} className="stroke-ink" strokeWidth="2.2" />
            <circle cx={x(s.estimate)} cy={y} r={r} className="fill-river" />
          </g>
        );
      })}
      <path d={`M0 ${y0}H620`} className="stroke-line" />
      <text x="0" y={y0 + 31} fontSize="16" fontWeight="700" className="fill-ink">
        together
      </text>
      <path
        d={`M${x(a.lower)} ${y0 + 26}Q${x(a.estimate)} ${y0 + 6} ${x(a.upper)} ${y0 + 26}Q${x(a.estimate)} ${y0 + 46} ${x(a.lower)} ${y0 + 26}z`}
        className="fill-clay"
      />
      <text x="0" y={y0 + 67} fontSize="15" className="fill-ink">
        where the next site may lie
      </text>
      <Interval
        x={x}
        y={y0 + 62}
        lower={a.predictionLower}
        upper={a.predictionUpper}
        end={7}
        className="stroke-clay"
        dashed
      />
      <path d={`M250 ${y0 + 92}H620`} className="stroke-line" />
      {[low + pad, 0, high - pad].map((t, i) => (
        <text key={i} x={x(t)} y={y0 + 112} textAnchor="middle" fontSize="14" className="fill-ash figures">
          {t === 0 ? "0" : n(t)}
        </text>
      ))}
      <text x="620" y={y0 + 132} textAnchor="end" fontSize="14" className="fill-ash">
        {unit}; a larger dot weighs more
      </text>
    </svg>
  );
}
