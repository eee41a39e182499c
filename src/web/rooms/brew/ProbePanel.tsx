import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useReadIf, useWrite } from "../../api/data";
import { Form, Refusals } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

/** The probe in a batch: what it reads, how it stands to hand readings, its gaps; null where none hangs in it. */
export const useProbe = (id: number, going: boolean) =>
  useReadIf(going, "/api/brew/batches/{id}/probe", { params: { path: { id } } }) ?? null;

export function ProbePanel({
  batch,
  probe,
}: {
  batch: Schemas["BatchView"];
  probe: Schemas["ProbeView"] | null | undefined;
}) {
  const clock = useClock();
  const [port, setPort] = useState("5181");
  const path = { params: { path: { id: batch.id } } };
  const attach = useWrite("/api/brew/batches/{id}/probe", (body: Schemas["AttachRequest"]) => ({ ...path, body }));
  const detach = useWrite("/api/brew/batches/{id}/probe/detach", () => ({ ...path }));
  return (
    <Refusals problem={[attach.error, detach.error]}>
      {" "}
      <details className="mt-6 border-y border-line py-2" open={!!probe}>
        <summary className="min-h-11 cursor-pointer py-2 text-base">
          <b>Probe</b>{" "}
          {probe
            ? `${probe.name}${probe.simulated ? ", simulated" : ""}: ${probe.lastMgPerL === null ? "nothing yet" : `${probe.lastMgPerL.toFixed(1)} mg/L`}${probe.lastAt ? ` at ${clock.time(probe.lastAt)}` : ""}`
            : "none hangs in it"}
        </summary>
        {probe ? (
          <>
            {probe.simulated && (
              <p className="font-bold text-straw">▲ This probe is simulated: no real brew is behind its figures.</p>
            )}
            <p>
              {probe.says} {probe.readings.toLocaleString("en")} readings kept.
            </p>
            {probe.events.length > 0 && (
              <ul className="figures">
                {probe.events.map((e, i) => (
                  <li key={i} className="border-t border-line py-1">
                    {clock.when(e.at)} <b>{e.kind}</b> {e.text}
                  </li>
                ))}
              </ul>
            )}
            <Button kind="plain" disabled={detach.isPending} onClick={() => detach.mutate(null)}>
              take it out
            </Button>
          </>
        ) : (
          <Form
            className="flex flex-wrap items-start gap-4"
            onSend={() => attach.mutate({ host: "127.0.0.1", port: Number(port) })}
          >
            <Field label="Its port on this machine" inputMode="numeric" value={port} onChange={setPort} name="port" />
            <Button type="submit" className="mt-6" disabled={attach.isPending}>
              Hang it in
            </Button>
          </Form>
        )}
        <WrongElse />
      </details>
    </Refusals>
  );
}
