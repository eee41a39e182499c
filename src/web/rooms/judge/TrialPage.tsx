import { useState } from "react";
import { Link, useParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useReadOr, useWrite } from "../../api/data";
import { Form, Refusals } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Go } from "../../parts/Go";
import { Room } from "../../parts/Room";
import { WrongElse } from "../../parts/Wrong";
import { Wrote } from "../../parts/Wrote";
import { useClock } from "../../parts/clock";
import { Amounts } from "./Amounts";
import { TrialMixes } from "./TrialMixes";
import { Answer } from "./Answer";
import { PowerCurve } from "./PowerCurve";
import { TrialMap } from "./TrialMap";

/** One trial: how it lies, what was done, and what came of it. */
export function TrialPage() {
  const id = Number(useParams().id);
  const t = useRead("/api/judge/trials/{id}", { params: { path: { id } } });
  const measured = t.measures.some((m) => m.measured > 0) ?? false;
  const [measure, setMeasure] = useState<number | null>(null);
  const [on, setOn] = useState<string | null>(null);
  const judged = useReadOr(measured && !t.shut, "/api/judge/trials/{id}/answer", {
    params: { path: { id }, query: { measure: measure ?? undefined, on: on ?? undefined } },
  });
  const answer = judged.data;
  const values = new Map(answer?.dots.map((d) => [d.plot, d.value]));
  const shown = (p: Schemas["PlotView"]) => {
    const v = values.get(`plot ${p.number}`);
    return v === undefined ? p.code : v >= 100 ? v.toFixed(0) : v.toPrecision(3);
  };
  return (
    <Room
      title={t.question}
      under={`${t.crop}${t.season ? `, ${t.season}` : ""} · ${t.eachSays}`}
      peek={answer?.answer.value?.sentence ?? says(t)}
      bench={
        <>
          {t.plots.length > 0 ? (
            <TrialMap trial={t} plots={t.plots} shown={shown} />
          ) : (
            <p className="text-lg">Not drawn yet: the layout is drawn by lot, once.</p>
          )}
          {answer && values.size > 0 && (
            <p className="text-ash">
              {[answer.answer.value!.response, answer.answer.value!.unit].filter(Boolean).join(", ")}: one figure a plot
              {answer.datesSay && `; ${answer.datesSay}`}. A code stands where a plot has none.
            </p>
          )}
          <Strength lines={t.strength} />
          <Steps trial={t} />
          <Amounts trial={t} />
          <TrialMixes trial={t.id} />
          {t.kind === "pots" && t.state !== "ended" && (
            <p className="mt-3">
              <Go to={`/make/mix/new?trial=${t.id}`}>Mix for its pots</Go>
            </p>
          )}
          <Story trial={t} />
        </>
      }
      slate={
        judged.waits ? (
          <p aria-busy="true" className="text-lg text-ash">
            being worked out …
          </p>
        ) : answer || judged.problem ? (
          <>
            {t.measures.length > 1 || t.measures.some((m) => m.on.length > 1) ? (
              <Which
                trial={t}
                measure={measure ?? t.measures[0]!.id}
                on={on}
                choose={(m, o) => {
                  setMeasure(m);
                  setOn(o);
                }}
              />
            ) : null}
            {answer ? (
              <Answer trial={t} judged={answer} />
            ) : (
              <>
                <h2 className="text-2xl">{judged.problem!.message}</h2>
                <p className="text-lg">{judged.problem!.detail}</p>
              </>
            )}
          </>
        ) : (
          <>
            <h2 className="text-2xl">{says(t)}</h2>
            {t.curve ? <PowerCurve curve={t.curve} /> : <p className="text-lg">{t.curveWants}</p>}
            <p className="text-ash">Noise: {t.noiseSays}.</p>
            {t.published && (
              <section>
                <h3 className="text-lg">What is published</h3>
                <p>
                  {t.published.text} {t.published.limits} Your own result stands beside it.
                </p>
              </section>
            )}
          </>
        )
      }
    />
  );
}

const says = (t: Schemas["TrialView"]) =>
  t.state === "planned"
    ? t.plots.length === 0
      ? "Planned. Draw the layout next."
      : "Drawn. Print the labels, set it out, and begin."
    : t.shut
      ? "Growing, and the codes are shut: measure without knowing."
      : "Growing; nothing is measured yet.";

/** Which measure, and which date, the answer is of. */
function Which(props: {
  trial: Schemas["TrialView"];
  measure: number;
  on: string | null;
  choose: (measure: number, on: string | null) => void;
}) {
  const clock = useClock();
  const m = props.trial.measures.find((x) => x.id === props.measure)!;
  return (
    <p className="flex flex-wrap gap-2">
      {props.trial.measures.map((x) => (
        <Button
          key={x.id}
          kind={x.id === props.measure && !props.on ? "drawn" : "plain"}
          aria-pressed={x.id === props.measure && !props.on}
          onClick={() => props.choose(x.id, null)}
        >
          {x.name}
          {x.unit && `, ${x.unit}`}
        </Button>
      ))}
      {m.on.length > 1 &&
        m.on.map((d) => (
          <Button
            key={d}
            kind={d === props.on ? "drawn" : "plain"}
            aria-pressed={d === props.on}
            onClick={() => props.choose(m.id, d)}
          >
            on {clock.day(d)} only
          </Button>
        ))}
    </p>
  );
}

