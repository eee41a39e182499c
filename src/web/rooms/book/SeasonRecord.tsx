import { useState } from "react";
import { Link } from "react-router-dom";
import { useRead } from "../../api/data";
import { Button } from "../../parts/Button";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";

/** A season's record, by bed and by input, to print or to hand on. */
export function SeasonRecord() {
  const [year, setYear] = useState<number | null>(null);
  const season = useRead("/api/book/season", { params: { query: { year: year ?? undefined } } });
  const s = season;
  return (
    <Room
      title={s ? `The record of ${s.year}` : "The season’s record"}
      under="Every bed, what it got and what came off it; small additions included."
      peek="By input"
      bench={
        <>
          <div className="no-print grid gap-x-4 sm:grid-cols-[10rem_auto]">
            {s && (
              <Pick
                label="Season"
                value={String(s.year)}
                options={s.years.map((y) => ({ value: String(y), name: String(y) }))}
                onChange={(y) => setYear(Number(y))}
              />
            )}
            <p className="flex flex-wrap items-end gap-x-5">
              <Button kind="plain" onClick={() => window.print()}>
                print it
              </Button>
              <a
                href="/api/book/book.csv"
                download="book.csv"
                className="inline-flex min-h-12 items-center text-clay underline underline-offset-4"
              >
                CSV
              </a>
              <a
                href="/api/book/book.json"
                download="book.json"
                className="inline-flex min-h-12 items-center text-clay underline underline-offset-4"
              >
                JSON
              </a>
            </p>
          </div>
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="By bed">
            <table className="figures mt-3 w-full min-w-[38rem] text-lg">
              <caption className="text-left text-ash">By bed. N-P₂O₅-K₂O in grams, brews and bottles together.</caption>
              <thead>
                <tr className="text-left">
                  <th scope="col">bed</th>
                  <th scope="col" className="pl-4">
                    jobs
                  </th>
                  <th scope="col" className="pl-4">
                    brew
                  </th>
                  <th scope="col" className="pl-4">
                    mix in all
                  </th>
                  <th scope="col" className="pl-4">
                    N-P-K
                  </th>
                  <th scope="col" className="pl-4">
                    harvest
                  </th>
                </tr>
              </thead>
              <tbody>
                {s?.beds.map((b) => (
                  <tr key={b.bedId} className="border-t border-line align-top">
                    <td>
                      <Link to={`/book?bed=${b.bedId}`} className="underline">
                        {b.bed}
                      </Link>{" "}
                      <span className="text-ash">
                        {b.crop}, {b.areaShown}
                      </span>
                    </td>
                    <td className="pl-4">{b.jobs}</td>
                    <td className="pl-4">{b.brewShown}</td>
                    <td className="pl-4">{b.mixShown}</td>
                    <td className="pl-4">
                      {b.npkShown}
                      {b.nutrients.working.length > 0 && (
                        <span className="block text-base">
                          <Sum working={b.nutrients.working} sure={b.nutrients.sure} of={`the nutrients of ${b.bed}`} />
                        </span>
                      )}
                    </td>
                    <td className="pl-4">{b.harvestShown}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          {s?.beds.length === 0 && <p className="text-lg">Nothing was put out or harvested in that season.</p>}
        </>
      }
      slate={
        <>
          {s?.water && <p className="figures text-lg">{s.water}.</p>}
          {s?.looked && <p className="figures text-lg">Looked: {s.looked}.</p>}
          <h2 className="text-xl">By input</h2>
          <ul className="figures">
            {s?.inputs.map((i) => (
              <li key={i.name} className="border-t border-line py-1.5">
                <b>
                  {i.amountShown} of {i.name}
                </b>{" "}
                in {i.jobs} {i.jobs === 1 ? "job" : "jobs"}, on {i.beds.join(", ")}
              </li>
            ))}
          </ul>
        </>
      }
    />
  );
}
