import { useState } from "react";
import { Link, useParams } from "react-router-dom";
import { useRead, useReadIf } from "../../api/data";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { TrialMap } from "./TrialMap";

type What = "labels" | "sheet" | "key";

/** On paper: a label for each plot, a field sheet in walking order, and the key for whoever puts it out. */
export function TrialPrint() {
  const id = Number(useParams().id);
  const [what, setWhat] = useState<What>("labels");
  const params = { path: { id } };
  const t = useRead("/api/judge/trials/{id}", { params });
  const key = useReadIf(what === "key", "/api/judge/trials/{id}/key", { params });
  return (
    <main id="room" className="mx-auto max-w-4xl px-5 pb-24 pt-5">
      <div className="no-print mb-4 flex flex-wrap items-end gap-4">
        <Choice
          label="Print"
          value={what}
          options={[
            { value: "labels", name: "plot labels" },
            { value: "sheet", name: "field sheet" },
            { value: "key", name: "key, for whoever puts it out" },
          ]}
          onChange={setWhat}
        />
        <Button kind="filled" onClick={() => window.print()}>
          Print it
        </Button>
        <Link to={`/judge/trials/${id}`} className="min-h-11 content-center text-clay underline">
          back to the trial
        </Link>
      </div>
      {what === "labels" && (
        <>
          <h1 className="sr-only">Plot labels: {t.question}</h1>
          <ul className="grid grid-cols-2 gap-3 sm:grid-cols-3">
            {t.plots.map((p) => (
              <li key={p.id} className="flex break-inside-avoid items-center gap-3 border-2 border-ink p-2">
                <img
                  src={`/api/judge/trials/${id}/qr.svg?plot=${p.id}`}
                  alt={`Leads to plot ${p.number} on the sheet`}
                  className="h-20 w-20"
                />
                <span>
                  <b className="block font-head text-3xl">{p.code}</b>
                  plot {p.number}, {p.place}
                  {p.block && `, block ${p.block}`}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
      {what === "sheet" && (
        <>
          <header className="flex items-start justify-between gap-4 border-b-4 border-ink pb-2">
            <div>
              <h1 className="text-2xl">{t.question}</h1>
              <p>
                {t.crop}, {t.season}. Date ____________ Who ____________ Sky ____________
              </p>
            </div>
            <img src={`/api/judge/trials/${id}/qr.svg`} alt="Leads to the sheet on the phone" className="h-24 w-24" />
          </header>
          <table className="mt-3 w-full">
            <thead>
              <tr className="text-left">
                <th scope="col">plot</th>
                <th scope="col">code</th>
                <th scope="col">where</th>
                {t.measures.map((m) => (
                  <th key={m.id} scope="col">
                    {m.name}
                    {m.unit && `, ${m.unit}`}
                    {m.outOf && ` of ${m.outOf}`}
                  </th>
                ))}
                <th scope="col">note, or why missing</th>
              </tr>
            </thead>
            <tbody>
              {t.plots.map((p) => (
                <tr key={p.id} className="h-11 border-t border-ink">
                  <td>{p.number}</td>
                  <td>
                    <b>{p.code}</b>
                  </td>
                  <td>
                    {p.place}
                    {p.block && `, block ${p.block}`}
                  </td>
                  {t.measures.map((m) => (
                    <td key={m.id} className="border-l border-line" />
                  ))}
                  <td className="border-l border-line" />
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      {what === "key" && (
        <>
          <h1 className="text-2xl">Key: {t.question}</h1>
          <p className="mb-3 font-bold">
            ▲ For whoever puts it out. Whoever measures should not see this before the last figure is in.
          </p>
          {key && <TrialMap trial={t} plots={key} shown={(p) => String(p.number)} />}
          <table className="mt-3 w-full">
            <thead>
              <tr className="text-left">
                <th scope="col">plot</th>
                <th scope="col">code</th>
                <th scope="col">gets</th>
                <th scope="col">where</th>
              </tr>
            </thead>
            <tbody>
              {key?.map((p) => (
                <tr key={p.id} className="border-t border-line">
                  <td>{p.number}</td>
                  <td>{p.code}</td>
                  <td>
                    <b>{p.treatment}</b>
                  </td>
                  <td>{p.place}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </main>
  );
}
