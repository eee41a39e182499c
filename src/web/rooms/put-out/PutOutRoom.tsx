import { Link, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useReadIf, useWorkOut } from "../../api/data";
import { Choice } from "../../parts/Choice";
import { Refusals } from "../../parts/Form";
import { Go } from "../../parts/Go";
import { GroundMap } from "../../parts/GroundMap";
import { Otherwise, RaceStrips } from "../../parts/RaceStrips";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

/** Opens on the ground: beds are chosen by touching them, and the race to them runs under it, filling by filling. */
export function PutOutRoom() {
  const clock = useClock();
  const plan = useRead("/api/ground/plan");
  const view = useRead("/api/put-out");
  const [search, setSearch] = useSearchParams();
  const batch = view.ready.find((b) => b.id === Number(search.get("batch"))) ?? view.ready[0];
  const start = useReadIf(batch !== undefined, "/api/put-out/tank/start", { params: { query: { batch: batch?.id } } });
  const asked = search.get("beds");
  const beds = asked === null ? (start?.value?.bedIds ?? []) : asked.split(",").map(Number).filter(Boolean);
  const job = start?.value && beds.length > 0 ? { ...start.value, bedIds: beds } : null;
  const worked = useWorkOut("/api/put-out/tank/work-out", job && { body: job });
  const v = worked.data?.value;
  const set = (part: Record<string, string>) =>
    setSearch({ ...Object.fromEntries(search), ...part }, { replace: true, preventScrollReset: true });
  const toggle = (id: number) =>
    set({ beds: (beds.includes(id) ? beds.filter((b) => b !== id) : [...beds, id]).join(",") });
  const names = plan.beds.filter((b) => beds.includes(b.id)).map((b) => b.name);
  const where = names.length === 0 ? "which beds?" : names.length > 3 ? `${names.length} beds` : names.join(", ");
  const on = batch ? `/put-out/${batch.id}?beds=${beds.join(",")}` : `/put-out/tank?beds=${beds.join(",")}`;
  return (
    <Refusals problem={worked.problem}>
      <Room
        title={batch ? `${batch.brewShown} to ${where}` : "Where does it go?"}
        under={
          batch
            ? `${batch.vessel}, meant for ${clock.when(batch.useAt)}, ${batch.purpose === "leaf" ? "on leaves" : "to roots"}`
            : "No brew is there to put out; what stands on the shelf can go out at any time."
        }
        peek={v?.verdict.sentence ?? "Choose beds"}
        bench={
          <>
            {view.ready.length > 1 && batch && (
              <Choice
                label="Which brew"
                value={String(batch.id)}
                options={view.ready.map((b) => ({ value: String(b.id), name: b.vessel }))}
                onChange={(id) => setSearch({ batch: id }, { replace: true })}
              />
            )}
            <GroundMap plan={plan} label="The ground: which beds?" chosen={beds} onToggle={toggle} />
            <WrongElse />
            {v?.race && (
              <section aria-label="Who wins, the clock or the oxygen?" className="mt-4">
                <h2 className="border-b-2 border-line text-xl">Who wins, the clock or the oxygen?</h2>
                <RaceStrips race={v.race} />
                <p className="text-ash">{v.race.kitSays}; an estimate until your own flow and way are typed.</p>
              </section>
            )}
          </>
        }
        slate={
          <>
            {v && worked.data ? (
              <>
                <Verdict verdict={v.verdict} />
                <Fillings view={v} />
                {v.race && <Otherwise race={v.race} />}
                <p className="flex flex-wrap gap-3">
                  <Go to={on} filled>
                    Fill the tank
                  </Go>
                  <Go to="/put-out/windows">Windows ahead</Go>
                </p>
                <Sum working={worked.data.working} sure={worked.data.sure} of="these amounts" />
              </>
            ) : (
              <>
                <h2 className="text-2xl">
                  {batch
                    ? "Choose the beds."
                    : beds.length > 0
                      ? "And what goes on them?"
                      : "Choose beds, or a bottle."}
                </h2>
                <p>
                  <Go to={on} filled>
                    {batch ? "Fill the tank" : "Fill a tank from the shelf"}
                  </Go>
                </p>
              </>
            )}
            <p>
              <Link
                to={`/put-out/solid?beds=${beds.join(",")}`}
                className="inline-flex min-h-11 items-center text-clay underline underline-offset-4"
              >
                compost, char, mulch or a mineral, by the barrow
              </Link>
            </p>
            {batch && (
              <p>
                <Link
                  to={`/put-out/tank?beds=${beds.join(",")}`}
                  className="inline-flex min-h-11 items-center text-clay underline underline-offset-4"
                >
                  something from the shelf instead
                </Link>
              </p>
            )}
            <Past past={view.past} />
          </>
        }
      />
    </Refusals>
  );
}

/** The fillings, those that are alike in one line. */
function Fillings({ view: v }: { view: Schemas["TankView"] }) {
  const many = v.loads.length > 2;
  const lines = many ? [v.loads[0]!, v.loads.at(-1)!] : v.loads;
  if (lines.length === 0) return null;
  return (
    <section>
      <h2 className="text-xl">
        {v.job.loadCount} {v.job.loadCount === 1 ? "filling" : "fillings"}
      </h2>
      <ul className="figures">
        {lines.map((l) => (
          <li key={l.number} className="border-t border-line py-1.5">
            <p className="flex flex-wrap justify-between gap-x-4">
              <b>
                {many && l.number === 1
                  ? v.loads.length === 3
                    ? "1 and 2, each"
                    : `1 to ${v.loads.length - 1}, each`
                  : l.number}
              </b>
              <span>
                {l.brewShown} of brew + {l.waterShown} of water
              </span>
            </p>
            {!many && <p className="text-ash">{l.on.join(", ")}</p>}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What went out last, in a line each; the whole lies in the book. */
function Past({ past }: { past: Schemas["PutOutView"]["past"] }) {
  const clock = useClock();
  const unwashed = past.filter((a) => a.toWash);
  const last = past[0];
  if (!last) return null;
  return (
    <section className="border-t border-line pt-2">
      {unwashed.map((a) => (
        <p key={a.id} className="text-straw">
          ▲ {a.tool} of {clock.date(a.at)} is not washed up yet:{" "}
          <Link className="underline" to={`/put-out/sprayers?sprayer=${a.sprayerId}`}>
            log it
          </Link>
        </p>
      ))}
      <p className="text-ash">
        Last: {last.batchId ? last.teaShown : last.what} on {last.beds.join(", ")}, {clock.date(last.at)}.{" "}
        <Link className="underline" to="/book?kind=job">
          all of it in the book
        </Link>
      </p>
    </section>
  );
}
