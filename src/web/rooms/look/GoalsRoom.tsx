import { useState } from "react";
import { Link, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Fold } from "../../parts/Fold";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Tick } from "../../parts/Tick";
import { Wrong } from "../../parts/Wrong";
import { GoalForm } from "./GoalForm";

type Goal = Schemas["GoalView"];

const looks = {
  ahead: { colour: "text-moss", mark: "✓", word: "ahead" },
  onIt: { colour: "text-moss", mark: "✓", word: "on it" },
  behind: { colour: "text-straw", mark: "▲", word: "behind" },
  cantTell: { colour: "text-ash", mark: "?", word: "can’t tell" },
} as const;

/** A few goals, each drawn against its line, and what is done for it. */
export function GoalsRoom() {
  const data = useRead("/api/look/goals");
  const ground = useRead("/api/ground");
  const [search, setSearch] = useSearchParams();
  const chosen = data.goals.find((g) => g.id === Number(search.get("goal"))) ?? data.goals[0];
  const adding = search.get("new") !== null || data.goals.length === 0;
  return (
    <Room
      title="Goals"
      under="Where it was, where it is to be and by when; the dashed line is the way there."
      peek={chosen ? `${chosen.name}: ${looks[chosen.answer.value!.stands].word}` : "Set a goal"}
      bench={
        data.goals.length === 0 ? (
          <p className="text-lg">
            None yet. One or two are enough: less bought nitrogen, softer ground, sweeter leaves. The figure of before
            you began may come from an old notebook.
          </p>
        ) : (
          <ul className="flex flex-col">
            {data.goals.map((g) => (
              <li key={g.id}>
                <button
                  type="button"
                  aria-pressed={g.id === chosen?.id && !adding}
                  onClick={() => setSearch({ goal: String(g.id) }, { replace: true })}
                  className="block w-full border-t border-line py-2 text-left"
                >
                  <span className="flex flex-wrap items-baseline justify-between gap-x-4">
                    <b className={`font-head text-xl ${g.id === chosen?.id ? "text-clay" : ""}`}>{g.name}</b>
                    <span className={`font-bold ${looks[g.answer.value!.stands].colour}`}>
                      {looks[g.answer.value!.stands].mark} {looks[g.answer.value!.stands].word}
                    </span>
                  </span>
                  <GoalDrawn goal={g} />
                </button>
              </li>
            ))}
          </ul>
        )
      }
      slate={
        adding ? (
          <>
            <h2 className="text-2xl">Set a goal</h2>
            <GoalForm data={data} ground={ground} goal={null} onKept={(id) => setSearch({ goal: String(id) })} />
          </>
        ) : (
          chosen && (
            <>
              <div aria-live="polite">
                <h2 className={`text-2xl ${looks[chosen.answer.value!.stands].colour}`}>
                  {looks[chosen.answer.value!.stands].mark} {chosen.answer.value!.sentence}
                </h2>
                <p className="mt-1 text-lg">{chosen.follows}</p>
              </div>
              <p>
                {chosen.measured}, {chosen.where}.{" "}
                <Sum working={chosen.answer.working} sure={chosen.answer.sure} of="the line" />
              </p>
              <Words goal={chosen} />
              <Hung key={chosen.id} goal={chosen} recent={data.recent} />
              <Fold line="Change it, or let it go">
                <GoalForm key={chosen.version} data={data} ground={ground} goal={chosen} onKept={() => undefined} />
              </Fold>
              <Button className="self-start" onClick={() => setSearch({ new: "" })}>
                Another goal
              </Button>
            </>
          )
        )
      }
    />
  );
}

function Words({ goal: g }: { goal: Goal }) {
  const clock = useClock();
  const point = (p: Schemas["GoalPoint"]) => `${p.value}${g.unit && ` ${g.unit}`}, ${clock.sayDate(p.on)}`;
  return (
    <dl className="figures grid grid-cols-[8rem_minmax(0,1fr)] gap-x-3">
      <dt className="text-ash">it was</dt>
      <dd>
        {point(g.baseline)}
        {g.baselineFrom && <span className="text-ash"> ({g.baselineFrom})</span>}
      </dd>
      <dt className="text-ash">it is to be</dt>
      <dd>{point(g.target)}</dd>
      {g.met && (
        <>
          <dt className="text-ash">met when</dt>
          <dd>{g.met}</dd>
        </>
      )}
      {g.ifMissed && (
        <>
          <dt className="text-ash">if missed</dt>
          <dd>{g.ifMissed}</dd>
        </>
      )}
    </dl>
  );
}

