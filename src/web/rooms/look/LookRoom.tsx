import { Link, useSearchParams } from "react-router-dom";
import { useRead } from "../../api/data";
import { GroundMap } from "../../parts/GroundMap";
import { Go } from "../../parts/Go";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { useClock } from "../../parts/clock";
import { GeoFiles } from "./GeoFiles";

/** The ground to scale, each bed saying what is known of it and since when. */
export function LookRoom() {
  const clock = useClock();
  const plan = useRead("/api/ground/plan");
  const [search, setSearch] = useSearchParams();
  const bed = plan.beds.find((b) => b.id === Number(search.get("bed")));
  const pegs = plan.marks.filter((m) => m.kind === "peg" && m.bedId === bed?.id);
  const newest = plan.beds
    .flatMap((b) => b.known.map((k) => ({ ...k, bed: b })))
    .sort((a, b) => b.at.localeCompare(a.at))
    .slice(0, 7);
  return (
    <Room
      title="The ground"
      under="To scale. Tap a bed for what is known of it, and since when."
      peek={bed ? `${bed.name}: ${bed.known[0]?.text ?? "nothing seen yet"}` : "What was seen last"}
      bench={
        <>
          <GroundMap
            plan={plan}
            many={false}
            label="The ground, to scale"
            marked="all"
            chosen={bed ? [bed.id] : []}
            onToggle={(id) => setSearch(id === bed?.id ? {} : { bed: String(id) }, { replace: true })}
          />
          <GeoFiles />
        </>
      }
      slate={
        bed ? (
          <>
            <h2 className="text-2xl">{bed.name}</h2>
            <p className="text-lg">
              {bed.crop}, {bed.areaShown}
              {!bed.surveyed && " (no outline: drawn by its area)"}
            </p>
            {bed.wait && <p className="font-bold text-straw">▲ {bed.wait}</p>}
            {bed.known.length === 0 && <p>Nothing is known of it yet. A leaf and a strip of cotton are a beginning.</p>}
            <ul className="figures">
              {bed.known.map((k) => (
                <li key={k.kind} className="border-t border-line">
                  <Link to={k.link} className="flex min-h-11 flex-wrap items-center justify-between gap-x-4 py-1">
                    <b className="underline decoration-line underline-offset-4">{k.text}</b>
                    <span className="text-ash">since {clock.date(k.at)}</span>
                  </Link>
                </li>
              ))}
            </ul>
            <p className="flex flex-wrap gap-3">
              <Go to={`/look/leaves?bed=${bed.id}`} filled>
                Read its leaves
              </Go>
              <Go to={pegs[0]?.link ?? `/look/pegs/new?bed=${bed.id}`}>
                {pegs[0] ? `Its peg, ${pegs[0].name}` : "Set a peg in it"}
              </Go>
              <Go to={`/book?bed=${bed.id}`}>Its book</Go>
              <Go to={`/put-out?beds=${bed.id}`}>Put something on it</Go>
            </p>
          </>
        ) : (
          <>
            <h2 className="text-2xl">What was seen last</h2>
            {newest.length === 0 && <p>Nothing yet. Tap a bed to begin.</p>}
            <ul className="figures">
              {newest.map((k) => (
                <li key={k.kind + k.bed.id} className="border-t border-line">
                  <Link to={k.link} className="flex min-h-11 flex-wrap items-center justify-between gap-x-4 py-1">
                    <span>
                      <b>{k.bed.name}</b>: {k.text}
                    </span>
                    <span className="text-ash">{clock.date(k.at)}</span>
                  </Link>
                </li>
              ))}
            </ul>
            <Sum working={plan.working} sure={plan.sure} of="these areas" />
          </>
        )
      }
    />
  );
}
