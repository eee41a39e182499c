import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Fold } from "../../parts/Fold";
import { ForkMark } from "../../parts/ForkMark";
import { Go } from "../../parts/Go";
import { Mind } from "../../parts/Mind";
import { Room } from "../../parts/Room";
import { Verdict } from "../../parts/Verdict";
import { YearDrawn } from "./YearDrawn";

/** The almanac: the year at this latitude, what lies in the ground, and what is next. */
export function AlmanacRoom() {
  const year = useRead("/api/almanac");
  const choose = useWrite("/api/holding/forks/{fork}", (c: { fork: string; school: string }) => ({
    params: { path: { fork: c.fork } },
    body: { school: c.school },
  }));
  const take = (fork: string, school: string) => choose.mutate({ fork, school });
  const ground = year.begun.filter((b) => b.state !== "lifted");
  const lifted = year.begun.filter((b) => b.state === "lifted");
  return (
    <Room
      title={year.latitude ? `Almanac: the year at ${year.latitude}` : "Almanac"}
      under="The sun and the moon as they are; preparations as practice hands them down."
      peek={year.verdict.sentence}
      bench={
        <>
          <YearDrawn year={year} />
          <p className="text-ash">dark: in the ground now · light brown: to come · outlined: hung in the sun</p>
          {year.latitude === null && <Go to="/ground">Say where the holding lies</Go>}
          <Today year={year} take={take} />
        </>
      }
      slate={
        <>
          <div className="flex items-start gap-2">
            <Verdict verdict={year.verdict} />
            {year.lift && <ForkMark fork={year.lift} onChoose={take} />}
          </div>
          <section>
            <h2 className="text-xl">In the ground, and to begin</h2>
            {ground.length === 0 && (
              <p>
                Nothing yet. Twelve horns filled in autumn, buried by a post and marked on the plan: in spring the
                almanac says when to lift them.
              </p>
            )}
            <Lines list={ground} />
            <p className="mt-3 flex flex-wrap gap-3">
              <Go to="/make/prep/new">Begin a preparation</Go>
            </p>
          </section>
          {lifted.length > 0 && (
            <Fold line={`${lifted.length} lifted, or in bottles`}>
              <Lines list={lifted} />
            </Fold>
          )}
          <section>
            <h2 className="text-xl">To trial it</h2>
            <p>Stirred water alone beside it, by lot, blind: nine plots say more than nine years.</p>
            <p className="mt-2 flex flex-wrap gap-3">
              <Go to="/judge/new?template=preparation">Plan that trial</Go>
              <a
                href="/api/almanac.ics"
                download="almanac.ics"
                className="inline-flex min-h-12 items-center rounded-full border-2 border-clay px-5 font-bold text-clay"
              >
                All dates to my calendar
              </a>
            </p>
          </section>
          <Mind cautions={year.cautions} />
          {year.says.map((s) => (
            <p key={s} className="text-ash">
              {s}
            </p>
          ))}
        </>
      }
    />
  );
}

function Lines({ list }: { list: Schemas["InGround"][] }) {
  return (
    <ul className="figures">
      {list.map((b) => (
        <li key={b.line.id} className="border-t border-line">
          <Link to={b.line.link} className="block min-h-11 py-1.5">
            <span className="flex flex-wrap justify-between gap-x-4">
              <b className="underline decoration-line underline-offset-4">{b.line.name}</b>
              <span className="text-ash">
                {b.line.word}
                {b.line.figure && `, ${b.line.figure}`}
              </span>
            </span>
            {b.where && <span className="block text-ash">{b.where}</span>}
          </Link>
        </li>
      ))}
    </ul>
  );
}

/** Sun and moon today, and the sowing days where they are wanted. */
function Today({ year, take }: { year: Schemas["AlmanacView"]; take: (fork: string, school: string) => void }) {
  const clock = useClock();
  const turn = useWrite("/api/almanac/sowing", (on: boolean) => ({ body: { on } }));
  return (
    <section aria-label="Sky today" className="mt-4 border-t-2 border-line pt-3">
      <h2 className="text-xl">Sky today</h2>
      <dl className="figures grid gap-x-8 sm:grid-cols-2">
        {year.sky.map((l) => (
          <div key={l.name} className="flex justify-between gap-4 border-t border-line py-1.5">
            <dt className="text-ash">{l.name}</dt>
            <dd className="text-right font-bold">{l.shown}</dd>
          </div>
        ))}
      </dl>
      {year.sowingDays && (
        <>
          <h3 className="mt-3 flex items-center gap-2 text-lg">
            Sowing days by the moon <ForkMark fork={year.zodiac ?? undefined} onChoose={take} />
          </h3>
          <ul className="figures">
            {year.sowing.map((s) => (
              <li key={s.from} className="flex flex-wrap justify-between gap-x-4 border-t border-line py-1.5">
                <span>
                  <b>{s.part}</b> <span className="text-ash">in the {s.place}</span>
                </span>
                <span>
                  {clock.when(s.from)} to {clock.when(s.to)}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
      <Button className="mt-3" disabled={turn.isPending} onClick={() => turn.mutate(!year.sowingDays)}>
        {year.sowingDays ? "Leave the sowing days out" : "Show sowing days by the moon"}
      </Button>
    </section>
  );
}
