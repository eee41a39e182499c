import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWorkOut } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Refusals } from "../../parts/Form";
import { Pick } from "../../parts/Pick";
import { Sum } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { WrongElse } from "../../parts/Wrong";
import { NitrogenLine } from "./NitrogenLine";

type Asked = Schemas["CastingsFeedAsked"];

const crops: readonly { value: NonNullable<Asked["crop"]>; name: string }[] = [
  { value: "module", name: "a seedling in a module" },
  { value: "lettuce", name: "a head lettuce" },
  { value: "tomato", name: "a fruiting tomato" },
  { value: "unsaid", name: "something else" },
];

/** Does a share of castings feed this crop in this pot, through its weeks? */
export function CastingsCarry() {
  const [r, change] = useState<Asked>({
    pot: "3 L",
    share: "30",
    crop: "lettuce",
    takes: "",
    weeks: "",
    nitrogen: "",
    mineralN: "",
  });
  const set = (part: Partial<Asked>) => change({ ...r, ...part });
  const worked = useWorkOut("/api/works/worms/castings", { body: r });
  const v = worked.last?.value;
  return (
    <Refusals problem={[worked.problem]}>
      {" "}
      <section aria-label="Do castings feed a pot">
        <h2 className="text-xl">Will castings feed it?</h2>
        <div className="mt-2 grid grid-cols-2 gap-x-4">
          <AmountField label="Pot" dimension="volume" value={r.pot ?? ""} onChange={(pot) => set({ pot })} name="pot" />
          <Field
            label="Castings in it, %"
            value={r.share ?? ""}
            onChange={(share) => set({ share })}
            name="share"
            inputMode="decimal"
            hint="10 to 30 is usual"
          />
        </div>
        <Pick label="Grows in it" value={r.crop ?? "unsaid"} options={crops} onChange={(crop) => set({ crop })} />
        <Fold
          line="What it takes, and what a lab found in the castings"
          key={r.crop === "unsaid" ? "own" : "usual"}
          open={r.crop === "unsaid"}
        >
          <div className="grid grid-cols-2 gap-x-4">
            <Field
              label="Nitrogen it takes"
              value={r.takes ?? ""}
              onChange={(takes) => set({ takes })}
              name="takes"
              hint="a plant in all: 1.2 g"
            />
            <Field
              label="In weeks"
              value={r.weeks ?? ""}
              onChange={(weeks) => set({ weeks })}
              name="weeks"
              inputMode="numeric"
            />
            <Field
              label="Castings hold, g N a litre"
              value={r.nitrogen ?? ""}
              onChange={(nitrogen) => set({ nitrogen })}
              name="nitrogen"
              inputMode="decimal"
              hint="empty: the table’s"
            />
            <Field
              label="Ammonium and nitrate, mg N a litre"
              value={r.mineralN ?? ""}
              onChange={(mineralN) => set({ mineralN })}
              name="mineralN"
              inputMode="decimal"
              hint="by a lab’s sheet"
            />
          </div>
        </Fold>
        {v && worked.last && (
          <>
            <Verdict verdict={v.verdict} />
            <NitrogenLine outlook={v.outlook} name={`a pot with ${v.shareShown} castings`} />
            <Sum working={worked.last.working} sure={worked.last.sure} of="its nitrogen" />
          </>
        )}
        <WrongElse />
      </section>
    </Refusals>
  );
}
