import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { DayField } from "../../parts/DayField";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Pick } from "../../parts/Pick";
import { WrongHere } from "../../parts/Wrong";

type Asked = Schemas["SheetAsked"];

interface Props {
  r: Asked;
  set: (part: Partial<Asked>) => void;
}

export const methods: readonly { value: Schemas["Extraction"]; name: string }[] = [
  { value: "mehlich3", name: "Mehlich-3" },
  { value: "ammoniumAcetate", name: "ammonium acetate" },
  { value: "olsen", name: "Olsen (bicarbonate)" },
  { value: "bray1", name: "Bray P1" },
  { value: "dtpa", name: "DTPA" },
  { value: "water", name: "water or a weak salt" },
  { value: "saturatedMedia", name: "saturated media extract" },
  { value: "saturatedPaste", name: "saturated paste" },
];

/** Whether a sheet is of a plant: a leaf, sap, tissue. */
export const ofPlant = (of: Schemas["SheetOf"] | undefined) => of === "leaf" || of === "sap" || of === "tissue";

/** What the sheet is of, and how it was got out. */
export function SheetAbout({ r, set }: Props) {
  const ground = useRead("/api/ground");
  const { lots, zones } = useRead("/api/sheets", {});
  const mix = r.for === "mix";
  const plant = ofPlant(r.for);
  const inBed = zones.filter((z) => z.bedId === r.bedId);
  return (
    <>
      <Choice
        label="A sheet of"
        value={r.for ?? "bed"}
        options={[
          { value: "bed", name: "a bed’s soil" },
          { value: "field", name: "a field’s soil" },
          { value: "leaf", name: "leaves" },
          { value: "sap", name: "sap" },
          { value: "tissue", name: "another part" },
          { value: "mix", name: "a mix, a part of one, a by-product" },
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
        ) : r.for !== "field" ? (
          <Pick
            label="The bed"
            value={String(r.bedId ?? "")}
            options={[
              { value: "", name: "none of the plan" },
              ...ground.beds.map((b) => ({ value: String(b.id), name: b.name })),
            ]}
            onChange={(bed) => set({ bedId: bed ? Number(bed) : null, zoneId: null })}
          />
        ) : null}
        {!mix && r.for !== "field" && inBed.length > 0 && (
          <Pick
            label="Its zone"
            value={String(r.zoneId ?? "")}
            options={[
              { value: "", name: "the whole of it" },
              ...inBed.map((z) => ({ value: String(z.id), name: z.name })),
            ]}
            onChange={(zone) => set({ zoneId: zone ? Number(zone) : null })}
          />
        )}
        {!plant && (
          <Pick
            label="Got out by"
            value={r.method ?? "mehlich3"}
            options={methods}
            onChange={(method) => set({ method })}
          />
        )}
        {plant && (
          <Field
            label="What grows there"
            value={r.plant ?? ""}
            onChange={(plant) => set({ plant })}
            name="plant"
            hint="empty: the bed’s crop"
          />
        )}
        {r.for === "tissue" && (
          <Field
            label="Which part"
            value={r.part ?? ""}
            onChange={(part) => set({ part })}
            name="part"
            hint="stalks, whole tops"
          />
        )}
        {!mix && (
          <Pick
            label={plant ? "Kind of crop" : "Grows there"}
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
      <WrongHere name="bedId" />
      <WrongHere name="zoneId" />
      <Fold
        line={
          mix
            ? "Name, litres, density, water held, lab"
            : plant
              ? "Name, day, lab and what it cost"
              : "Name, day, size, depth, density, lab, lime, school"
        }
      >
        <div className="grid grid-cols-2 gap-x-4 wide:grid-cols-3">
          <Field label="Called" value={r.name ?? ""} onChange={(name) => set({ name })} name="name" />
          {!mix && (
            <DayField
              label="Sampled on"
              value={r.taken ?? ""}
              onChange={(taken) => set({ taken: taken || null })}
              name="taken"
              hint="empty: when it is ticked"
            />
          )}
          {!plant && (
            <AmountField
              label={mix ? "Mix, in all" : "Size"}
              dimension={mix ? "volume" : "area"}
              value={r.size ?? ""}
              onChange={(size) => set({ size })}
              name="size"
              hint={mix ? "empty: the lot’s" : "empty: the bed’s"}
            />
          )}
          {!mix && !plant && (
            <>
              <AmountField
                label="Sampled from"
                dimension="length"
                value={r.depthFrom ?? ""}
                onChange={(depthFrom) => set({ depthFrom })}
                name="depthFrom"
                hint="empty: the surface"
              />
              <AmountField
                label="Sampled to"
                dimension="length"
                value={r.depth ?? ""}
                onChange={(depth) => set({ depth })}
                name="depth"
              />
            </>
          )}
          {!plant && (
            <Field
              label="A litre weighs, kg"
              value={r.density ?? ""}
              onChange={(density) => set({ density })}
              name="density"
              inputMode="decimal"
            />
          )}
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
        {!mix && !plant && (
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

/** Bands of one's own. */
export function SheetBandsAsked({ r, set, nutrients }: Props & { nutrients: readonly Schemas["SheetNutrientView"][] }) {
  const bands = r.bands ?? [];
  const of = (id: string) => bands.find((b) => b.of === id);
  const put = (id: string, part: Partial<Schemas["BandAsked"]>, n: Schemas["SheetNutrientView"]) => {
    const old = of(id) ?? { of: id, low: n.low ?? "", high: n.high ?? "", unit: null };
    set({ bands: [...bands.filter((b) => b.of !== id), { ...old, ...part }] });
  };
  return (
    <Fold line="Bands: the house’s, or your own">
      <p className="text-ash">
        Tables differ by half from place to place: your lab’s bands, and what trials near you found, go first.
      </p>
      {(r.labBands ?? []).length > 0 && (
        <p>
          <Button kind="plain" onClick={() => set({ bands: r.labBands })}>
            judge by the lab’s own bands
          </Button>
        </p>
      )}
      <Pairs
        nutrients={nutrients}
        told={(n) => n.own && "your own"}
        name="bands"
        at={(n) => bands.findIndex((b) => b.of === n.id)}
        value={(n, end) => of(n.id)?.[end] ?? n[end] ?? ""}
        put={(n, part) => put(n.id, part, n)}
      />
    </Fold>
  );
}

/** The lab's own bands, as its sheet has them: kept beside ours. */
export function SheetLabBands({ r, set, nutrients }: Props & { nutrients: readonly Schemas["SheetNutrientView"][] }) {
  const bands = r.labBands ?? [];
  const of = (id: string) => bands.find((b) => b.of === id);
  const put = (id: string, part: Partial<Schemas["BandAsked"]>) => {
    const next = { ...(of(id) ?? { of: id, low: "", high: "", unit: null }), ...part };
    set({ labBands: [...bands.filter((b) => b.of !== id), ...(next.low || next.high ? [next] : [])] });
  };
  return (
    <Fold line={bands.length === 0 ? "The lab’s own bands" : `The lab’s own bands: ${bands.length}`}>
      <Pairs
        nutrients={nutrients}
        told={(n) => of(n.id)?.unit}
        name="labBands"
        at={(n) => bands.findIndex((b) => b.of === n.id)}
        value={(n, end) => of(n.id)?.[end] ?? ""}
        put={(n, part) => put(n.id, part)}
      />
      <WrongHere name="labBands" />
    </Fold>
  );
}

type Nutrient = Schemas["SheetNutrientView"];

/** From and to, nutrient by nutrient. */
function Pairs(p: {
  nutrients: readonly Nutrient[];
  told: (n: Nutrient) => string | false | null | undefined;
  name: "bands" | "labBands";
  at: (n: Nutrient) => number;
  value: (n: Nutrient, end: "low" | "high") => string;
  put: (n: Nutrient, part: Partial<Schemas["BandAsked"]>) => void;
}) {
  const lab = p.name === "labBands" ? "lab, " : "";
  return p.nutrients
    .filter((n) => n.age !== "old")
    .map((n) => {
      const at = p.at(n);
      return (
        <div key={n.id} className="grid grid-cols-[1fr_1fr_1fr] items-end gap-3">
          <span className="pb-3">
            <b className="first-letter:uppercase">{n.name}</b> <span className="text-ash">{p.told(n)}</span>
          </span>
          <Field
            label={`${lab}${n.name}: from`}
            value={p.value(n, "low")}
            onChange={(low) => p.put(n, { low })}
            name={at < 0 ? undefined : `${p.name}[${at}].low`}
          />
          <Field
            label={`${lab}${n.name}: to`}
            value={p.value(n, "high")}
            onChange={(high) => p.put(n, { high })}
            name={at < 0 ? undefined : `${p.name}[${at}].high`}
          />
        </div>
      );
    });
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
      {!ofPlant(r.for) && (
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
      )}
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
