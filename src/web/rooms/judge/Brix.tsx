import { useSearchParams } from "react-router-dom";
import { client, type Schemas, useRead } from "../../api/client";
import { Button } from "../../parts/Button";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { useClock } from "../../parts/clock";
import { Difference } from "./Difference";
import { ReadLeaves } from "./ReadLeaves";

/** The leaves before and after: readings, the difference with its interval, and a plain sentence. */
export function Brix() {
  const clock = useClock();
  const [search, setSearch] = useSearchParams();
  const view = useRead(["brix"], () => client.GET("/api/judge/brix"));
  const ground = useRead(["ground"], () => client.GET("/api/ground"));
  const application = Number(search.get("application")) || null;
  const bed = Number(search.get("bed")) || null;
  const pairs = view.data?.pairs ?? [];
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
          {view.data && pairs.length === 0 && (
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
          <History beds={view.data?.beds ?? []} />
        </>
      }
      slate={
        ground.data && (
          <ReadLeaves
            key={`${application}-${bed}`}
            beds={ground.data.beds}
            pair={pair}
            bedId={bed}
            onDone={() => pick(null)}
          />
        )
      }
    />
  );
}

/** A bed's own history: each visit a mean with its interval. */
function History({ beds }: { beds: Schemas["BrixHistory"][] }) {
  const clock = useClock();
  if (beds.length === 0) return null;
  return (
    <section className="mt-8">
      <h2 className="text-xl">Each bed against its own past</h2>
      {beds.map((b) => (
        <details key={b.bedId} className="border-t border-line py-2">
          <summary className="min-h-11 cursor-pointer py-2 text-lg">
            <b>{b.bed}</b>, {b.crop}: {b.visits.at(-1)?.value.mean.toFixed(1)} °Bx last, {b.visits.length}{" "}
            {b.visits.length === 1 ? "visit" : "visits"}
          </summary>
          <table className="w-full">
            <thead>
              <tr className="text-left">
                <th scope="col">when</th>
                <th scope="col">leaf</th>
                <th scope="col">read</th>
                <th scope="col">at 20 °C</th>
              </tr>
            </thead>
            <tbody>
              {b.visits.map((v) => (
                <tr key={v.id} className="border-t border-line">
                  <td>{clock.date(v.at)}</td>
                  <td>{v.leafPosition}</td>
                  <td>{v.asRead.map((x) => x.toFixed(1)).join(" ")}</td>
                  <td>
                    {v.value.mean.toFixed(1)}
                    {v.value.low95 !== null &&
                      v.value.high95 !== null &&
                      ` (${v.value.low95.toFixed(1)} to ${v.value.high95.toFixed(1)})`}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      ))}
    </section>
  );
}
