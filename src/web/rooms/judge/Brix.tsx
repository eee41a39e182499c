import { Link, useNavigate, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Button } from "../../parts/Button";
import { Room } from "../../parts/Room";
import { Meters } from "./Meters";
import { Sum } from "../../parts/Sum";
import { useClock } from "../../parts/clock";
import { Difference } from "./Difference";
import { ReadLeaves } from "./ReadLeaves";

/** The leaves before and after: readings, the difference with its interval, and a plain sentence. */
export function Brix() {
  const clock = useClock();
  const go = useNavigate();
  const [search, setSearch] = useSearchParams();
  const view = useRead("/api/judge/brix");
  const ground = useRead("/api/ground");
  const application = Number(search.get("application")) || null;
  const bed = Number(search.get("bed")) || null;
  const corrects = Number(search.get("corrects")) || null;
  const half = search.get("pair")
    ? {
        kind: search.get("pair")!,
        with: Number(search.get("with")) || null,
        leaf: search.get("leaf") ?? "top",
        weed: search.get("weed") === "1",
      }
    : null;
  const pairs = view.pairs ?? [];
  const pair = pairs.find((p) => p.applicationId === application && p.bedId === bed) ?? null;
  const told = pairs.find((p) => p.difference);
  const pick = (p: Schemas["BrixPair"] | null) =>
    setSearch(p ? { application: String(p.applicationId), bed: String(p.bedId) } : {});
  return (
    <Room
      title="Read the leaves"
      under="Same place, same leaf, same hour; three to five squeezes make one value."
      peek={pair ? `${pair.bed}: measure` : (told?.difference?.value?.sentence ?? "Measure a bed")}
      bench={
        <>
          <h2 className="text-xl">Sprays of the last two months</h2>
          {view && pairs.length === 0 && (
            <p className="text-lg">
              No spray yet. A reading before one is worth more than any after: take it now, on the bed you mean to
              spray.
            </p>
          )}
          <ul>
            {pairs.map((p) => (
              <li key={`${p.applicationId}-${p.bedId}`} className="border-t border-line py-3">
                <p className="flex flex-wrap items-baseline justify-between gap-2">
                  <b className="font-head text-lg">
                    {p.bed}, {p.crop}
                  </b>
                  <span className="figures text-ash">
                    {p.batch}, sprayed {clock.when(p.sprayedAt)}
                  </span>
                </p>
                {p.difference?.value && p.before && p.after ? (
                  <>
                    <p className={`text-lg ${p.difference.value.insideNoise === false ? "font-bold text-moss" : ""}`}>
                      {p.difference.value.sentence}
                    </p>
                    <Difference before={p.before} after={p.after} difference={p.difference.value} />
                    <ul className="text-ash">
                      {p.difference.value.caveats.map((c) => (
                        <li key={c}>▲ {c}</li>
                      ))}
                    </ul>
                    <Sum working={p.difference.working} sure={p.difference.sure} of={`${p.bed}’s difference`} />
                  </>
                ) : (
                  <p className="flex flex-wrap items-center gap-4">
                    <span>
                      {p.before ? `before: ${p.before.value.mean.toFixed(1)} °Bx (${p.before.value.count} leaves)` : ""}{" "}
                      {p.wants}
                    </span>
                    <Button onClick={() => pick(p)}>Measure</Button>
                  </p>
                )}
              </li>
            ))}
          </ul>
          <History beds={view.beds ?? []} />
          <Meters />
        </>
      }
      slate={
        ground && (
          <ReadLeaves
            key={`${application}-${bed}-${search.get("pair")}-${search.get("with")}-${corrects}`}
            beds={ground.beds}
            pair={pair}
            bedId={bed}
            half={half}
            corrects={corrects}
            onDone={() => (half || corrects ? go(`/look/leaves/${bed}`) : pick(null))}
          />
        )
      }
    />
  );
}

/** Each bed in a line: its last value, and the way to all of its past. */
function History({ beds }: { beds: Schemas["BrixHistory"][] }) {
  if (beds.length === 0) return null;
  return (
    <section className="mt-8">
      <h2 className="text-xl">Each bed against its own past</h2>
      <ul>
        {beds.map((b) => {
          const last = b.visits.filter((v) => v.weed === null && v.value.count > 0).at(-1);
          return (
            <li key={b.bedId} className="flex flex-wrap items-center justify-between gap-3 border-t border-line py-1">
              <Link
                to={`/look/leaves/${b.bedId}`}
                className="min-h-11 content-center font-bold underline underline-offset-4"
              >
                {b.bed}
              </Link>
              <span>
                {b.crop}: {last ? `${last.value.mean.toFixed(1)} °Bx last` : "dry"}, {b.visits.length}{" "}
                {b.visits.length === 1 ? "visit" : "visits"}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
