import { Link, useParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Fold } from "../../parts/Fold";
import { Go } from "../../parts/Go";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { Wrong } from "../../parts/Wrong";
import { Camera } from "./Camera";
import { CheckEntry } from "./CheckEntry";
import { ProfileDrawn } from "./ProfileDrawn";
import { RodDrawn } from "./RodDrawn";

/** A peg: the pit as dug, the rod's line against last year's, this peg's past, and what follows for the dose. */
export function PegPage() {
  const id = Number(useParams().id);
  const clock = useClock();
  const v = useRead("/api/look/pegs/{id}", { params: { path: { id } } });
  const dose = useWrite("/api/look/beds/{id}/dose", (keepsFull: boolean) => ({
    params: { path: { id: v.peg.bedId } },
    body: { keepsFull },
  }));
  const last = v.layers.at(-1)?.toCm ?? 0;
  const deep = Math.max(45, last);
  return (
    <Room
      title={v.peg.called}
      under={v.under}
      peek={v.verdict.sentence}
      bench={
        <>
          {v.layers.length + v.rods.length > 0 ? (
            <div className="grid grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] gap-4">
              {v.layers.length > 0 && <Pit v={v} deep={deep} />}
              {v.rods.length > 0 && <RodDrawn rods={v.rods} deep={deep} />}
            </div>
          ) : (
            <p className="text-lg">
              A spade block and a rod are drawn here once they are read. Walk to it with a spade and twenty minutes.
            </p>
          )}
          {v.rods[0] && (
            <p className="figures text-ash">
              {v.rods[0].pushes} pushes here
              {v.rods[0].wheelings.length > 0 && " and some in the wheelings"}; the line is their middle
            </p>
          )}
          <Strip v={v} />
          <Fold line="A picture from here">
            <Camera peg={v.peg} />
          </Fold>
          <Fold line={`All that was found here (${v.log.length})`}>
            <ul>
              {v.log.map((l) => (
                <CheckEntry key={l.id} line={l} peg={v.peg} bands={v.crumbBands} />
              ))}
            </ul>
          </Fold>
        </>
      }
      slate={
        <>
          <Verdict verdict={v.verdict} />
          <p className="-mt-3 text-lg font-bold">{v.dose.value!.sentence}</p>
          {v.past.length > 0 && <Past v={v} />}
          <section>
            <h2 className="text-xl">So</h2>
            <p className="text-lg">
              The ground of {v.peg.bed} is <b>{v.life.value!.says}</b>.{" "}
              <Sum working={v.life.working} sure={v.life.sure} of="how alive it is" />
            </p>
            {v.saves && (
              <p className="text-lg">
                By that <b>{v.saves}</b>.
              </p>
            )}
            <p className="flex flex-wrap gap-3">
              {v.life.value!.life && v.life.value!.life !== "poor" && (
                <Button kind={v.keepsFull ? "filled" : "drawn"} onClick={() => dose.mutate(!v.keepsFull)}>
                  {v.keepsFull ? "Take the lower dose" : "Keep the full dose"}
                </Button>
              )}
              <Sum working={v.dose.working} sure={v.dose.sure} of="the dose" />
            </p>
            <Wrong problem={dose.error} />
          </section>
          {v.pairs.map((p) => (
            <section key={p.pegId}>
              <h2 className="text-xl">
                Beside{" "}
                <Link to={`/look/pegs/${p.pegId}`} className="underline decoration-line underline-offset-4">
                  {p.name}
                </Link>
              </h2>
              <p className="text-ash">
                {p.here ?? "here"} against {p.there ?? "there"}
              </p>
              {p.lines.length === 0 && <p>Not looked at on one walk yet.</p>}
              <ul className="figures">
                {p.lines.map((l) => (
                  <li key={l.kind} className="border-t border-line py-1.5">
                    <b className={l.better === true ? "text-moss" : l.better === false ? "text-straw" : undefined}>
                      {l.word}
                    </b>
                    : {l.says} <span className="text-ash">({l.measured})</span>
                  </li>
                ))}
              </ul>
            </section>
          ))}
          <p className="text-ash">{v.compares}</p>
          <p className="flex flex-wrap gap-3">
            <Go to={`/look/pegs/${id}/change`}>The peg itself</Go>
            <Go to={`/look/years${v.past[0] ? `?kind=${v.past[0].kind}` : ""}`}>All pegs over the years</Go>
            <Go to="/look/walk">Walks</Go>
          </p>
          {v.peg.lastAt && <p className="text-ash">last seen {clock.date(v.peg.lastAt)}</p>}
        </>
      }
    />
  );
}

