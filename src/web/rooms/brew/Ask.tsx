import { useState } from "react";
import { useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWorkOut } from "../../api/data";
import { Curves } from "../../parts/Curves";
import { Room } from "../../parts/Room";
import { Pick } from "../../parts/Pick";
import { Sum } from "../../parts/Sum";
import { Wrong, WrongElse } from "../../parts/Wrong";
import { Fold } from "../../parts/Fold";
import { Refusals } from "../../parts/Form";
import { useClock } from "../../parts/clock";
import { hourSaid } from "../../parts/dates";
import { SchoolsPanel } from "./SchoolsPanel";
import { WhatIfPicker } from "./WhatIfPicker";

type What = Schemas["WhatIfAsked"];

/**
 * The model asked backwards, what-ifs over each other, and the schools side by side: of a plan, or of a brew that is going.
 * Nothing is kept.
 */
export function Ask() {
  const [search, setSearch] = useSearchParams();
  const list = useRead("/api/brew/batches");
  const open = ["brewing", "off", "planned"].flatMap((state) => list.filter((b) => b.state === state) ?? []);
  const planText = search.get("plan");
  const batchId = Number(search.get("batch")) || (planText ? 0 : (open[0]?.id ?? 0));
  if (list && !planText && !batchId) {
    return (
      <Room
        title="Ask it"
        bench={
          <>
            <p className="text-lg">No brew is going or planned. Plan one, and ask from there what would happen if.</p>
          </>
        }
        slate={null}
      />
    );
  }
  const subject = planText ? { plan: JSON.parse(planText) as Schemas["PlanRequest"] } : { batchId };
  const chooser = (
    <Pick
      label="Of which brew?"
      value={planText ? "plan" : String(batchId)}
      options={[
        ...(planText ? [{ value: "plan", name: "the plan on the bench" }] : []),
        ...open.map((b) => ({ value: String(b.id), name: `${b.vessel}: ${b.name}` })),
      ]}
      onChange={(v) => v !== "plan" && setSearch({ batch: v })}
    />
  );
  return list ? <Asked key={planText ?? batchId} subject={subject} chooser={chooser} /> : null;
}

function Asked({
  subject,
  chooser,
}: {
  subject: Pick<Schemas["AskRequest"], "plan" | "batchId">;
  chooser: React.ReactNode;
}) {
  const clock = useClock();
  const [whatIfs, setWhatIfs] = useState<What[]>(
    ["powerFails", "secondPump"].map((kind) => ({ kind, atH: null, amount: null, food: null })),
  );
  const planned = !subject.batchId;
  const curves = useWorkOut("/api/brew/what-if", { body: { ...subject, whatIfs } });
  const back = useWorkOut("/api/brew/backwards", { body: { ...subject, whatIfs: [] } });
  const v = curves.data?.value;
  const b = back.data?.value;
  return (
    <Room
      title="Ask it"
      under="What would happen if, and how much, how little, how late. By the model; nothing is kept."
      peek={b?.answer.sentence}
      bench={
        <>
          {chooser}
          <h2 className="mt-4 text-xl">What if</h2>
          <Refusals problem={curves.problem}>
            <WhatIfPicker value={whatIfs} onChange={setWhatIfs} planned={planned} nowH={v?.nowH ?? 0} />
            <WrongElse />
          </Refusals>
          {v && (
            <>
              <Curves
                title="What if"
                curves={v.curves.map((c) => ({ name: c.name, points: c.oxygen }))}
                endH={v.curves[0]?.oxygen.at(-1)?.h ?? 24}
                nowH={v.nowH}
                hour={(h) => clock.time(new Date(new Date(v.startAt).getTime() + h * 3_600_000))}
              />
              <ul className="figures mt-3">
                {v.curves.map((c) => (
                  <li key={c.id} className="border-t border-line py-2">
                    <b>{c.name}.</b> {c.says}
                  </li>
                ))}
              </ul>
              {curves.data && <Sum working={curves.data.working} sure={curves.data.sure} of="these curves" />}
            </>
          )}
          <Fold line="What each school would have done">
            <SchoolsPanel subject={subject} />
          </Fold>
        </>
      }
      slate={
        <>
          <Wrong problem={back.problem} />
          {b && back.data && (
            <>
              <h2 className="text-2xl leading-tight">{b.answer.sentence}</h2>
              <dl className="figures">
                {(
                  [
                    ["least air that holds it", `${b.leastAirShown}; it has ${b.airNowShown}`],
                    ...(planned
                      ? [
                          [
                            "latest start",
                            !b.latestStart
                              ? "never ready at this warmth"
                              : new Date(b.latestStart) < new Date()
                                ? `past: it would take ${Math.round(b.answer.readyInH ?? 0)} h`
                                : `${clock.when(b.latestStart)}, taking ${Math.round(b.answer.readyInH ?? 0)} h`,
                          ],
                        ]
                      : []),
                    ["this water holds at most", `${b.answer.fullMgPerL.toFixed(1)} mg/L`],
                  ] as [string, string][]
                ).map(([what, value]) => (
                  <div key={what} className="flex flex-wrap justify-between gap-x-4 border-t border-line py-2">
                    <dt>{what}</dt>
                    <dd className="font-bold">{value}</dd>
                  </div>
                ))}
              </dl>
              <Fold line="Most of each food this air carries">
                <p className="text-ash">One at a time, the others as they are.</p>
                <ul className="figures">
                  {b.most.map((m) => (
                    <li key={m.kind} className="flex flex-wrap justify-between gap-x-4 border-t border-line py-1.5">
                      <b>{m.name}</b>
                      <span>
                        {m.ml < 0.05 ? "none: it falls short without it" : `${m.shown} · ${m.inTools}`}{" "}
                        <span className="text-ash">now {m.nowShown}</span>
                      </span>
                    </li>
                  ))}
                </ul>
              </Fold>
              <Fold line="Best hours of the coming night to start">
                <ol className="figures">
                  {b.answer.starts.map((s) => (
                    <li key={s.startHour} className="flex justify-between border-t border-line py-1.5">
                      <b>{hourSaid(`${String(s.startHour).padStart(2, "0")}:00`, clock.hours12)}</b>
                      <span>
                        {s.lowestMgPerL.toFixed(1)} mg/L at its lowest,{" "}
                        {s.readyAtH === null ? "never ready" : `ready in ${Math.round(s.readyAtH)} h`}
                      </span>
                    </li>
                  ))}
                </ol>
              </Fold>
              <Sum working={back.data.working} sure={back.data.sure} of="these answers" />
            </>
          )}
        </>
      }
    />
  );
}
