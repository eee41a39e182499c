import type { Schemas } from "../../api/client";
import { useWorkOut } from "../../api/data";
import { Curves } from "../../parts/Curves";
import { Sum } from "../../parts/Sum";
import { Wrong } from "../../parts/Wrong";
import { span } from "../../parts/clock";
import { Mark } from "../../parts/tone";

/** One vessel under each school's recipe, air, time and hold: small pictures on the same axes. */
export function SchoolsPanel({ subject }: { subject: Pick<Schemas["AskRequest"], "plan" | "batchId"> }) {
  const schools = useWorkOut("/api/brew/schools", { body: { ...subject, whatIfs: [] } });
  const v = schools.data?.value;
  return (
    <section aria-label="Schools side by side" className="mt-8 border-t-2 border-ink pt-3">
      <h2 className="text-xl">The schools, side by side</h2>
      <Wrong problem={schools.problem} />
      {v && schools.data && (
        <>
          <p className="text-ash">{v.brewShown} in the same vessel at the same warmth, by the table’s own brew.</p>
          <div className="mt-3 grid gap-x-6 gap-y-5 sm:grid-cols-2">
            {v.runs.map((r) => (
              <article key={r.id}>
                <h3 className="text-lg">
                  <Mark good={r.fit} /> {r.name}
                </h3>
                <Curves title={r.name} curves={[{ name: r.name, points: r.oxygen }]} endH={48} useAtH={r.hours} small />
                <p className="figures">
                  {r.lowest.toFixed(1)} mg/L at its lowest; {r.airShown} for {span(r.hours * 60)}, held {r.hold}
                </p>
                <p>{r.why}</p>
                <p className="text-ash">{r.recipe}</p>
              </article>
            ))}
          </div>
          <Sum working={schools.data.working} sure={schools.data.sure} of="the schools" />
        </>
      )}
    </section>
  );
}
