import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams, useSearchParams } from "react-router-dom";
import { client, must, type Problem, type Schemas, useRead, useWrite } from "../../api/client";
import { Room } from "../../parts/Room";
import { useLastGood } from "../../parts/lastGood";
import { Wrong } from "../../parts/Wrong";
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
  const batch = useRead(
    ["batch", id],
    () => client.GET("/api/brew/batches/{id}", { params: { path: { id: id ?? 0 } } }),
    id !== null,
  );
  const asked = useRead(
    ["asked", corrects],
    () => client.GET("/api/put-out/asked/{id}", { params: { path: { id: corrects ?? 0 } } }),
    corrects !== null,
  );
  const ground = useRead(["ground"], () => client.GET("/api/ground"));
  const shelf = useRead(["shelf"], () => client.GET("/api/shelf"));
  const sprayers = useRead(["sprayers"], () => client.GET("/api/put-out/sprayers"));
  const view = useRead(["put-out"], () => client.GET("/api/put-out"));
  const query = {
    batch: id ?? undefined,
    giving: giving ?? undefined,
    input: number("input") ?? undefined,
    bed: number("bed") ?? undefined,
    purpose: search.get("purpose") === "root" ? "root" : undefined,
    at: search.get("at") ?? undefined,
  };
  const first = useRead(
    ["tank-start", query],
    () => client.GET("/api/put-out/tank/start", { params: { query } }),
    corrects === null,
  );
  const start = corrects === null ? first.data?.value : asked.data;
  const waits = (id && !batch.data) || !start;
  const wrong = batch.error ?? asked.error ?? first.error ?? ground.error ?? shelf.error;
  if (waits || !ground.data || !shelf.data || !sprayers.data || !view.data) {
    return (
      <main id="room" className="p-7" aria-busy={!wrong}>
        <h1 className="text-2xl">Put out</h1>
        <Wrong problem={wrong} />
      </main>
    );
  }
  const given = {
    batch: batch.data ?? null,
    ground: ground.data,
    shelf: shelf.data,
    sprayers: sprayers.data,
    ready: view.data.ready,
  };
  return <TheTank key={search.toString()} given={given} start={start} />;
}

function TheTank({ given, start }: { given: Given; start: Job }) {
  const [job, change] = useState<Job>(start);
  const [kept, setKept] = useState<number | null>(null);
  const asked: Job = { ...job, cautionsSeen: [], overrideWhy: null, mixWhy: null, who: null, why: null };
  const something = job.batchId !== null || (job.items?.length ?? 0) > 0;
  const worked = useQuery<Schemas["WorkedOfTankView"], Problem>({
    queryKey: ["tank", asked],
    queryFn: () => must(client.POST("/api/put-out/tank/work-out", { body: asked })),
    placeholderData: keepPreviousData,
    retry: false,
    enabled: something && (job.bedIds?.length ?? 0) > 0,
  });
  // A time ahead is for looking at; what is written down has happened.
  const keep = useWrite(
    (body: Job, headers) => client.POST("/api/put-out/tank", { body, headers }),
    (k) => setKept(k.id),
  );
  // What was refused is looked at anew once something was changed.
  const setJob = (next: Job) => {
    keep.reset();
    change(next);
  };
  const data = useLastGood(worked.data);
  const sprayer = given.sprayers.find((s) => s.id === job.sprayerId);
  if (kept !== null) {
    return <Done job={kept} sprayer={sprayer ?? null} leaf={job.purpose === "leaf"} brew={job.batchId !== null} />;
  }
  const v = something && (job.bedIds?.length ?? 0) > 0 ? data?.value : undefined;
  return (
    <Room
      title={
        job.correctsId
          ? "Put an entry right"
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
            <TankQuestions given={given} job={job} setJob={setJob} worked={data} problem={worked.error ?? keep.error} />
          </div>
          {v && data && <TankCard given={given} job={job} worked={data} />}
        </>
      }
      slate={
        v && data ? (
          <TankSays job={job} setJob={setJob} worked={data} keep={keep} problem={worked.error ?? null} />
        ) : (
          <p className="text-lg">
            {worked.error
              ? "What is marked at the side has to be put right first."
              : something
                ? "Choose the beds it goes on."
                : "Choose a brew, or something from the shelf, and the beds."}
          </p>
        )
      }
    />
  );
}
