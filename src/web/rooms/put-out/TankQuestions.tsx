import { Link } from "react-router-dom";
import type { Problem, Schemas } from "../../api/client";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { ForkMark } from "../../parts/ForkMark";
import { Pick } from "../../parts/Pick";
import { Tick } from "../../parts/Tick";
import { Verdict } from "../../parts/Verdict";
import { WhenField } from "../../parts/WhenField";
import { Wrong } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { PutOutNav } from "./PutOutNav";
import type { Given, Job } from "./Tank";

const tones: Record<Schemas["Fitness"], Schemas["Tone"]> = { fit: "go", unseen: "mind", notFit: "stop", feed: "mind" };

const bases = [
  { value: "perHa", name: "on a hectare" },
  { value: "per100m2", name: "on 100 m²" },
  { value: "perLitre", name: "in a litre of mix" },
  { value: "oneIn", name: "one part in so many" },
];

interface Props {
  given: Given;
  job: Job;
  setJob: (job: Job) => void;
  worked?: Schemas["WorkedOfTankView"];
  problem: Problem | null;
}

const shown = [
  "brew",
  "dilution",
  "per100M2",
  "tank",
  "beds",
  "rate",
  "spare",
  "tool",
  "items",
  "sprayerId",
  "overrideWhy",
  "mixWhy",
  "cautionsSeen",
  "at",
  "ph",
  "salts",
  "warmth",
  "strip",
  "correctionWhy",
  "bedRates",
];

