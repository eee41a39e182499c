import { Link, useParams, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { OxygenChart } from "../../parts/OxygenChart";
import { Fold } from "../../parts/Fold";
import { RacePanel } from "../../parts/RacePanel";
import { Room } from "../../parts/Room";
import { Go } from "../../parts/Go";
import { Sum } from "../../parts/Sum";
import { ForkMark } from "../../parts/ForkMark";
import { Verdict } from "../../parts/Verdict";
import { Vessel } from "../../parts/Vessel";
import { useClock } from "../../parts/clock";
import { aired } from "./aired";
import { AfterPanel } from "./AfterPanel";
import { AgainPanel } from "./AgainPanel";
import { SecondBest } from "../../parts/SecondBest";
import { EndBatch } from "./EndBatch";
import { LogLine } from "./LogLine";
import { ProbePanel, useProbe } from "./ProbePanel";
import { ReadIt } from "./ReadIt";
import { StartBatch } from "./StartBatch";
import { Steps } from "./Steps";
import { Mark } from "../../parts/tone";

/** One batch: planned, going, or over. */
export function BatchPage() {
  const id = Number(useParams().id);
  const clock = useClock();
  const [search] = useSearchParams();
  const b = useRead("/api/brew/batches/{id}", { params: { path: { id } } });
  const probe = useProbe(id, !!b.startedAt);
  const watch = b.watch?.value ?? null;
  const going = b.state === "brewing" || b.state === "off";
  /** It goes on the heap: when it would be ready, and how long it would keep, is nobody’s business any more. */
  const failed = b.watch?.value?.gate.fitness === "notFit";
  const under = [
    `${b.brewShown} of ${b.making} for ${b.beds.map((x) => x.name).join(", ")}`,
    `${b.purpose === "leaf" ? "leaf spray" : "root drench"}, ${clock.when(b.useAt)}`,
    b.startedAt ? `begun ${clock.when(b.startedAt)}` : `to begin ${clock.when(b.plannedStart)}`,
    b.recipeName ?? "",
    b.runsForward && (going || b.state === "planned") ? "each reading moves it to the window it can meet" : "",
    b.isDemo ? "made-up demo" : "",
  ];
  return (
    <Room
      title={b.name}
      under={under.filter(Boolean).join(" · ")}
      peek={watch?.verdict.sentence ?? (b.state === "planned" ? "The steps" : "How it went")}
      bench={
        <>
          <Cut batch={b} />
          {going && <ReadIt batch={b} first={search.get("read") ?? "oxygen"} />}
          {b.state === "planned" && <StartBatch batch={b} />}
          {b.startedAt && (going || probe) && <ProbePanel batch={b} probe={probe} />}
        </>
      }
      slate={
        <>
          {watch && b.watch && (
            <>
              <Verdict verdict={b.over ?? watch.verdict} />
              {/* An extract without food has no oxygen line to cross by feeding: it speaks of hours since it was made. */}
              {b.making !== "extract" && (
                <OxygenChart
                  forecast={watch.forecast}
                  note={watch.modelSays ?? undefined}
                  start={b.startedAt!}
                  nowH={going ? watch.nowH : undefined}
                  useAtH={watch.useAtH}
                  airOffH={hoursIn(b, b.airOffAt)}
                  probe={probe?.points ?? []}
                  readings={standing(b, "oxygen").map((l) => ({ h: hoursIn(b, l.at)!, mgPerL: l.number ?? 0 }))}
                />
              )}
              <LogLine batch={b} endH={endOf(b)} />
              {going && watch.now && (
                <p className="figures">
                  Oxygen now, {watch.now.by}: <b>{watch.now.shown}</b>
                </p>
              )}
              <Remedies remedies={watch.remedies} />
              <p className="flex flex-wrap items-center gap-5">
                <Sum working={b.watch.working} sure={b.watch.sure} of="this forecast" />
                {b.watch.forks.map((f) => (
                  <span key={f.id}>
                    <ForkMark fork={f} /> {f.question}
                  </span>
                ))}
              </p>
              {b.making === "tea" && b.state === "brewing" && !failed && (
                <p>
                  Ready about{" "}
                  <b>
                    {watch.forecast.readyAtH.median === null
                      ? "never"
                      : clock.when(hourAt(b, watch.forecast.readyAtH.median))}
                  </b>{" "}
                  by the model.
                </p>
              )}
            </>
          )}
          <Steps batch={b} />
          {!watch && b.log.length > 0 && <LogLine batch={b} endH={endOf(b)} />}
          {b.race && (
            <Fold line={`The race to the ground: ${b.race.verdict.sentence}`}>
              <RacePanel race={b.race} />
            </Fold>
          )}
          {going && (
            <p className="flex flex-wrap gap-3">
              <Go to={`/put-out/${b.id}`}>Put it out</Go>
              <Go to={`/brew/ask?batch=${b.id}`}>Ask it what if</Go>
            </p>
          )}
          <p>
            <Link
              to={`/brew/${b.id}/card`}
              className="inline-flex min-h-11 items-center text-clay underline underline-offset-4"
            >
              {b.state === "used" || b.state === "heaped" ? "its record, to print" : "its card, to print"}
            </Link>
          </p>
          <AgainPanel batch={b} />
          {(going || b.state === "planned") && <EndBatch batch={b} />}
          {going && failed && <SecondBest batch={b.id} />}
          {watch && (
            <>
              {watch.learntWords.length > 0 && (
                <Fold line="What its readings taught">
                  <ul>
                    {watch.learntWords.map((w) => (
                      <li key={w} className="border-t border-line py-1.5">
                        {w[0]!.toUpperCase() + w.slice(1)}.
                      </li>
                    ))}
                  </ul>
                  <p className="text-ash">By the model; kept for the next brew in this vessel or of this kind.</p>
                </Fold>
              )}
              {b.state === "brewing" && !failed && watch.after && (
                <Fold line={`If the pump stops now: ${watch.after.sentence}`}>
                  <AfterPanel after={watch.after} endsAt={null} />
                </Fold>
              )}
              {b.state === "off" && !failed && watch.after && (
                <AfterPanel after={watch.after} endsAt={watch.useByH === null ? null : hourAt(b, watch.useByH)} />
              )}
            </>
          )}
          {aired(b) && (
            <p className="text-ash">
              ▲ Mains plug dry, through a residual-current device, pump above the water line. A usual caution: local
              codes come first.
            </p>
          )}
        </>
      }
    />
  );
}

export const standing = (b: Schemas["BatchView"], kind: Schemas["LogKind"]) =>
  b.log.filter((l) => l.kind === kind && l.correctedById === null);

/** Hours that the line of the log runs: as far as the chart above it, or to its use. */
const endOf = (b: Schemas["BatchView"]) =>
  (b.making === "extract" ? undefined : b.watch?.value?.forecast.median.at(-1)?.h) ??
  Math.max(1, (new Date(b.useAt).getTime() - new Date(b.startedAt ?? b.plannedStart).getTime()) / 3_600_000);

const hoursIn = (b: Schemas["BatchView"], at: string | null) =>
  at && b.startedAt ? (new Date(at).getTime() - new Date(b.startedAt).getTime()) / 3_600_000 : null;

const hourAt = (b: Schemas["BatchView"], h: number) => new Date(new Date(b.startedAt!).getTime() + h * 3_600_000);

/** The vessel cut open, with what went in named beside it. */
function Cut({ batch: b }: { batch: Schemas["BatchView"] }) {
  const warmth = standing(b, "warmth")[0];
  const clock = useClock();
  const rows: [string, string][] = [
    ...(b.source
      ? ([[b.source.name, `${b.source.shown} · ${b.source.inTools}${b.sourceLot ? ` · ${b.sourceLot}` : ""}`]] as [
          string,
          string,
        ][])
      : []),
    ...b.moreSources.map((s): [string, string] => [s.name, `${s.shown} · ${s.inTools}`]),
    ...b.foods.map((f): [string, string] => [
      f.atH > 0 ? `${f.name} at ${f.atH} h` : f.name,
      `${f.shown} · ${f.inTools}${f.toolError === "exact" ? "" : `, ${f.toolError}`}`,
    ]),
    ...(aired(b)
      ? ([
          [
            b.vessel.airSince
              ? `air ${b.vessel.airShown} since ${clock.when(b.vessel.airSince)}`
              : `air ${b.vessel.airShown} at this depth`,
            `the box says ${b.vessel.openShown}; ${b.vessel.diffuser.toLowerCase()}`,
          ],
        ] as [string, string][])
      : []),
    [
      b.vessel.water,
      b.stripWaiver
        ? `begun without a strip at zero: ${b.stripWaiver}`
        : standing(b, "strip").length > 0
          ? `strip read ${standing(b, "strip")[0]?.number}`
          : "no strip read yet",
    ],
    ...(warmth ? ([[warmth.shown, `at ${clock.time(warmth.at)}`]] as [string, string][]) : []),
  ];
  return (
    <div className="grid grid-cols-[minmax(7rem,0.8fr)_1fr] items-center gap-5">
      <Vessel
        shape={b.vessel.shape}
        fill={b.vessel.brewL / b.vessel.totalL}
        air={aired(b) && (b.state === "brewing" || b.state === "planned") ? (4 * b.vessel.airLpm) / b.vessel.brewL : 0}
        diffuser={aired(b) ? b.vessel.diffuserKind : null}
        hasBag={b.state !== "used"}
        name={b.vessel.name}
      />
      <dl className="figures">
        {rows.map(([what, how]) => (
          <div key={what} className="border-t border-line py-1.5">
            <dt className="text-lg font-bold">{what}</dt>
            <dd>{how}</dd>
          </div>
        ))}
      </dl>
    </div>
  );
}

/** What would hold it above six, each worked out. */
function Remedies({ remedies }: { remedies: Schemas["Remedy"][] }) {
  if (remedies.length === 0) return null;
  return (
    <section>
      <h2 className="text-xl">What would hold it above six</h2>
      <ul className="figures">
        {remedies.map((r) => (
          <li key={r.id} className="flex flex-wrap justify-between gap-x-4 border-t border-line py-2">
            <b>
              <Mark good={r.holds} /> {r.what}
            </b>
            <span>{r.holds ? r.gives : `not enough: ${r.gives}`}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
