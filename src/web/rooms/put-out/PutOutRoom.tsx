import { Link } from "react-router-dom";
import { client, useRead } from "../../api/client";
import { Room } from "../../parts/Room";
import { Go } from "../../parts/Shell";
import { useClock } from "../../parts/clock";
import { PutOutNav } from "./PutOutNav";

/** What can go out, and what went where. */
export function PutOutRoom() {
  const clock = useClock();
  const view = useRead(["put-out"], () => client.GET("/api/put-out"));
  return (
    <Room
      title="Put out"
      peek={view.data?.ready[0] ? `${view.data.ready[0].vessel} can go out` : "What went where"}
      bench={
        <>
          <PutOutNav />
          {view.data?.ready.length === 0 && (
            <p className="text-lg">
              No brew is there to put out. One that is going, or whose air is off, appears here; what stands on the
              shelf can be put out at any time.
            </p>
          )}
          <ul>
            {view.data?.ready.map((b) => (
              <li key={b.id} className="border-t border-line py-3">
                <p className="font-head text-lg font-bold">
                  {b.vessel}: {b.name}
                </p>
                <p>
                  {b.brewShown} for {b.beds.join(", ")}, meant for {clock.when(b.useAt)}
                </p>
                <p className="mt-2">
                  <Go to={`/put-out/${b.id}`}>Put it out</Go>
                </p>
              </li>
            ))}
          </ul>
          <p className="mt-4">
            <Go to="/put-out/tank">Fill a tank from the shelf</Go>
          </p>
        </>
      }
      slate={
        <>
          <h2 className="text-xl">What went where</h2>
          <ol className="figures">
            {view.data?.past.map((a) => (
              <li key={a.id} className="border-t border-line py-2">
                <p>
                  <b>{clock.date(a.at)}</b> {a.beds.join(", ")}
                </p>
                <p>
                  {a.batchId ? `${a.teaShown} of brew, ${a.dilution}` : a.what}, {a.tool}
                  {a.fitness !== "none" && `; ${a.fitness}`}
                </p>
                {a.overrideWhy && <p className="text-plum">✕ put out though it failed: {a.overrideWhy}</p>}
                {a.toWash && (
                  <p className="text-straw">
                    ▲ not washed up yet:{" "}
                    <Link className="underline" to={`/put-out/sprayers?sprayer=${a.sprayerId}`}>
                      log it
                    </Link>
                  </p>
                )}
              </li>
            ))}
          </ol>
        </>
      }
    />
  );
}
