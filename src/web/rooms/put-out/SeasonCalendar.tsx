import { type PointerEvent, useId, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Wrong } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

const W = 760;
const LEFT = 130;
const ROW = 46;
const day = 86_400_000;
const at = (on: string) => new Date(on + "T12:00Z").getTime();
const iso = (t: number) => new Date(t).toISOString().slice(0, 10);

type Giving = Schemas["GivingView"];

/** Stages across, kinds down; each giving is a knob that is dragged to another day, or moved with the arrow keys. */
export function SeasonCalendar({ programme }: { programme: Schemas["ProgrammeView"] }) {
  const clock = useClock();
  const hatch = useId();
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<{ id: number; on: string } | null>(null);
  const [undo, setUndo] = useState<{ id: number; on: string; name: string; version: string } | null>(null);
  const move = useWrite("/api/put-out/givings/{id}/move", (m: { id: number; on: string; version: string }) => ({
    params: { path: { id: m.id } },
    body: { on: m.on, version: m.version },
  }));
  const stages = useWrite("/api/put-out/programmes/{id}/stages", (list: Schemas["StageFrom"][]) => ({
    params: { path: { id: programme.id } },
    body: { stages: list },
  }));
  const [stage, setStage] = useState<{ id: string; on: string } | null>(null);
  const [was, setWas] = useState<{ name: string; stages: Schemas["StageFrom"][] } | null>(null);
  const dated = programme.stages.map((s) => ({ id: s.id, name: s.name, from: s.from }));
  const begin = (s: (typeof programme.stages)[number], on: string) => {
    if (on === s.from) return;
    setWas(null);
    stages.mutate(
      dated.map((d) => (d.id === s.id ? { ...d, from: on } : d)),
      { onSuccess: () => setWas({ name: s.name, stages: programme.dated ? dated : [] }) },
    );
  };
  const drop = useWrite("/api/put-out/givings/{id}/drop", (id: number) => ({ params: { path: { id } } }));
  const first = Math.min(at(programme.start), ...programme.givings.map((g) => at(g.on))) - 5 * day;
  const last = Math.max(at(programme.harvest), ...programme.givings.map((g) => at(g.on))) + 5 * day;
  const x = (t: number) => LEFT + ((t - first) / (last - first)) * (W - LEFT - 14);
  const kinds = [...new Map(programme.givings.map((g) => [g.kind, g.name])).entries()];
  const height = 74 + Math.max(kinds.length, 1) * ROW;
  const onAt = (e: PointerEvent) => {
    const box = svg.current!.getBoundingClientRect();
    const px = ((e.clientX - box.left) / box.width) * W;
    return iso(first + ((px - LEFT) / (W - LEFT - 14)) * (last - first));
  };
  const put = (g: Giving, on: string) => {
    if (on === g.on) return;
    setUndo(null);
    move.mutate(
      { id: g.id, on, version: g.version },
      { onSuccess: (kept) => setUndo({ id: g.id, on: g.on, name: g.name, version: kept.version }) },
    );
  };
  const months = Array.from({ length: 30 }, (_, i) => {
    const d = new Date(first);
    return Date.UTC(d.getUTCFullYear(), d.getUTCMonth() + 1 + i, 1, 12);
  }).filter((t) => t < last);
  return (
    <div>
      <div className="overflow-x-auto">
        <svg
          ref={svg}
          viewBox={`0 0 ${W} ${height}`}
          className="block min-w-[40rem] touch-pan-y"
          role="group"
          aria-label={`Season of ${programme.bed}`}
        >
          <defs>
            <pattern id={hatch} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <path d="M0 0V7" className="stroke-line" strokeWidth="1.4" />
            </pattern>
          </defs>
          {programme.stages.map((s, i) => (
            <g key={s.id}>
              <rect
                x={x(at(s.from))}
                y="26"
                width={Math.max(0, x(at(s.to)) - x(at(s.from)))}
                height={height - 52}
                fill={i % 2 ? `url(#${hatch})` : "none"}
                opacity="0.55"
              />
              <path d={`M${x(at(s.from))} 26V${height - 26}`} className="stroke-line" strokeWidth="1" />
              <text x={x(at(s.from)) + (i === 0 ? 4 : 13)} y="19" fontSize="14" className="fill-ink">
                {s.name}
              </text>
            </g>
          ))}
          {programme.stages.slice(1).map((s) => {
            const on = stage?.id === s.id ? stage.on : s.from;
            return (
              <g
                key={`from-${s.id}`}
                role="slider"
                tabIndex={0}
                aria-label={`${s.name} begins`}
                aria-valuemin={0}
                aria-valuemax={Math.round((last - first) / day)}
                aria-valuenow={Math.round((at(on) - first) / day)}
                aria-valuetext={clock.date(on + "T12:00Z")}
                data-stage={s.id}
                transform={`translate(${x(at(on))} 14)`}
                className="cursor-ew-resize touch-none"
                onPointerDown={(e) => {
                  e.currentTarget.setPointerCapture(e.pointerId);
                  setStage({ id: s.id, on: s.from });
                }}
                onPointerMove={(e) => stage?.id === s.id && setStage({ id: s.id, on: onAt(e) })}
                onPointerUp={() => {
                  if (stage?.id === s.id) begin(s, stage.on);
                  setStage(null);
                }}
                onPointerCancel={() => setStage(null)}
                onKeyDown={(e) => {
                  const by = { ArrowRight: 1, ArrowLeft: -1, PageUp: -7, PageDown: 7 }[e.key];
                  if (!by) return;
                  e.preventDefault();
                  begin(s, iso(at(s.from) + by * day));
                }}
              >
                <rect x="-14" y="-14" width="28" height="44" fill="transparent" />
                <path d="M0 14V-6M-7 -9h14v9l-7 7l-7 -7z" className="fill-paper stroke-clay" strokeWidth="2" />
                {stage?.id === s.id && (
                  <>
                    <path d={`M0 12V${height - 40}`} className="stroke-clay" strokeWidth="1.5" strokeDasharray="4 3" />
                    <text y="34" x="8" fontSize="15" fontWeight="700" className="fill-clay halo">
                      {clock.date(on + "T12:00Z")}
                    </text>
                  </>
                )}
              </g>
            );
          })}
          {months.map((t) => (
            <text key={t} x={x(t)} y={height - 6} fontSize="14" textAnchor="middle" className="fill-ash figures">
              {new Date(t).toLocaleDateString("en-GB", { month: "short", timeZone: "UTC" }).slice(0, 3)}
            </text>
          ))}
          {kinds.map(([kind, name], row) => (
            <g key={kind}>
              <text x="4" y={66 + row * ROW} fontSize="15" fontWeight="700" className="fill-ink">
                {name}
              </text>
              <path d={`M${LEFT} ${60 + row * ROW}H${W - 10}`} className="stroke-line" strokeWidth="1" />
            </g>
          ))}
          {programme.givings.map((g) => {
            const row = kinds.findIndex(([k]) => k === g.kind);
            const on = held?.id === g.id ? held.on : g.on;
            const says = `${g.name} on ${clock.date(on + "T12:00Z")}, ${g.stage}: ${g.fit}${g.done ? ", done" : ""}`;
            return (
              <g
                key={g.id}
                role={g.done ? "img" : "slider"}
                aria-label={says}
                aria-valuemin={g.done ? undefined : 0}
                aria-valuemax={g.done ? undefined : Math.round((last - first) / day)}
                aria-valuenow={g.done ? undefined : Math.round((at(on) - first) / day)}
                aria-valuetext={g.done ? undefined : says}
                data-giving={g.id}
                tabIndex={g.done ? undefined : 0}
                transform={`translate(${x(at(on))} ${60 + row * ROW})`}
                className={g.done ? "" : "cursor-grab touch-none"}
                onPointerDown={(e) => {
                  if (g.done) return;
                  e.currentTarget.setPointerCapture(e.pointerId);
                  setHeld({ id: g.id, on: g.on });
                }}
                onPointerMove={(e) => held?.id === g.id && setHeld({ id: g.id, on: onAt(e) })}
                onPointerUp={() => {
                  if (held?.id === g.id) put(g, held.on);
                  setHeld(null);
                }}
                onPointerCancel={() => setHeld(null)}
                onKeyDown={(e) => {
                  const by = { ArrowRight: 1, ArrowLeft: -1, PageUp: -7, PageDown: 7, ArrowUp: -7, ArrowDown: 7 }[
                    e.key
                  ];
                  if (by && !g.done) {
                    e.preventDefault();
                    put(g, iso(at(g.on) + by * day));
                  }
                  if (e.key === "Delete" && !g.done) drop.mutate(g.id);
                }}
              >
                <rect x="-22" y="-22" width="44" height="44" fill="transparent" />
                <path
                  d={
                    g.fit === "right"
                      ? "M0 -13a13 13 0 1 0 .01 0z"
                      : g.fit === "late"
                        ? "M0 -14L14 11H-14z"
                        : "M-11 -11h22v22h-22z"
                  }
                  className={
                    g.done
                      ? "fill-ash stroke-ash"
                      : g.fit === "right"
                        ? "fill-moss stroke-moss"
                        : g.fit === "late"
                          ? "fill-straw stroke-straw"
                          : "fill-plum stroke-plum"
                  }
                  strokeWidth="2"
                />
                <text y="5" fontSize="14" fontWeight="700" textAnchor="middle" className="fill-paper" aria-hidden>
                  {g.done ? "✓" : g.purpose === "leaf" ? "L" : "R"}
                </text>
                {held?.id === g.id && (
                  <text y="-22" fontSize="15" fontWeight="700" textAnchor="middle" className="fill-clay halo">
                    {clock.date(on + "T12:00Z")}
                  </text>
                )}
              </g>
            );
          })}
        </svg>
      </div>
      <p className="text-ash">
        Round: in its time. Triangle: too late. Square: wasted. L on leaves, R to roots; ✓ done. Drag one to another
        day, or the peg of a stage to where it begins; with the keys, arrows move it by a day, Page Up and Down by a
        week, Delete takes it off.
      </p>
      {undo && (
        <p role="status">
          {undo.name} moved.{" "}
          <Button
            kind="plain"
            onClick={() => {
              move.mutate({ id: undo.id, on: undo.on, version: undo.version });
              setUndo(null);
            }}
          >
            Put it back on {clock.date(undo.on + "T12:00Z")}
          </Button>
        </p>
      )}
      {was && (
        <p role="status">
          {was.name} begins elsewhere now; what is laid is judged by it.{" "}
          <Button
            kind="plain"
            onClick={() => {
              stages.mutate(was.stages);
              setWas(null);
            }}
          >
            Put it back
          </Button>
        </p>
      )}
      <Wrong problem={move.error ?? drop.error ?? stages.error} />
      {programme.misses.map((m) => (
        <p key={m}>
          <b className="text-straw">▲</b> {m}
        </p>
      ))}
    </div>
  );
}
