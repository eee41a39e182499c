import { useDeferredValue, useState } from "react";
import { useNavigate, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { Refusals } from "../../parts/Form";
import { useRead, useReadIf, useWorkOut, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Fold } from "../../parts/Fold";
import { Go } from "../../parts/Go";
import { OxygenChart } from "../../parts/OxygenChart";
import { RacePanel } from "../../parts/RacePanel";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { Wrong, WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { PlanAmounts } from "./PlanAmounts";
import { PlanQuestions } from "./PlanQuestions";

type Plan = Schemas["PlanRequest"];

/** What a plan begins with, before anything is asked of it: the same brew again, or the first bed. */
function startingPlan(
  ground: Schemas["GroundView"],
  hour: string,
  asked: URLSearchParams,
  again: Plan | undefined,
): Plan {
  const useAt = asked.get("at") ?? hour;
  if (again) return { ...again, useAt, choices: {}, roundId: Number(asked.get("round")) || null };
  return {
    startNow: asked.has("now"),
    making: asked.get("making") === "extract" ? "extract" : null,
    bedIds: ground.beds.slice(0, 1).map((b) => b.id),
    purpose: asked.get("purpose") === "root" ? "root" : "leaf",
    recipe: asked.get("recipe"),
    vesselId: Number(asked.get("vessel")) || null,
    useAt,
    warmthC: 18,
    swingC: 2,
    choices: {},
  };
}

export function PlanBrew() {
  const ground = useRead("/api/ground");
  const [search] = useSearchParams();
  const purpose = search.get("purpose") === "root" ? "root" : "leaf";
  const hour = useRead("/api/brew/plan/hour", { params: { query: { purpose } } });
  const id = Number(search.get("again")) || 0;
  const again = useReadIf(id > 0, "/api/brew/batches/{id}/again", { params: { path: { id } } });
  return <Planner key={search.toString()} ground={ground} hour={hour.at} again={again} />;
}

/** Choose beds, leaf or root, and when; all the rest is worked back from there and follows what is dragged. */
function Planner({ ground, hour, again }: { ground: Schemas["GroundView"]; hour: string; again: Plan | undefined }) {
  const clock = useClock();
  const go = useNavigate();
  const [search] = useSearchParams();
  const [plan, setPlan] = useState<Plan>(() => startingPlan(ground, hour, search, again));
  const asked = useDeferredValue(plan);
  const worked = useWorkOut("/api/brew/plan", { body: asked });
  const keep = useWrite(
    "/api/brew/batches",
    (body: Plan) => ({ body }),
    (kept) => go(`/brew/${kept.id}`),
  );
  const problem = worked.problem;
  const data = worked.last;
  const view = data?.value ?? null;
  const p = view?.plan;
  const fork = (id: string) => data?.forks.find((f) => f.id === id);
  const choose = (id: string, school: string) =>
    setPlan({ ...plan, choices: { ...plan.choices, [id]: school }, making: id === "root-brew" ? null : plan.making });
  return (
    <Refusals problem={[worked.problem, keep.error]}>
      {" "}
      <Room
        title={again ? "Brew it again" : "Plan a brew"}
        under={
          p
            ? `${view.brewShown} of ${p.making} for ${clock.when(p.useAt)}; it covers ${view.coversShown}`
            : "From the ground to cover, backwards."
        }
        peek={problem ? problem.message : p?.verdict.sentence}
        bench={
          <>
            <PlanQuestions plan={plan} kit={view} setPlan={setPlan} ground={ground} />
            <WrongElse />
            {view && data && (
              <PlanAmounts
                view={view}
                plan={plan}
                setPlan={setPlan}
                fork={fork}
                choose={choose}
                ground={ground}
                stale={!!problem}
              />
            )}
          </>
        }
        slate={
          view && p && data ? (
            <>
              <Verdict verdict={p.verdict} />
              {view.forwardSays && (
                <p className="border-l-4 border-river pl-3">
                  {view.forwardSays}
                  {p.making === "tea" && " Each reading moves it."}
                </p>
              )}
              {p.making === "tea" && <OxygenChart forecast={p.forecast} start={p.startAt} useAtH={p.brewHours} low />}
              <dl className="figures grid grid-cols-2 gap-x-5 sm:grid-cols-4">
                <Figure
                  name="ready, 8 in 10"
                  value={
                    p.making === "tea"
                      ? `${hours(p.forecast.readyAtH.low10)} to ${hours(p.forecast.readyAtH.high90)}`
                      : "at once"
                  }
                />
                {(p.making === "tea" || p.making === "bubbled") && (
                  <>
                    <Figure name="lowest oxygen" value={`${p.run.minDO.toFixed(1)} mg/L`} />
                    <Figure name="below 6 for" value={`${p.run.hoursBelow6.toFixed(1)} h`} />
                  </>
                )}
                {view.race && <Figure name="without air" value={view.race.graceShown} />}
              </dl>
              <p className="flex flex-wrap items-center gap-4">
                <Button kind="filled" disabled={keep.isPending || !!problem} onClick={() => keep.mutate(plan)}>
                  {plan.startNow ? "Begin it now" : "Keep this plan"}
                </Button>
                <Go to={`/brew/ask?plan=${encodeURIComponent(JSON.stringify(plan))}`}>Ask it what if</Go>
                <Sum working={data.working} sure={data.sure} of="this plan" />
              </p>
              {p.strength && (
                <p>
                  Strength: <b>{p.strength.litresPer100L.toFixed(1)} of compost to 100 of water</b>, by volume; one more
                  load would add {p.strength.nextLoadAdds.toFixed(1)}.
                </p>
              )}
              <p className="text-ash">{p.nutrients.sentence}</p>
              {[...p.groundSays, ...view.waits].map((w) => (
                <p key={w} className="border-l-4 border-straw pl-3">
                  {w}
                </p>
              ))}
              <div className="border-b border-line">
                <Fold
                  line={
                    plan.startNow
                      ? "From now on, step by step"
                      : `Backwards from there: begin ${clock.when(p.steps[0]?.at ?? p.startAt)}`
                  }
                  open
                >
                  <Schedule steps={p.steps} />
                </Fold>
                {view.race && (
                  <Fold line={`The race to the ground: ${view.race.verdict.sentence}`}>
                    <RacePanel race={view.race} asked={plan.race} setAsked={(race) => setPlan({ ...plan, race })} />
                  </Fold>
                )}
                <Fold line={`${data.cautions.length} things to mind`}>
                  <ul>
                    {data.cautions.map((c) => (
                      <li key={c.id} className="py-1">
                        <b className="text-straw">▲ Mind</b> {c.text} <span className="text-ash">{c.localRule}</span>
                      </li>
                    ))}
                  </ul>
                </Fold>
              </div>
            </>
          ) : (
            <Wrong problem={problem} />
          )
        }
      />
    </Refusals>
  );
}

const hours = (h: number | null) => (h === null ? "never" : `${Math.round(h)} h`);

function Figure({ name, value }: { name: string; value: string }) {
  return (
    <div className="border-t border-line py-1">
      <dt className="text-ash">{name}</dt>
      <dd className="text-lg font-bold">{value}</dd>
    </div>
  );
}

function Schedule({ steps }: { steps: Schemas["PlanStep"][] }) {
  const clock = useClock();
  return (
    <section aria-label="Schedule">
      <ol className="figures">
        {steps.map((s) => (
          <li key={s.id} className="grid grid-cols-[8.5rem_1fr] gap-3 border-t border-line py-1.5">
            <time dateTime={s.at}>{clock.when(s.at)}</time>
            <span>
              <b>{s.name}.</b> {s.detail}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
