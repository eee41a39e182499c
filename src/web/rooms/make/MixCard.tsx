import { useParams } from "react-router-dom";
import { useRead } from "../../api/data";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";

/** A card for the bench, and a label for every mix: what it is of, when, and a square that leads here. */
export function MixCard() {
  const id = Number(useParams().id);
  const clock = useClock();
  const job = useRead("/api/mix/{id}", { params: { path: { id } } });
  const bench = job.bench?.value;
  const square = (
    <img src={`/api/mix/${job.id}/qr.svg`} alt="Leads to this job in Mud Pie" className="h-24 w-24 shrink-0" />
  );
  return (
    <main id="room" className="mx-auto max-w-3xl px-5 pb-24 pt-5">
      <p className="no-print mb-4">
        <Button kind="filled" onClick={() => window.print()}>
          Print card and labels
        </Button>
      </p>
      <header className="flex items-start justify-between gap-4 border-b-4 border-ink pb-3">
        <div>
          <h1 className="text-3xl">{bench?.title ?? job.name}</h1>
          <p className="text-lg">
            {job.stateSays}
            {job.asked.sowOn && `, sown or planted on ${clock.sayDate(job.asked.sowOn)}`}
          </p>
        </div>
        {square}
      </header>
      {bench && (
        <>
          <section className="mt-4">
            <h2 className="text-xl">To fetch</h2>
            <ul className="figures text-lg">
              {bench.fetch.map((f) => (
                <li key={f.name} className="flex justify-between gap-4 border-t border-line py-1">
                  <b>☐ {f.name}</b>
                  <span className="text-right">
                    {f.shown} ({f.says})
                  </span>
                </li>
              ))}
            </ul>
          </section>
          {bench.charge && (
            <section className="figures mt-4 text-lg">
              <h2 className="text-xl">Charge first</h2>
              <p>
                ☐ {bench.charge.ofShown} of {bench.charge.of} in {bench.charge.withShown} of {bench.charge.with}
                {bench.charge.lastDay && `, by ${clock.sayDate(bench.charge.lastDay)}`}
                {bench.charge.containersSays && `; ${bench.charge.containersSays}`}
              </p>
              <p>
                {bench.charge.lookOn.map((d) => (
                  <span key={d} className="mr-4 inline-block">
                    ☐ damp? {clock.sayDate(d)}
                  </span>
                ))}
              </p>
            </section>
          )}
          <section className="mt-4">
            <h2 className="text-xl">Mix</h2>
            <table className="figures w-full text-lg">
              <tbody>
                {bench.each.map((m) => (
                  <tr key={m.name} className="border-t border-line align-top">
                    <th scope="row" className="py-1 pr-4 text-left">
                      ☐ {m.name}
                    </th>
                    <td className="py-1 pr-4">{m.fills}</td>
                    <td className="py-1 text-right">
                      {m.layers
                        .filter((l) => l.shown)
                        .map((l) => `${l.shown} ${l.name}`)
                        .join(" · ")}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
          <ul className="mt-4">
            {job.bench!.cautions.map((c) => (
              <li key={c.id}>
                ▲ {c.text} {c.localRule}
              </li>
            ))}
          </ul>
          <section className="mt-6" aria-label="Labels">
            <h2 className="text-xl">Labels</h2>
            <div className="mt-2 grid grid-cols-2 gap-3">
              {bench.each.map((m) => (
                <div key={m.name} className="flex break-inside-avoid items-center gap-3 border-2 border-ink p-3">
                  {square}
                  <p className="min-w-0">
                    <b className="block font-head text-xl leading-tight">{m.name}</b>
                    {job.name}
                    <span className="figures block">
                      {m.layers.map((l) => `${l.percentShown} ${l.name}`).join(", ")}
                    </span>
                    <span className="figures block">
                      {job.log.find((l) => l.step === "mixed" && !l.undone)
                        ? `mixed ${clock.sayDate(job.log.find((l) => l.step === "mixed" && !l.undone)!.at)}`
                        : "mixed on ____________"}
                    </span>
                  </p>
                </div>
              ))}
            </div>
          </section>
        </>
      )}
    </main>
  );
}
