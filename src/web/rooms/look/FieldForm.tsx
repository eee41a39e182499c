import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useUnitWords } from "../../api/units";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { useClock } from "../../parts/clock";
import { DayField } from "../../parts/DayField";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { useFieldWrite } from "../../parts/outbox";
import { Tick } from "../../parts/Tick";
import { WrongElse, WrongHere } from "../../parts/Wrong";

type Deed = NonNullable<Schemas["FieldDeed"]>;

const deeds: readonly { value: Deed; name: string }[] = [
  { value: "sowed", name: "sowed" },
  { value: "planted", name: "planted" },
  { value: "watered", name: "watered" },
  { value: "rain", name: "it rained" },
  { value: "tilled", name: "tilled" },
  { value: "crimped", name: "crimped" },
  { value: "mowed", name: "mowed" },
  { value: "grazed", name: "grazed" },
  { value: "cover", name: "sowed a cover" },
  { value: "mulched", name: "mulched" },
  { value: "cleared", name: "cleared" },
];

/** What was done to the ground, on these beds; rain falls on all of them. */
export function FieldForm({ beds, first }: { beds: readonly Schemas["PlantedBed"][]; first: number | null }) {
  const clock = useClock();
  const words = useUnitWords();
  const [deed, setDeed] = useState<Deed>("watered");
  const [on, setOn] = useState<readonly number[]>(first ? [first] : []);
  const [amount, setAmount] = useState("");
  const [crop, setCrop] = useState("");
  const [variety, setVariety] = useState("");
  const [note, setNote] = useState("");
  const [ends, setEnds] = useState(false);
  const [day, setDay] = useState("");
  const grows = deed === "sowed" || deed === "planted" || deed === "cover";
  const wet = deed === "watered" || deed === "rain";
  const keep = useFieldWrite(
    "/api/look/field",
    () => ({
      body: {
        bedIds: deed === "rain" ? [] : [...on],
        did: {
          deed,
          amount: (wet || deed === "tilled") && amount ? amount : null,
          crop: grows ? crop : null,
          variety: grows && variety ? variety : null,
          ends,
          note: note || null,
        },
        ...(day && { at: clock.fromField(`${day}T12:00`)?.toISOString() ?? day }),
      },
    }),
    () => `${deed} ${crop || amount}`.trim(),
    () => {
      setAmount("");
      setNote("");
    },
  );
  const set =
    <T,>(how: (v: T) => void) =>
    (v: T) => {
      keep.reset();
      how(v);
    };
  return (
    <section>
      <h2 className="text-2xl">Write down</h2>
      <Form problem={keep.error} label="What was done" onSend={() => keep.mutate(null)} className="flex flex-col gap-2">
        <Choice label="What was done" value={deed} options={deeds} onChange={set(setDeed)} name="deed" />
        <div className="grid items-start gap-x-4 sm:grid-cols-2">
          {wet && (
            <Field
              label={deed === "rain" ? "The gauge" : "How much"}
              value={amount}
              onChange={set(setAmount)}
              name="amount"
              hint={deed === "rain" ? "12 mm, 0.5 in" : `${words.onBed}, or a depth: 12 mm`}
            />
          )}
          {deed === "tilled" && (
            <Field
              label="How deep"
              value={amount}
              onChange={set(setAmount)}
              name="amount"
              hint="15 cm; may be left out"
            />
          )}
          {grows && (
            <>
              <Field label="Crop" value={crop} onChange={set(setCrop)} name="crop" hint="oats and vetch" />
              <Field label="Variety" value={variety} onChange={set(setVariety)} name="variety" hint="may be left out" />
            </>
          )}
          <DayField label="On" value={day} onChange={set(setDay)} name="at" hint="empty: now" />
          <Field label="In your own words" value={note} onChange={set(setNote)} name="note" hint="may be left out" />
        </div>
        {deed !== "rain" && (
          <Fold
            line={
              on.length === 0
                ? "On which beds?"
                : `On ${beds
                    .filter((b) => on.includes(b.bedId))
                    .map((b) => b.bed)
                    .join(", ")}`
            }
            open={first === null}
          >
            <div className="grid sm:grid-cols-2">
              {beds.map((b) => (
                <Tick
                  key={b.bedId}
                  on={on.includes(b.bedId)}
                  onToggle={() => setOn(on.includes(b.bedId) ? on.filter((x) => x !== b.bedId) : [...on, b.bedId])}
                  label={b.bed}
                />
              ))}
            </div>
          </Fold>
        )}
        <WrongHere name="bedIds" />
        {!grows && !wet && deed !== "cleared" && (
          <Tick on={ends} onToggle={() => setEnds(!ends)} label="What stood there ends with it" />
        )}
        {(deed === "sowed" || deed === "planted") && <p className="text-ash">What stood there ends with it.</p>}
        <Button type="submit" kind="filled" className="self-start" disabled={keep.isPending}>
          Write it down
        </Button>
        <p role="status">
          {keep.isSuccess && (keep.data ? "✓ written down" : "▲ kept on this device, sent later and once")}
        </p>
        <WrongElse />
      </Form>
    </section>
  );
}
