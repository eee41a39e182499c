import { useState } from "react";
import { client, type Schemas, useWrite } from "../../api/client";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Sum } from "../../parts/Sum";
import { Wrong } from "../../parts/Wrong";

const counts = (t: string) =>
  t
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number);

/** Before and after the pump or the sprayer: what came through whole. */
export function Through() {
  const [before, setBefore] = useState("");
  const [after, setAfter] = useState("");
  const [answer, setAnswer] = useState<Schemas["WorkedOfWholeAnswer"] | null>(null);
  const ask = useWrite(
    (body: Schemas["ThroughRequest"]) => client.POST("/api/brew/tally/through", { body }),
    (a) => setAnswer(a),
  );
  return (
    <section aria-label="Through the pump" className="mt-6 border-t-2 border-ink pt-3">
      <h2 className="text-xl">Through the pump or the sprayer</h2>
      <p className="text-ash">Count whole ones, field by field, before it and after it, at the same dilution.</p>
      <form
        className="grid gap-x-4 sm:grid-cols-2"
        onSubmit={(e) => {
          e.preventDefault();
          ask.mutate({ before: counts(before), after: counts(after) });
        }}
      >
        <Field
          label="Before, one number a field"
          value={before}
          onChange={setBefore}
          wrong={ask.error?.of("before")}
          hint="16 14 19 15"
        />
        <Field label="After" value={after} onChange={setAfter} wrong={ask.error?.of("after")} />
        <Button type="submit" className="justify-self-start" disabled={ask.isPending}>
          What came through?
        </Button>
      </form>
      <Wrong problem={ask.error} shown={["before", "after"]} />
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
