import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Brewhouse } from "../../parts/Brewhouse";
import { Room } from "../../parts/Room";
import { Fold } from "../../parts/Fold";
import { Go } from "../../parts/Go";
import { useClock } from "../../parts/clock";

const marks: Record<Schemas["BatchState"], string> = { planned: "◌", brewing: "●", off: "◐", used: "✓", heaped: "✕" };

/** So many that are over stand open; the earlier ones are folded away. */
const latest = 12;

/** All brews, newest first; what failed and why stands beside what worked. */
export function BrewRoom() {
  const clock = useClock();
  const list = useRead("/api/brew/batches");
  const over = list.filter((b) => b.state === "used" || b.state === "heaped") ?? [];
  const open = list.filter((b) => b.state !== "used" && b.state !== "heaped") ?? [];
  const heaped = over.filter((b) => b.state === "heaped");
  const row = (b: Schemas["BatchLine"]) => (
    <li key={b.id} className="border-t border-line">
      <Link to={`/brew/${b.id}`} className="block py-3">
        <p className="font-head text-lg font-bold">
          <span
            aria-hidden
            className={b.state === "heaped" ? "text-plum" : b.state === "used" ? "text-moss" : "text-clay"}
          >
            {marks[b.state]}
          </span>{" "}
          {b.name}
        </p>
        <p className="figures">
          {clock.date(b.useAt)}, {b.brewShown} in {b.vessel}
          {b.lowestOxygen !== null && `, lowest oxygen read ${b.lowestOxygen}`}
        </p>
        <p className={b.state === "heaped" ? "text-plum" : "text-ash"}>{b.outcome}</p>
      </Link>
    </li>
  );
  return (
    <Room
      title="Brews"
      under={list && `${over.length} over, ${open.length} going or planned.`}
      peek="Plan a brew"
      bench={
        <>
          <Brewhouse />
          <ul className="mt-2">{open.map(row)}</ul>
          <h2 className="mt-6 text-xl">Over</h2>
          <ul>{over.slice(0, latest).map(row)}</ul>
          {over.length > latest && (
            <Fold line={`${over.length - latest} earlier`}>
              <ul>{over.slice(latest).map(row)}</ul>
            </Fold>
          )}
          {list.length === 0 && (
            <p className="text-lg">No brew yet. Plan one: say the beds, leaf or root, and when it should be ready.</p>
          )}
        </>
      }
      slate={
        <>
          <p>
            <Go to="/brew/plan">Plan a brew</Go>
          </p>
          {heaped.length > 0 && (
            <>
              <h2 className="text-xl">
                {heaped.length} of {over.length} went on the heap
              </h2>
              <ul className="list-inside list-disc">
                {heaped.map((b) => (
                  <li key={b.id}>
                    {clock.date(b.useAt)}: {b.outcome.replace("heaped: ", "")}
                  </li>
                ))}
              </ul>
            </>
          )}
        </>
      }
    />
  );
}
