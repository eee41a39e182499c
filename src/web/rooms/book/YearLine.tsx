import { type KeyboardEvent, useState } from "react";
import { useRead } from "../../api/data";
import { Pick } from "../../parts/Pick";
import { useClock } from "../../parts/clock";

const L = 104;
const W = 760;
const Row = 22;
const Top = 22;

const kinds: Record<string, { name: string; shape: (x: number, y: number) => string; look: string }> = {
  job: { name: "put out", shape: (x, y) => `M${x} ${y - 8}q7 8 7 11a7 6 0 0 1-14 0q0-3 7-11z`, look: "fill-river" },
  batch: { name: "brew begun", shape: (x, y) => `M${x - 8} ${y + 6}q0-13 8-13t8 13z`, look: "fill-clay" },
  harvest: { name: "harvested", shape: (x, y) => `M${x - 6} ${y - 6}h12v12h-12z`, look: "fill-moss" },
  seen: { name: "seen", shape: (x, y) => `M${x - 8} ${y}l8-7l8 7l-8 7z`, look: "fill-straw" },
};

/** Arrow keys walk from mark to mark of a line, and from line to line. */
function walk(e: KeyboardEvent<SVGGElement>, choose: () => void) {
  if (e.key === "Enter" || e.key === " ") {
    e.preventDefault();
    choose();
    return;
  }
  const [row, mark] = [e.currentTarget.parentElement!, e.currentTarget];
  const beside = { ArrowRight: mark.nextElementSibling, ArrowLeft: mark.previousElementSibling }[e.key];
  const other = { ArrowDown: row.nextElementSibling, ArrowUp: row.previousElementSibling }[e.key];
  const to = beside ?? other?.querySelector("[data-mark]");
  if (!(to instanceof SVGElement) || !(to.hasAttribute("data-mark") || other)) return;
  e.preventDefault();
  to.focus();
}

/** The year as a line: what happened where, each mark a door to its day. */
export function YearLine({ choose, bed }: { choose: (day: string) => void; bed: string }) {
  const clock = useClock();
  const [year, setYear] = useState<number | null>(null);
  const view = useRead("/api/book/year", { params: { query: { year: year ?? undefined } } });
  const rows = view.rows.filter((r) => bed === "" || String(r.bedId) === bed);
  const from = Date.parse(view.from);
  const span = Date.parse(view.to) - from + 86_400_000;
  const x = (on: string) => L + ((Date.parse(on) - from) / span) * (W - L - 8);
  const months = Array.from({ length: 12 }, (_, i) => `${view.from.slice(0, 4)}-${String(i + 1).padStart(2, "0")}-01`);
  const word = new Intl.DateTimeFormat("en-GB", { month: "short", timeZone: "UTC" });
  const H = Top + rows.length * Row + 4;
  if (rows.length === 0) return null;
  return (
    <section aria-label={`The year ${view.from.slice(0, 4)}`} className="mt-3">
      <div className="overflow-x-auto">
        <svg
          viewBox={`0 0 ${W} ${H}`}
          className="block w-full min-w-[36rem]"
          role="group"
          aria-label="What happened where"
        >
          {months.map((m) => (
            <g key={m}>
              <path d={`M${x(m)} ${Top - 6}V${H}`} className="stroke-line" strokeWidth="1" />
              <text x={x(m) + 4} y="13" fontSize="13" className="fill-ash">
                {word.format(new Date(m)).slice(0, 3)}
              </text>
            </g>
          ))}
          {rows.map((r, i) => {
            const y = Top + i * Row + Row / 2;
            return (
              <g key={r.bed}>
                <text x={L - 8} y={y + 4} fontSize="13" textAnchor="end" className="fill-ink">
                  {r.bed}
                </text>
                <path d={`M${L} ${y}H${W - 8}`} className="stroke-line" strokeWidth="1" />
                {r.marks.map((m, j) => {
                  const kind = kinds[m.kind] ?? kinds.seen!;
                  const open = () => choose(m.on);
                  const says = `${r.bed}, ${clock.sayDate(m.on)}: ${m.title}${m.count > 1 ? ` and ${m.count - 1} more` : ""}`;
                  return (
                    <g
                      key={`${m.on}${m.kind}`}
                      data-mark
                      role="link"
                      tabIndex={j === 0 ? 0 : -1}
                      aria-label={says}
                      className="cursor-pointer"
                      onClick={open}
                      onKeyDown={(e) => walk(e, open)}
                    >
                      <path d={kind.shape(x(m.on), y)} className={`${kind.look} stroke-paper`} strokeWidth="1.5" />
                      <title>{says}</title>
                    </g>
                  );
                })}
              </g>
            );
          })}
        </svg>
      </div>
      <div className="flex flex-wrap items-center gap-x-5">
        {Object.values(kinds).map((k) => (
          <span key={k.name} className="inline-flex items-center gap-1.5 text-ash">
            <svg viewBox="0 0 20 20" className="h-5 w-5" aria-hidden>
              <path d={k.shape(10, 10)} className={k.look} />
            </svg>
            {k.name}
          </span>
        ))}
        {view.years.length > 1 && (
          <Pick
            label="Year"
            value={view.from.slice(0, 4)}
            options={view.years.map((y) => ({ value: String(y), name: String(y) }))}
            onChange={(y) => setYear(Number(y))}
          />
        )}
      </div>
    </section>
  );
}