/** How strong this look is. */
function Strength({ lines }: { lines: Schemas["StrengthLine"][] }) {
  return (
    <section className="mt-5">
      <h2 className="text-xl">How strong is this look?</h2>
      <ul className="grid gap-x-6 sm:grid-cols-3">
        {lines.map((l) => (
          <li key={l.text} className="py-1">
            <b className={l.good ? "text-moss" : "text-straw"}>
              <span aria-hidden>{l.good ? "✓" : "▲"}</span>
              <span className="sr-only">{l.good ? "strong: " : "weak: "}</span>
            </b>{" "}
            {l.text}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What comes next, each with its one button. */
function Steps({ trial: t }: { trial: Schemas["TrialView"] }) {
  const params = { path: { id: t.id } };
  const [why, setWhy] = useState("");
  const [again, setAgain] = useState(false);
  const draw = useWrite(
    "/api/judge/trials/{id}/layout",
    (w: string | null) => ({ params, body: { why: w } }),
    () => {
      setAgain(false);
      setWhy("");
    },
  );
  const step = useWrite("/api/judge/trials/{id}/steps", (name: string) => ({ params, body: { step: name } }));
  return (
    <Refusals problem={[step.error, draw.error]}>
      {" "}
      <section className="mt-5" aria-label="What comes next">
        <p className="flex flex-wrap items-center gap-3">
          {t.state === "planned" && (
            <>
              {t.plots.length === 0 ? (
                <Button kind="filled" onClick={() => draw.mutate(null)}>
                  Draw the layout by lot
                </Button>
              ) : (
                <>
                  <Button kind="filled" onClick={() => step.mutate("start")}>
                    It is set out: begin
                  </Button>
                  <Button kind="plain" aria-expanded={again} onClick={() => setAgain(!again)}>
                    draw it again
                  </Button>
                </>
              )}
              <Link to={`/judge/trials/${t.id}/plan`} className="min-h-11 content-center text-clay underline">
                change the plan
              </Link>
            </>
          )}
          {t.state === "growing" && (
            <>
              <Link
                to={`/judge/trials/${t.id}/sheet`}
                className="min-h-12 content-center rounded-full bg-clay px-6 font-bold text-paper"
              >
                Measure, plot by plot
              </Link>
              {t.shut && <Button onClick={() => step.mutate("open")}>Open the codes</Button>}
              <Button onClick={() => step.mutate("end")}>End it</Button>
            </>
          )}
          {t.plots.length > 0 && (
            <Link to={`/judge/trials/${t.id}/print`} className="min-h-11 content-center text-clay underline">
              labels and sheets
            </Link>
          )}
          {t.protocolId !== null && (
            <Link to={`/judge/together?of=${t.protocolId}`} className="min-h-11 content-center text-clay underline">
              the other gardens
            </Link>
          )}
          {t.plots.length > 0 && !t.shut && (
            <a
              href={`/api/judge/trials/${t.id}/trial.zip`}
              className="min-h-11 content-center text-clay underline"
              download
            >
              the trial as a file
            </a>
          )}
        </p>
        {again && (
          <Form
            className="mt-2 flex flex-wrap items-end gap-3 border-l-4 border-straw pl-4"
            onSend={() => draw.mutate(why)}
          >
            <Field label="Why draw it again?" value={why} onChange={setWhy} name="why" hint="kept" />
            <Button type="submit" className="mb-7">
              Draw it again
            </Button>
          </Form>
        )}
        <WrongElse />
      </section>
    </Refusals>
  );
}

/** What was done with it, oldest first. */
function Story({ trial: t }: { trial: Schemas["TrialView"] }) {
  const clock = useClock();
  return (
    <section className="mt-5">
      <h2 className="text-xl">What was done</h2>
      <ol>
        {t.events.map((e, i) => (
          <li key={i} className="flex gap-4 border-t border-line py-1">
            <time className="figures w-32 shrink-0 text-ash" dateTime={e.at}>
              {clock.date(e.at)}
            </time>
            <span>
              {e.text}
              <Wrote wrote={e.wrote} />
            </span>
          </li>
        ))}
      </ol>
      {t.displaces && <p className="mt-2">{t.displaces}</p>}
      {t.noControlWhy && <p className="mt-2">No untreated control: {t.noControlWhy}.</p>}
      {t.noWaterWhy && <p className="mt-2">No water only: {t.noWaterWhy}.</p>}
    </section>
  );
}
