import { useId } from "react";
import { Link, useNavigate } from "react-router-dom";
import { client, type Schemas, useRead } from "../api/client";
import { useClock } from "./clock";

const H = 112;
const BASE = 84;

/** The day line: hours back to two days on. Night shaded, low sun hatched, brews as loaves that swell, readings as pips, a stake for now. */
export function DayLine() {
  const line = useRead(["day-line"], () => client.GET("/api/day-line"));
  if (!line.data) return <div className="h-16 bg-paper wide:h-28" aria-busy={line.isPending} />;
  return (
    <>
      <Folded line={line.data} />
      <Unfolded line={line.data} />
    </>
  );
}

/** On a phone: the next three things. */
function Folded({ line }: { line: Schemas["DayLineView"] }) {
  const clock = useClock();
  return (
    <nav aria-label="Next on the day line" className="flex gap-3 overflow-x-auto bg-paper px-4 py-2 wide:hidden">
      <span className="figures font-head text-xl font-bold text-clay">{clock.time(line.now)}</span>
      {line.next.map((n) => (
        <Link key={n.at + n.text} to={n.link} className="min-h-11 whitespace-nowrap border-t-4 border-river pt-1">
          <b className="figures">{clock.time(n.at)}</b> {n.text}
        </Link>
      ))}
      {line.next.length === 0 && <span className="py-1 text-ash">nothing on the line</span>}
    </nav>
  );
}

function Unfolded({ line }: { line: Schemas["DayLineView"] }) {
  const id = useId();
  const clock = useClock();
  const go = useNavigate();
  const from = new Date(line.from).getTime();
  const span = new Date(line.to).getTime() - from;
  const x = (at: string) => ((new Date(at).getTime() - from) / span) * 1280;
  const hours = Array.from(
    { length: Math.ceil(span / 3_600_000) },
    (_, i) => new Date(Math.ceil(from / 3_600_000) * 3_600_000 + i * 3_600_000),
  )
    .map((d) => ({ d, text: clock.time(d) }))
    .filter((h) => Number(h.text.slice(0, 2)) % 3 === 0 && h.text.endsWith("00"));
  return (
    <div className="hidden bg-paper wide:block">
      <svg viewBox={`0 0 1280 ${H}`} className="block h-auto w-full" role="group" aria-label="Day line">
        <defs>
          <pattern id={id} width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V8" className="stroke-moss" strokeWidth="1.2" opacity="0.7" />
          </pattern>
        </defs>
        {line.sun.map((s) =>
          s.light === "night" ? (
            <rect key={s.from} x={x(s.from)} y="0" width={x(s.to) - x(s.from)} height={BASE} className="fill-shade" />
          ) : s.light === "low" ? (
            <rect key={s.from} x={x(s.from)} y={BASE} width={x(s.to) - x(s.from)} height="9" fill={`url(#${id})`} />
          ) : null,
        )}
        <path d={`M0 ${BASE}H1280`} className="stroke-ink" strokeWidth="1.6" />
        {hours.map((h) => (
          <text
            key={h.d.toISOString()}
            x={x(h.d.toISOString())}
            y={H - 3}
            textAnchor="middle"
            fontSize="14"
            className="fill-ash figures"
          >
            {h.text === "00:00" ? clock.day(h.d) : h.text.slice(0, 2)}
          </text>
        ))}
        {line.brews.map((b, i) => (
          <Loaf
            key={b.id}
            brew={b}
            x={x}
            row={i}
            open={() => go(`/brew/${b.id}`)}
            label={`${b.name}, ${b.state.toLowerCase()}, for ${clock.when(b.useAt)}`}
          />
        ))}
        {line.pips.map((p) => (
          <circle
            key={p.at + p.text}
            cx={x(p.at)}
            cy={BASE}
            r="6"
            className={p.due ? "fill-paper stroke-river" : "fill-river stroke-paper"}
            strokeWidth={p.due ? 3 : 1.5}
          >
            <title>{`${clock.time(p.at)} ${p.text}`}</title>
          </circle>
        ))}
        <path d={`M${x(line.now)} 14V${BASE + 6}`} className="stroke-clay" strokeWidth="3" />
        <path d={`M${x(line.now) - 7} 2h14l-7 13z`} className="fill-clay" />
        <text x={x(line.now) + 12} y="14" fontSize="15" fontWeight="700" className="fill-clay figures halo">
          now {clock.time(line.now)}
        </text>
      </svg>
    </div>
  );
}

interface LoafProps {
  brew: Schemas["DayBrew"];
  x: (at: string) => number;
  row: number;
  open: () => void;
  label: string;
}

/** A loaf: as high as it is grown; its crust turns ragged where oxygen runs short. */
function Loaf({ brew, x, row, open, label }: LoafProps) {
  const tall = 44;
  const crust = brew.loaf
    .map(
      (p, i) => `L${x(p.at).toFixed(1)} ${(BASE - 6 - p.level * tall - (p.short ? (i % 2 ? 5 : -5) : 0)).toFixed(1)}`,
    )
    .join("");
  const [first, last] = [brew.loaf[0], brew.loaf.at(-1)];
  if (!first || !last) return null;
  const width = x(last.at) - x(first.at);
  const planned = brew.state === "Planned";
  const left = Math.max(x(first.at), 4);
  return (
    <g
      role="link"
      tabIndex={0}
      aria-label={label}
      className="cursor-pointer"
      onClick={open}
      onKeyDown={(e) => {
        if (e.key === "Enter") open();
      }}
    >
      <path
        d={`M${x(first.at)} ${BASE}${crust}L${x(last.at) + Math.min(6, width / 4)} ${BASE}Z`}
        className={planned ? "fill-paper stroke-clay" : "fill-brew stroke-clay"}
        strokeWidth="2.2"
        strokeDasharray={planned ? "5 4" : undefined}
        strokeLinejoin="round"
      />
      {x(brew.useAt) < 1280 && (
        <path d={`M${x(brew.useAt) - 12} 26v-6h24v6`} fill="none" className="stroke-moss" strokeWidth="2.6" />
      )}
      <text
        x={width > 130 ? left + 8 : left}
        y={width > 130 ? BASE - 12 : 40 + (row % 2) * 18}
        fontSize="15"
        fontWeight="700"
        className="fill-ink halo"
      >
        {brew.name}
      </text>
    </g>
  );
}