/** What goes in, where it goes, with what. */
export function TankQuestions({ given, job, setJob, worked, problem }: Props) {
  const clock = useClock();
  const wrong = (f: string) => problem?.of(f);
  const set = (part: Partial<Job>) => setJob({ ...job, ...part });
  const v = worked?.value;
  const beds = job.bedIds ?? [];
  const toggle = (id: number) => set({ bedIds: beds.includes(id) ? beds.filter((x) => x !== id) : [...beds, id] });
  return (
    <div className="flex flex-col gap-4">
      <PutOutNav />
      {v?.gate && (
        <Verdict verdict={{ tone: tones[v.gate.fitness], sentence: v.gate.sentence, why: v.gate.reasons.join(" ") }} />
      )}
      {job.correctsId && (
        <Field
          label="What was wrong with the old entry?"
          value={job.correctionWhy ?? ""}
          onChange={(correctionWhy) => set({ correctionWhy })}
          wrong={wrong("correctionWhy")}
          hint="both stay readable"
        />
      )}
      {!given.batch && (
        <Choice
          label="For"
          value={(job.purpose ?? "leaf") as "leaf" | "root"}
          options={[
            { value: "leaf", name: "leaves" },
            { value: "root", name: "roots" },
          ]}
          onChange={(purpose) => set({ purpose })}
        />
      )}
      {job.batchId !== null && (
        <div className="grid gap-x-6 sm:grid-cols-3">
          <AmountField
            label="Strained brew"
            dimension="volume"
            value={job.brew ?? ""}
            onChange={(brew) => set({ brew })}
            wrong={wrong("brew")}
          />
          <Field
            label="Thinned"
            value={job.dilution ?? ""}
            onChange={(dilution) => set({ dilution })}
            wrong={wrong("dilution")}
            hint={v?.job.dilution}
          />
          <Field
            label="Brew on 100 m²"
            value={job.per100M2 ?? ""}
            onChange={(per100M2) => set({ per100M2 })}
            wrong={wrong("per100M2")}
            hint="empty: all of it is shared out"
          />
        </div>
      )}
      <Items given={given} job={job} set={set} wrong={wrong} />
      {worked && worked.forks.length > 0 && (
        <p>
          {worked.forks.map((f) => (
            <span key={f.id} className="mr-4">
              <ForkMark fork={f} /> {f.question}
            </span>
          ))}
        </p>
      )}
      <fieldset>
        <legend className="font-medium">On which beds?</legend>
        <div className="mt-1 flex flex-wrap gap-x-6">
          {given.ground.beds.map((b) => (
            <Tick
              key={b.id}
              on={beds.includes(b.id)}
              onToggle={() => toggle(b.id)}
              label={`${b.name}, ${b.areaShown}`}
              under={b.life ? `ground: ${b.life}` : undefined}
            />
          ))}
        </div>
        {wrong("beds") && (
          <p role="alert" className="font-medium text-plum">
            ✕ {wrong("beds")}
          </p>
        )}
      </fieldset>
      {beds.length > 1 && (
        <details>
          <summary className="min-h-11 cursor-pointer text-clay underline underline-offset-4">
            a bed with a rate of its own
          </summary>
          <div className="grid gap-x-6 sm:grid-cols-3">
            {given.ground.beds
              .filter((b) => beds.includes(b.id))
              .map((b) => (
                <Field
                  key={b.id}
                  label={`${b.name}, L of mix on a hectare`}
                  inputMode="decimal"
                  value={job.bedRates?.[b.id] ?? ""}
                  onChange={(t) => set({ bedRates: { ...job.bedRates, [b.id]: t } })}
                  hint="empty: as the job"
                />
              ))}
          </div>
          {wrong("bedRates") && (
            <p role="alert" className="font-medium text-plum">
              ✕ {wrong("bedRates")}
            </p>
          )}
        </details>
      )}
      {job.batchId !== null && (
        <Tick
          on={job.stepDown ?? true}
          onToggle={() => set({ stepDown: !job.stepDown })}
          label="Less where checks say that the ground is alive"
        />
      )}
      <Sprayer given={given} job={job} set={set} wrong={wrong} ruling={v?.sprayer ?? null} />
      {job.batchId !== null && job.purpose === "root" && (
        <Choice
          label="Does it find food there?"
          value={(job.foodWaiting ?? "") as "" | "mulch" | "residue" | "feed" | "none"}
          options={[
            { value: "mulch", name: "mulch" },
            { value: "residue", name: "residue" },
            { value: "feed", name: "a feed goes with it" },
            { value: "none", name: "nothing" },
          ]}
          onChange={(foodWaiting) => set({ foodWaiting })}
        />
      )}
      <details>
        <summary className="min-h-11 cursor-pointer text-clay underline underline-offset-4">
          what was measured in the tank: pH, salts, warmth, strip
        </summary>
        <div className="grid gap-x-6 sm:grid-cols-4">
          <Field
            label="pH"
            inputMode="decimal"
            value={job.ph ?? ""}
            onChange={(ph) => set({ ph })}
            wrong={wrong("ph")}
          />
          <Field
            label="Salts, mS/cm"
            inputMode="decimal"
            value={job.salts ?? ""}
            onChange={(salts) => set({ salts })}
            wrong={wrong("salts")}
          />
          <AmountField
            label="Warmth"
            dimension="temperature"
            value={job.warmth ?? ""}
            onChange={(warmth) => set({ warmth })}
            wrong={wrong("warmth")}
          />
          <Field
            label="Strip, mg/L"
            inputMode="decimal"
            value={job.strip ?? ""}
            onChange={(strip) => set({ strip })}
            wrong={wrong("strip")}
          />
        </div>
      </details>
      <div className="grid gap-x-6 sm:grid-cols-2">
        <Pick
          label="Who"
          value={job.who ?? "brewer"}
          options={["brewer", "field hand"].map((r) => ({ value: r, name: r }))}
          onChange={(who) => set({ who })}
        />
        <Field
          label="What for"
          value={job.why ?? ""}
          onChange={(why) => set({ why })}
          hint="in your own words, for the book"
        />
      </div>
      {job.at && new Date(job.at) > new Date() ? (
        <p>
          Looked at for <b>{clock.when(job.at)}</b>.{" "}
          <Button kind="plain" onClick={() => set({ at: null })}>
            it is happening now
          </Button>
        </p>
      ) : (
        <WhenField onChange={(at) => set({ at })} wrong={wrong("at")} />
      )}
      <Wrong problem={problem} shown={shown} />
    </div>
  );
}

interface PartProps {
  given: Given;
  job: Job;
  set: (part: Partial<Job>) => void;
  wrong: (field: string) => string | undefined;
}

