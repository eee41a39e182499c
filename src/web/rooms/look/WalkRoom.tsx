import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { useClock } from "../../parts/clock";
import { Go } from "../../parts/Go";
import { GroundMap } from "../../parts/GroundMap";
import { Room } from "../../parts/Room";

/** Walks and pegs: the ground with its pegs, what is due, and the way to each. */
export function WalkRoom() {
  const clock = useClock();
  const data = useRead("/api/look/walk");
  const plan = useRead("/api/ground/plan");
  const beds = [...new Set(data.pegs.map((p) => p.bedId))];
  const due = data.walks.find((w) => w.stands.due) ?? data.walks[0];
  return (
    <Room
      title="Walks and pegs"
      under="A peg is a place to come back to. A walk is a round of them, on a trip that is made anyway."
      peek={due ? `${due.name}: ${due.says}` : "Set a peg"}
      bench={
        <>
          <GroundMap
            plan={plan}
            many={false}
            label="The ground, with its pegs"
            marked="peg"
            chosen={[]}
            zones={data.zones}
            onToggle={() => undefined}
          />
          <ul className="mt-2">
            {beds.map((bed) => (
              <li key={bed} className="border-t border-line">
                {data.pegs
                  .filter((p) => p.bedId === bed)
                  .map((p) => (
                    <Link
                      key={p.id}
                      to={`/look/pegs/${p.id}`}
                      className="flex min-h-11 flex-wrap items-center justify-between gap-x-4 py-1"
                    >
                      <b className="underline decoration-line underline-offset-4">{p.called}</b>
                      <span className="text-ash">
                        {p.zone && `${p.zone} zone · `}
                        {p.lastAt ? `seen ${clock.date(p.lastAt)}` : "not looked at yet"}
                      </span>
                    </Link>
                  ))}
              </li>
            ))}
          </ul>
        </>
      }
      slate={
        <>
          {data.walks.map((w) => (
            <section key={w.id} className="border-b border-line pb-3">
              <h2 className={w === due ? "text-2xl" : "text-xl"}>{w.name}</h2>
              <p className={w.stands.due ? "text-lg font-bold text-straw" : "text-lg"}>
                {w.stands.due && "▲ "}
                {w.says}
                {!w.stands.due && w.next && `; next from ${clock.sayDate(w.next)}`}
              </p>
              {w.hungOn && <p className="text-ash">{w.hungOn}</p>}
              <p className="mt-2 flex flex-wrap gap-3">
                <Go to={`/look/walk/${w.id}`} filled={w === due}>
                  Walk it
                </Go>
                <Go to={`/look/walk/${w.id}/change`}>Change it</Go>
              </p>
            </section>
          ))}
          {data.pegs.length === 0 && (
            <p className="text-lg">
              Two pegs in one bed are a beginning: one where it grows well, one where it does not. A rod, a spade and
              twenty minutes, twice a year.
            </p>
          )}
          {data.rain && <p className="figures text-ash">last rain that is known of: {data.rain.says}</p>}
          <p className="flex flex-wrap gap-3">
            <Go to="/look/pegs/new" filled={data.pegs.length === 0}>
              Set a peg
            </Go>
            {data.pegs.length > 0 && <Go to="/look/walk/new">Plan a walk</Go>}
            <Go to="/look/zones">Zones</Go>
            <Go to="/look/years">Over the years</Go>
            <Go to="/look/checks">Without a peg</Go>
          </p>
        </>
      }
    />
  );
}

/** Months by three letters, to choose from. */
export const months = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

export type Peg = Schemas["PegView"];
