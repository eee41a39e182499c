import { type PointerEvent, useEffect, useRef, useState } from "react";
import type { Schemas } from "../api/client";
import { useWorkOut, useWrite } from "../api/data";
import type { Problem } from "../api/problem";
import { useClock } from "./clock";

export const BASE = 84;
const quarter = 15 * 60_000;

interface Props {
  brew: Schemas["DayBrew"];
  x: (at: string) => number;
  /** Milliseconds that one unit of the line stands for. */
  unit: number;
  row: number;
  open: () => void;
  /** Says what was moved, so that it can be put back. */
  moved: (m: { id: number; name: string; from: string; to: string; version: string }) => void;
  /** What sliding it would do, while it is held. */
  says: (v: { name: string; verdict: Schemas["Verdict"] } | null) => void;
}

const refused = (p: Problem): Schemas["Verdict"] => ({
  tone: "stop",
  sentence: p.fields[0]?.wrong ?? p.message,
  why: p.fields[0]?.wayOut ?? p.detail,
});

/**
 * A loaf: as high as it is grown; its crust turns ragged where oxygen runs short.
 * It is taken hold of and slid, by pointer, touch or arrow keys; everything planned backwards slides along.
 */
export function Loaf({ brew, x, unit, row, open, moved, says }: Props) {
  const clock = useClock();
  const [slid, setSlid] = useState<number | null>(null);
  const from = useRef<{ x: number; scale: number } | null>(null);
  const use = new Date(brew.useAt).getTime();
  const wanted = new Date(use + (slid ?? 0)).toISOString();
  const path = { params: { path: { id: brew.id } } };
  const asked = slid !== null && slid !== 0;
  const look = useWorkOut(
    "/api/brew/batches/{id}/move/work-out",
    asked ? { ...path, body: { useAt: wanted, version: null } } : null,
  );
  const answer = look.waits ? undefined : look.data?.verdict;
  const { problem } = look;
  const { name } = brew;
  useEffect(() => {
    const verdict = problem ? refused(problem) : answer;
    if (verdict) says({ name, verdict });
  }, [problem, answer, name, says]);
  const move = useWrite(
    "/api/brew/batches/{id}/move",
    (useAt: string) => ({ ...path, body: { useAt, version: brew.version } }),
    () => setSlid(null),
  );
  const commit = (by: number) => {
    if (by === 0) return setSlid(null);
    const to = new Date(use + by).toISOString();
    move.mutate(to, {
      onSuccess: (kept) => moved({ id: brew.id, name: brew.name, from: brew.useAt, to, version: kept.version }),
      onError: (p) => {
        says({ name, verdict: refused(p) });
        setSlid(null);
      },
    });
  };
  const by = (e: PointerEvent) =>
    from.current ? Math.round(((e.clientX - from.current.x) * from.current.scale * unit) / quarter) * quarter : 0;
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
  const shift = (slid ?? 0) / unit;
  // What is planned slides whole; of a brew that is going only its end moves.
  const whole = planned ? shift : 0;
  const state = planned ? "planned" : brew.state === "Off" ? "air off" : "brewing";
  const label = `${brew.name}, ${state}, out at ${clock.when(wanted)}${look.data && slid ? `: ${look.data.verdict.sentence}` : ""}`;
  return (
    <g
      role={brew.moves ? "slider" : "link"}
      tabIndex={0}
      aria-label={label}
      aria-valuemin={brew.moves ? 0 : undefined}
      aria-valuemax={brew.moves ? 2000 : undefined}
      aria-valuenow={brew.moves ? Math.round(1000 + (slid ?? 0) / quarter) : undefined}
      aria-valuetext={brew.moves ? label : undefined}
      className={brew.moves ? "cursor-grab touch-none" : "cursor-pointer"}
      onPointerDown={(e) => {
        if (!brew.moves || e.button > 0) return;
        const svg = e.currentTarget.ownerSVGElement!;
        from.current = { x: e.clientX, scale: 1280 / svg.getBoundingClientRect().width };
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={(e) => from.current && Math.abs(e.clientX - from.current.x) > 4 && setSlid(by(e))}
      onPointerUp={(e) => {
        const still = from.current && Math.abs(e.clientX - from.current.x) <= 4;
        const d = by(e);
        from.current = null;
        if (still) open();
        else commit(d);
      }}
      onPointerCancel={() => {
        from.current = null;
        setSlid(null);
      }}
      onClick={brew.moves ? undefined : open}
      onKeyDown={(e) => {
        const step = { ArrowRight: quarter, ArrowLeft: -quarter, PageUp: -4 * quarter, PageDown: 4 * quarter }[e.key];
        if (brew.moves && step) {
          e.preventDefault();
          setSlid((slid ?? 0) + step);
        }
        if (e.key === "Escape") {
          setSlid(null);
          says(null);
        }
        if (e.key === "Enter") {
          if (slid) commit(slid);
          else open();
        }
      }}
      onBlur={() => {
        if (slid && !from.current && !move.isPending) {
          setSlid(null);
          says(null);
        }
      }}
    >
      <g transform={`translate(${whole} 0)`}>
        <path
          d={`M${x(first.at)} ${BASE}${crust}L${x(last.at) + Math.min(6, width / 4)} ${BASE}Z`}
          className={planned ? "fill-paper stroke-clay" : "fill-brew stroke-clay"}
          strokeWidth="2.2"
          strokeDasharray={planned ? "5 4" : undefined}
          strokeLinejoin="round"
        />
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
      {x(brew.useAt) + shift < 1280 && (
        <g transform={`translate(${x(brew.useAt) + shift} 0)`}>
          <path d="M-12 26v-6h24v6" fill="none" className="stroke-clay" strokeWidth="2.6" />
          <path d={`M0 20V${BASE}`} className="stroke-clay" strokeWidth="1" strokeDasharray="2 4" />
          {brew.moves && <rect x="-22" y="8" width="44" height="44" fill="transparent" />}
          {slid !== null && (
            <text y="13" fontSize="15" fontWeight="700" textAnchor="middle" className="fill-clay figures halo">
              {clock.time(wanted)}
            </text>
          )}
        </g>
      )}
    </g>
  );
}
