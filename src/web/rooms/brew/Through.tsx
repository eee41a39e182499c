import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWorkOut } from "../../api/data";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Sum } from "../../parts/Sum";
import { WrongElse } from "../../parts/Wrong";

/** Numbers as they were typed, field by field. */
export const counts = (t: string) =>
  t
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number);

/** Before and after the pump or the sprayer: what came through whole. */
export function Through() {
  const [before, setBefore] = useState("");
  const [after, setAfter] = useState("");
  const [asked, ask] = useState<Schemas["ThroughRequest"] | null>(null);
  const whole = useWorkOut("/api/brew/tally/through", asked && { body: asked });
  const answer = whole.problem ? null : whole.data;
  return (
    <section aria-label="Through the pump" className="mt-6 border-t-2 border-ink pt-3">
      <h2 className="text-xl">Through the pump or the sprayer</h2>
      <p className="text-ash">Count whole ones, field by field, before it and after it, at the same dilution.</p>
      <Form
        problem={whole.problem}
        className="grid gap-x-4 sm:grid-cols-2"
        onSend={() => ask({ before: counts(before), after: counts(after) })}
      >
        <Field
          label="Before, one number a field"
          value={before}
          onChange={setBefore}
          name="before"
          hint="16 14 19 15"
        />
        <Field label="After" value={after} onChange={setAfter} name="after" />
        <Button type="submit" className="justify-self-start">
          What came through?
        </Button>
        <WrongElse />
      </Form>
      {answer && (
        <>
          <p role="status" className="mt-2 text-lg font-bold">
            {answer.value?.sentence}
          </p>
          <Sum working={answer.working} sure={answer.sure} of="this share" />
        </>
      )}
    </section>
  );
}
