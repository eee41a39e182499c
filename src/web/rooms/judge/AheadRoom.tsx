import { Link, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Go } from "../../parts/Go";
import { Room } from "../../parts/Room";
import { Wrong } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

type View = Schemas["AheadView"];
type Item = Schemas["AheadItemView"];

/** The weeks to come: the hours that are planned against those there are, and what could go. */
export function AheadRoom() {
  const [search, setSearch] = useSearchParams();
  const without = search.getAll("without");
  const a = useRead("/api/judge/ahead", { params: { query: { without } } });
  const week = search.get("week");
  const picked = a.weeks.find((w) => w.from === week) ?? a.weeks.find((w) => w.over > 0) ?? a.weeks[0]!;
  const set = (left: readonly string[], at = week) => {
    const to = new URLSearchParams(left.map((k) => ["without", k]));
    if (at) to.set("week", at);
    setSearch(to, { replace: true });
  };
  const leave = (key: string) => set([...without, key]);
  return (
    <Room
      title="The season ahead"
      under="Hours that programmes, brews, checks and trials will take, week by week, against those there are."
      peek={a.sentence}
      bench={
        <>
          <Strip view={a} picked={picked.from} pick={(from) => set(without, from)} />
          <section aria-label={`Week of ${picked.name}`} className="mt-4">
            <h2 className="text-xl">
              Week of {picked.name}: {picked.shown}
            </h2>
            {picked.items.length === 0 && <p>Nothing is planned in it.</p>}
            <ul>
              {picked.items.map((i) => (
                <Line key={i.key} item={i} leave={leave} />
              ))}
            </ul>
          </section>
        </>
      }
      slate={
        <>
          <h2 className="text-2xl leading-tight">{a.sentence}</h2>
          {a.couldGo.length > 0 && (
            <section aria-label="What could go">
              <h3 className="border-b-2 border-line pb-1 text-xl">What could go, least worth first</h3>
              <ul>
                {a.couldGo.map((i) => (
                  <Line key={i.key} item={i} leave={leave} dated />
                ))}
              </ul>
              {a.stillOver > 0 && (
                <p>Even then {a.stillOver} weeks would not fit: fewer hours a task, or a hand more.</p>
              )}
            </section>
          )}
          {a.leftOut.length > 0 && (
            <section aria-label="Left out">
              <h3 className="border-b-2 border-line pb-1 text-xl">Left out here, to see what that does</h3>
              <ul>
                {a.leftOut.map((i) => (
                  <Left key={i.key} item={i} back={() => set(without.filter((k) => k !== i.key))} />
                ))}
              </ul>
              <p className="text-ash">Nothing is taken out of a plan by this, until you drop it there.</p>
            </section>
          )}
          <p className="flex flex-wrap gap-3">
            <Go to="/judge/reckoning">What each is worth</Go>
          </p>
          <p className="text-ash">
            There are {a.hoursAWeek} h a week for this: the reckoning says where that, and the usual minutes of each
            step, are changed.
          </p>
        </>
      }
    />
  );
}

interface LineProps {
  item: Item;
  leave: (key: string) => void;
  dated?: boolean;
}

function Line({ item: i, leave, dated = false }: LineProps) {
  const clock = useClock();
  return (
    <li className="flex flex-wrap items-center justify-between gap-x-4 border-t border-line py-1">
      <span className="min-w-0">
        <Link to={i.door} className="font-bold underline decoration-line underline-offset-4">
          {i.name}
        </Link>
        <span className="figures block text-ash">
          {dated ? `${clock.sayDate(i.on)}, ` : ""}
          {i.shown}; {i.worth}
        </span>
      </span>
      {i.kind !== "going" && (
        <Button
          kind="plain"
          onClick={() => leave(i.key)}
          aria-label={`leave it out: ${i.name}, ${clock.sayDate(i.on)}`}
        >
          leave it out
        </Button>
      )}
    </li>
  );
}

/** What is left out, and the way to drop it for good where it is a giving of a programme. */
function Left({ item: i, back }: { item: Item; back: () => void }) {
  const clock = useClock();
  const giving = i.kind === "giving" ? Number(i.key.slice("giving-".length)) : null;
  const drop = useWrite("/api/put-out/givings/{id}/drop", (id: number) => ({ params: { path: { id } } }), back);
  return (
    <li className="border-t border-line py-1">
      <span className="flex flex-wrap items-center justify-between gap-x-4">
        <span>
          <b>{i.name}</b> <span className="figures text-ash">{clock.sayDate(i.on)}</span>
        </span>
        <span className="flex flex-wrap gap-x-4">
          <Button kind="plain" onClick={back} aria-label={`take it in again: ${i.name}`}>
            take it in again
          </Button>
          {giving !== null && (
            <Button kind="plain" disabled={drop.isPending} onClick={() => drop.mutate(giving)}>
              drop it from its programme
            </Button>
          )}
        </span>
      </span>
      <Wrong problem={drop.error} />
    </li>
  );
}

/** A bar for each week, as high as its hours; what stands above the line does not fit. */
function Strip({ view: a, picked, pick }: { view: View; picked: string; pick: (from: string) => void }) {
  const most = Math.max(a.hoursAWeek * 1.25, ...a.weeks.map((w) => w.hours), 1);
  const high = (hours: number) => `${(hours / most) * 100}%`;
  return (
    <div className="overflow-x-auto">
      <div className="relative min-w-[44rem] wide:min-w-0">
        <ul className="relative flex h-56 items-end gap-1 border-b-2 border-ink" aria-label="Weeks">
          {a.weeks.map((w) => (
            <li key={w.from} className="h-full flex-1">
              <button
                type="button"
                aria-pressed={w.from === picked}
                aria-label={`Week of ${w.name}: ${w.shown}`}
                onClick={() => pick(w.from)}
                className={`flex h-full w-full flex-col justify-end ${w.from === picked ? "bg-shade" : ""}`}
              >
                <span className="block w-full bg-plum" style={{ height: high(w.over) }} />
                <span className="block w-full bg-moss" style={{ height: high(w.hours - w.over) }} />
              </button>
            </li>
          ))}
        </ul>
        <div
          className="pointer-events-none absolute inset-x-0 border-t-2 border-dashed border-ink"
          style={{ top: `calc(14rem - ${(a.hoursAWeek / most) * 14}rem)` }}
          aria-hidden
        >
          <span className="figures absolute -top-7 right-1 bg-slip px-1">{a.hoursAWeek} h there are</span>
        </div>
        <ul className="flex gap-1 text-base text-ash" aria-hidden>
          {a.weeks.map((w, i) => (
            <li key={w.from} className="flex-1 overflow-visible whitespace-nowrap">
              {i % 4 === 0 ? w.name : ""}
            </li>
          ))}
        </ul>
      </div>
    </div>
  );
}