function Pit({ v, deep }: { v: Schemas["PegPageView"]; deep: number }) {
  const clock = useClock();
  return (
    <figure className="min-w-0">
      <div className="grid grid-cols-[minmax(5rem,9rem)_minmax(0,1fr)] gap-2">
        <div className="h-[24rem]">
          <ProfileDrawn
            layers={v.layers}
            deep={deep}
            roots={
              v.roots?.plants
                ? { plants: v.roots.plants, turned: v.roots.turned ?? 0, atCm: v.roots.turnedAtCm ?? null }
                : null
            }
            worms={v.worms}
            label={v.layers.map((l) => `to ${l.toCm} cm: ${l.says ?? `structure ${l.score}`}`).join("; ")}
          />
        </div>
        <ul className="relative h-[24rem]" aria-hidden>
          {v.layers.map((l, i) => (
            <li
              key={i}
              className="absolute leading-tight"
              style={{ top: `${2 + (((i === 0 ? 0 : (v.layers[i - 1]!.toCm ?? 0)) + 0.5) / deep) * 96}%` }}
            >
              <span className="figures text-ash">to {l.toCm} cm</span>
              <br />
              {l.says ?? `structure ${l.score}`}
            </li>
          ))}
        </ul>
      </div>
      {v.layersAt && <figcaption className="text-ash">as dug on {clock.date(v.layersAt)}</figcaption>}
    </figure>
  );
}

/** "14 Oct 2025" or "Oct 14 2025" as the head of a column: "Oct ’25". */
const monthOf = (date: string) =>
  date.replace(/\d{1,2} ?([A-Z][a-z]{2}) ?|([A-Z][a-z]{2}) \d{1,2} /, "$1$2 ").replace(/20(\d\d)$/, "’$1");

function Past({ v }: { v: Schemas["PegPageView"] }) {
  const clock = useClock();
  return (
    <section>
      <h2 className="text-xl">Against this peg’s own past</h2>
      <table className="w-full">
        <thead>
          <tr className="text-ash">
            <td />
            {v.visits.map((d, i) => (
              <th
                key={d}
                scope="col"
                className={`px-1 text-right font-normal ${i === v.visits.length - 1 ? "font-bold text-ink" : ""}`}
              >
                {monthOf(clock.date(d))}
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>
          {v.past.map((l) => (
            <tr key={l.kind} className="border-t border-line align-top">
              <th scope="row" className="py-1.5 pr-2 text-left font-bold">
                {l.measured}
              </th>
              {l.cells.map((c, i) => (
                <td key={i} className={`px-1 py-1.5 text-right ${i === l.cells.length - 1 ? "font-bold" : "text-ash"}`}>
                  {c ?? "–"}
                </td>
              ))}
              <td className="whitespace-nowrap py-1.5 pl-2 text-right">
                <span className={l.better === true ? "text-moss" : l.better === false ? "text-straw" : "text-ash"}>
                  {l.better === true ? "✓ " : l.better === false ? "▲ " : ""}
                  {l.word ?? "–"}
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Fold line="With intervals, and against which visit">
        <ul className="figures">
          {v.past.map((l) => (
            <li key={l.kind} className="border-t border-line py-1.5">
              <b>{l.measured}</b>
              {l.against && ` against ${clock.date(l.against)}`}: {l.says}.
              {l.hint && <span className="text-ash"> {l.hint}</span>}{" "}
              {l.working.length > 0 && <Sum working={l.working} sure="measuredHere" of={l.measured} />}
            </li>
          ))}
        </ul>
      </Fold>
    </section>
  );
}

/** Pictures from here, year after year. */
function Strip({ v }: { v: Schemas["PegPageView"] }) {
  const clock = useClock();
  if (v.pictures.length === 0) return null;
  return (
    <section aria-label="Pictures from here" className="mt-3">
      <ul className="flex gap-3 overflow-x-auto pb-2">
        {v.pictures.map((p) => (
          <li key={p.photoId} className="shrink-0">
            <a href={`/api/brew/photos/${p.photoId}`} target="_blank" rel="noreferrer">
              <img
                src={`/api/look/photos/${p.photoId}/small`}
                alt={`${p.way ? "the way there, " : ""}${clock.date(p.at)}`}
                className="h-28"
              />
              <span className="text-base text-ash">
                {clock.date(p.at)}
                {p.way && " · the way"}
                {p.drawn && " · drawn, no photo"}
              </span>
            </a>
          </li>
        ))}
      </ul>
    </section>
  );
}
