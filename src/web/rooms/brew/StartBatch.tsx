import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useFieldWrite } from "../../parts/outbox";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { WrongElse } from "../../parts/Wrong";

/** The gate at the start: a strip at zero, or why not. */
export function StartBatch({ batch }: { batch: Schemas["BatchView"] }) {
  const [strip, setStrip] = useState("");
  const [waiver, setWaiver] = useState("");
  const start = useFieldWrite(
    "/api/brew/batches/{id}/start",
    (body: Schemas["StartRequest"]) => ({
      params: { path: { id: batch.id } },
      body,
    }),
    () => `source in: ${batch.vessel.name}`,
  );
  const asked = start.error?.of("strip") ?? start.error?.of("waiver");
  return (
    <Form
      problem={start.error}
      label="Start"
      className="mt-6 max-w-xl border-t-2 border-ink pt-4"
      onSend={() => start.mutate({ strip, waiver: waiver || null, at: null })}
    >
      <h2 className="text-xl">Source in: start it</h2>
      <p>Its strip must read zero before any biology goes in.</p>
      <div className="mt-2 grid gap-4 sm:grid-cols-[9rem_1fr]">
        <Field
          label="Strip, mg/L"
          inputMode="decimal"
          value={strip}
          onChange={setStrip}
          name="strip"
          hint="0 is clear"
        />
        {(asked || waiver) && (
          <Field
            label="Or begin all the same, because"
            value={waiver}
            onChange={setWaiver}
            name="waiver"
            hint="kept in the record"
          />
        )}
      </div>
      <WrongElse />
      <Button type="submit" kind="filled" className="mt-3" disabled={start.isPending}>
        Start now
      </Button>
    </Form>
  );
}
