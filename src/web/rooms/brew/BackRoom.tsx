import { useState } from "react";
import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Pick } from "../../parts/Pick";
import { Curves } from "../../parts/Curves";
import { Room } from "../../parts/Room";
import { useClock } from "../../parts/clock";

/** All brews that are over, laid over each other by hours since their start; two of them side by side; what went with the failures. */
export function BackRoom() {
  const clock = useClock();
  const [filter, setFilter] = useState({ vessel: "", recipe: "", outcome: "" });
  const [pair, setPair] = useState<number[]>([]);
  const query = Object.fromEntries(Object.entries(filter).filter(([, v]) => v));
  const back = useRead("/api/brew/looking-back", { params: { query } });
  const v = back;
  const chosen = v?.brews.filter((b) => pair.includes(b.id)) ?? [];
  const end = Math.max(24, ...(v?.brews.map((b) => b.hours) ?? []));
  const options = (names: string[] | undefined) => [
    { value: "", name: "all" },
    ...(names ?? []).map((n) => ({ value: n, name: n })),
  ];
  const toggle = (id: number) => setPair(pair.includes(id) ? pair.filter((x) => x !== id) : [...pair, id].slice(-2));
  return (
    <Room
      title="Looking back"
      under={v?.says}
      peek={v?.went[0]?.sentence ?? "What went with the failures"}
      bench={
        <>
          <div className="grid gap-x-4 gap-y-2 sm:grid-cols-3">
            <Pick
              label="Vessel"
              value={filter.vessel}
              options={options(v?.vessels)}
              onChange={(vessel) => setFilter({ ...filter, vessel })}
            />
            <Pick
              label="Recipe"
              value={filter.recipe}
              options={options(v?.recipes)}
              onChange={(recipe) => setFilter({ ...filter, recipe })}
            />
            <Pick
              label="Came to"
              value={filter.outcome}
              options={[
                { value: "", name: "all" },
                { value: "used", name: "put out" },
                { value: "failed", name: "the heap" },
              ]}
              onChange={(outcome) => setFilter({ ...filter, outcome })}
            />
          </div>
          {v && <Overlay brews={v.brews} pair={pair} endH={end} />}
          <ul className="figures mt-3">
            {v?.brews.map((b) => (
              <li key={b.id} className="flex items-start justify-between gap-3 border-t border-line py-2">
                <span>
                  <Link to={`/brew/${b.id}`} className="font-bold underline decoration-line underline-offset-4">
                    {b.name}
                  </Link>{" "}
                  {clock.date(b.at)}, {b.vessel}
                  {b.recipe && `, ${b.recipe}`}
                  <br />
                  <span className={b.failed ? "text-plum" : "text-ash"}>
                    {b.failed ? "✕ " : "✓ "}
                    {b.outcome}
                  </span>
                </span>
                <button
                  type="button"
                  aria-pressed={pair.includes(b.id)}
                  aria-label={`beside: ${b.name} of ${clock.date(b.at)}`}
                  className={`min-h-11 whitespace-nowrap px-2 ${pair.includes(b.id) ? "font-bold text-clay" : "text-clay underline"}`}
                  onClick={() => toggle(b.id)}
                >
                  <span aria-hidden>{pair.includes(b.id) ? "● " : "○ "}</span>beside
                </button>
              </li>
            ))}
          </ul>
        </>
      }
      slate={
        <>
          {chosen.length === 2 && <Beside pair={chosen} />}
          <section>
            <h2 className="text-xl">What went with the failures</h2>
            {v?.went.length === 0 && <p>Nothing stands out.</p>}
            <ul>
              {v?.went.slice(0, 6).map((w) => (
                <li key={w.id} className="border-t border-line py-2">
                  <b>{w.name}.</b> {w.sentence}
                </li>
              ))}
            </ul>
          </section>
        </>
      }
    />
  );
}

