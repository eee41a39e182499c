import { useRead } from "../../api/data";
import { useFieldWrite } from "../../parts/outbox";
import { Button } from "../../parts/Button";
import { Room } from "../../parts/Room";
import { Wrong } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

/** Cleaning up, step by step, vessel by vessel; the next plan says so where it was not done. */
export function CleanRoom() {
  const clock = useClock();
  const vessels = useRead("/api/brew/cleaning");
  const clean = useFieldWrite(
    "/api/brew/vessels/{id}/clean",
    (v: { id: number; step: string }) => ({
      params: { path: { id: v.id } },
      body: { step: v.step, at: null },
    }),
    (v) => `cleaning: ${v.step}`,
  );
  const dirty = vessels.filter((v) => !v.clean && !v.inUse) ?? [];
  return (
    <Room
      title="Clean up"
      under="At once, while it is wet: a film that dries on the walls spoils the next brew."
      peek={dirty.length > 0 ? `${dirty.length} not clean` : "All clean"}
      bench={
        <>
          <Wrong problem={clean.error} />
          {vessels.map((v) => (
            <section key={v.vesselId} aria-label={v.vessel} className="border-t border-line py-3">
              <h2 className="text-xl">
                <span aria-hidden className={v.inUse ? "text-clay" : v.clean ? "text-moss" : "text-plum"}>
                  {v.inUse ? "●" : v.clean ? "✓" : "■"}
                </span>{" "}
                {v.vessel}
              </h2>
              <p>
                {v.says}{" "}
                {v.lastBrew && v.usedAt && (
                  <span className="text-ash">
                    Last: {v.lastBrew}, {clock.when(v.usedAt)}.
                  </span>
                )}
              </p>
              {!v.inUse && v.usedAt && !v.clean && (
                <ol>
                  {v.steps.map((s) => (
                    <li key={s.id} className="flex items-start justify-between gap-3 border-t border-line py-2">
                      <span>
                        <b>{s.name}.</b> {s.detail}
                        {s.doneAt && <span className="text-moss"> ✓ {clock.when(s.doneAt)}</span>}
                      </span>
                      {!s.doneAt && (
                        <Button
                          aria-label={`done: ${s.name}, ${v.vessel}`}
                          disabled={clean.isPending}
                          onClick={() => clean.mutate({ id: v.vesselId, step: s.id })}
                        >
                          done
                        </Button>
                      )}
                    </li>
                  ))}
                </ol>
              )}
            </section>
          ))}
        </>
      }
      slate={
        <>
          <h2 className="text-2xl">
            {dirty.length === 0 ? "Every vessel is clean." : `Not clean yet: ${dirty.map((v) => v.vessel).join(", ")}.`}
          </h2>
          <p>What is logged here stands on the next plan: a vessel not logged clean is flagged there.</p>
          <p>
            <b className="text-straw">▲ Mind</b> Peroxide and acids: add them to water, goggles on, never with bleach.{" "}
            <span className="text-ash">A usual caution: labels and local codes come first.</span>
          </p>
        </>
      }
    />
  );
}
