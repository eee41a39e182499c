import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { Pick } from "../../parts/Pick";
import { WrongElse, WrongHere } from "../../parts/Wrong";

type Asked = Schemas["SheetAsked"];

interface Props {
  r: Asked;
  set: (part: Partial<Asked>) => void;
}

const methods: readonly { value: Schemas["Extraction"]; name: string }[] = [
  { value: "mehlich3", name: "Mehlich-3" },
  { value: "ammoniumAcetate", name: "ammonium acetate" },
  { value: "olsen", name: "Olsen (bicarbonate)" },
  { value: "bray1", name: "Bray P1" },
  { value: "dtpa", name: "DTPA" },
  { value: "water", name: "water or a weak salt" },
  { value: "saturatedMedia", name: "saturated media extract" },
  { value: "saturatedPaste", name: "saturated paste" },
];

/** What the sheet is of, and how it was got out. */
export function SheetAbout({ r, set }: Props) {
  const ground = useRead("/api/ground");
  const { lots } = useRead("/api/sheets", {});
  const mix = r.for === "mix";
  return (
    <>
      <Choice
        label="A sheet of"
        value={r.for ?? "bed"}
        options={[
          { value: "bed", name: "a bed" },
          { value: "field", name: "a field" },
          { value: "mix", name: "a mix, or a part of one" },
        ]}
        onChange={(of) =>
          set({ for: of, method: of === "mix" ? "saturatedMedia" : "mehlich3", density: of === "mix" ? "0.4" : "1.3" })
        }
      />
      <div className="mt-2 grid grid-cols-2 gap-x-4 wide:grid-cols-3">
        {mix ? (
          <Pick
            label="The lot"
            value={String(r.lotId ?? "")}
            options={[
              { value: "", name: "none of the shelf" },
              ...lots.map((l) => ({ value: String(l.id), name: l.name })),
            ]}
            onChange={(lot) => set({ lotId: lot ? Number(lot) : null })}
          />
        ) : r.for === "bed" ? (
          <Pick
            label="The bed"
            value={String(r.bedId ?? "")}
            options={[
              { value: "", name: "none of the plan" },
              ...ground.beds.map((b) => ({ value: String(b.id), name: b.name })),
            ]}
            onChange={(bed) => set({ bedId: bed ? Number(bed) : null })}
          />
        ) : null}
        <Pick
          label="Got out by"
          value={r.method ?? "mehlich3"}
          options={methods}
          onChange={(method) => set({ method })}
        />
        {!mix && (
          <Pick
            label="Grows there"
            value={r.crop ?? "vegetables"}
            options={[
              { value: "vegetables", name: "vegetables, flowers" },
              { value: "field", name: "grain, hay, cover" },
              { value: "fruit", name: "fruit, hops" },
            ]}
            onChange={(crop) => set({ crop })}
          />
        )}
      </div>
      <Fold line={mix ? "Name, litres, density, water held, lab" : "Name, size, depth, density, lab, lime, school"}>
        <div className="grid grid-cols-2 gap-x-4 wide:grid-cols-3">
          <Field label="Called" value={r.name ?? ""} onChange={(name) => set({ name })} name="name" />
          <AmountField
            label={mix ? "Mix, in all" : "Size"}
            dimension={mix ? "volume" : "area"}
            value={r.size ?? ""}
            onChange={(size) => set({ size })}
            name="size"
            hint={mix ? "empty: the lot’s" : "empty: the bed’s"}
          />
          {!mix && (
            <AmountField
              label="Sampled to"
              dimension="length"
              value={r.depth ?? ""}
              onChange={(depth) => set({ depth })}
              name="depth"
            />
          )}
          <Field
            label="A litre weighs, kg"
            value={r.density ?? ""}
            onChange={(density) => set({ density })}
            name="density"
            inputMode="decimal"
          />
          {mix && (
            <Field
              label="Water a litre holds at saturation, L"
              value={r.held ?? ""}
              onChange={(held) => set({ held })}
              name="held"
              inputMode="decimal"
            />
          )}
          <Field label="Lab" value={r.lab ?? ""} onChange={(lab) => set({ lab })} name="lab" />
          <Field
            label="The test cost"
            value={r.cost ?? ""}
            onChange={(cost) => set({ cost })}
            name="cost"
            inputMode="decimal"
          />
        </div>
        {!mix && (
          <>
            <Choice
              label="Judged by"
              value={r.school ?? "enough"}
              options={[
                { value: "enough", name: "enough of each", says: "the house’s choice" },
                { value: "ratio", name: "shares of the exchange" },
              ]}
              onChange={(school) => set({ school })}
              name="school"
            />
            <div className="grid grid-cols-3 gap-x-4">
              <Pick
                label="Lime"
                value={r.lime ?? "none"}
                options={[
                  { value: "none", name: "none" },
                  { value: "buffer", name: "by buffer pH" },
                  { value: "saturation", name: "by the exchange" },
                ]}
                onChange={(lime) => set({ lime })}
              />
              {r.lime !== "none" && r.lime !== undefined && (
                <>
                  <Field
                    label={r.lime === "buffer" ? "To pH" : "To saturation, %"}
                    value={r.limeTo ?? ""}
                    onChange={(limeTo) => set({ limeTo })}
                    name="limeTo"
                    hint={r.lime === "buffer" ? "empty: 6.5" : "empty: 85"}
                  />
                  <Field
                    label="The lime is worth, %"
                    value={r.limeWorth ?? ""}
                    onChange={(limeWorth) => set({ limeWorth })}
                    name="limeWorth"
                    hint="of chalk; empty: 90"
                  />
                </>
              )}
            </div>
            <WrongHere name="lime" />
          </>
        )}
      </Fold>
    </>
  );
}

