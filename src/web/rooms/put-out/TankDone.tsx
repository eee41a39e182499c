import type { Schemas } from "../../api/client";
import { useFieldWrite } from "../../parts/outbox";
import { Button } from "../../parts/Button";
import { Room } from "../../parts/Room";
import { Go } from "../../parts/Go";
import { Wrong } from "../../parts/Wrong";

interface Props {
  job: number;
  sprayer: Schemas["SprayerView"] | null;
  leaf: boolean;
  brew: boolean;
}

/** It is out: what is left to do is to wash up, and later to read the leaves. */
export function Done({ job, sprayer, leaf, brew }: Props) {
  const wash = useFieldWrite(
    "/api/put-out/sprayers/{id}/wash",
    () => ({
      params: { path: { id: sprayer?.id ?? 0 } },
      body: { applicationId: job || null, note: null, at: null },
    }),
    () => `${sprayer?.name ?? "sprayer"} washed up`,
  );
  return (
    <Room
      title={job ? "It is in the book" : "Kept on this device until there is a signal"}
      peek="Wash up at once"
      bench={
        <>
          {sprayer && !wash.isSuccess && (
            <section className="border-l-8 border-plum pl-4">
              <h2 className="text-xl">Wash up {sprayer.name}</h2>
              <p className="text-lg">
                Now, while it is wet: rinse tank, hose, lance and filter with clean water until it runs clear, open the
                nozzle, leave it to dry upside down.
              </p>
              <p className="mt-3">
                <Button kind="filled" disabled={wash.isPending} onClick={() => wash.mutate(null)}>
                  It is washed up
                </Button>
              </p>
              <Wrong problem={wash.error} />
            </section>
          )}
          {(wash.data || !sprayer) && (
            <p role="status" className="text-lg">
              {sprayer ? `✓ ${sprayer.name} is washed up; that is logged too.` : "Wash up what you used."}
            </p>
          )}
          <p className="mt-5 flex flex-wrap gap-3">
            {leaf && <Go to="/look/leaves">Read the leaves</Go>}
            <Go to={`/book?entry=${job}`}>See it in the book</Go>
            <Go to="/">To what wants hands</Go>
          </p>
        </>
      }
      slate={
        <>
          <h2 className="text-xl">Afterwards</h2>
          <p>
            {leaf
              ? "Read brix again after one to three days: same leaf, same hour, same sky."
              : brew
                ? "Look after a week: roots, smell, crumb. Life put out on bare ground starves."
                : "Look after a week, and leave a strip without next time: then you know what it did."}
          </p>
        </>
      }
    />
  );
}
