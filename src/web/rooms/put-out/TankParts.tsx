import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { WrongHere } from "../../parts/Wrong";
import { useRateBases } from "../../api/units";
import type { Given, Job } from "./Tank";

interface PartProps {
  given: Given;
  job: Job;
  set: (part: Partial<Job>) => void;
}

/** What comes from the shelf, and how much of it. */
export function Items({ given, job, set }: PartProps) {
  const bases = useRateBases();
  const items = job.items ?? [];
  const useful = given.shelf.inputs.filter(
    (i) => !i.unfitWhy && !["water", "source", "part", "preparation"].includes(i.group),
  );
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
              name={`items[${i}].rate`}
              hint={input?.labelSays ? `label: ${input.labelSays}` : undefined}
            />
            <Pick
              label="Measured"
              value={item.basis ?? bases[0]!.value}
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
      <WrongHere name="items" />
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
                  basis: next.labelBasis === "perPlant" ? bases[2]!.value : (next.labelBasis ?? bases[0]!.value),
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

/** By what, how much it holds, and what is to be said against it. */
export function Sprayer({ given, job, set, ruling }: PartProps & { ruling: Schemas["SprayerRuling"] | null }) {
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
                    tank: found.tankTyped,
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
            name="tool"
            hint="never one that held weed-killer or pesticide"
          />
        )}
        <AmountField
          label="It holds"
          dimension="volume"
          value={job.tank ?? ""}
          onChange={(tank) => set({ tank })}
          name="tank"
        />
        {job.batchId === null && (
          <AmountField
            label="Mix on the ground"
            dimension="areaRate"
            value={job.rate ?? ""}
            onChange={(rate) => set({ rate })}
            name="rate"
            hint={
              sprayer?.calibrations[0]
                ? `empty: as calibrated, ${sprayer.calibrations[0].rateShown}`
                : "500 L/ha, 5 L/100 m², 50 gal/acre"
            }
          />
        )}
        <Field
          label="Spare, %"
          inputMode="decimal"
          value={job.spare ?? ""}
          onChange={(spare) => set({ spare })}
          name="spare"
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
      <WrongHere name="sprayerId" />
    </>
  );
}
