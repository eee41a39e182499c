import { useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWorkOut, useWrite } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { DayField } from "../../parts/DayField";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { ForkMark } from "../../parts/ForkMark";
import { Refusals } from "../../parts/Form";
import { Mind } from "../../parts/Mind";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { WrongElse } from "../../parts/Wrong";
import { type Asked, whole } from "./asked";
import { MixColumn } from "./MixColumn";
import { MixCharging, MixParts } from "./MixParts";
import { TheCharge, ToFetch, WillDo } from "./MixSays";

/** A new job of mixing, of the shelf or of a trial's treatments. */
export function MixNew() {
  const trial = Number(useSearchParams()[0].get("trial")) || undefined;
  const start = useRead("/api/mix/start", { params: { query: { trial } } });
  return <Bench key={trial ?? 0} start={whole(start)} />;
}

/** A job that was written down and not begun. */
export function MixChange() {
  const id = Number(useParams().id);
  const job = useRead("/api/mix/{id}", { params: { path: { id } } });
  return <Bench key={id} start={whole(job.asked)} job={job} />;
}

const fillings = [
  { value: "pots", name: "pots" },
  { value: "modules", name: "trays of modules" },
  { value: "bed", name: "a bed" },
] as const;

const crops = [
  { value: "unsaid", name: "nothing said" },
  { value: "module", name: "seedlings in modules" },
  { value: "lettuce", name: "a lettuce, or the like" },
  { value: "tomato", name: "a tomato, or the like" },
] as const;

