import { useState } from "react";
import { useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWorkOut } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Refusals } from "../../parts/Form";
import { Go } from "../../parts/Go";
import { GroundMap } from "../../parts/GroundMap";
import { Mind } from "../../parts/Mind";
import { useFieldWrite } from "../../parts/outbox";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Tick } from "../../parts/Tick";
import { Verdict } from "../../parts/Verdict";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { NitrogenLine } from "../make/NitrogenLine";
import { LayerDrawn } from "./LayerDrawn";

type Asked = Schemas["SpreadAsked"];
type By = NonNullable<Schemas["SpreadBy"]>;

const ways: readonly { value: By; name: string }[] = [
  { value: "square", name: "by the square" },
  { value: "depth", name: "as a layer" },
  { value: "handful", name: "handfuls" },
  { value: "plant", name: "by the plant" },
  { value: "hectare", name: "by the field" },
];

/** Compost, castings, char, mulch, minerals: how much is fetched, what each bed gets, and the entry in the book. */
export function Solid() {
  const plan = useRead("/api/ground/plan");
  const [search] = useSearchParams();
  const { things, start, square, large, loose, weighed } = useRead("/api/put-out/solid/start", {
    params: {
      query: {
        input: search.get("input") ? Number(search.get("input")) : undefined,
        beds: search.get("beds") ?? undefined,
      },
    },
  });
  const [r, change] = useState<Asked>(start);
  const [why, setWhy] = useState("");
  const [override, setOverride] = useState("");
  const [short, setShort] = useState(false);
  const set = (part: Partial<Asked>) => {
    keep.reset();
    change((old) => ({ ...old, ...part }));
  };
  const beds = r.bedIds ?? [];
  const worked = useWorkOut("/api/put-out/solid/work-out", beds.length > 0 ? { body: r } : null);
  const v = worked.last?.value;
  const keep = useFieldWrite(
    "/api/put-out/solid",
    () => ({
      body: {
        asked: r,
        at: null,
        who: null,
        why: why || null,
        overrideWhy: override || null,
        cautionsSeen: [...(short ? ["stock-short"] : []), ...(worked.last?.cautions ?? []).map((c) => c.id)],
      },
    }),
    () => `${v?.litresShown ?? ""} of ${v?.name ?? "a solid"} put out`,
  );
  const done = keep.isSuccess;
  const names = plan.beds.filter((b) => beds.includes(b.id)).map((b) => b.name);
  const where = names.length === 0 ? "which beds?" : names.length > 3 ? `${names.length} beds` : names.join(", ");
  const thing = things.find((t) => t.id === r.inputId);
  const what = thing?.name ?? (r.what || "something");
  return (
    <Refusals problem={[worked.problem, keep.error]}>
      {" "}
      <Room
        title={`${what.charAt(0).toUpperCase()}${what.slice(1)} to ${where}`}
        under="Solids as they lie: litres, kilos, barrows, passes of a spreader."
        peek={done ? "It is in the book" : v?.verdict.sentence}
        bench={
          <>
            <div className="grid items-start gap-x-4 sm:grid-cols-2">
              <Pick
                label="What goes out"
                value={String(r.inputId ?? "")}
                options={[
                  ...things.map((t) => ({ value: String(t.id), name: `${t.name} · ${t.leftShown}` })),
                  { value: "", name: "not on the shelf: straw, chip, leaves …" },
                ]}
                onChange={(id) => {
                  const next = things.find((t) => String(t.id) === id);
                  const kept = (next?.weighed ?? false) === (thing?.weighed ?? false);
                  set({
                    inputId: next?.id ?? null,
                    density: null,
                    ...(kept ? {} : { amount: (next?.weighed ? weighed : loose)[r.by ?? "square"] }),
                  });
                }}
              />
              {r.inputId == null ? (
                <Field
                  label="Called"
                  value={r.what ?? ""}
                  onChange={(w) => set({ what: w })}
                  name="what"
                  hint="wood chip, straw; of an unknown bag: woody, or dark and crumbly"
                />
              ) : (
                <Amount r={r} set={set} on={[square, large]} weighed={thing?.weighed ?? false} />
              )}
            </div>
            <div className="mt-1">
              <Choice
                label="How it is given"
                value={r.by ?? "square"}
                options={ways}
                onChange={(by) => set({ by, amount: (thing?.weighed ? weighed : loose)[by] })}
                name="by"
              />
            </div>
            {r.inputId == null && (
              <div className="grid gap-x-4 sm:grid-cols-2">
                <Amount r={r} set={set} on={[square, large]} weighed={false} />
              </div>
            )}
            {v && <LayerDrawn view={v} />}
            <GroundMap
              plan={plan}
              label="The ground: which beds?"
              chosen={beds}
              onToggle={(id) => set({ bedIds: beds.includes(id) ? beds.filter((b) => b !== id) : [...beds, id] })}
            />
            <WrongHere name="beds" />
            {(r.by === "handful" || r.by === "plant") && beds.length > 0 && (
              <section aria-label="Plants on each bed">
                <div className="grid gap-x-4 sm:grid-cols-3">
                  {plan.beds
                    .filter((b) => beds.includes(b.id))
                    .map((b) => (
                      <Field
                        key={b.id}
                        label={`Plants on ${b.name}`}
                        value={r.plants?.[b.id] ?? ""}
                        onChange={(n) => set({ plants: { ...r.plants, [b.id]: n } })}
                        name={`plants-${b.id}`}
                        inputMode="numeric"
                      />
                    ))}
                </div>
                <WrongHere name="plants" />
              </section>
            )}
            <Choice
              label="And then"
              value={r.place ?? "onTop"}
              options={[
                { value: "onTop", name: "it lies on top" },
                { value: "workedIn", name: "it is worked in" },
              ]}
              onChange={(place) => set({ place })}
              name="place"
            />
            <Fold line="By a spreader: lay a tarp of known size under one pass">
              <div className="grid gap-x-4 sm:grid-cols-3">
                <AmountField
                  label="The tarp"
                  dimension="area"
                  value={r.tarp ?? ""}
                  onChange={(tarp) => set({ tarp: tarp || null })}
                  name="tarp"
                  hint="4 m2"
                />
                <AmountField
                  label="Lay on it after one pass"
                  dimension="volume"
                  ofSource="compost"
                  value={r.caught ?? ""}
                  onChange={(caught) => set({ caught: caught || null })}
                  name="caught"
                  hint="6 L, or 3 kg"
                />
                <AmountField
                  label="The spreader holds"
                  dimension="volume"
                  value={r.holds ?? ""}
                  onChange={(holds) => set({ holds: holds || null })}
                  name="holds"
                />
              </div>
            </Fold>
            <Fold line="What a barrow, a handful and a litre of it come to">
              <div className="grid gap-x-4 sm:grid-cols-3">
                <Field
                  label="A litre of it weighs, kg"
                  value={r.density ?? ""}
                  onChange={(density) => set({ density: density || null })}
                  name="density"
                  inputMode="decimal"
                  hint="empty: the usual"
                />
                <AmountField
                  label="A barrow"
                  dimension="volume"
                  value={r.barrow ?? ""}
                  onChange={(barrow) => set({ barrow: barrow || null })}
                  name="barrow"
                  hint="empty: 80 L, level full"
                />
                <AmountField
                  label="A handful"
                  dimension="volume"
                  value={r.handful ?? ""}
                  onChange={(handful) => set({ handful: handful || null })}
                  name="handful"
                  hint="empty: 60 mL; measure yours once"
                />
              </div>
            </Fold>
          </>
        }
        slate={
          done ? (
            <>
              <h2 className="text-2xl text-moss">
                ✓ {keep.data ? "It is in the book." : "Kept on this device until there is a signal."}
              </h2>
              <p>Leave a strip without it next time: then you know what it did.</p>
              <p className="flex flex-wrap gap-3">
                {keep.data && <Go to={`/book?entry=${keep.data.id}`}>See it in the book</Go>}
                <Go to="/">To what wants hands</Go>
              </p>
            </>
          ) : v && worked.last ? (
            <>
              <Verdict verdict={v.verdict} />
              <Beds view={v} />
              {v.unfit && (
                <div>
                  <p className="font-bold text-plum">✕ It is not fit: {v.unfit}</p>
                  <Field
                    label="Why it goes out all the same"
                    value={override}
                    onChange={setOverride}
                    name="overrideWhy"
                    hint="ten letters at least; the book keeps it"
                  />
                </div>
              )}
              {v.shortShown && (
                <Tick
                  on={short}
                  onToggle={() => setShort(!short)}
                  label="It was used all the same"
                  under={`the shelf’s book is short of ${v.shortShown}; count the lot afterwards`}
                />
              )}
              <Field label="What for, if you like" value={why} onChange={setWhy} name="why" />
              <p className="flex flex-wrap items-center gap-3">
                <Button
                  kind="filled"
                  disabled={keep.isPending || worked.problem !== null || worked.waits}
                  onClick={() => keep.mutate(null)}
                >
                  It is out
                </Button>
                <Sum working={worked.last.working} sure={worked.last.sure} of="these amounts" />
              </p>
              <WrongElse />
              <Mind cautions={worked.last.cautions} />
              {v.nitrogen && (
                <Fold line={`Nitrogen on a square, week by week: ${v.nitrogen.value!.sentence}`}>
                  <NitrogenLine outlook={v.nitrogen.value!} name={`a square metre under ${v.name}`} />
                  <Sum working={v.nitrogen.working} sure={v.nitrogen.sure} of="its nitrogen" />
                </Fold>
              )}
            </>
          ) : (
            <div>
              <h2 className="text-2xl">
                {worked.problem ? "Something is refused." : "Touch the beds that it goes on."}
              </h2>
              <WrongElse />
            </div>
          )
        }
      />
    </Refusals>
  );
}

