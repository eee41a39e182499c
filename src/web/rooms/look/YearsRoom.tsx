import { Link, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { useClock } from "../../parts/clock";
import { Choice } from "../../parts/Choice";
import { Room } from "../../parts/Room";

/** All pegs over the years on one page, one check at a time. */
export function YearsRoom() {
  const [search, setSearch] = useSearchParams();
  const kind = search.get("kind") ?? undefined;
  const data = useRead("/api/look/years", { params: { query: { kind } } });
  const { hows } = useRead("/api/look/walk");
  return (
    <Room
      title="Over the years"
      under={`${data.measured}, peg by peg; each is held against its own past only.`}
      peek={data.measured}
      bench={
        data.lines.length === 0 ? (
          <p className="text-lg">Nothing was looked at yet. A walk is a beginning.</p>
        ) : (
          <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2">
            {data.lines.map((l) => (
              <Line key={l.pegId} line={l} data={data} />
            ))}
          </div>
        )
      }
      slate={
        data.kinds.length > 0 && (
          <>
            <Choice
              label="By which check"
              value={data.kind}
              options={data.kinds.map((k) => ({ value: k, name: hows.find((h) => h.kind === k)?.name ?? k }))}
              onChange={(k) => setSearch({ kind: k }, { replace: true })}
            />
            <p className="text-lg">
              Touch a peg for what changed, against which visit, and with what interval. Visits on ground of another
              wetness are drawn, and not held against each other.
            </p>
            <p className="text-ash">Whiskers: where chance alone may put it, 95 times in a hundred.</p>
          </>
        )
      }
    />
  );
}

const [W, H] = [300, 104];

function Line({ line, data }: { line: Schemas["YearLine"]; data: Schemas["YearsView"] }) {
  const clock = useClock();
  const times = data.lines.flatMap((l) => l.points.map((p) => Date.parse(p.at)));
  const [from, to] = [Math.min(...times), Math.max(...times) + 1];
  const tops = data.lines.flatMap((l) => l.points.map((p) => p.figure));
  const high = Math.max(...tops, data.high) * 1.15 || 1;
  const x = (at: string) => 12 + ((Date.parse(at) - from) / (to - from)) * (W - 52);
  const y = (v: number) => H - 22 - ((Math.min(v, high) - data.low) / (high - data.low || 1)) * (H - 40);
  const last = line.points.at(-1)!;
  return (
    <Link to={`/look/pegs/${line.pegId}`} className="block border-t border-line pt-1">
      <b className="underline decoration-line underline-offset-4">
        {line.bed}, {line.name}
      </b>
      <svg
        viewBox={`0 0 ${W} ${H}`}
        className="w-full"
        role="img"
        aria-label={`${line.points.length} visits, ${clock.date(line.points[0]!.at)} to ${clock.date(last.at)}, last ${line.newest}`}
      >
        {[
          [data.good, "good", "stroke-moss", "fill-moss"] as const,
          [data.poor, "poor", "stroke-plum", "fill-plum"] as const,
        ].map(([v, word, stroke, fill]) =>
          v == null || v > high ? null : (
            <g key={word}>
              <path d={`M12 ${y(v)}H${W - 40}`} className={stroke} strokeDasharray="3 5" />
              <text x={W - 36} y={y(v) + 4} fontSize="14" className={fill}>
                {word}
              </text>
            </g>
          ),
        )}
        <polyline
          points={line.points.map((p) => `${x(p.at)},${y(p.figure)}`).join(" ")}
          className="fill-none stroke-clay"
          strokeWidth="2"
        />
        {line.points.map((p) => (
          <g key={p.at}>
            {p.lower !== null && p.upper !== null && (
              <path d={`M${x(p.at)} ${y(p.lower)}V${y(p.upper)}`} className="stroke-ash" strokeWidth="1.2" />
            )}
            <circle cx={x(p.at)} cy={y(p.figure)} r="4" className="fill-clay" />
          </g>
        ))}
        <text
          x={x(last.at) - 8}
          y={y(last.figure) - 9}
          textAnchor="end"
          fontSize="15"
          fontWeight="700"
          className="fill-clay halo"
        >
          {line.newest}
        </text>
        <text x="12" y={H - 4} fontSize="14" className="fill-ash">
          {clock.date(new Date(from))}
        </text>
        <text x={W - 40} y={H - 4} fontSize="14" textAnchor="end" className="fill-ash">
          {clock.date(new Date(to))}
        </text>
      </svg>
    </Link>
  );
}