function Items({ given, job, set, wrong }: PartProps) {
  const items = job.items ?? [];
  const useful = given.shelf.inputs.filter((i) => !i.unfitWhy && !["water", "source", "part"].includes(i.group));
  const change = (at: number, part: Partial<Schemas["TankItem"]>) =>
    set({ items: items.map((x, i) => (i === at ? { ...x, ...part } : x)) });
  return (
    <section aria-label="From the shelf">
      <h2 className="text-xl">From the shelf</h2>
      {items.map((item, i) => {
        const input = useful.find((u) => u.id === item.inputId);
        return (
          <div key={i} className="grid items-start gap-x-4 sm:grid-cols-[1.4fr_1fr_1.2fr_auto]">
            <Pick
              label={`Thing ${i + 1}`}
              value={String(item.inputId)}
              options={useful.map((u) => ({ value: String(u.id), name: `${u.name} (${u.leftShown})` }))}
              onChange={(id) => change(i, { inputId: Number(id) })}
            />
            <Field
              label="How much"
              value={item.rate ?? ""}
              onChange={(rate) => change(i, { rate })}
              wrong={wrong(`items[${i}].rate`) ?? wrong(`products[${i}].rate`)}
              hint={input?.labelRateShown ? `label: ${input.labelRateShown}` : undefined}
            />
            <Pick
              label="Measured"
              value={item.basis ?? "perHa"}
              options={bases.filter((b) => b.value !== "oneIn" || input?.unit !== "kg")}
              onChange={(basis) => change(i, { basis })}
            />
            <Button
              kind="plain"
              className="sm:mt-7"
              aria-label={`leave out ${input?.name ?? "it"}`}
              onClick={() => set({ items: items.filter((_, n) => n !== i) })}
            >
              leave out
            </Button>
          </div>
        );
      })}
      {wrong("items") && (
        <p role="alert" className="font-medium text-plum">
          ✕ {wrong("items")}
        </p>
      )}
      {useful.length > 0 ? (
        <Button
          kind="plain"
          onClick={() => {
            const next = useful.find((u) => u.counted && !items.some((x) => x.inputId === u.id)) ?? useful[0]!;
            set({
              items: [
                ...items,
                {
                  inputId: next.id,
                  rate: next.labelRateShown ?? "",
                  basis: next.labelBasis?.startsWith("perPlant") ? "perLitre" : (next.labelBasis ?? "perHa"),
                },
              ],
            });
          }}
        >
          add something from the shelf
        </Button>
      ) : (
        <p>
          The shelf holds nothing to put out yet: <Link to="/shelf">add a bottle</Link>.
        </p>
      )}
    </section>
  );
}

function Sprayer({ given, job, set, wrong, ruling }: PartProps & { ruling: Schemas["SprayerRuling"] | null }) {
  const sprayer = given.sprayers.find((s) => s.id === job.sprayerId);
  return (
    <>
      <div className="grid gap-x-6 sm:grid-cols-2">
        <Pick
          label="By what"
          value={job.sprayerId ? String(job.sprayerId) : ""}
          options={[
            ...given.sprayers.map((s) => ({ value: String(s.id), name: s.name })),
            { value: "", name: "something else" },
          ]}
          onChange={(id) => {
            const found = given.sprayers.find((s) => String(s.id) === id);
            set(
              found
                ? {
                    sprayerId: found.id,
                    tool: null,
                    tank: found.tankShown,
                    rate: found.calibrations[0] ? null : (job.rate ?? "500"),
                  }
                : { sprayerId: null, tool: "", rate: job.rate ?? "500" },
            );
          }}
        />
        {!job.sprayerId && (
          <Field
            label="What is it?"
            value={job.tool ?? ""}
            onChange={(tool) => set({ tool })}
            wrong={wrong("tool")}
            hint="never one that held weed-killer or pesticide"
          />
        )}
        <AmountField
          label="It holds"
          dimension="volume"
          value={job.tank ?? ""}
          onChange={(tank) => set({ tank })}
          wrong={wrong("tank")}
        />
        {job.batchId === null && (
          <Field
            label="Mixed litres on a hectare"
            inputMode="decimal"
            value={job.rate ?? ""}
            onChange={(rate) => set({ rate })}
            wrong={wrong("rate")}
            hint={
              sprayer?.calibrations[0]
                ? `empty: as calibrated, ${sprayer.calibrations[0].rateShown}`
                : "a litre on a square metre is 10,000"
            }
          />
        )}
        <Field
          label="Spare, %"
          inputMode="decimal"
          value={job.spare ?? ""}
          onChange={(spare) => set({ spare })}
          wrong={wrong("spare")}
          hint="priming, hoses, what stays in the tank"
        />
      </div>
      {ruling && ruling.verdict.tone !== "go" && (
        <div className={ruling.allowed ? "text-straw" : "text-plum"}>
          <p className="font-bold">
            {ruling.allowed ? "▲" : "■"} {ruling.verdict.sentence}
          </p>
          <ul>
            {(ruling.allowed ? ruling.minds : [ruling.verdict.why]).map((m) => (
              <li key={m}>{m}</li>
            ))}
          </ul>
        </div>
      )}
      {wrong("sprayerId") && (
        <p role="alert" className="font-medium text-plum">
          ✕ {wrong("sprayerId")}
        </p>
      )}
    </>
  );
}