/** The sheet's own lines: pasted or typed. */
export function SheetRows({ r, set }: Props) {
  const [text, setText] = useState("");
  const rows = r.rows ?? [];
  const read = useWrite(
    "/api/sheets/read",
    () => ({ body: { text } }),
    (pasted) => {
      set({ rows: [...rows, ...pasted.value!.rows].slice(0, 60) });
      setText("");
    },
  );
  return (
    <>
      {read.data && read.data.value!.left.length > 0 && (
        <p className="py-1 text-ash">Left out, as nothing here knows it: {read.data.value!.left.join(" · ")}</p>
      )}
      <Fold
        key={rows.length === 0 ? "none" : "some"}
        line={rows.length === 0 ? "The result: paste it or type it" : `The sheet’s ${rows.length} lines`}
        open={rows.length === 0}
      >
        <Form
          problem={read.error}
          onSend={() => read.mutate(null)}
          className="flex flex-col gap-2"
          label="Paste the sheet"
        >
          <label className="block">
            Paste it: what, how much, in what
            <textarea
              className="mt-1 block h-28 w-full border-b-2 border-line bg-paper p-2 text-lg"
              value={text}
              onChange={(e) => setText(e.target.value)}
              placeholder={"P 18 ppm\nK; 0.31; meq/100 g\nZn < 0.5 mg/kg"}
            />
          </label>
          <WrongHere name="text" />
          <p className="flex flex-wrap items-center gap-4">
            <Button type="submit" disabled={read.isPending || text.trim() === ""}>
              Read it
            </Button>
            <label className="inline-flex min-h-12 cursor-pointer items-center text-clay underline underline-offset-4">
              take it from a file (CSV)
              <input
                type="file"
                accept=".csv,.tsv,.txt,text/csv,text/plain"
                className="sr-only"
                onChange={async (e) => {
                  const file = e.target.files?.[0];
                  if (file) setText(await file.text());
                }}
              />
            </label>
          </p>
          <WrongElse />
        </Form>
        {rows.map((row, i) => (
          <div key={i}>
            <div className="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2">
              <Field
                label={i === 0 ? "What" : `What, line ${i + 1}`}
                value={row.of ?? ""}
                onChange={(of) => set({ rows: rows.with(i, { ...row, of }) })}
                name={`rows[${i}].of`}
              />
              <Field
                label={i === 0 ? "How much" : `How much, line ${i + 1}`}
                value={row.value ?? ""}
                onChange={(value) => set({ rows: rows.with(i, { ...row, value }) })}
                name={`rows[${i}].value`}
              />
              <Field
                label={i === 0 ? "Unit" : `Unit, line ${i + 1}`}
                value={row.unit ?? ""}
                onChange={(unit) => set({ rows: rows.with(i, { ...row, unit }) })}
                name={`rows[${i}].unit`}
              />
              <Button
                kind="plain"
                aria-label={`Take line ${i + 1} out`}
                onClick={() => set({ rows: rows.toSpliced(i, 1) })}
              >
                ✕
              </Button>
            </div>
            <Pick
              label={`Line ${i + 1} was got out by`}
              value={row.method ?? "same"}
              options={[{ value: "same", name: "the sheet’s way" }, ...methods]}
              onChange={(m) =>
                set({ rows: rows.with(i, { ...row, method: m === "same" ? null : (m as Schemas["Extraction"]) }) })
              }
            />
            <WrongHere name={`rows[${i}].method`} />
          </div>
        ))}
        <Button
          kind="plain"
          className="self-start"
          onClick={() => set({ rows: [...rows, { of: "", value: "", unit: "mg/kg", method: null }] })}
        >
          one more line
        </Button>
        <WrongHere name="rows" />
      </Fold>
    </>
  );
}

