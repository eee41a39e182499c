import type { Schemas } from "../../api/client";
import { Interval } from "../../parts/Interval";

type Row = Schemas["ReckonRowView"];

/** From money of a large area to a place across a bar: near nought evenly, further out drawn closer, as gains may lie far apart. */
export function scaleOf(rows: readonly Row[]) {
  const ends = rows.filter((r) => r.priced).flatMap((r) => [Math.abs(r.lower), Math.abs(r.upper)]);
  const most = Math.max(...ends, 1);
  const mids = rows.filter((r) => r.priced).map((r) => Math.max(Math.abs(r.mean), 1));
  const soft = Math.max(most / 400, Math.min(...mids, most));
  const far = Math.asinh(most / soft) * 1.06;
  const at = (v: number) => 0.5 + Math.asinh(v / soft) / far / 2;
  const marks: number[] = [];
  for (let p = 10 ** Math.floor(Math.log10(soft) + 0.5); p <= most; p *= 10) marks.push(p);
  const shown = marks.length > 3 ? marks.filter((_, i) => (marks.length - 1 - i) % 2 === 0) : marks;
  return { at, marks: shown };
}

const few = (v: number) => (v >= 1000 ? v.toLocaleString("en") : String(Number(v.toPrecision(2))));

/** One practice's bar: whole where it was measured here, dashed where it is guessed from elsewhere. */
export function Bar({ row: r, at }: { row: Row; at: (v: number) => number }) {
  if (!r.priced)
    return (
      <p className="text-ash">
        {r.rangeShown || "no interval"}
        {r.why && <span className="block text-base">{r.why}</span>}
      </p>
    );
  const x = (v: number) => at(v) * 400;
  return (
    <svg viewBox="0 0 400 34" className="h-9 w-full" preserveAspectRatio="none" aria-hidden>
      <rect x="200" width="200" height="34" className="fill-moss" fillOpacity="0.14" />
      <path d="M200 0V34" className="stroke-ink" strokeWidth="2" />
      <Interval x={x} y={17} lower={r.lower} upper={r.upper} end={8} dashed={!r.measured} />
      <path d={`M${x(r.mean)} 7l8 10-8 10-8-10z`} className="fill-clay" />
    </svg>
  );
}

/** Marks under the bars. */
export function Axis({ at, marks, area }: { at: (v: number) => number; marks: readonly number[]; area: string }) {
  return (
    <div className="relative h-12 text-base text-ash" aria-hidden>
      {[...marks.map((m) => -m).reverse(), 0, ...marks].map((m) => (
        <span key={m} className="figures absolute -translate-x-1/2" style={{ left: `${at(m) * 100}%` }}>
          {m === 0 ? "0" : `${m < 0 ? "−" : "+"}${few(Math.abs(m))}`}
        </span>
      ))}
      <span className="absolute right-0 top-6">money {area}, closer together further out</span>
    </div>
  );
}
