import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useUnitWords } from "../../api/units";
import { useWrite } from "../../api/data";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { WrongElse } from "../../parts/Wrong";

/** A lot that came in: bought or made. */
export function LotForm({ input, done }: { input: Schemas["ShelfInputView"]; done: () => void }) {
  const words = useUnitWords();
  const [r, setR] = useState<Record<string, string>>({ origin: "bought" });
  const day = (d?: string) => (d ? new Date(d + "T12:00Z").toISOString() : null);
  const keep = useWrite(
    "/api/shelf/inputs/{id}/lots",
    () => ({
      params: { path: { id: input.id } },
      body: {
        mark: r.mark ?? "",
        origin: r.origin ?? "bought",
        amount: r.amount ?? "",
        from: day(r.from),
        expires: day(r.expires),
        place: r.place ?? "",
        kept: r.kept ?? "",
        paid: r.paid ?? "",
        minutes: r.minutes ?? "",
        notes: r.notes ?? "",
      },
    }),
    done,
  );
  const field = (key: string, label: string, hint?: string, type?: string) => (
    <Field
      label={label}
      type={type}
      value={r[key] ?? ""}
      onChange={(t) => setR({ ...r, [key]: t })}
      name={key}
      hint={hint}
    />
  );
  return (
    <Form problem={keep.error} className="my-2 border-l-4 border-clay pl-4" onSend={() => keep.mutate(null)}>
      <Choice
        label="It was"
        value={r.origin as "bought" | "made"}
        options={[
          { value: "bought", name: "bought" },
          { value: "made", name: "made here" },
        ]}
        onChange={(origin) => setR({ ...r, origin })}
      />
      <div className="grid gap-x-4 sm:grid-cols-2">
        {field("mark", "What stands on it", "F-26, or the day")}
        {field("amount", "How much", input.unit === "L" ? words.bottle : words.sack)}
        {field("from", "On", "empty: today", "date")}
        {field("expires", "Keeps until", "empty: it keeps", "date")}
        {field("place", "Kept where")}
        {field("kept", "How warm there", words.cellar)}
        {field("paid", "Paid for all of it")}
        {r.origin === "made" && field("minutes", "Minutes of work")}
        {field("notes", "Notes", input.kind.includes("eaweed") ? "weed, fresh or dried, how it was made" : undefined)}
      </div>
      <Button type="submit" kind="filled" disabled={keep.isPending}>
        Put it on the shelf
      </Button>
      <WrongElse />
    </Form>
  );
}
