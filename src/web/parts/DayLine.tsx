import { useId, useState } from "react";
import { Link, useNavigate } from "react-router-dom";
import type { Schemas } from "../api/client";
import { useRead, useWrite } from "../api/data";
import { Button } from "./Button";
import { BASE, Loaf } from "./Loaf";
import { useClock } from "./clock";
import { looks } from "./tone";

const H = 112;

/**
 * The day line: hours back to two days on. Night shaded, low sun hatched, windows in brackets, brews as loaves that swell and
 * slide, a stake for now.
 */
export function DayLine() {
  const line = useRead("/api/day-line");
  return (
    <>
      <Folded line={line} />
      <Unfolded line={line} />
    </>
  );
}

/** On a phone: the next three things. */
function Folded({ line }: { line: Schemas["DayLineView"] }) {
  const clock = useClock();
  const window = line.windows.find((w) => w.purpose === "leaf" && new Date(w.to) > new Date(line.now));
  return (
    <nav aria-label="Next on the day line" className="flex gap-3 overflow-x-auto bg-paper px-4 py-2 wide:hidden">
      <span className="figures whitespace-nowrap font-head text-xl font-bold text-clay">{clock.time(line.now)}</span>
      {line.next.map((n) => (
        <Link key={n.at + n.text} to={n.link} className="min-h-11 whitespace-nowrap border-t-4 border-river pt-1">
          <b className="figures">{clock.time(n.at)}</b> {n.text}
        </Link>
      ))}
      {window && (
        <Link to="/put-out/windows" className="min-h-11 whitespace-nowrap border-t-4 border-moss pt-1">
          <b className="figures">{new Date(window.from) <= new Date(line.now) ? "now" : clock.time(window.from)}</b>{" "}
          leaves can be sprayed
        </Link>
      )}
      {line.next.length === 0 && !window && <span className="py-1 text-ash">nothing on the line</span>}
    </nav>
  );
}

interface Moved {
  id: number;
  name: string;
  from: string;
  to: string;
  /** Its version since: nobody else's move in between is undone with it. */
  version: string;
}

