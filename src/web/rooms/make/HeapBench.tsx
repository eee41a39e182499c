import { useState } from "react";
import { useNavigate } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWorkOut, useWrite } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { ForkMark } from "../../parts/ForkMark";
import { Refusals } from "../../parts/Form";
import { Mind } from "../../parts/Mind";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { HeapDrawn } from "./HeapDrawn";

type Asked = Schemas["HeapAsked"];

/** A heap before it is built: what there is, and the one amount that is solved. */
export function HeapNew() {
  const { materials, start } = useRead("/api/heaps");
  const [r, change] = useState<Asked>(start);
  const go = useNavigate();
  const [more, setMore] = useState("");
  const parts = r.parts ?? [];
  const worked = useWorkOut("/api/heaps/work-out", { body: r });
  const keep = useWrite(
    "/api/heaps",
    () => ({ body: { id: null, version: null, asked: r, builtAt: null } }),
    (kept) => void go(`/make/heap/${kept.id}`),
  );
  const set = (part: Partial<Asked>) => {
    keep.reset();
    change({ ...r, ...part });
  };
  const v = worked.last?.value;
  const name = (id: string | null | undefined) => materials.find((m) => m.id === id)?.name ?? "?";
  const left = materials.filter((m) => !parts.some((p) => p.materialId === m.id));
  return (
    <Refusals problem={[worked.problem, keep.error]}>
      {" "}
      <Room
        title={r.name || "A heap"}
        under="Say what you have, by litres or by weight; leave one empty and it is solved."
        peek={v?.verdict.sentence}
        bench={
          <>
            {v && <HeapDrawn layers={v.layers} name={r.name || "the heap"} />}
            <div className="mt-3 grid gap-x-5 sm:grid-cols-2 wide:grid-cols-3">
              {parts.map((p, i) => (
                <div key={p.materialId ?? i} className="flex items-start gap-2">
                  <div className="min-w-0 flex-1">
                    <AmountField
                      label={name(p.materialId)}
                      dimension="volume"
                      value={p.amount ?? ""}
                      onChange={(amount) => set({ parts: parts.with(i, { ...p, amount }) })}
                      name={`parts[${i}].amount`}
                      hint={p.amount ? undefined : "solved"}
                    />
                    <WrongHere name={`parts[${i}]`} />
                  </div>
                  {parts.length > 1 && (
                    <Button
                      kind="plain"
                      className="mt-7"
                      aria-label={`Leave ${name(p.materialId)} out`}
                      onClick={() => set({ parts: parts.toSpliced(i, 1) })}
                    >
                      ✕
                    </Button>
                  )}
                </div>
              ))}
              <div className="flex items-start gap-2">
                <div className="min-w-0 flex-1">
                  <Pick
                    label="And"
                    value={more}
                    options={[
                      { value: "", name: "something else …" },
                      ...left.map((m) => ({ value: m.id, name: `${m.name}, C:N ${m.cnShown}` })),
                    ]}
                    onChange={setMore}
                  />
                </div>
                <Button
                  kind="plain"
                  className="mt-7"
                  disabled={more === ""}
                  onClick={() => {
                    set({ parts: [...parts, { materialId: more, amount: "" }] });
                    setMore("");
                  }}
                >
                  add
                </Button>
              </div>
            </div>
            <WrongHere name="parts" />
            <Fold line="Name, place, ratio wanted, and what your code counts">
              <div className="grid grid-cols-2 gap-x-4 wide:grid-cols-3">
                <Field label="Called" value={r.name ?? ""} onChange={(n) => set({ name: n })} name="name" />
                <Field label="Where" value={r.place ?? ""} onChange={(place) => set({ place })} name="place" />
                <Field
                  label="C:N wanted"
                  value={r.targetCn ?? ""}
                  onChange={(targetCn) => set({ targetCn })}
                  name="targetCn"
                  inputMode="decimal"
                  hint="25 to 35"
                />
                <Field
                  label="Days above 55 °C wanted"
                  value={r.codeDays ?? ""}
                  onChange={(codeDays) => set({ codeDays })}
                  name="codeDays"
                  inputMode="decimal"
                  hint="your code’s; 15 in many"
                />
                <Pick
                  label="Counted"
                  value={r.codeInARow ? "row" : "all"}
                  options={[
                    { value: "all", name: "in all" },
                    { value: "row", name: "in a row" },
                  ]}
                  onChange={(how) => set({ codeInARow: how === "row" })}
                />
                <Field
                  label="Turnings while hot"
                  value={r.codeTurns ?? ""}
                  onChange={(codeTurns) => set({ codeTurns })}
                  name="codeTurns"
                  inputMode="numeric"
                  hint="your code’s; 5 in many"
                />
              </div>
            </Fold>
          </>
        }
        slate={
          v && worked.last ? (
            <>
              <Verdict verdict={v.verdict} />
              <section aria-label="The recipe">
                <dl className="figures">
                  <Line name="carbon to nitrogen (C:N)" shown={v.cnShown}>
                    {v.cnBand} where tables are a third off
                    <ForkMark fork={worked.last.forks[0]} />
                  </Line>
                  <Line name="water" shown={v.waterShown}>
                    50 to 60 %{v.addWaterShown && `; add ${v.addWaterShown} as it is laid`}
                  </Line>
                  {v.missingShown && (
                    <Line name="solved" shown={v.missingShown}>
                      {v.missingBand}
                    </Line>
                  )}
                  <Line name="size" shown={v.sizeSays} />
                </dl>
              </section>
              <WrongElse />
              <p className="flex flex-wrap gap-3">
                <Button
                  kind="filled"
                  disabled={keep.isPending || worked.problem !== null}
                  onClick={() => keep.mutate(null)}
                >
                  It is built
                </Button>
                <Sum working={worked.last.working} sure={worked.last.sure} of="the heap" />
              </p>
              <Mind cautions={worked.last.cautions} />
            </>
          ) : (
            <div>
              <h2 className="text-2xl">{worked.problem ? "Something is refused." : "What have you got?"}</h2>
              <WrongElse />
            </div>
          )
        }
      />
    </Refusals>
  );
}

function Line({ name, shown, children }: { name: string; shown: string; children?: React.ReactNode }) {
  return (
    <div className="border-t border-line py-1.5">
      <dt className="flex justify-between gap-4">
        {name} <b className="text-right">{shown}</b>
      </dt>
      <dd className="m-0 text-ash">{children}</dd>
    </div>
  );
}
