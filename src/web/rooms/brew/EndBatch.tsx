import { useState } from "react";
import { client, type Schemas, useWrite } from "../../api/client";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Wrong } from "../../parts/Wrong";
import { aired } from "./aired";

/** Stopping the air, and heaping. */
export function EndBatch({ batch }: { batch: Schemas["BatchView"] }) {
  const [why, setWhy] = useState<string | null>(null);
  const path = { params: { path: { id: batch.id } } };
  const off = useWrite((_: null, headers) =>
    client.POST("/api/brew/batches/{id}/air-off", { ...path, body: { at: null }, headers }),
  );
  const heap = useWrite((text: string, headers) =>
    client.POST("/api/brew/batches/{id}/heap", { ...path, body: { why: text }, headers }),
  );
  return (
    <section aria-label="End it">
      <p className="flex flex-wrap gap-3">
        {batch.state === "brewing" && aired(batch) && (
          <Button onClick={() => off.mutate(null)} disabled={off.isPending}>
            Air off now
          </Button>
        )}
        <Button onClick={() => setWhy(why === null ? "" : null)}>
          {batch.state === "planned" ? "Drop this plan" : "Heap it"}
        </Button>
      </p>
      {why !== null && (
        <form
          className="mt-2 flex flex-col gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            heap.mutate(why);
          }}
        >
          <Field label="Why? The log keeps it" value={why} onChange={setWhy} wrong={heap.error?.of("why")} autoFocus />
          <Button type="submit" kind="filled" className="self-start">
            {batch.state === "planned" ? "Drop it" : "On the heap"}
          </Button>
        </form>
      )}
      <Wrong problem={off.error ?? heap.error} shown={["why"]} />
    </section>
  );
}
