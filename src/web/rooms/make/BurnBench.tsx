import { useState } from "react";
import { useNavigate, useParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWorkOut, useWrite } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Refusals } from "../../parts/Form";
import { Mind } from "../../parts/Mind";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Tick } from "../../parts/Tick";
import { Verdict } from "../../parts/Verdict";
import { WrongElse } from "../../parts/Wrong";
import { PitDrawn } from "./PitDrawn";

type Asked = Schemas["BurnAsked"];

/** A burn before it is lit. */
export function BurnNew() {
  const { start } = useRead("/api/works/burns");
  return <Planning start={start} id={null} version={null} />;
}

/** A burn as it was planned, to be changed. */
export function BurnChange() {
  const id = Number(useParams().id);
  const burn = useRead("/api/works/burns/{id}", { params: { path: { id } } });
  return <Planning start={burn.asked} id={id} version={burn.version} />;
}

function Planning({ start, id, version }: { start: Asked; id: number | null; version: string | null }) {
  const [r, change] = useState<Asked>(start);
  const go = useNavigate();
  const worked = useWorkOut("/api/works/burns/work-out", { body: r });
  const keep = useWrite(
    "/api/works/burns",
    () => ({ body: { id, version, asked: r } }),
    (kept) => void go(`/make/char/${kept.id}`),
  );
  const set = (part: Partial<Asked>) => {
    keep.reset();
    change({ ...r, ...part });
  };
  const v = worked.last?.value;
  return (
    <Refusals problem={[worked.problem, keep.error]}>
      {" "}
      <Room
        title={r.name || "A burn"}
        under="The pit, the wood, and what has to be ready before it is lit."
        peek={v?.verdict.sentence}
        bench={
          <>
            {v && (
              <PitDrawn
                across={v.pitAcross}
                foot={v.footShare}
                fill={v.fill}
                state="planned"
                name={r.name || "the pit"}
                words={[`it holds ${v.pitShown}`]}
              />
            )}
            <div className="mt-3 grid gap-x-5 sm:grid-cols-3">
              <AmountField
                label="Deep"
                dimension="length"
                value={r.depth ?? ""}
                onChange={(depth) => set({ depth })}
                name="depth"
              />
              <AmountField
                label="Across its brim"
                dimension="length"
                value={r.top ?? ""}
                onChange={(top) => set({ top })}
                name="top"
              />
              <AmountField
                label="Across its foot"
                dimension="length"
                value={r.foot ?? ""}
                onChange={(foot) => set({ foot })}
                name="foot"
                hint="empty for a point"
              />
              <Field
                label="Wood"
                value={r.wood ?? ""}
                onChange={(wood) => set({ wood })}
                name="wood"
                hint="clean only"
              />
              <AmountField
                label="How much, stacked or by weight"
                dimension="volume"
                ofSource="compost"
                value={r.amount ?? ""}
                onChange={(amount) => set({ amount })}
                name="amount"
              />
              <Pick
                label="Made at"
                value={r.madeAt ?? "450-600"}
                options={[
                  { value: "350-450", name: "350 to 450 °C" },
                  { value: "450-600", name: "450 to 600 °C, an open pit" },
                  { value: "600+", name: "above 600 °C" },
                ]}
                onChange={(madeAt) => set({ madeAt })}
              />
              <Field label="Called" value={r.name ?? ""} onChange={(name) => set({ name })} name="name" />
              <Field label="Where" value={r.place ?? ""} onChange={(place) => set({ place })} name="place" />
            </div>
            <Tick
              on={r.spreads ?? false}
              onToggle={() => set({ spreads: !r.spreads })}
              label="Brush of a plant that spreads, burnt whole"
              under="seeds, stumps and all, where it grew"
            />
          </>
        }
        slate={
          v && worked.last ? (
            <>
              <Verdict verdict={v.verdict} />
              <dl className="figures">
                {[
                  ["the pit holds", v.pitShown],
                  ["char, about", v.charShown],
                  ["water to have ready", v.waterShown],
                ].map(([name, shown]) => (
                  <div key={name} className="flex justify-between gap-4 border-t border-line py-1.5">
                    <dt>{name}</dt>
                    <dd className="m-0 font-bold">{shown}</dd>
                  </div>
                ))}
              </dl>
              <p className="flex flex-wrap gap-3">
                <Button
                  kind="filled"
                  disabled={keep.isPending || worked.problem !== null}
                  onClick={() => keep.mutate(null)}
                >
                  {id === null ? "Keep the plan" : "Keep the change"}
                </Button>
                <Sum working={worked.last.working} sure={worked.last.sure} of="the burn" />
              </p>
              <WrongElse />
              <Mind cautions={worked.last.cautions} />
            </>
          ) : (
            <div>
              <h2 className="text-2xl">{worked.problem ? "Something is refused." : "What will you burn?"}</h2>
              <WrongElse />
            </div>
          )
        }
      />
    </Refusals>
  );
}