interface AmountProps {
  r: Asked;
  set: (part: Partial<Asked>) => void;
  weighed: boolean;
  /** "a m²" and "a hectare", or what the holding counts by. */
  on: readonly [string, string];
}

function Amount({ r, set, weighed, on }: AmountProps) {
  const by = r.by ?? "square";
  if (by === "handful")
    return (
      <Field
        label="Handfuls for each plant"
        value={r.amount ?? ""}
        onChange={(amount) => set({ amount })}
        name="amount"
        inputMode="decimal"
      />
    );
  return (
    <AmountField
      label={
        by === "depth"
          ? "How deep"
          : by === "plant"
            ? "For each plant"
            : by === "hectare"
              ? `On ${on[1]}`
              : `On ${on[0]}`
      }
      dimension={by === "depth" ? "length" : weighed ? "mass" : "volume"}
      ofSource={by === "depth" || weighed ? undefined : "compost"}
      value={r.amount ?? ""}
      onChange={(amount) => set({ amount })}
      name="amount"
      hint="litres or kilos"
    />
  );
}

function Beds({ view: v }: { view: Schemas["SolidView"] }) {
  return (
    <section aria-label="What each bed gets">
      <ul className="figures">
        {v.beds.map((b) => (
          <li key={b.id} className="flex justify-between gap-4 border-t border-line py-1.5">
            <b>{b.name}</b>
            <span className="text-right">
              {b.litresShown} · {b.weightShown}
              {b.barrowsShown && <span className="block text-ash">{b.barrowsShown}</span>}
            </span>
          </li>
        ))}
        {v.spreader && (
          <li className="flex justify-between gap-4 border-t border-line py-1.5">
            <b>
              {v.spreader.passes} {v.spreader.passes === 1 ? "pass" : "passes"}
              {v.spreader.fillingsShown && `, ${v.spreader.fillingsShown}`}
            </b>
            <span className="text-right">
              {v.spreader.passShown} each
              <span className="block text-ash">gives {v.spreader.givesShown} of it</span>
            </span>
          </li>
        )}
        <li className="border-t border-line py-1.5 text-ash">
          {v.plantShown && <span className="block">A plant: {v.plantShown}</span>}
          <span className="block">{v.squareShown}</span>
          <span className="block">{v.hectareShown}</span>
          {v.nitrogenShown && <span className="block">It {v.nitrogenShown}.</span>}
          {(v.costShown || v.lots.length > 0) && (
            <span className="block">
              {[v.costShown && `worth ${v.costShown}`, v.lots.length > 0 && `from the shelf: ${v.lots.join(", ")}`]
                .filter(Boolean)
                .join("; ")}
            </span>
          )}
        </li>
      </ul>
    </section>
  );
}