function Unfolded({ line }: { line: Schemas["DayLineView"] }) {
  const id = useId();
  const clock = useClock();
  const go = useNavigate();
  const [says, setSays] = useState<{ name: string; verdict: Schemas["Verdict"] } | null>(null);
  const [moved, setMoved] = useState<Moved | null>(null);
  const from = new Date(line.from).getTime();
  const span = new Date(line.to).getTime() - from;
  const x = (at: string) => ((new Date(at).getTime() - from) / span) * 1280;
  const dates = [...Map.groupBy(line.dated, (d) => d.at)].map(([at, due]) => ({
    at,
    due: due.length,
    to: due.length > 1 ? "/" : (due[0]?.link ?? "/"),
    says: `${due.map((d) => d.text).join("; ")}, ${clock.when(at)}`,
  }));
  const hours = Array.from(
    { length: Math.ceil(span / 3_600_000) },
    (_, i) => new Date(Math.ceil(from / 3_600_000) * 3_600_000 + i * 3_600_000),
  )
    .map((d) => ({ d, ...clock.hour(d), full: clock.toField(d).endsWith(":00") }))
    .filter((t) => t.full && t.h % 3 === 0);
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
        {line.windows
          .filter((w) => w.purpose === "leaf")
          .map((w) => (
            <Window key={w.from} w={w} left={x(w.from)} right={Math.min(x(w.to), 1279)} />
          ))}
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
            {h.h === 0 ? clock.day(h.d) : h.text}
          </text>
        ))}
        {line.brews.map((b, i) => (
          <Loaf
            key={b.id}
            brew={b}
            x={x}
            unit={span / 1280}
            row={i}
            open={() => go(`/brew/${b.id}`)}
            moved={setMoved}
            says={setSays}
          />
        ))}
        {line.waits.map((w) => (
          <g key={w.at + w.text} transform={`translate(${x(w.at)} ${BASE})`}>
            <path d="M-6 -10h12v12h-12z" className="fill-straw stroke-paper" strokeWidth="1.5" />
            <title>{w.text}</title>
          </g>
        ))}
        {dates.map((d) => (
          <g
            key={d.at}
            role="link"
            tabIndex={0}
            aria-label={d.says}
            className="cursor-pointer"
            onClick={() => go(d.to)}
            onKeyDown={(e) => e.key === "Enter" && go(d.to)}
            transform={`translate(${x(d.at)} ${BASE})`}
          >
            <rect x="-22" y="-44" width="44" height="44" fill="transparent" />
            <path d="M0 0V-26" className="stroke-ink" strokeWidth="2" />
            <path d="M0 -27h17v13h-17z" className="fill-paper stroke-ink" strokeWidth="1.8" />
            {d.due > 1 && (
              <text x="8.5" y="-16" textAnchor="middle" fontSize="12" fontWeight="700" className="fill-ink figures">
                {d.due}
              </text>
            )}
            <title>{d.says}</title>
          </g>
        ))}
        {line.rounds.map((r) => (
          <g
            key={r.at + r.text}
            role="link"
            tabIndex={0}
            aria-label={`${r.text}, ${clock.when(r.at)}`}
            className="cursor-pointer"
            onClick={() => go(r.link)}
            onKeyDown={(e) => e.key === "Enter" && go(r.link)}
            transform={`translate(${x(r.at)} ${BASE})`}
          >
            <rect x="-44" y="-44" width="44" height="44" fill="transparent" />
            <path
              d="M-34 0a17 20 0 0 1 34 0"
              fill="none"
              strokeDasharray="4 4"
              className="stroke-clay"
              strokeWidth="2.2"
            />
            <text x="-17" y="-24" textAnchor="middle" fontSize="13" className="fill-clay halo">
              again
            </text>
            <title>{`${r.text}, ${clock.when(r.at)}`}</title>
          </g>
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
      <Remark
        says={says}
        moved={moved}
        clear={() => {
          setSays(null);
          setMoved(null);
        }}
      />
    </div>
  );
}

/** A stretch in which leaves can be sprayed: a bracket that opens the windows. */
function Window({ w, left, right }: { w: Schemas["DayWindow"]; left: number; right: number }) {
  const clock = useClock();
  const go = useNavigate();
  const open = () => go("/put-out/windows");
  return (
    <g
      role="link"
      tabIndex={0}
      aria-label={`Leaves can be sprayed ${clock.when(w.from)} to ${clock.time(w.to)}: ${w.sentence}`}
      className="cursor-pointer"
      onClick={open}
      onKeyDown={(e) => e.key === "Enter" && open()}
    >
      <rect x={left} y={BASE} width={Math.max(0, right - left)} height="28" fill="transparent" />
      <path d={`M${left} ${BASE + 2}v8H${right}v-8`} fill="none" className="stroke-moss" strokeWidth="3.2" />
      <title>{`leaves: ${clock.time(w.from)} to ${clock.time(w.to)}, ${w.sentence}`}</title>
    </g>
  );
}

/** What sliding a brew does, and the way back. */
function Remark({
  says,
  moved,
  clear,
}: {
  says: { name: string; verdict: Schemas["Verdict"] } | null;
  moved: Moved | null;
  clear: () => void;
}) {
  const clock = useClock();
  const back = useWrite(
    "/api/brew/batches/{id}/move",
    (m: Moved) => ({
      params: { path: { id: m.id } },
      body: { useAt: m.from, version: m.version },
    }),
    clear,
  );
  if (!says && !moved) return null;
  const look = says && looks[says.verdict.tone];
  return (
    <div role="status" className="mx-auto flex max-w-[88rem] flex-wrap items-center gap-x-5 border-t border-line px-7">
      {says && (
        <p className="py-2">
          <b className={look?.colour}>
            {look?.mark} {says.name}: {says.verdict.sentence}
          </b>{" "}
          {says.verdict.why}
        </p>
      )}
      {moved && (
        <Button kind="plain" disabled={back.isPending} onClick={() => back.mutate(moved)}>
          put {moved.name} back to {clock.when(moved.from)}
        </Button>
      )}
      <Button kind="plain" onClick={clear}>
        all right
      </Button>
    </div>
  );
}