/** Every brew as a thin line of its readings; those chosen stand out. */
function Overlay({ brews, pair, endH }: { brews: Schemas["BackLine"][]; pair: number[]; endH: number }) {
  const x = (h: number) => 40 + (Math.min(h, endH) / endH) * 546;
  const y = (mg: number) => 290 - (mg / 10) * 260;
  const line = (b: Schemas["BackLine"]) =>
    b.readings.map((r, i) => `${i ? "L" : "M"}${x(r.h).toFixed(1)} ${y(r.mgPerL).toFixed(1)}`).join("");
  return (
    <figure className="m-0 mt-4">
      <svg
        viewBox="0 0 600 330"
        className="h-auto w-full"
        role="img"
        aria-label={`Oxygen readings of ${brews.length} brews by hours since their start; each is listed below with its outcome.`}
      >
        <rect x="40" y={y(6)} width="546" height={y(0) - y(6)} className="fill-shade" />
        <path d={`M40 ${y(6)}H586`} className="stroke-plum" strokeWidth="1.6" />
        <text x="46" y={y(6) + 18} fontSize="15" fontWeight="700" className="fill-plum halo">
          not fit below 6 mg/L
        </text>
        {[0, 2, 4, 6, 8, 10].map((mg) => (
          <text key={mg} x="34" y={y(mg) + 5} textAnchor="end" fontSize="15" className="fill-ink figures">
            {mg}
          </text>
        ))}
        {Array.from({ length: Math.floor(endH / 6) + 1 }, (_, i) => i * 6).map((h) => (
          <text
            key={h}
            x={x(h)}
            y="312"
            textAnchor={x(h) > 570 ? "end" : "middle"}
            fontSize="15"
            className="fill-ink figures"
          >
            {h} h
          </text>
        ))}
        {brews.map((b) => {
          const on = pair.includes(b.id);
          return (
            <g key={b.id} opacity={pair.length > 0 && !on ? 0.35 : 1}>
              <path
                d={line(b)}
                fill="none"
                className={b.failed ? "stroke-plum" : "stroke-river"}
                strokeWidth={on ? 4 : 1.8}
                strokeDasharray={b.failed ? "7 4" : undefined}
              />
              {b.readings.map((r, i) =>
                b.failed ? (
                  <path
                    key={i}
                    d={`M${x(r.h) - 4} ${y(r.mgPerL) - 4}l8 8m0-8l-8 8`}
                    className="stroke-plum"
                    strokeWidth="2"
                  />
                ) : (
                  <circle
                    key={i}
                    cx={x(r.h)}
                    cy={y(r.mgPerL)}
                    r="3.5"
                    className="fill-paper stroke-river"
                    strokeWidth="2"
                  />
                ),
              )}
            </g>
          );
        })}
      </svg>
      <figcaption className="text-ash">○ put out, whole line · ✕ heaped, broken line</figcaption>
    </figure>
  );
}

/** Two brews beside each other: what differed, and how they went. */
function Beside({ pair: [a, b] }: { pair: Schemas["BackLine"][] }) {
  if (!a || !b) return null;
  const rows: [string, string, string][] = [
    ["vessel", a.vessel, b.vessel],
    ["warmth", a.warmthShown, b.warmthShown],
    ["air", a.airShown, b.airShown],
    ["on air", `${a.hours.toFixed(1)} h`, `${b.hours.toFixed(1)} h`],
    ["foods", a.foods || "none", b.foods || "none"],
    ["came to", a.outcome, b.outcome],
    ["taught", a.learnt.join("; ") || "nothing much", b.learnt.join("; ") || "nothing much"],
  ];
  return (
    <section aria-label="Two beside each other">
      <h2 className="text-xl">Beside each other</h2>
      <Curves
        title="Two brews"
        curves={[a, b].map((x) => ({ name: x.name, points: x.readings, dots: true }))}
        endH={Math.max(a.hours, b.hours, 12)}
      />
      <table className="figures w-full text-left">
        <thead>
          <tr>
            <td />
            <th scope="col">{a.name}</th>
            <th scope="col">{b.name}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([what, x, y]) => (
            <tr key={what} className="border-t border-line align-top">
              <th scope="row" className="py-1 pr-3 font-normal text-ash">
                {what}
              </th>
              <td className={`pr-3 ${x === y ? "" : "font-bold"}`}>{x}</td>
              <td className={x === y ? "" : "font-bold"}>{y}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