/** Bands of one's own. */
export function SheetBandsAsked({ r, set, nutrients }: Props & { nutrients: readonly Schemas["SheetNutrientView"][] }) {
  const bands = r.bands ?? [];
  const of = (id: string) => bands.find((b) => b.of === id);
  const put = (id: string, part: Partial<Schemas["BandAsked"]>, n: Schemas["SheetNutrientView"]) => {
    const old = of(id) ?? { of: id, low: n.low ?? "", high: n.high ?? "" };
    set({ bands: [...bands.filter((b) => b.of !== id), { ...old, ...part }] });
  };
  return (
    <Fold line="Bands: the house’s, or your own">
      <p className="text-ash">
        Tables differ by half from place to place: your lab’s bands, and what trials near you found, go first.
      </p>
      {nutrients.map((n) => {
        const at = bands.findIndex((b) => b.of === n.id);
        return (
          <div key={n.id} className="grid grid-cols-[1fr_1fr_1fr] items-end gap-3">
            <span className="pb-3">
              <b className="first-letter:uppercase">{n.name}</b> {n.own && <span className="text-ash">your own</span>}
            </span>
            <Field
              label={`${n.name}: from`}
              value={of(n.id)?.low ?? n.low ?? ""}
              onChange={(low) => put(n.id, { low }, n)}
              name={at < 0 ? undefined : `bands[${at}].low`}
            />
            <Field
              label={`${n.name}: to`}
              value={of(n.id)?.high ?? n.high ?? ""}
              onChange={(high) => put(n.id, { high }, n)}
              name={at < 0 ? undefined : `bands[${at}].high`}
            />
          </div>
        );
      })}
    </Fold>
  );
}

/** What there is to put on, and what the lab itself advises. */
export function SheetInputs({ r, set }: Props) {
  const { shelf } = useRead("/api/sheets", {});
  const [more, setMore] = useState("");
  const inputs = r.inputs ?? [];
  const advice = r.advice ?? [];
  const unit = r.for === "mix" ? "g a litre" : "kg/ha";
  return (
    <>
      <Fold line={`Chosen from ${inputs.length} ${inputs.length === 1 ? "input" : "inputs"} of the shelf`}>
        {inputs.map((x, i) => {
          const on = shelf.find((s) => s.id === x.inputId);
          const change = (part: Partial<Schemas["SheetInputAsked"]>) =>
            set({ inputs: inputs.with(i, { ...x, ...part }) });
          return (
            <div key={x.inputId ?? `own-${i}`} className="border-t border-line pt-2">
              <p className="flex justify-between gap-3">
                <b>{on?.name ?? x.name}</b>
                <Button
                  kind="plain"
                  aria-label={`Take ${on?.name ?? x.name} out`}
                  onClick={() => set({ inputs: inputs.toSpliced(i, 1) })}
                >
                  ✕
                </Button>
              </p>
              <WrongHere name={`inputs[${i}]`} />
              <WrongHere name={`inputs[${i}].name`} />
              <div className="grid grid-cols-2 gap-x-4 wide:grid-cols-4">
                <Field
                  label="Holds, %"
                  value={x.holds ?? ""}
                  onChange={(holds) => change({ holds })}
                  name={`inputs[${i}].holds`}
                  hint={on?.holds || "Ca 22, S 17"}
                />
                <Field
                  label="A kilo costs"
                  value={x.price ?? ""}
                  onChange={(price) => change({ price })}
                  name={`inputs[${i}].price`}
                  hint={on?.priced ? "empty: the shelf’s" : "or 0"}
                />
                <Field
                  label={`Most, ${unit}`}
                  value={x.most ?? ""}
                  onChange={(most) => change({ most })}
                  name={`inputs[${i}].most`}
                  hint="empty: what is usual"
                />
                <Field
                  label="In year one, %"
                  value={x.firstYear ?? ""}
                  onChange={(firstYear) => change({ firstYear })}
                  name={`inputs[${i}].firstYear`}
                  hint="P 10"
                />
              </div>
            </div>
          );
        })}
        <div className="flex items-end gap-3">
          <div className="flex-1">
            <Pick
              label="And"
              value={more}
              options={[
                { value: "", name: "something else …" },
                ...shelf
                  .filter((s) => !inputs.some((x) => x.inputId === s.id))
                  .map((s) => ({ value: String(s.id), name: s.name })),
              ]}
              onChange={setMore}
            />
          </div>
          <Button
            kind="plain"
            disabled={more === ""}
            onClick={() => {
              set({ inputs: [...inputs, none(Number(more))] });
              setMore("");
            }}
          >
            add
          </Button>
        </div>
        <WrongHere name="inputs" />
      </Fold>
      <Fold line={advice.length === 0 ? "What the lab itself advises" : `The lab’s own advice: ${advice.length}`}>
        {advice.map((a, i) => (
          <div key={i} className="grid grid-cols-2 gap-4">
            <Field
              label="Of what"
              value={a.name ?? ""}
              onChange={(name) => set({ advice: advice.with(i, { ...a, name }) })}
              name={`advice[${i}].name`}
            />
            <Field
              label={unit}
              value={a.amount ?? ""}
              onChange={(amount) => set({ advice: advice.with(i, { ...a, amount }) })}
              name={`advice[${i}].amount`}
              inputMode="decimal"
            />
          </div>
        ))}
        <Button
          kind="plain"
          className="self-start"
          onClick={() => set({ advice: [...advice, { name: "", amount: "" }] })}
        >
          one more line
        </Button>
      </Fold>
    </>
  );
}

const none = (inputId: number): Schemas["SheetInputAsked"] => ({
  inputId,
  name: null,
  price: null,
  most: null,
  holds: null,
  firstYear: null,
});