/** What is done for it, and what it cost. */
function Hung({ goal: g, recent }: { goal: Goal; recent: readonly Schemas["GoalHung"][] }) {
  const clock = useClock();
  const [all, setAll] = useState(false);
  const hang = useWrite("/api/look/goals/{id}/hang", (h: { kind: string; thingId: number; on: boolean }) => ({
    params: { path: { id: g.id } },
    body: h,
  }));
  const is = (t: Schemas["GoalHung"]) => g.hung.some((h) => h.kind === t.kind && h.thingId === t.thingId);
  return (
    <section>
      <h2 className="text-xl">Done for it</h2>
      <p className="figures">{g.spentShown}</p>
      <ul>
        {g.hung.map((h) => (
          <li
            key={h.kind + h.thingId}
            className="flex min-h-11 items-center justify-between gap-3 border-t border-line"
          >
            <Link to={h.link} className="underline decoration-line underline-offset-4">
              {h.text}
            </Link>
            <span className="text-ash">{h.at && clock.date(h.at)}</span>
          </li>
        ))}
      </ul>
      <Button kind="plain" aria-expanded={all} onClick={() => setAll(!all)}>
        hang something from it
      </Button>
      {all && (
        <div className="max-h-80 overflow-y-auto" tabIndex={0} role="group" aria-label="What may be hung from it">
          {recent.map((t) => (
            <Tick
              key={t.kind + t.thingId}
              on={is(t)}
              onToggle={() => hang.mutate({ kind: t.kind, thingId: t.thingId, on: !is(t) })}
              label={t.text}
              under={t.at ? clock.date(t.at) : "a trial"}
            />
          ))}
        </div>
      )}
      <Wrong problem={hang.error} />
    </section>
  );
}

const [W, H, left] = [640, 128, 44];

/** Its figures with their intervals against the wanted line. */
function GoalDrawn({ goal: g }: { goal: Goal }) {
  const clock = useClock();
  const day = (on: string) => Date.parse(on);
  const [from, to] = [day(g.baseline.on), Math.max(day(g.target.on), ...g.points.map((p) => day(p.on)))];
  const values = [
    g.baseline.value,
    g.target.value,
    ...g.points.flatMap((p) => [p.lower ?? p.value, p.upper ?? p.value]),
  ];
  const [low, high] = [Math.min(0, ...values), Math.max(...values) * 1.08 || 1];
  const x = (on: string) => left + ((day(on) - from) / (to - from || 1)) * (W - left - 96);
  const y = (v: number) => H - 22 - ((v - low) / (high - low || 1)) * (H - 36);
  const last = g.points.at(-1);
  const fixed = (v: number) => (Math.abs(v) >= 100 ? v.toFixed(0) : v.toFixed(1));
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="mt-1 w-full" role="img" aria-label={g.answer.value!.sentence}>
      <path d={`M${left} ${H - 22}H${W - 96}`} className="stroke-line" />
      <path
        d={`M${x(g.baseline.on)} ${y(g.baseline.value)}L${x(g.target.on)} ${y(g.target.value)}`}
        className="stroke-ash"
        strokeWidth="2"
        strokeDasharray="6 5"
      />
      <text x={left - 6} y={y(g.baseline.value) + 5} textAnchor="end" fontSize="14" className="fill-ash">
        {fixed(g.baseline.value)}
      </text>
      <path
        d={`M${x(g.target.on) - 7} ${y(g.target.value)}l7 -7l7 7l-7 7Z`}
        className="fill-paper stroke-moss"
        strokeWidth="2"
      />
      <text x={x(g.target.on) + 12} y={y(g.target.value) + 5} fontSize="14" className="fill-moss">
        {fixed(g.target.value)} wanted
      </text>
      {g.points.map((p) => (
        <g key={p.on}>
          {p.lower != null && p.upper != null && (
            <path d={`M${x(p.on)} ${y(p.lower)}V${y(p.upper)}`} className="stroke-ash" strokeWidth="1.3" />
          )}
          <circle cx={x(p.on)} cy={y(p.value)} r="3.5" className="fill-clay" />
        </g>
      ))}
      <polyline
        points={g.points.map((p) => `${x(p.on)},${y(p.value)}`).join(" ")}
        className="fill-none stroke-clay"
        strokeWidth="2"
      />
      {last && (
        <text x={x(last.on) + 7} y={y(last.value) - 7} fontSize="15" fontWeight="700" className="fill-clay halo">
          {fixed(last.value)}
        </text>
      )}
      <text x={left} y={H - 5} fontSize="14" className="fill-ash">
        {clock.sayDate(g.baseline.on)}
      </text>
      <text x={W - 96} y={H - 5} textAnchor="end" fontSize="14" className="fill-ash">
        {clock.sayDate(g.target.on)}
      </text>
    </svg>
  );
}
