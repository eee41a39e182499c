import { useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../parts/Button";
import { SaveChart } from "../../parts/SaveChart";
import { Sum } from "../../parts/Sum";
import { Differences, Dots } from "./AnswerCharts";
import { AnswerTable } from "./AnswerTable";
import { VerdictWord } from "./VerdictWord";

interface Props {
  trial: Schemas["TrialView"];
  judged: Schemas["TrialJudged"];
}

/** What a trial says: the verdict, the drawing that bears it out, the test by name, and what would settle it. */
export function Answer({ trial, judged }: Props) {
  const a = judged.answer.value!;
  const look = a.noiseDf === null && a.anova.length > 0;
  const [differences, dots] = [useRef<SVGSVGElement>(null), useRef<SVGSVGElement>(null)];
  const [table, setTable] = useState(false);
  return (
    <>
      <div aria-live="polite">
        <VerdictWord word={look ? "a look, not a test" : a.verdict} large />
        <p className="mt-1 text-lg">{a.sentence}</p>
        {judged.money?.value && <p className="text-lg">Money: {judged.money.value.sentence}</p>}
        {a.verdicts
          .filter((v) => v.noHarm !== null)
          .map((v) => (
            <p key={v.of}>
              {v.of}:{" "}
              {v.noHarm ? "no harm beyond the margin that you set" : "harm beyond the margin can’t be ruled out"}.
            </p>
          ))}
      </div>
      <figure>
        <Differences judged={judged} svg={differences} />
        <SaveChart svg={differences} name={`trial-${trial.id}-differences`} />
      </figure>
      {judged.waterSays && <p className="text-lg font-bold">{judged.waterSays}</p>}
      {judged.settle.length > 0 && (
        <section>
          <h3 className="text-xl">To settle it</h3>
          <ul>
            {judged.settle.map((s) => (
              <li key={s} className="py-1">
                <span aria-hidden className="text-clay">
                  ○
                </span>{" "}
                {s}
              </li>
            ))}
          </ul>
        </section>
      )}
      <section>
        <h3 className="text-xl">Plot by plot</h3>
        <Dots judged={judged} order={trial.treatments.map((t) => t.name)} svg={dots} />
        <SaveChart svg={dots} name={`trial-${trial.id}-plots`} />
      </section>
      <section>
        <h3 className="text-xl">The test</h3>
        <p>
          <b>{a.test.name}.</b> {a.test.why}
        </p>
        <ul className="list-inside list-disc">
          {a.checks.map((c) => (
            <li key={c}>{c}</li>
          ))}
          {a.missing.map((m) => (
            <li key={m}>missing: {m}</li>
          ))}
        </ul>
      </section>
      <p className="flex flex-wrap items-center gap-4">
        <Sum working={judged.answer.working} sure={judged.answer.sure} of="this answer" />
        <Button kind="plain" aria-expanded={table} onClick={() => setTable(!table)}>
          {table ? "put the table away" : "the table"}
        </Button>
      </p>
      {table && <AnswerTable answer={a} />}
    </>
  );
}
