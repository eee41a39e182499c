import { Suspense } from "react";
import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Fold } from "../../parts/Fold";
import { NitrogenLine } from "../make/NitrogenLine";

/** What a trial's mixes take, from the mix bench, and their nitrogen beside what was measured; what stands around it stays. */
export function TrialMixes({ trial }: { trial: number }) {
  return (
    <Suspense>
      <Jobs trial={trial} />
    </Suspense>
  );
}

function Jobs({ trial }: { trial: number }) {
  const jobs = useRead("/api/mix/of-trial/{trial}", { params: { path: { trial } } });
  return jobs.map((j) => (
    <section key={j.id} aria-label={`Its mixes: ${j.name}`} className="mt-5">
      <h2 className="text-xl">Its mixes</h2>
      <p>
        <Link
          to={`/make/mix/${j.id}`}
          className="inline-flex min-h-11 items-center text-clay underline underline-offset-4"
        >
          {j.name}
        </Link>{" "}
        <span className="text-ash">{j.stateSays}</span>
      </p>
      {j.mixes.map((m) => (
        <Mix key={m.name} mix={m} />
      ))}
      <p className="mt-2">{j.minds}</p>
      {j.closedSays && <p className="text-ash">{j.closedSays}</p>}
    </section>
  ));
}

function Mix({ mix: m }: { mix: Schemas["TrialMixView"] }) {
  return (
    <Fold
      line={
        <>
          <b>{m.name}</b>: {m.fills}
        </>
      }
    >
      <p className="figures">{m.parts.join(", ")}</p>
      {m.nitrogen && (
        <>
          <p>{m.nitrogen.sentence}</p>
          <NitrogenLine outlook={m.nitrogen} name={m.name} />
        </>
      )}
      {m.growth.length > 0 && (
        <ul className="figures">
          {m.growth.map((g) => (
            <li key={g.measure + g.weekShown} className="flex justify-between gap-4 border-t border-line py-1">
              <span>
                <b>{g.weekShown}</b> {g.measure} {g.meanShown}
              </span>
              <span className="text-right text-ash">{g.nitrogenShown}</span>
            </li>
          ))}
        </ul>
      )}
      {m.unmetSays && <p className="text-ash">{m.unmetSays}</p>}
      {m.growth.length > 0 && (
        <p className="text-ash">Nitrogen is a model and lies beside the growth: no cause is said by it.</p>
      )}
    </Fold>
  );
}
