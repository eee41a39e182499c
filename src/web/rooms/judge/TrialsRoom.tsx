import { useState } from "react";
import { Link, useNavigate } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Button } from "../../parts/Button";
import { Room } from "../../parts/Room";
import { Sure } from "../../parts/Sum";
import { BringTrial } from "./BringTrial";
import { VerdictWord } from "./VerdictWord";

/** All trials, and the claims that come ready to test. */
export function TrialsRoom() {
  const go = useNavigate();
  const trials = useRead("/api/judge/trials");
  const templates = useRead("/api/judge/templates");
  const [bring, setBring] = useState(false);
  const growing = trials.filter((t) => t.state === "growing") ?? [];
  return (
    <Room
      title="Judge: trials"
      under="Anyone can leave a strip. Here it is made worth something."
      peek={growing[0] ? `Growing: ${growing[0].crop}` : "Begin a trial"}
      bench={
        <>
          {trials.length === 0 && (
            <p className="text-lg">
              No trial yet. The smallest one is a strip left alone beside a strip that got it: begin with the claim on
              the right that you wonder about, and Mud Pie lays it out.
            </p>
          )}
          <ul>
            {trials.map((t) => (
              <Line key={t.id} trial={t} />
            ))}
          </ul>
          <p className="mt-5 flex flex-wrap gap-3">
            <Button kind="filled" onClick={() => go("/judge/new")}>
              Ask a question of your own
            </Button>
            <Button onClick={() => setBring(!bring)} aria-expanded={bring}>
              Bring a trial from a file
            </Button>
          </p>
          {bring && <BringTrial done={(id) => go(`/judge/trials/${id}`)} />}
        </>
      }
      slate={
        <>
          <h2 className="text-xl">Claims that come ready to test</h2>
          <ul>
            {templates.map((t) => (
              <li key={t.id} className="border-t border-line py-3">
                <p className="flex flex-wrap items-baseline justify-between gap-2">
                  <b className="font-head text-lg">{t.name}</b>
                  <Link
                    to={`/judge/new?template=${t.id}`}
                    className="min-h-11 content-center text-clay underline underline-offset-4"
                    aria-label={`Plan it: ${t.name}`}
                  >
                    Plan it
                  </Link>
                </p>
                <p>{t.question}</p>
                <p className="text-ash">
                  {t.published.text} {t.published.limits} <i>How sure:</i> <Sure sure={t.published.sure} />.
                </p>
              </li>
            ))}
          </ul>
        </>
      }
    />
  );
}

function Line({ trial: t }: { trial: Schemas["TrialLine"] }) {
  return (
    <li className="border-t border-line py-3">
      <p className="flex flex-wrap items-baseline justify-between gap-2">
        <Link to={`/judge/trials/${t.id}`} className="font-head text-lg font-bold underline underline-offset-4">
          {t.question}
        </Link>
        <span className="text-ash">
          {t.crop}
          {t.season && `, ${t.season}`} · {t.plots} plots
        </span>
      </p>
      {t.verdict && <VerdictWord word={t.verdict} />}
      <p>{t.says}</p>
      {t.state === "growing" && (
        <Link to={`/judge/trials/${t.id}/sheet`} className="inline-block min-h-11 content-center text-clay underline">
          Measure, plot by plot
        </Link>
      )}
    </li>
  );
}
