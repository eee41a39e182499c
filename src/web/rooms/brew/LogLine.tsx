import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Fold } from "../../parts/Fold";
import { Wrote } from "../../parts/Wrote";
import { useClock } from "../../parts/clock";
import { LogList, mendable, Mend, words } from "./LogList";

type Entry = Schemas["LogView"];

const lanes: readonly { name: string; kinds: readonly Schemas["LogKind"][] }[] = [
  { name: "read", kinds: ["oxygen", "warmth", "strip", "pathogen"] },
  { name: "seen", kinds: ["smell", "foam", "note", "photo"] },
  { name: "done", kinds: ["start", "step", "fed", "airTo", "airOff", "heaped"] },
];

const W = 560;
const L = 50;
const Row = 30;

/** The log as a line, on the hours of the chart above it: what was read, seen and done; one entry at a time is told. */
export function LogLine({ batch, endH }: { batch: Schemas["BatchView"]; endH: number }) {
  const clock = useClock();
  const [open, setOpen] = useState<number | null>(null);
  const from = new Date(batch.startedAt ?? batch.plannedStart).getTime();
  const standing = batch.log
    .filter((l) => l.correctedById === null)
    .sort((a, b) => a.at.localeCompare(b.at) || a.id - b.id);
  const x = (at: string) =>
    L + Math.min(Math.max((new Date(at).getTime() - from) / 3_600_000 / endH, 0), 1) * (W - L - 14);
  const told = standing.find((l) => l.id === open) ?? standing.at(-1);
  if (!told) return <p className="text-ash">Nothing is in its log yet.</p>;
  const step = (by: number) => {
    const next = standing[standing.indexOf(told) + by];
    if (next) setOpen(next.id);
  };
  const says = (l: Entry) => `${clock.when(l.at)} ${words[l.kind]} ${l.shown}`;
  return (
    <section aria-label="Log">
      <svg
        viewBox={`0 0 ${W} ${lanes.length * Row + 8}`}
        className="block w-full"
        role="slider"
        tabIndex={0}
        aria-label="Log, entry by entry"
        aria-valuemin={1}
        aria-valuemax={standing.length}
        aria-valuenow={standing.indexOf(told) + 1}
        aria-valuetext={says(told)}
        onKeyDown={(e) => {
          const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[e.key];
          if (!by) return;
          e.preventDefault();
          step(by);
        }}
        onClick={(e) => {
          const box = e.currentTarget.getBoundingClientRect();
          const at = { x: ((e.clientX - box.left) / box.width) * W, y: ((e.clientY - box.top) / box.width) * W };
          const far = (l: Entry) => Math.hypot(x(l.at) - at.x, 4 + (laneOf(l) + 0.5) * Row - at.y);
          setOpen(standing.reduce((a, b) => (far(b) < far(a) ? b : a)).id);
        }}
      >
        {lanes.map((lane, i) => (
          <g key={lane.name}>
            <text x={L - 6} y={i * Row + 24} textAnchor="end" fontSize="16" className="fill-ash">
              {lane.name}
            </text>
            <path d={`M${L} ${4 + (i + 0.5) * Row}H${W - 14}`} className="stroke-line" strokeWidth="1.5" />
          </g>
        ))}
        {standing.map((l) => (
          <Dot key={l.id} x={x(l.at)} y={4 + (laneOf(l) + 0.5) * Row} lane={laneOf(l)} on={l === told} />
        ))}
      </svg>
      <p className="figures flex flex-wrap items-center justify-between gap-x-4">
        <span>
          <time dateTime={told.at}>{clock.when(told.at)}</time> <b>{words[told.kind]}</b> {told.shown}{" "}
          {told.typed && <span className="text-ash">{told.typed} </span>}
          {told.source === "logger" && "(logger)"}
          {told.correctsId !== null && <span className="text-straw"> a correction</span>}
          <Wrote wrote={told.wrote} />
        </span>
        {mendable.includes(told.kind) && !(batch.logSays && told.source === "logger") && (
          <Mend key={told.id} batch={batch} entry={told} />
        )}
      </p>
      {told.photoId !== null && (
        <img
          src={`/api/brew/photos/${told.photoId}`}
          alt={`Photo of ${clock.when(told.at)}`}
          className="mt-1 max-h-56 rounded-xl"
        />
      )}
      <Fold line={`all ${batch.log.length} entries of the log`}>
        <LogList batch={batch} />
      </Fold>
    </section>
  );
}

const laneOf = (l: Entry) =>
  Math.max(
    0,
    lanes.findIndex((lane) => lane.kinds.includes(l.kind)),
  );

/** Round for what was read, a square for what was seen, a stroke for what was done. */
function Dot({ x, y, lane, on }: { x: number; y: number; lane: number; on: boolean }) {
  const look = on ? "fill-clay stroke-clay" : "fill-paper stroke-ink";
  if (lane === 0) return <circle cx={x} cy={y} r={on ? 7 : 5} className={look} strokeWidth="2" />;
  if (lane === 1) return <rect x={x - 5} y={y - 5} width="10" height="10" className={look} strokeWidth="2" />;
  return <path d={`M${x} ${y - 9}V${y + 9}`} className={on ? "stroke-clay" : "stroke-ink"} strokeWidth={on ? 6 : 3} />;
}
