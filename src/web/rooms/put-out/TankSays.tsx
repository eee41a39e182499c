import type { UseMutationResult } from "@tanstack/react-query";
import type { Schemas } from "../../api/client";
import type { Problem } from "../../api/problem";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { RacePanel } from "../../parts/RacePanel";
import { Sum } from "../../parts/Sum";
import { Tick } from "../../parts/Tick";
import { Short, Verdict } from "../../parts/Verdict";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import type { Job } from "./Tank";

interface Props {
  job: Job;
  setJob: (job: Job) => void;
  worked: Schemas["WorkedOfTankView"];
  keep: UseMutationResult<Schemas["Kept"] | null, Problem, Job>;
}

/** What each bed and each filling gets, what spoils it, what it costs; then it is ticked and kept. */
export function TankSays({ job, setJob, worked, keep }: Props) {
  const clock = useClock();
  const v = worked.value!;
  const headline = v.verdict;
  const seen = job.cautionsSeen ?? [];
  const tick = (id: string) =>
    setJob({ ...job, cautionsSeen: seen.includes(id) ? seen.filter((x) => x !== id) : [...seen, id] });
  const unticked = worked.cautions.filter((c) => !seen.includes(c.id)).length;
  const ahead = job.at ? new Date(job.at) > new Date() : false;
  const brew = job.batchId !== null;
  return (
    <>
      <Verdict verdict={headline} />
      {headline.sentence !== v.job.verdict.sentence && <Short verdict={v.job.verdict} beside={headline} />}
      <p className="figures text-lg">
        {v.mixShown} in {v.job.loadCount} {v.job.loadCount === 1 ? "fill" : "fills"}
        {brew && `: ${v.brewShown} of brew + ${v.waterShown} of water`}. {v.howToCover}
      </p>
      {v.now && (
        <p className="figures">
          Oxygen now, {v.now.by}: <b>{v.now.shown}</b>
        </p>
      )}
      {v.labelSays.map((s) => (
        <p key={s}>{s}</p>
      ))}
      {v.job.foodAsked && <p>{v.job.foodAsked}</p>}
      <table className="figures w-full text-lg">
        <caption className="text-left text-ash">What each bed gets</caption>
        <thead>
          <tr className="text-left">
            <th scope="col">bed</th>
            {brew && <th scope="col">brew</th>}
            <th scope="col">in all</th>
          </tr>
        </thead>
        <tbody>
          {v.shares.map((s) => (
            <tr key={s.bedId} className="border-t border-line align-top">
              <td>
                {s.name} <span className="text-ash">{s.areaShown}</span>
                {s.stepSays && <p className="text-base text-moss">less: {s.stepSays}</p>}
                {s.products.map((p) => (
                  <p key={p.name} className="text-base">
                    {p.shown} of {p.name}
                  </p>
                ))}
              </td>
              {brew && <td>{s.brewShown}</td>}
              <td>
                {s.mixShown} <span className="block text-base text-ash">{s.deepShown}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {v.loads.length > 0 && <Loads view={v} brew={brew} />}
      <Sum working={worked.working} sure={worked.sure} of="these amounts" />
      {v.race && (
        <Fold line={`The race to the ground: ${v.race.verdict.sentence}`}>
          <RacePanel race={v.race} asked={job.race} setAsked={brew ? (race) => setJob({ ...job, race }) : undefined} />
        </Fold>
      )}
      <section aria-label="What to mind" className="flex flex-col gap-2">
        {brew && <Short verdict={v.place} />}
        {v.hour && (
          <p>
            <b className={v.hour.spoils.length > 0 ? "text-plum" : "text-moss"}>
              {v.hour.spoils.length > 0 ? "■ Not at that hour" : "✓ The hour suits"} ({clock.when(v.hour.at)})
            </b>
            {[...v.hour.spoils, ...v.hour.minds].map((s) => `; ${s}`).join("")}.
          </p>
        )}
        {v.mixing && <Short verdict={v.mixing.verdict} />}
        {v.mixing && v.mixing.pairs.length > 0 && (
          <details>
            <summary className="min-h-11 cursor-pointer text-clay underline underline-offset-4">every pair</summary>
            <ul>
              {v.mixing.pairs.map((p, i) => (
                <li key={i}>
                  {p.says === "fine" ? "✓" : p.says === "wait" ? "▲" : "■"} {p.a} and {p.b}, {p.where}: {p.says}.{" "}
                  {p.why}
                  {p.own && " (your own rule)"}
                </li>
              ))}
            </ul>
          </details>
        )}
        {v.waits.map((w) => (
          <p key={w}>▲ {w}</p>
        ))}
        {v.draws.map((d) => (
          <p key={d.inputId} className={d.short ? "text-plum" : ""}>
            {d.short ? `■ ${d.name}: ${d.short}` : `From the shelf: ${d.name}`}
            {d.counted
              ? d.lots.map((l) => `, ${l.shown} of lot ${l.name}`).join("")
              : ", not counted there: nothing falls"}
            .
          </p>
        ))}
        <p className="figures">{v.cost.says}</p>
        <Sum working={v.cost.working} sure="measuredHere" of="this cost" />
      </section>
      {v.mixing?.verdict.tone === "stop" && (
        <Field
          label="Against a mixing rule. Leave one out or wait; or say in words why"
          value={job.mixWhy ?? ""}
          onChange={(mixWhy) => setJob({ ...job, mixWhy })}
          name="mixWhy"
          hint="the record keeps it"
        />
      )}
      {v.gate?.fitness === "notFit" && (
        <Field
          label="This brew failed. Send it to the heap; or say in words why it goes out all the same"
          value={job.overrideWhy ?? ""}
          onChange={(overrideWhy) => setJob({ ...job, overrideWhy })}
          name="overrideWhy"
          hint="the record keeps it"
        />
      )}
      <fieldset className="no-print">
        <legend className="font-head text-xl font-bold">Before you go: tick each</legend>
        <ul>
          {worked.cautions.map((c) => (
            <li key={c.id} className="border-t border-line py-1">
              <Tick on={seen.includes(c.id)} onToggle={() => tick(c.id)} label={c.text} under={c.localRule} />
            </li>
          ))}
        </ul>
      </fieldset>
      <WrongHere name="cautionsSeen" />
      <WrongElse />
      {ahead ? (
        <p>Looked at ahead of time: come back when it is out.</p>
      ) : (
        <Button kind="filled" className="no-print" disabled={keep.isPending} onClick={() => keep.mutate(job)}>
          It is out{unticked > 0 ? ` (${unticked} to tick)` : ""}
        </Button>
      )}
      <Button kind="plain" className="no-print self-start" onClick={() => window.print()}>
        print it as a card
      </Button>
    </>
  );
}

/** Each filling, in the measures that stand in the shed. */
function Loads({ view, brew }: { view: Schemas["TankView"]; brew: boolean }) {
  const same = view.loads.length > 2;
  const list = same ? [view.loads[0]!, view.loads.at(-1)!] : view.loads;
  return (
    <section aria-label="Fillings">
      <h3 className="text-lg">Fillings</h3>
      <ol className="figures">
        {list.map((l) => (
          <li key={l.number} className="border-t border-line py-1.5">
            <b>
              {same && l.number === 1 ? `1 to ${view.loads.length - 1}, each` : l.number}: {l.totalShown}
            </b>
            {brew && ` = ${l.brewShown} of brew + water to the mark`} ({l.waterShown} of water: {l.waterInTools})
            {l.products.map((p) => (
              <span key={p.name} className="block">
                {p.shown} of {p.name}
                {p.inTools && `: ${p.inTools}`}
              </span>
            ))}
            {!same && <span className="block text-ash">on {l.on.join(", ")}</span>}
          </li>
        ))}
      </ol>
    </section>
  );
}
