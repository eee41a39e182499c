import { Link, useNavigate, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Button } from "../../parts/Button";
import { Interval } from "../../parts/Interval";
import { Room } from "../../parts/Room";
import { Meters } from "./Meters";
import { Sum } from "../../parts/Sum";
import { useClock } from "../../parts/clock";
import { Difference } from "./Difference";
import { ReadLeaves } from "./ReadLeaves";

/** The leaves before and after: readings, the difference with its interval, and a plain sentence. */
export function Brix() {
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
          <Changes pairs={pairs} measure={pick} />
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

const SW = 220;

/** One line a bed and spray: what was before, the change with its interval, or what is still wanted; the rest is folded. */
function Changes({ pairs, measure }: { pairs: Schemas["BrixPair"][]; measure: (p: Schemas["BrixPair"]) => void }) {
  const clock = useClock();
  const ends = pairs.flatMap((p) => {
    const d = p.difference?.value;
    return d ? [d.difference, d.low95 ?? d.difference, d.high95 ?? d.difference] : [];
  });
  const most = Math.max(1, ...ends.map(Math.abs)) * 1.08;
  const x = (v: number) => SW / 2 + (v / most) * (SW / 2 - 8);
  return (
    <ul className="mt-1">
      {pairs.map((p) => {
        const d = p.difference?.value;
        const key = `${p.applicationId}-${p.bedId}`;
        return (
          <li key={key} className="border-t border-line">
            {d && p.before && p.after ? (
              <details>
                <summary className="flex min-h-11 cursor-pointer flex-wrap items-center gap-x-3 py-1">
                  <b>
                    {p.bed}, {p.crop}
                  </b>
                  <span className="text-ash">{clock.date(p.sprayedAt)}</span>
                  <svg viewBox={`0 0 ${SW} 30`} className="ml-auto h-8 w-52" role="img" aria-label={d.sentence}>
                    <path d={`M${SW / 2} 0V30`} className="stroke-ash" strokeDasharray="3 3" />
                    <Interval x={x} y={15} lower={d.low95} upper={d.high95} end={6} />
                    <path
                      d={`M${x(d.difference)} 7l7 8-7 8-7-8z`}
                      className={d.insideNoise === false ? "fill-moss" : "fill-ash"}
                    />
                  </svg>
                  <span className={`figures w-24 text-right ${d.insideNoise === false ? "font-bold text-moss" : ""}`}>
                    {d.difference > 0 ? "+" : d.difference < 0 ? "−" : ""}
                    {Math.abs(d.difference).toFixed(1)} °Bx
                  </span>
                </summary>
                <p className={`text-lg ${d.insideNoise === false ? "font-bold text-moss" : ""}`}>{d.sentence}</p>
                <p className="text-ash">
                  {p.batch}, sprayed {clock.when(p.sprayedAt)}
                </p>
                <Difference before={p.before} after={p.after} difference={d} />
                {p.water && <p className="text-river">{p.water}</p>}
                <ul className="text-ash">
                  {d.caveats.map((c) => (
                    <li key={c}>▲ {c}</li>
                  ))}
                </ul>
                <Sum working={p.difference!.working} sure={p.difference!.sure} of={`${p.bed}’s difference`} />
              </details>
            ) : (
              <p className="flex min-h-11 flex-wrap items-center gap-x-3 py-1">
                <b>
                  {p.bed}, {p.crop}
                </b>
                <span className="text-ash">{clock.date(p.sprayedAt)}</span>
                <span className="grow">
                  {p.before ? `before: ${p.before.value.mean.toFixed(1)} °Bx. ` : ""}
                  {p.wants}
                </span>
                <Button kind="plain" aria-label={`Measure ${p.bed}`} onClick={() => measure(p)}>
                  Measure
                </Button>
              </p>
            )}
          </li>
        );
      })}
      {ends.length > 0 && (
        <li className="border-t border-line text-right text-ash">
          the dashed line is no change; bars hold 19 times in 20
        </li>
      )}
    </ul>
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
