import { Link, useParams } from "react-router-dom";
import { useRead } from "../../api/data";
import { useClock } from "../../parts/clock";
import { Go } from "../../parts/Go";
import { Room } from "../../parts/Room";

const words: Record<string, string> = {
  use: "put on",
  leaves: "leaves",
  harvest: "harvest",
  check: "peg",
  field: "done",
  pests: "pests",
  trial: "trial",
};

/** A planting, and all that hangs on it. */
export function PlantingPage() {
  const id = Number(useParams().id);
  const clock = useClock();
  const v = useRead("/api/look/plantings/{id}", { params: { path: { id } } });
  return (
    <Room
      title={`${v.planting.crop}${v.planting.variety ? `, ${v.planting.variety}` : ""} on ${v.bed}`}
      under={v.says}
      peek={v.water}
      bench={
        <>
          <h2 className="text-xl">What hangs on it</h2>
          {v.hangs.length === 0 && <p className="text-lg">Nothing yet.</p>}
          <ol className="figures">
            {v.hangs.map((h, i) => (
              <li
                key={i}
                className="grid min-h-11 grid-cols-[7rem_5rem_minmax(0,1fr)] items-center gap-3 border-t border-line"
              >
                <span className="text-ash">{clock.date(h.at)}</span>
                <b>{words[h.kind] ?? h.kind}</b>
                {h.link ? (
                  <Link to={h.link} className="underline decoration-line underline-offset-4">
                    {h.text}
                  </Link>
                ) : (
                  <span>{h.text}</span>
                )}
              </li>
            ))}
          </ol>
        </>
      }
      slate={
        <>
          <h2 className="text-2xl">{v.planting.now ? "It stands" : "It has ended"}</h2>
          <p className="text-lg">{v.says}</p>
          <p className="text-lg">{v.water}</p>
          <p className="flex flex-wrap gap-3">
            <Go to={`/look/plantings?bed=${v.planting.bedId}`}>All of this bed</Go>
            <Go to={`/look/leaves?bed=${v.planting.bedId}`}>Read its leaves</Go>
          </p>
        </>
      }
    />
  );
}
