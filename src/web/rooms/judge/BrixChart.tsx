import type { Schemas } from "../../api/client";
import { useClock } from "../../parts/clock";

/**
 * A bed's leaves over its time: every visit with its interval, its own past and the crop's bands behind, and what was put out
 * under them.
 */
export function BrixChart({ bed }: { bed: Schemas["BrixBedView"] }) {
  const clock = useClock();
  const visits = bed.visits.filter((v) => v.value.count > 0 && v.weed === null);
  if (visits.length === 0) return <p>No leaf has been read here.</p>;
  const times = [...visits.map((v) => Date.parse(v.at)), ...bed.applied.map((a) => Date.parse(a.at))];
  const [from, to] = [Math.min(...times), Math.max(...times) + 1];
  const s = bed.standing?.value;
  const values = visits.flatMap((v) => [v.value.low95 ?? v.value.mean, v.value.high95 ?? v.value.mean]);
  const [low, high] = [
    Math.floor(Math.min(...values, s?.bands.average ?? 99) - 0.5),
    Math.ceil(Math.max(...values, s?.bands.good ?? 0) + 0.5),
  ];
  const x = (at: string) => 46 + ((Date.parse(at) - from) / (to - from)) * 574;
  const y = (v: number) => 236 - ((v - low) / (high - low)) * 220;
  const months = Array.from({ length: 5 }, (_, i) => new Date(from + ((to - from) * i) / 4).toISOString());
  return (
    <svg
      viewBox="0 0 640 318"
      className="h-auto w-full"
      role="img"
      aria-label={`${visits.length} visits from ${clock.date(visits[0]!.at)} to ${clock.date(visits.at(-1)!.at)}, ${Math.min(...visits.map((v) => v.value.mean)).toFixed(1)} to ${Math.max(...visits.map((v) => v.value.mean)).toFixed(1)} °Bx. Put out: ${bed.applied.map((a) => `${a.what} ${clock.date(a.at)}`).join(", ") || "nothing"}.`}
    >
      {s?.ownLow != null && s.ownHigh != null && (
        <>
          <rect
            x="46"
            y={y(s.ownHigh)}
            width="574"
            height={y(s.ownLow) - y(s.ownHigh)}
            className="fill-river"
            fillOpacity="0.14"
          />
          <text x="618" y={y(s.ownHigh) - 4} textAnchor="end" fontSize="14" className="fill-river halo">
            its own middle half
          </text>
        </>
      )}
      {s &&
        (["average", "good", "excellent"] as const)
          .filter((b) => s.bands[b] > low && s.bands[b] < high)
          .map((b) => (
            <g key={b}>
              <path d={`M46 ${y(s.bands[b])}H620`} className="stroke-moss" strokeDasharray="5 6" strokeWidth="1.4" />
              <text x="50" y={y(s.bands[b]) - 4} fontSize="14" className="fill-moss halo">
                {b} from here
              </text>
            </g>
          ))}
      {visits.map((v) => (
        <g key={v.id}>
          {v.value.low95 !== null && v.value.high95 !== null && (
            <path d={`M${x(v.at)} ${y(v.value.low95)}V${y(v.value.high95)}`} className="stroke-ash" strokeWidth="1.2" />
          )}
          <circle
            cx={x(v.at)}
            cy={y(v.value.mean)}
            r="4"
            strokeWidth="1.8"
            className={clock.time(v.at) < "11:30" ? "fill-paper stroke-clay" : "fill-clay"}
          />
        </g>
      ))}
      <path d="M46 16V236H620" className="stroke-line" fill="none" />
      {[low, Math.round((low + high) / 2), high].map((t) => (
        <text key={t} x="38" y={y(t) + 5} textAnchor="end" fontSize="14" className="fill-ash figures">
          {t}
        </text>
      ))}
      {bed.applied.map((a, i) => (
        <g key={i}>
          <path d={`M${x(a.at)} 240v20`} className="stroke-river" strokeWidth="2" />
          <path d={`M${x(a.at) - 6} 262h12l-6 9z`} className="fill-river" />
        </g>
      ))}
      {months.map((m, i) => (
        <text
          key={m}
          x={x(m)}
          y="290"
          textAnchor={i === 0 ? "start" : i === 4 ? "end" : "middle"}
          fontSize="14"
          className="fill-ash figures"
        >
          {clock.date(m)}
        </text>
      ))}
      <text x="620" y="312" textAnchor="end" fontSize="14" className="fill-ash">
        °Bx at 20 °C; open: morning, full: afternoon; ▼ something was put out
      </text>
    </svg>
  );
}
