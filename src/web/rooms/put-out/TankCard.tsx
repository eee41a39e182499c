import type { Schemas } from "../../api/client";
import { useClock } from "../../parts/clock";
import type { Given, Job } from "./Tank";

/** The job as a card to print and hang on the tank: every filling with its amounts, every bed with its share. */
export function TankCard({ given, job, worked }: { given: Given; job: Job; worked: Schemas["WorkedOfTankView"] }) {
  const clock = useClock();
  const v = worked.value!;
  const sprayer = given.sprayers.find((s) => s.id === job.sprayerId)?.name ?? job.tool;
  return (
    <div className="hidden print:block">
      <p>
        {clock.when(job.at ?? new Date())}, {job.purpose === "leaf" ? "on leaves" : "to roots"}, by {sprayer}.{" "}
        {v.mixShown} in {v.job.loadCount}. {v.howToCover}
      </p>
      <table className="figures mt-3 w-full">
        <caption className="text-left font-bold">Fillings</caption>
        <thead>
          <tr className="text-left">
            <th scope="col">fill</th>
            <th scope="col">in all</th>
            <th scope="col">brew</th>
            <th scope="col">water</th>
            <th scope="col" className="whitespace-nowrap pr-4">
              with it
            </th>
            <th scope="col">on</th>
            <th scope="col">done</th>
          </tr>
        </thead>
        <tbody>
          {v.loads.map((l) => (
            <tr key={l.number} className="border-t border-line align-top">
              <td className="pr-4">{l.number}</td>
              <td className="whitespace-nowrap pr-4">{l.totalShown}</td>
              <td className="whitespace-nowrap pr-4">{l.brewShown}</td>
              <td>
                {l.waterShown}: {l.waterInTools}
              </td>
              <td>
                {l.products.map((p) => (
                  <p key={p.name}>
                    {p.shown} {p.name}
                    {p.inTools && `: ${p.inTools}`}
                  </p>
                ))}
              </td>
              <td>{l.on.join(", ")}</td>
              <td aria-label="to tick">☐</td>
            </tr>
          ))}
        </tbody>
      </table>
      <table className="figures mt-3 w-full">
        <caption className="text-left font-bold">Beds</caption>
        <tbody>
          {v.shares.map((s) => (
            <tr key={s.bedId} className="border-t border-line">
              <td>
                {s.name}, {s.areaShown}
              </td>
              <td>{s.mixShown}</td>
              <td>{s.brewShown} of brew</td>
              <td>{s.products.map((p) => `${p.shown} ${p.name}`).join(", ")}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <ul className="mt-3">
        {worked.cautions.map((c) => (
          <li key={c.id}>☐ {c.text}</li>
        ))}
        {v.waits.map((w) => (
          <li key={w}>{w}</li>
        ))}
        <li>☐ Wash up at once.</li>
      </ul>
    </div>
  );
}
