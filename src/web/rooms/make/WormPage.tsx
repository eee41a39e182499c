import { useState } from "react";
import { useParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { useClock } from "../../parts/clock";
import { ForkMark } from "../../parts/ForkMark";
import { Go } from "../../parts/Go";
import { Mind } from "../../parts/Mind";
import { useFieldWrite } from "../../parts/outbox";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { TraysDrawn } from "./TraysDrawn";
import { WormSteps } from "./WormSteps";
import { MadeLots } from "./MadeLots";
import { type Striking, YardLog } from "./YardLog";

type Tray = Schemas["TrayView"];

const states: Record<Schemas["TrayState"], string> = {
  waiting: "empty, waits for its turn",
  filling: "is fed",
  working: "works",
  ready: "ready",
  drained: "drains",
};

/** Worms as they stand: their trays cut open, what they can take today, what to do. */
export function WormPage() {
  const id = Number(useParams().id);
  const bin = useRead("/api/works/worms/{id}", { params: { path: { id } } });
  const clock = useClock();
  const [held, hold] = useState<string | null>(null);
  const tray = bin.trays.find((t) => t.name === held) ?? bin.trays.find((t) => t.name === bin.feeding) ?? bin.trays[0];
  const strike = useFieldWrite(
    "/api/works/{id}/steps/{entry}/strike",
    (a: Striking) => ({ params: { path: { id: bin.id, entry: a.id } }, body: { why: a.why, at: null } }),
    () => `${bin.name}: an entry struck`,
  );
  const word = (t: Tray) =>
    `${states[t.state]}${t.since && t.state !== "waiting" ? ` since ${clock.date(t.since)}` : ""}`;
  return (
    <Room
      title={bin.name}
      under={`${bin.bed ? `On ${bin.bed}` : (bin.asked.place ?? "Set up")}, since ${clock.date(bin.begunAt)}.`}
      peek={bin.verdict.sentence}
      bench={
        <>
          {bin.trays.length > 0 && (
            <TraysDrawn
              trays={bin.trays.map((t) => ({ name: t.name, word: word(t), fill: t.fill, state: t.state }))}
              name={bin.name}
              held={tray?.name}
              onHold={hold}
            />
          )}
          {tray && <TraySays tray={tray} />}
          <YardLog entries={bin.log} strike={strike} first={7} />
        </>
      }
      slate={
        <>
          <Verdict verdict={bin.verdict} />
          <dl className="figures">
            {bin.todayShown && <Line name="they can take today" shown={bin.todayShown} />}
            {bin.eatsShown && <Line name="they eat" shown={bin.eatsShown} />}
            {bin.lyingShown && <Line name="before them" shown={bin.lyingShown} />}
            {bin.wormsShown && <Line name="worms weigh" shown={bin.wormsShown} />}
            {bin.looksShown && <Line name="last looked" shown={bin.looksShown} />}
          </dl>
          <WormSteps bin={bin} tray={tray ?? null} key={tray?.name ?? "place"} />
          <p className="no-print flex flex-wrap items-center gap-3">
            <Sum working={bin.appetite.working} sure={bin.appetite.sure} of="what they eat" />
            <Go to={`/make/worms/${bin.id}/change`}>Change the bin</Go>
            {bin.trays.length > 0 && <Go to={`/make/worms/${bin.id}/label`}>print labels of its trays</Go>}
          </p>
          <MadeLots lots={bin.lots} />
          {bin.leachateShown && (
            <p>
              {bin.leachateShown} of liquid drawn off: kept apart, and off plants.
              <ForkMark fork={bin.leachate} />
            </p>
          )}
          <Mind cautions={bin.cautions} />
        </>
      }
    />
  );
}

/** What is in a tray, and what its castings should hold. */
function TraySays({ tray }: { tray: Tray }) {
  if (!tray.laidShown)
    return (
      <p className="mt-2 text-ash">
        {tray.name} is empty; it holds {tray.holdsShown}.
      </p>
    );
  return (
    <section aria-label={`In ${tray.name}`} className="mt-2">
      <dl className="figures">
        <Line name={`laid into ${tray.name}`} shown={tray.laidShown} />
        {tray.castingsShown && <Line name="castings of it" shown={tray.castingsShown} />}
        {tray.nitrogenShown && <Line name="should hold" shown={tray.nitrogenShown} />}
      </dl>
      {tray.castings && <Sum working={tray.castings.working} sure={tray.castings.sure} of="its castings" />}
    </section>
  );
}

const Line = ({ name, shown }: { name: string; shown: string }) => (
  <div className="flex justify-between gap-4 border-t border-line py-1.5">
    <dt>{name}</dt>
    <dd className="m-0 text-right font-bold">{shown}</dd>
  </div>
);
