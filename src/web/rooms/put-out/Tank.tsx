import { useState } from "react";
import { useParams, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { Refusals } from "../../parts/Form";
import { useRead, useReadIf, useWorkOut } from "../../api/data";
import { useFieldWrite } from "../../parts/outbox";
import { Room } from "../../parts/Room";
import { TankCard } from "./TankCard";
import { Done } from "./TankDone";
import { TankQuestions } from "./TankQuestions";
import { TankSays } from "./TankSays";

export type Job = Schemas["TankRequest"];

/** What the tank starts with: a brew, a giving of the season, an entry to put right, or nothing yet. */
export interface Given {
  batch: Schemas["BatchView"] | null;
  ground: Schemas["GroundView"];
  shelf: Schemas["ShelfView"];
  sprayers: Schemas["SprayerView"][];
  ready: Schemas["BatchLine"][];
}

/** One way to put things out: a brew, bottles, or both; several beds; a sprayer; kept in the book. */
export function Tank() {
  const [search] = useSearchParams();
  const number = (name: string) => Number(search.get(name)) || null;
  const id = Number(useParams().id) || number("batch");
  const corrects = number("corrects");
  const giving = number("giving");
  const batch = useReadIf(id !== null, "/api/brew/batches/{id}", { params: { path: { id: id ?? 0 } } });
  const asked = useReadIf(corrects !== null, "/api/put-out/asked/{id}", { params: { path: { id: corrects ?? 0 } } });
  const ground = useRead("/api/ground");
  const shelf = useRead("/api/shelf");
  const sprayers = useRead("/api/put-out/sprayers");
  const view = useRead("/api/put-out");
  const query = {
    batch: id ?? undefined,
    giving: giving ?? undefined,
    input: number("input") ?? undefined,
    bed: number("bed") ?? undefined,
    purpose: search.get("purpose") === "root" ? "root" : undefined,
    at: search.get("at") ?? undefined,
  };
  const first = useReadIf(corrects === null, "/api/put-out/tank/start", { params: { query } });
  const start = (corrects === null ? first?.value : asked)!; // one of the two is always read
  const given = {
    batch: batch ?? null,
    ground,
    shelf,
    sprayers,
    ready: view.ready,
  };
  const beds = search.get("beds")?.split(",").map(Number).filter(Boolean);
  return <TheTank key={search.toString()} given={given} start={beds ? { ...start, bedIds: beds } : start} />;
}

function TheTank({ given, start }: { given: Given; start: Job }) {
  const [job, change] = useState<Job>(start);
  const [kept, setKept] = useState<number | null>(null);
  const asked: Job = { ...job, cautionsSeen: [], overrideWhy: null, mixWhy: null, who: null, why: null };
  const something = job.batchId !== null || (job.items?.length ?? 0) > 0;
  const worked = useWorkOut(
    "/api/put-out/tank/work-out",
    something && (job.bedIds?.length ?? 0) > 0 ? { body: asked } : null,
  );
  // A time ahead is for looking at; what is written down has happened.
  const keep = useFieldWrite(
    "/api/put-out/tank",
    (body: Job) => ({ body }),
    () => `put out: ${given.batch?.vessel.name ?? "a tank from the shelf"}`,
    (k) => setKept(k?.id ?? 0),
  );
  // What was refused is looked at anew once something was changed.
  const setJob = (next: Job) => {
    keep.reset();
    change(next);
  };
  const data = worked.last;
  const sprayer = given.sprayers.find((s) => s.id === job.sprayerId);
  if (kept !== null) {
    return <Done job={kept} sprayer={sprayer ?? null} leaf={job.purpose === "leaf"} brew={job.batchId !== null} />;
  }
  const v = something && (job.bedIds?.length ?? 0) > 0 ? data?.value : undefined;
  return (
    <Refusals problem={[worked.problem, keep.error]}>
      {" "}
      <Room
        title={
          job.correctsId
            ? "Record a correction"
            : given.batch
              ? `Put out ${given.batch.vessel.name}`
              : "Fill a tank from the shelf"
        }
        under={
          given.batch
            ? `${given.batch.brewShown} of ${given.batch.making}, ${given.batch.purpose === "leaf" ? "for leaves" : "for roots"}`
            : "Bottles, granules, a brew or both; every bed its share."
        }
        peek={v?.verdict.sentence}
        bench={
          <>
            <div className="print:hidden">
              <TankQuestions given={given} job={job} setJob={setJob} worked={data} />
            </div>
            {v && data && <TankCard given={given} job={job} worked={data} />}
          </>
        }
        slate={
          v && data ? (
            <TankSays job={job} setJob={setJob} worked={data} keep={keep} />
          ) : (
            <div>
              <h2 className="text-2xl">
                {worked.problem
                  ? "Something is refused."
                  : something
                    ? "On which beds?"
                    : (job.bedIds?.length ?? 0) > 0
                      ? "And what goes on them?"
                      : "A brew or a bottle, and beds."}
              </h2>
              <p className="text-lg">
                {worked.problem
                  ? "What is marked at the side stands in the way."
                  : something
                    ? "Choose them on the ground, and the amounts, the fillings and what each bed gets stand here."
                    : "Add something from the shelf, or choose a brew: then the amounts and the fillings stand here."}
              </p>
            </div>
          )
        }
      />
    </Refusals>
  );
}
