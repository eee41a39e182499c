import { useParams } from "react-router-dom";
import { useRead } from "../../api/data";
import { Button } from "../../parts/Button";
import { RacePanel } from "../../parts/RacePanel";
import { useClock } from "../../parts/clock";
import { aired } from "./aired";
import { StepTimes } from "./Steps";

/**
 * A card to hang on the vessel: amounts in spoons and jugs, times, cautions, a square that leads to the batch. For a batch that
 * is over: its record.
 */
export function Card() {
  const id = Number(useParams().id);
  const clock = useClock();
  const b = useRead("/api/brew/batches/{id}", { params: { path: { id } } });
  const over = b.state === "used" || b.state === "heaped";
  const amounts = [...(b.source ? [b.source] : []), ...b.moreSources, ...b.foods];
  return (
    <main id="room" className="mx-auto max-w-3xl px-5 pb-24 pt-5">
      <p className="no-print mb-4 flex gap-4">
        <Button kind="filled" onClick={() => window.print()}>
          Print it
        </Button>
      </p>
      <header className="flex items-start justify-between gap-4 border-b-4 border-ink pb-3">
        <div>
          <h1 className="text-3xl">{b.name}</h1>
          <p className="text-lg">
            {b.vessel.name[0]?.toUpperCase() + b.vessel.name.slice(1)}, {b.brewShown} of{" "}
            {b.making === "steep" ? "a feed" : b.making} for {b.beds.map((x) => x.name).join(", ")}
          </p>
          <p className="text-lg">
            {b.purpose === "leaf" ? "On leaves" : "To roots"}, <b>{clock.when(b.useAt)}</b>
            {b.isDemo && " · made-up demo"}
          </p>
          {(b.recipeName || b.sourceLot) && (
            <p>{[b.recipeName, b.sourceLot && `source: ${b.sourceLot}`].filter(Boolean).join(" · ")}</p>
          )}
        </div>
        <img src={`/api/brew/batches/${b.id}/qr.svg`} alt="Leads to this batch in Mud Pie" className="h-32 w-32" />
      </header>
      <section className="mt-4">
        <h2 className="text-xl">In it</h2>
        <ul className="figures text-lg">
          {amounts.map((a, i) => (
            <li key={i} className="flex justify-between gap-4 border-t border-line py-1">
              <b>
                {a.name}
                {a.atH > 0 && ` at ${a.atH} h`}
              </b>
              <span>
                {a.inTools} ({a.shown}
                {a.toolError !== "exact" && `; ${a.toolError}`})
              </span>
            </li>
          ))}
          {aired(b) && (
            <li className="flex justify-between gap-4 border-t border-line py-1">
              <b>air</b>
              <span>
                {b.vessel.airShown} at depth, {b.vessel.diffuser.toLowerCase()}
              </span>
            </li>
          )}
          <li className="flex justify-between gap-4 border-t border-line py-1">
            <b>water</b>
            <span>{b.vessel.water}; strip at zero first</span>
          </li>
        </ul>
      </section>
      {b.race && (
        <div className="mt-4 max-wide:hidden print:block">
          <RacePanel race={b.race} />
        </div>
      )}
      <section className="mt-4">
        <h2 className="text-xl">{over ? "What was done" : "Steps"}</h2>
        <ol className="figures text-lg">
          {b.steps.map((s) => (
            <li
              key={s.id}
              className="grid grid-cols-[1.6rem_6.5rem_1fr] border-t max-wide:text-base wide:grid-cols-[1.6rem_11rem_1fr] border-line py-1"
            >
              <span aria-hidden>{s.doneAt ? "☑" : "☐"}</span>
              <time dateTime={s.doneAt ?? s.at}>{clock.when(s.doneAt ?? s.at)}</time>
              <span>
                <b>{s.name}.</b> {s.detail}
                <StepTimes step={s} />
              </span>
            </li>
          ))}
        </ol>
      </section>
      <section className="mt-4">
        <h2 className="text-xl">{over ? "Record" : "Readings"}</h2>
        {over ? (
          <>
            <p className="text-lg font-bold">{b.watch?.value?.gate.reasons.join(" ")}</p>
            <ol className="figures">
              {[...b.log]
                .reverse()
                .filter((l) => l.kind !== "step")
                .map((l) => (
                  <li
                    key={l.id}
                    className={`border-t border-line py-0.5 ${l.correctedById === null ? "" : "line-through"}`}
                  >
                    <time dateTime={l.at}>{clock.when(l.at)}</time> {l.kind} {l.shown}
                  </li>
                ))}
            </ol>
          </>
        ) : (
          <table className="figures w-full text-left max-wide:hidden print:table">
            <thead>
              <tr>
                {["time", "oxygen", "warmth", "smell", "foam"].map((h) => (
                  <th key={h} scope="col" className="border-b-2 border-ink">
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {[0, 1, 2, 3, 4, 5].map((i) => (
                <tr key={i}>
                  {[0, 1, 2, 3, 4].map((k) => (
                    <td key={k} className="h-9 border-b border-line" />
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      <footer className="mt-4 border-t-2 border-ink pt-2">
        ▲ Below 6 mg/L after the first hour: send it to the heap. Plug dry, through a residual-current device, pump
        above the water line. Gloves, and a mask against mist and dust. Not on parts eaten raw close to harvest. A usual
        caution: local codes, labels and licensed people come first.
      </footer>
    </main>
  );
}
