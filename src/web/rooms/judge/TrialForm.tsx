import { useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useUs } from "../../api/units";
import { usePut, useRead, useReadIf, useWorkOut, useWrite } from "../../api/data";
import { Form, Refusals } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Room } from "../../parts/Room";
import { Tick } from "../../parts/Tick";
import { WrongElse } from "../../parts/Wrong";
import { Draft } from "./Draft";
import { Measures } from "./PlanMeasures";
import { Places } from "./PlanPlaces";
import { Treatments } from "./PlanTreatments";
import { Worth } from "./PlanWorth";
import { PowerCurve } from "./PowerCurve";
import { again, begin, joined, reckoned, type Plan } from "./trialForm";

/** The trial bench: reads what it begins from, then hands over. */
export function TrialForm() {
  const id = Number(useParams().id) || null;
  const [search] = useSearchParams();
  const us = useUs();
  const templates = useRead("/api/judge/templates");
  const kinds = useRead("/api/judge/measures");
  const ground = useRead("/api/ground");
  const shelf = useRead("/api/shelf");
  const trial = useReadIf(id !== null, "/api/judge/trials/{id}", { params: { path: { id: id! } } });
  const protocol = Number(search.get("protocol")) || null;
  const plan = useReadIf(protocol !== null && id === null, "/api/judge/together/{id}/plan", {
    params: { path: { id: protocol! }, query: { arms: search.getAll("arms") } },
  });
  const practice = search.get("reckoned") ?? "";
  const doubt = useReadIf(practice !== "" && id === null, "/api/judge/reckoning/plan", {
    params: { query: { practice, plots: Number(search.get("plots")) || undefined } },
  });
  const template = templates.find((t) => t.id === (search.get("template") ?? trial?.templateId));
  return (
    <Bench
      id={id}
      start={
        trial
          ? again(trial, kinds)
          : plan
            ? joined(plan, ground.beds, us)
            : doubt
              ? reckoned(doubt, ground.beds, us)
              : begin(template, ground.beds, us)
      }
      kinds={kinds}
      beds={ground.beds}
      inputs={shelf.inputs}
      template={template}
    />
  );
}

interface BenchProps {
  id: number | null;
  start: Plan;
  kinds: Schemas["MeasureKind"][];
  beds: Schemas["BedView"][];
  inputs: Schemas["ShelfInputView"][];
  template: Schemas["TrialTemplate"] | undefined;
}

const short = (names: string[]) =>
  names.filter(Boolean).slice(0, 3).join(" · ") + (names.length > 3 ? ` and ${names.length - 3} more` : "");

/** Drawn first, then said: question, treatments, ground, measures, each folded under what it says so far. */
function Bench({ id, start, kinds, beds, inputs, template }: BenchProps) {
  const go = useNavigate();
  const [p, setP] = useState<Plan>(start);
  const set = (part: Partial<Plan>) => setP((old) => ({ ...old, ...part }));
  const done = (kept: { id: number }) => go(`/judge/trials/${kept.id}`);
  const first = useWrite("/api/judge/trials", (body: Plan) => ({ body }), done);
  const change = usePut("/api/judge/trials/{id}", (body: Plan) => ({ params: { path: { id: id! } }, body }), done);
  const keep = id === null ? first : change;
  const known = (p.noise ?? "").trim() !== "" && (p.worthHaving ?? "").trim() !== "";
  const curve = useWorkOut("/api/judge/trials/curve", known ? { body: p } : null);
  const field = (key: "question" | "crop" | "season" | "displaces", label: string, hint?: string) => (
    <Field label={label} value={p[key] ?? ""} onChange={(v) => set({ [key]: v })} name={key} hint={hint} />
  );
  const main = kinds.find((k) => k.id === p.measures?.[0]?.kindId);
  return (
    <Refusals problem={[keep.error, curve.problem]}>
      <Room
        title={id === null ? "Plan a trial" : "Change the plan"}
        under={
          template
            ? `From “${template.name}”. Everything can be changed.`
            : p.protocolId
              ? "By a protocol: its arms and its main measure stay, the rest is your own."
              : "From the question to the ground."
        }
        peek={curve.data?.value?.sentence ?? "How many plots?"}
        bench={
          <>
            <Form problem={keep.error} label="Trial plan" className="flex flex-col" onSend={() => keep.mutate(p)}>
              <Draft plan={p} set={set}>
                <Button kind="plain" onClick={() => go(-1)}>
                  leave it
                </Button>{" "}
                <Button type="submit" kind="filled" disabled={keep.isPending}>
                  {id === null ? "Keep this plan" : "Keep the changes"}
                </Button>
              </Draft>
              <WrongElse />
              <Fold line={`1 · The question: ${p.question || "not asked yet"}`} open={!p.question}>
                {field("question", "In one sentence", "Does this lift that more than something else?")}
                <div className="grid gap-x-4 sm:grid-cols-2">
                  {field("crop", "Crop")}
                  {field("season", "Season", "this spring, 2027")}
                </div>
                {field(
                  "displaces",
                  "What does the new thing take the place of?",
                  "keep that alike, or it is a second change",
                )}
              </Fold>
              <Fold
                line={`2 · What is compared: ${short((p.treatments ?? []).map((t) => t.name ?? ""))}`}
                open={!template && !p.protocolId && id === null}
              >
                <Treatments plan={p} set={set} inputs={inputs} />
              </Fold>
              <Fold line={`3 · Where it lies: ${short((p.places ?? []).map((x) => x.name ?? ""))}`}>
                <Places plan={p} set={set} beds={beds} />
                <Tick
                  on={p.blind ?? true}
                  onToggle={() => set({ blind: !p.blind })}
                  label="Measured blind:"
                  under="labels carry codes, opened when measuring is done"
                />
              </Fold>
              <Fold
                line={`4 · What is measured: ${short((p.measures ?? []).map((m) => kinds.find((k) => k.id === m.kindId)?.name ?? m.name ?? ""))}`}
              >
                <Measures plan={p} set={set} kinds={kinds} />
              </Fold>
            </Form>
          </>
        }
        slate={
          <>
            <Worth plan={p} set={set} unit={main?.unit ?? p.measures?.[0]?.unit ?? ""} />
            {known && curve.data ? (
              <PowerCurve curve={curve.data} choose={set} />
            ) : (
              <p className="text-lg">
                Say what would be worth having and how far plots treated alike stray, and the number of plots it takes
                is drawn here.
              </p>
            )}
            {template && (
              <section>
                <h3 className="text-lg">What is published</h3>
                <p>
                  {template.published.text} {template.published.limits}
                </p>
              </section>
            )}
          </>
        }
      />
    </Refusals>
  );
}
