import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useFieldWrite } from "../../parts/outbox";
import { Form, Refusals } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { WrongElse } from "../../parts/Wrong";
import { aired } from "./aired";

/** Stopping the air, and heaping. */
export function EndBatch({ batch }: { batch: Schemas["BatchView"] }) {
  const [why, setWhy] = useState<string | null>(null);
  const path = { params: { path: { id: batch.id } } };
  const off = useFieldWrite(
    "/api/brew/batches/{id}/air-off",
    () => ({ ...path, body: { at: null } }),
    () => `air off: ${batch.vessel.name}`,
  );
  const heap = useFieldWrite(
    "/api/brew/batches/{id}/heap",
    (text: string) => ({ ...path, body: { why: text } }),
    (text) => `${batch.vessel.name} sent to the heap: ${text}`,
  );
  return (
    <Refusals problem={[off.error, heap.error]}>
      {" "}
      <section aria-label="End it">
        <p className="flex flex-wrap gap-3">
          {batch.state === "brewing" && aired(batch) && (
            <Button onClick={() => off.mutate(null)} disabled={off.isPending}>
              Air off now
            </Button>
          )}
          <Button onClick={() => setWhy(why === null ? "" : null)}>
            {batch.state === "planned" ? "Drop this plan" : "Send it to the heap"}
          </Button>
        </p>
        {why !== null && (
          <Form className="mt-2 flex flex-col gap-2" onSend={() => heap.mutate(why)}>
            <Field label="Why? The log keeps it" value={why} onChange={setWhy} name="why" autoFocus />
            <Button type="submit" kind="filled" className="self-start">
              {batch.state === "planned" ? "Drop it" : "On the heap"}
            </Button>
          </Form>
        )}
        <WrongElse />
      </section>
    </Refusals>
  );
}
