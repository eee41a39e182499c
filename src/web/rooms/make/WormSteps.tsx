import { useState } from "react";
import type { Schemas } from "../../api/client";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form, Refusals } from "../../parts/Form";
import { useFieldWrite } from "../../parts/outbox";
import { Pick } from "../../parts/Pick";
import { WhenField } from "../../parts/WhenField";
import { WrongElse } from "../../parts/Wrong";

type Did = Schemas["WorkStepAsked"];
type Step = NonNullable<Schemas["WorkStep"]>;

/** A step that says nothing yet. */
export const nothing: Did = {
  step: null,
  tray: null,
  what: null,
  amount: null,
  back: null,
  density: null,
  share: null,
  damp: null,
  heat: null,
  permit: null,
  water: null,
  wind: null,
  note: null,
};

const ofTrays: readonly { value: Step; name: string }[] = [
  { value: "full", name: "it is full: worms move up" },
  { value: "ready", name: "it is ready" },
  { value: "drained", name: "it stands open to drain" },
  { value: "harvested", name: "harvested and sieved" },
];

const ofAll: readonly { value: Step; name: string }[] = [
  { value: "bedding", name: "bedding or browns laid in" },
  { value: "left", name: "what still lies of the last food" },
  { value: "damp", name: "how damp it is" },
  { value: "warmth", name: "how warm it is" },
  { value: "alarm", name: "worms climb out" },
  { value: "seen", name: "something seen or done" },
];

const ofBins: readonly { value: Step; name: string }[] = [
  { value: "weighed", name: "the worms weighed" },
  { value: "leachate", name: "liquid drawn off" },
];

const next: Record<Schemas["TrayState"], Step> = {
  waiting: "bedding",
  filling: "left",
  working: "left",
  ready: "harvested",
  drained: "harvested",
};

/** Feeding first; the rest under it. What is done in the yard goes by the outbox. */
export function WormSteps({ bin, tray }: { bin: Schemas["WormBinView"]; tray: Schemas["TrayView"] | null }) {
  const [food, setFood] = useState({ what: "", amount: "", why: "" });
  const [step, setStep] = useState<Step>(tray ? next[tray.state] : "left");
  const [did, setDid] = useState<Did>(nothing);
  const [at, setAt] = useState<string | null>(null);
  const set = (part: Partial<Did>) => setDid({ ...did, ...part });
  const write = useFieldWrite(
    "/api/works/{id}/steps",
    (d: Did) => ({ params: { path: { id: bin.id } }, body: { did: d, at } }),
    (d) => `${bin.name}: ${d.step === "fed" ? `fed ${d.amount ?? ""}` : d.step}`,
    () => {
      setFood({ what: "", amount: "", why: "" });
      setDid(nothing);
      setAt(null);
    },
  );
  const into = bin.feeding ?? (tray?.state === "waiting" ? tray.name : null);
  const kept = write.error?.fields.some((f) => f.field === "note") && write.variables?.step === "fed";
  const options = [...(tray ? ofTrays : []), ...ofAll, ...(tray ? ofBins : [])];
  return (
    <Refusals problem={write.error}>
      {" "}
      <Form
        className="grid grid-cols-[1fr_1fr_auto] items-start gap-3"
        label="Feed them"
        onSend={() =>
          write.mutate({
            ...nothing,
            step: "fed",
            tray: into,
            what: food.what || null,
            amount: food.amount,
            note: food.why || null,
          })
        }
      >
        <Field
          label={into ? `Fed into ${into}` : "Fed"}
          value={food.amount}
          onChange={(amount) => setFood({ ...food, amount })}
          name={write.variables?.step === "fed" ? "amount" : undefined}
          hint="400 g"
        />
        <Field
          label="of"
          value={food.what}
          onChange={(what) => setFood({ ...food, what })}
          name={write.variables?.step === "fed" ? "what" : undefined}
          hint="kitchen scraps"
        />
        <Button type="submit" kind="filled" className="mt-7" disabled={write.isPending || food.amount.trim() === ""}>
          Log it
        </Button>
        {kept && (
          <div className="col-span-3">
            <Field
              label="Why it goes in all the same"
              value={food.why}
              onChange={(why) => setFood({ ...food, why })}
              name="note"
            />
          </div>
        )}
      </Form>
      <Fold
        line={
          step === "harvested"
            ? "Harvest it; or something else"
            : tray
              ? "Bedding, looks, a tray that is full or ready"
              : "Bedding, what still lies, something seen"
        }
        open={step === "harvested"}
      >
        <Pick
          label={tray ? `Done or seen at ${tray.name}` : "Done or seen"}
          value={step}
          options={options}
          onChange={setStep}
        />
        <Fields step={step} did={did} set={set} />
        <Field
          label="In your own words"
          value={did.note ?? ""}
          onChange={(note) => set({ note })}
          name={kept ? undefined : "note"}
        />
        <WhenField onChange={setAt} key={write.submittedAt} />
        <Button
          className="self-start"
          disabled={write.isPending}
          onClick={() => write.mutate({ ...did, step, tray: tray?.name ?? null })}
        >
          Write it down
        </Button>
      </Fold>
      <WrongElse />
    </Refusals>
  );
}

/** What a step asks for. */
function Fields({ step, did, set }: { step: Step; did: Did; set: (part: Partial<Did>) => void }) {
  const amount = (label: string, dimension: Schemas["Dimension"]) => (
    <AmountField
      label={label}
      dimension={dimension}
      value={did.amount ?? ""}
      onChange={(a) => set({ amount: a })}
      name="amount"
    />
  );
  if (step === "bedding")
    return (
      <div className="grid grid-cols-2 gap-4">
        {amount("Laid in", "volume")}
        <Field
          label="of"
          value={did.what ?? ""}
          onChange={(what) => set({ what })}
          name="what"
          hint="cardboard, leaves, coir"
        />
      </div>
    );
  if (step === "left")
    return (
      <Choice
        label="Of the last food there lies"
        value={did.share === null || did.share === undefined ? "" : String(did.share)}
        options={[
          { value: "0", name: "nothing" },
          { value: "0.25", name: "a quarter" },
          { value: "0.5", name: "half" },
          { value: "1", name: "all of it" },
        ]}
        onChange={(share) => set({ share: Number(share) })}
        name="share"
      />
    );
  if (step === "damp")
    return (
      <Choice<NonNullable<Schemas["Damp"]> | "">
        label="It is"
        value={did.damp ?? ""}
        options={[
          { value: "dry", name: "too dry" },
          { value: "right", name: "as a wrung-out sponge" },
          { value: "wet", name: "wet or muddy" },
        ]}
        onChange={(damp) => damp && set({ damp })}
        name="damp"
      />
    );
  if (step === "harvested")
    return (
      <div className="grid grid-cols-2 gap-4">
        {amount("Came out of it", "volume")}
        <AmountField
          label="Of that, sieved back"
          dimension="volume"
          value={did.back ?? ""}
          onChange={(back) => set({ back })}
          name="back"
          hint="empty for none"
        />
      </div>
    );
  if (step === "warmth") return amount("Warmth in the bedding", "temperature");
  if (step === "weighed") return amount("Worms, all of them", "mass");
  if (step === "leachate") return amount("Liquid", "volume");
  return null;
}
