import { Interval } from "../../parts/Interval";
import type { Schemas } from "../../api/client";

/** Each candidate's lift over water with its interval, against nought and the two degrees taken as a yes. */
export function PatchLifts({ answer: a }: { answer: Schemas["PatchAnswer"] }) {
  const ends = [...a.lifts.flatMap((l) => [l.lower ?? l.lift, l.upper ?? l.lift]), 0, a.line * 1.3, -0.6];
  const [low, high] = [Math.min(...ends) - 0.2, Math.max(...ends) + 0.2];
  const x = (v: number) => 170 + ((v - low) / (high - low)) * 360;
  const bottom = a.lifts.length * 48 + 26;
  return (
    <svg
      viewBox={`0 0 550 ${bottom + 46}`}
      className="h-auto w-full"
      role="img"
      aria-label={a.lifts.map((l) => `${l.candidate}: ${l.sentence}`).join(" ")}
    >
      <rect x={x(a.line)} y="0" width={530 - x(a.line)} height={bottom} className="fill-moss" fillOpacity="0.16" />
      <text x={x(a.line) + 5} y="16" fontSize="14" fontWeight="700" className="fill-moss">
        taken as a yes
      </text>
      <path d={`M${x(0)} 0V${bottom}`} className="stroke-ink" strokeWidth="1.8" />
      {a.lifts.map((l, i) => {
        const y = i * 48 + 44;
        return (
          <g key={l.candidate}>
            <text x="156" y={y + 5} textAnchor="end" fontSize="15" fontWeight="700" className="fill-ink">
              {l.candidate}
            </text>
            <Interval x={x} y={y} lower={l.lower} upper={l.upper} />
            <path d={`M${x(l.lift)} ${y - 9}l8 9-8 9-8-9z`} className="fill-clay" />
          </g>
        );
      })}
      <path d={`M170 ${bottom}H530`} className="stroke-line" />
      {Array.from({ length: Math.ceil(high - low) + 1 }, (_, i) => Math.ceil(low) + i)
        .filter((t) => t <= high)
        .map((t) => (
          <text key={t} x={x(t)} y={bottom + 19} textAnchor="middle" fontSize="14" className="fill-ash figures">
            {t > 0 ? `+${t}` : t < 0 ? `−${-t}` : "0"}
          </text>
        ))}
      <text x="530" y={bottom + 40} textAnchor="end" fontSize="14" className="fill-ash">
        °Bx over water
      </text>
    </svg>
  );
}
