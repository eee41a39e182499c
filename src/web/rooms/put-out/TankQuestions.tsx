import type { Schemas } from "../../api/client";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { useRead } from "../../api/data";
import { GroundMap } from "../../parts/GroundMap";
import { ForkMark } from "../../parts/ForkMark";
import { Tick } from "../../parts/Tick";
import { Verdict } from "../../parts/Verdict";
import { WhenField } from "../../parts/WhenField";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import type { Given, Job } from "./Tank";
import { TankDrawn } from "./TankDrawn";
import { Items, Sprayer } from "./TankParts";

interface Props {
  given: Given;
  job: Job;
  setJob: (job: Job) => void;
  worked?: Schemas["WorkedOfTankView"];
}

/** What goes in, where it goes, with what. */
export function TankQuestions({ given, job, setJob, worked }: Props) {
  const clock = useClock();
  const map = useRead("/api/ground/plan");
  const set = (part: Partial<Job>) => setJob({ ...job, ...part });
  const v = worked?.value;
  const beds = job.bedIds ?? [];
  const toggle = (id: number) => set({ bedIds: beds.includes(id) ? beds.filter((x) => x !== id) : [...beds, id] });
  return (
    <div className="flex flex-col gap-4">
      <TankDrawn given={given} job={job} view={v ?? undefined} />
      {v?.gateSays && v.gateSays.sentence !== v.verdict.sentence && <Verdict verdict={v.gateSays} />}
      <WrongHere name="batch" />
      {job.correctsId && (
        <Field
          label="What was wrong with the old entry?"
          value={job.correctionWhy ?? ""}
          onChange={(correctionWhy) => set({ correctionWhy })}
          name="correctionWhy"
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
            name="brew"
          />
          <Field
            label="Thinned"
            value={job.dilution ?? ""}
            onChange={(dilution) => set({ dilution })}
            name="dilution"
            hint={v?.job.dilution}
          />
          <Field
            label={`Brew ${given.ground.smallArea}`}
            value={job.per100M2 ?? ""}
            onChange={(per100M2) => set({ per100M2 })}
            name="per100M2"
            hint="empty: all of it is shared out"
          />
        </div>
      )}
      <Items given={given} job={job} set={set} />
      {worked && worked.forks.length > 0 && (
        <p>
          {worked.forks.map((f) => (
            <span key={f.id} className="mr-4">
              <ForkMark fork={f} /> {f.question}
            </span>
          ))}
        </p>
      )}
      <section aria-label="On which beds?">
        <h2 className="font-medium">On which beds?</h2>
        <GroundMap plan={map} label="On which beds?" chosen={beds} onToggle={toggle} />
        <WrongHere name="beds" />
      </section>
      {beds.length > 1 && (
        <details>
          <summary className="min-h-11 cursor-pointer text-clay underline underline-offset-4">
            a bed with a rate of its own
          </summary>
          <div className="grid gap-x-6 sm:grid-cols-3">
            {given.ground.beds
              .filter((b) => beds.includes(b.id))
              .map((b) => (
                <AmountField
                  key={b.id}
                  label={`${b.name}, mix on it`}
                  dimension="areaRate"
                  value={job.bedRates?.[b.id] ?? ""}
                  onChange={(t) => set({ bedRates: { ...job.bedRates, [b.id]: t } })}
                  hint="empty: as the job"
                />
              ))}
          </div>
          <WrongHere name="bedRates" />
        </details>
      )}
      {job.purpose === "root" && (
        <details open={!!job.perPlant || undefined}>
          <summary className="min-h-11 cursor-pointer text-clay underline underline-offset-4">so much a plant</summary>
          <AmountField
            label="Mix for each plant"
            dimension="volume"
            value={job.perPlant ?? ""}
            onChange={(perPlant) => set({ perPlant })}
            name="perPlant"
          />
          <div className="grid gap-x-6 sm:grid-cols-3">
            {given.ground.beds
              .filter((b) => beds.includes(b.id))
              .map((b) => (
                <Field
                  key={b.id}
                  label={`${b.name}, plants`}
                  inputMode="numeric"
                  value={job.plants?.[b.id] ?? ""}
                  onChange={(t) => set({ plants: { ...job.plants, [b.id]: t } })}
                />
              ))}
          </div>
          <WrongHere name="plants" />
        </details>
      )}
      {job.batchId !== null && (
        <Tick
          on={job.stepDown ?? true}
          onToggle={() => set({ stepDown: !job.stepDown })}
          label="Less where checks say that the ground is alive"
        />
      )}
      <Sprayer given={given} job={job} set={set} ruling={v?.sprayer ?? null} />
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
          <Field label="pH" inputMode="decimal" value={job.ph ?? ""} onChange={(ph) => set({ ph })} name="ph" />
          <Field
            label="Salts, mS/cm"
            inputMode="decimal"
            value={job.salts ?? ""}
            onChange={(salts) => set({ salts })}
            name="salts"
          />
          <AmountField
            label="Warmth"
            dimension="temperature"
            value={job.warmth ?? ""}
            onChange={(warmth) => set({ warmth })}
            name="warmth"
          />
          <Field
            label="Strip, mg/L"
            inputMode="decimal"
            value={job.strip ?? ""}
            onChange={(strip) => set({ strip })}
            name="strip"
          />
        </div>
      </details>
      <div className="grid gap-x-6 sm:grid-cols-2">
        <Field
          label="Who puts it out"
          value={job.who ?? ""}
          onChange={(who) => set({ who })}
          name="who"
          hint="a name or a job: brewer, field hand"
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
        <WhenField onChange={(at) => set({ at })} name="at" />
      )}
      <WrongElse />
    </div>
  );
}
