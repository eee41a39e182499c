import { useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useUs } from "../../api/units";
import { usePut, useRead, useReadIf, useWorkOut, useWrite } from "../../api/data";
import { Form, Refusals } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Room } from "../../parts/Room";
import { Tick } from "../../parts/Tick";
import { WrongElse } from "../../parts/Wrong";
import { Measures } from "./PlanMeasures";
import { Places } from "./PlanPlaces";
import { Treatments } from "./PlanTreatments";
import { Worth } from "./PlanWorth";
import { PowerCurve } from "./PowerCurve";
import { again, begin, type Plan } from "./trialForm";

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
  const template = templates.find((t) => t.id === (search.get("template") ?? trial?.templateId));
  return (
    <Bench
      id={id}
      start={trial ? again(trial, kinds) : begin(template, ground.beds, us)}
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

const designs = [
  { value: "blocks", name: "in blocks" },
  { value: "random", name: "all by lot" },
  { value: "factorial", name: "things crossed" },
  { value: "split-plot", name: "split plots" },
  { value: "pair", name: "side by side" },
] as const;

/** Question, treatments, replicates, ground, measures: in the order in which they are thought of. */
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
        under={template ? `From “${template.name}”. Everything can be changed.` : "From the question to the ground."}
        peek={curve.data?.value?.sentence ?? "How many plots?"}
        bench={
          <>
            <Form problem={keep.error} label="Trial plan" className="flex flex-col gap-5" onSend={() => keep.mutate(p)}>
              <section>
                <h2 className="text-xl">1 · The question</h2>
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
              </section>
              <Treatments plan={p} set={set} inputs={inputs} />
              <section>
                <h2 className="text-xl">3 · How it lies</h2>
                <Choice
                  label="Design"
                  value={p.design as (typeof designs)[number]["value"]}
                  options={designs}
                  onChange={(design) => set({ design, ...(design === "pair" ? { replicates: 1 } : {}) })}
                  name="design"
                />
                <Choice
                  label="On"
                  value={p.kind as "beds"}
                  options={[
                    { value: "beds", name: "beds" },
                    { value: "pots", name: "pots or trays" },
                    { value: "strips", name: "strips in a field" },
                  ]}
                  onChange={(kind) => set({ kind })}
                />
                <div className="mt-2 max-w-xs">
                  <Field
                    label={
                      p.design === "random" ? "Plots of each" : p.design === "pair" ? "Pairs" : "Blocks: plots of each"
                    }
                    inputMode="numeric"
                    value={p.replicates === null || p.replicates === undefined ? "" : String(p.replicates)}
                    onChange={(v) => set({ replicates: /^\d{1,3}$/.test(v.trim()) ? Number(v) : null })}
                    name="replicates"
                    hint={p.replicates === 1 ? "one of each is a look, not a test" : "four or more"}
                  />
                </div>
                <Places plan={p} set={set} beds={beds} />
                <Tick
                  on={p.blind ?? true}
                  onToggle={() => set({ blind: !p.blind })}
                  label="Measured blind:"
                  under="labels carry codes, opened when measuring is done"
                />
              </section>
              <Measures plan={p} set={set} kinds={kinds} />
              <WrongElse />
              <p className="flex flex-wrap gap-4">
                <Button type="submit" kind="filled" disabled={keep.isPending}>
                  {id === null ? "Keep this plan" : "Keep the changes"}
                </Button>
                <Button kind="plain" onClick={() => go(-1)}>
                  leave it
                </Button>
              </p>
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
