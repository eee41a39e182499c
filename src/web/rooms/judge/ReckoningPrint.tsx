import { Link } from "react-router-dom";
import { useRead } from "../../api/data";
import { Button } from "../../parts/Button";

/** The reckoning on one page. */
export function ReckoningPrint() {
  const r = useRead("/api/judge/reckoning");
  return (
    <main id="room" className="mx-auto max-w-4xl px-5 pb-24 pt-5 print:p-0 print:text-[8.5pt]">
      <div className="no-print mb-4 flex flex-wrap items-center gap-4">
        <Button kind="filled" onClick={() => window.print()}>
          Print it
        </Button>
        <Link to="/judge/reckoning" className="min-h-11 content-center text-clay underline underline-offset-4">
          back to the reckoning
        </Link>
      </div>
      <header className="flex items-baseline justify-between gap-4 border-b-4 border-ink pb-1">
        <h1 className="text-2xl">The reckoning, {r.span}</h1>
      </header>
      <p className="mt-2 font-head text-lg font-bold">
        {r.headline} {r.second}
      </p>
      <p>
        {r.logged} {r.lastYear}
      </p>
      <table className="mt-2 w-full text-left">
        <thead>
          <tr className="border-b-2 border-ink align-bottom">
            <th className="py-1 pr-3">practice</th>
            <th className="pr-3">put in</th>
            <th className="pr-3">the year before</th>
            <th className="pr-3">after its cost, {r.area}</th>
            <th className="pr-3">by</th>
            <th>so</th>
          </tr>
        </thead>
        <tbody>
          {r.rows.map((row) => (
            <tr key={row.key} className="border-b border-line align-top">
              <td className="py-0.5 pr-3 font-bold">{row.name}</td>
              <td className="figures pr-3">{row.says}</td>
              <td className="figures pr-3">{row.lastYear.replace(/^the year before: | the year before$/, "")}</td>
              <td className="figures pr-3">{row.rangeShown === "" ? row.why : row.rangeShown}</td>
              <td className="pr-3">{row.evidence}</td>
              <td>
                {row.word}
                {row.keptWhy && `; kept: ${row.keptWhy}`}
              </td>
            </tr>
          ))}
          {r.beside.map((b) => (
            <tr key={b.name} className="border-b border-line align-top">
              <td className="py-0.5 pr-3">{b.name}</td>
              <td className="figures pr-3">{b.says}</td>
              <td colSpan={4}>{b.for}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-3 grid grid-cols-2 gap-6">
        <section>
          <h2 className="text-lg">What would be worth finding out</h2>
          <ol className="list-decimal pl-5">
            {r.find.slice(0, 6).map((f) => (
              <li key={f.key}>
                <b>{f.title}</b>: {f.says}
              </li>
            ))}
          </ol>
          {r.find.length === 0 && <p>Nothing that can be told in money.</p>}
        </section>
        <section>
          <h2 className="text-lg">If you did only what has paid</h2>
          <p className="figures">
            {r.freed.hoursShown} and {r.freed.moneyShown} freed. {r.freed.says}
          </p>
          <p className="mt-2">
            An hour of yours: {r.hourly ?? "not counted"}. An interval holds the truth 19 times in 20. Where nobody
            knows, the effect is taken to be nought, give or take twice its cost.
          </p>
        </section>
      </div>
    </main>
  );
}