function Bench({ start, job }: { start: Asked; job?: Schemas["MixJobView"] }) {
  const [r, change] = useState<Asked>(start);
  const known = useRead("/api/mix");
  const go = useNavigate();
  const worked = useWorkOut("/api/mix/work-out", { body: r });
  const keep = useWrite(
    "/api/mix",
    () => ({ body: { id: job?.id ?? null, version: job?.version ?? null, asked: r } }),
    (kept) => void go(`/make/mix/${kept.id}`),
  );
  const set = (part: Partial<Asked>) => {
    keep.reset();
    change({ ...r, ...part });
  };
  const names = r.parts.map((p) => known.shelf.find((s) => s.inputId === p.inputId)?.name ?? p.name ?? "");
  const v = worked.last?.value;
  const fork = worked.last?.forks.find((f) => f.id === "char");
  return (
    <Refusals problem={[worked.problem, keep.error]}>
      {" "}
      <Room
        title={v?.title ?? r.name ?? "A mix"}
        under="Take hold of a line in a pot, or type; every mix at once, one list to fetch."
        peek={v?.verdict.sentence}
        bench={
          <>
            <div className="grid grid-cols-2 gap-x-4 wide:grid-cols-4">
              <Field label="What for" value={r.name ?? ""} onChange={(name) => set({ name })} name="name" />
              <Pick
                label="Into"
                value={r.into}
                options={fillings}
                onChange={(into) => set({ into, cells: into === "modules" ? (r.cells ?? "84") : r.cells })}
              />
              {r.into === "bed" ? (
                <AmountField
                  label="Depth"
                  dimension="length"
                  value={r.depth ?? ""}
                  onChange={(depth) => set({ depth })}
                  name="depth"
                />
              ) : (
                <AmountField
                  label={r.into === "pots" ? "One pot holds" : "One cell holds"}
                  dimension="volume"
                  value={r.pot ?? ""}
                  onChange={(pot) => set({ pot })}
                  name="pot"
                />
              )}
              <DayField
                label="Sown or planted on"
                value={r.sowOn ?? ""}
                onChange={(on) => set({ sowOn: on || null })}
                name="sowOn"
              />
              {r.into === "modules" && (
                <Field
                  label="Cells in a tray"
                  value={r.cells ?? ""}
                  onChange={(cells) => set({ cells })}
                  name="cells"
                  inputMode="numeric"
                />
              )}
              {r.into === "bed" && (
                <>
                  <AmountField
                    label="Ground"
                    dimension="area"
                    value={r.area ?? ""}
                    onChange={(area) => set({ area })}
                    name="area"
                  />
                </>
              )}
            </div>
            <div className="flex flex-wrap gap-x-5 gap-y-6">
              {r.mixes.map((_, i) => (
                <MixColumn
                  key={i}
                  at={i}
                  asked={r}
                  names={names}
                  drawn={v?.each[i]}
                  onChange={(mix) => set({ mixes: r.mixes.with(i, mix) })}
                  onDrop={r.mixes.length > 1 ? () => set({ mixes: r.mixes.toSpliced(i, 1) }) : undefined}
                />
              ))}
            </div>
            <p className="mt-2 flex flex-wrap gap-x-6">
              <Button
                kind="plain"
                onClick={() => set({ mixes: [...r.mixes, { ...r.mixes.at(-1)!, name: `mix ${r.mixes.length + 1}` }] })}
              >
                + another mix
              </Button>
              <Button kind="plain" onClick={() => set({ inBuckets: !r.inBuckets })}>
                {r.inBuckets ? "say it in per cent" : "say it in buckets"}
              </Button>
            </p>
            {v?.charge && (
              <TheCharge charge={v.charge}>
                <ForkMark fork={fork} />
              </TheCharge>
            )}
            <div className="mt-4">
              <MixParts asked={r} names={names} known={known} set={set} />
              <MixCharging asked={r} names={names} raw={v?.rawNeedsWhy ?? false} set={set} />
              <Fold line="Spare and losses, where it goes, what grows in it, what it costs">
                <div className="grid grid-cols-2 gap-x-4 wide:grid-cols-3">
                  <Field
                    label="To spare, %"
                    value={r.spare ?? ""}
                    onChange={(spare) => set({ spare })}
                    name="spare"
                    inputMode="decimal"
                    hint="10 is usual"
                  />
                  <Field
                    label="Lost in mixing, %"
                    value={r.loss ?? ""}
                    onChange={(loss) => set({ loss })}
                    name="loss"
                    inputMode="decimal"
                    hint="5 to 15: fines fill the gaps"
                  />
                  <Field
                    label="Lost in settling, %"
                    value={r.settle ?? ""}
                    onChange={(settle) => set({ settle })}
                    name="settle"
                    inputMode="decimal"
                    hint="10 to 15 for peat, coir, hulls"
                  />
                  <Pick
                    label="Bed it stands on"
                    value={String(r.bedId ?? "")}
                    options={[
                      { value: "", name: "none said" },
                      ...known.beds.map((b) => ({ value: String(b.id), name: b.name })),
                    ]}
                    onChange={(bed) => {
                      const on = known.beds.find((b) => String(b.id) === bed);
                      set({ bedId: on?.id ?? null, area: on && r.into === "bed" ? on.areaTyped : r.area });
                    }}
                  />
                  <Pick label="What grows in it" value={r.crop} options={crops} onChange={(crop) => set({ crop })} />
                  <Field
                    label="Minutes of work"
                    value={r.minutes ?? ""}
                    onChange={(minutes) => set({ minutes })}
                    name="minutes"
                    inputMode="decimal"
                  />
                  <Field
                    label="Bought, a litre costs"
                    value={r.bought ?? ""}
                    onChange={(bought) => set({ bought })}
                    name="bought"
                    inputMode="decimal"
                  />
                </div>
              </Fold>
            </div>
          </>
        }
        slate={
          <>
            {v && worked.last ? (
              <>
                <Verdict verdict={v.verdict} />
                <ToFetch bench={v} />
                <WrongElse />
                <p className="flex flex-wrap gap-3">
                  <Button
                    kind="filled"
                    disabled={keep.isPending || worked.problem !== null}
                    onClick={() => keep.mutate(null)}
                  >
                    Write it on the card
                  </Button>
                  <Sum working={worked.last.working} sure={worked.last.sure} of="the mixes" />
                </p>
                <WillDo bench={v} />
                <Mind cautions={worked.last.cautions} />
              </>
            ) : (
              <div>
                <h2 className="text-2xl">{worked.problem ? "Something is refused." : "How much of what?"}</h2>
                <p className="text-lg">
                  {worked.problem
                    ? "What is marked at the side stands in the way."
                    : "The list to fetch stands here then."}
                </p>
                <WrongElse />
              </div>
            )}
          </>
        }
      />
    </Refusals>
  );
}
