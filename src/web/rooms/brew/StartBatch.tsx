import { useState } from "react";
import { client, type Schemas, useWrite } from "../../api/client";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Wrong } from "../../parts/Wrong";

/** The gate at the start: a strip at zero, or why not. */
export function StartBatch({ batch }: { batch: Schemas["BatchView"] }) {
  const [strip, setStrip] = useState("");
  const [waiver, setWaiver] = useState("");
  const start = useWrite((body: Schemas["StartRequest"], headers) =>
    client.POST("/api/brew/batches/{id}/start", { params: { path: { id: batch.id } }, body, headers }),
  );
  const asked = start.error?.of("strip") ?? start.error?.of("waiver");
  return (
    <form
      aria-label="Start"
      className="mt-6 max-w-xl border-t-2 border-ink pt-4"
      onSubmit={(e) => {
        e.preventDefault();
        start.mutate({ strip, waiver: waiver || null, at: null });
      }}
    >
      <h2 className="text-xl">Source in: start it</h2>
      <p>Its strip must read zero before any biology goes in.</p>
      <div className="mt-2 grid gap-4 sm:grid-cols-[9rem_1fr]">
        <Field
          label="Strip, mg/L"
          inputMode="decimal"
          value={strip}
          onChange={setStrip}
          wrong={start.error?.of("strip")}
          hint="0 is clear"
        />
        {(asked || waiver) && (
          <Field
            label="Or begin all the same, because"
            value={waiver}
            onChange={setWaiver}
            wrong={start.error?.of("waiver")}
            hint="kept in the record"
          />
        )}
      </div>
      <Wrong problem={start.error} shown={["strip", "waiver"]} />
      <Button type="submit" kind="filled" className="mt-3" disabled={start.isPending}>
        Start now
      </Button>
    </form>
  );
}
