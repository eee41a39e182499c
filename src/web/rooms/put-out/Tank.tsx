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
  const season = useRead(["programmes"], () => client.GET("/api/put-out/programmes"), giving !== null);
  const waits = (id && !batch.data) || (corrects && !asked.data) || (giving && !season.data);
  const wrong = batch.error ?? asked.error ?? ground.error ?? shelf.error;
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
  const laid = season.data?.programmes
    .flatMap((p) => p.givings.map((g) => ({ ...g, bedId: p.bedId })))
    .find((g) => g.id === giving);
  return (
    <TheTank
      key={search.toString()}
      given={given}
      start={asked.data ?? startWith(given, laid ?? null, season.data ?? null, search)}
    />
  );
}

function startWith(
  given: Given,
  giving: (Schemas["GivingView"] & { bedId: number }) | null,
  season: Schemas["ProgrammesView"] | null,
  search: URLSearchParams,
): Job {
  const { batch, sprayers, shelf } = given;
  const fit = sprayers.filter((s) => s.ruling.value?.allowed);
  const large = batch ? batch.vessel.brewL > 60 : false;
  // A giving of the season goes out as it was worked out there: same sprayer, same litres, same rate.
  const laidWith = giving && sprayers.find((s) => s.id === season?.sprayerId);
  const sprayer = laidWith ?? fit.find((s) => s.kind === (large ? "boom" : "knapsack")) ?? fit[0] ?? null;
  const input = giving
    ? (shelf.inputs.find((i) => i.id === giving.inputId) ??
      shelf.inputs.find((i) => shelf.kinds.find((k) => k.kind === i.kind)?.biostimulant === giving.kind && i.counted))
    : shelf.inputs.find((i) => i.id === Number(search.get("input")));
  const bed = Number(search.get("bed"));
  return {
    batchId: batch?.id ?? null,
    brew: batch?.brewShown ?? null,
    dilution: batch ? (batch.purpose === "leaf" ? "1:5" : "1:1") : null,
    per100M2: "",
    purpose: giving?.purpose ?? batch?.purpose ?? (search.get("purpose") === "root" ? "root" : "leaf"),
    bedIds: giving ? [giving.bedId] : bed ? [bed] : (batch?.beds.map((b) => b.id) ?? []),
    bedRates: {},
    rate: giving && season ? `${season.mixLPerHa} L/ha` : sprayer?.calibrations[0] ? null : "500 L/ha",
    items: input
      ? [
          giving
            ? { inputId: input.id, rate: giving.tankRate, basis: giving.tankBasis }
            : { inputId: input.id, rate: input.labelRateShown ?? "", basis: input.labelBasis ?? "perHa" },
        ]
      : [],
    sprayerId: sprayer?.id ?? null,
    tool: sprayer ? null : batch && large ? "boom" : "knapsack, kept for biology",
    tank: sprayer ? sprayer.tankShown : large ? "400 L" : "15 L",
    spare: "5",
    stepDown: true,
    foodWaiting: null,
    strip: "",
    who: "brewer",
    why: "",
    at: search.get("at"),
    cautionsSeen: [],
    givingId: giving?.id ?? null,
  };
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
