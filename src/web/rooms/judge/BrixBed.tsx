import { useState } from "react";
import { Link, useParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Button } from "../../parts/Button";
import { ForkMark } from "../../parts/ForkMark";
import { Room } from "../../parts/Room";
import { Sum, Sure } from "../../parts/Sum";
import { useClock } from "../../parts/clock";
import { BrixChart } from "./BrixChart";
import { Difference } from "./Difference";
import { Pests } from "./Pests";

const pairs = [
  { kind: "weed-crop", name: "weed and crop" },
  { kind: "top-bottom", name: "top and bottom" },
  { kind: "morning-afternoon", name: "morning and afternoon" },
];

/** One bed's leaves: against its own past, with what they hint at, guided pairs, and whether to hold a spray. */
export function BrixBed() {
  const id = Number(useParams().id);
  const clock = useClock();
  const b = useRead("/api/judge/brix/bed/{id}", { params: { path: { id } } });
  const s = b.standing?.value;
  const half = (w: Schemas["BrixHalf"]) => {
    const weed = w.kind === "weed-crop" && w.weed === null;
    const leaf = w.kind === "top-bottom" ? (w.leafPosition === "top" ? "bottom" : "top") : w.leafPosition;
    return `/look/leaves?bed=${id}&pair=${w.kind}&with=${w.visitId}&leaf=${leaf}${weed ? "&weed=1" : ""}`;
  };
  return (
    <Room
      title={`${b.bed}: leaves`}
      under={`${b.crop}, the last eighteen months`}
      peek={s?.sentence}
      bench={
        <>
          <BrixChart bed={b} />
          {b.noise !== null && (
            <p>
              Leaves of one visit differ by about {b.noise.toFixed(2)} °Bx here: that is the noise, and what lies inside
              it is nothing seen.
            </p>
          )}
          <section className="mt-5">
            <h2 className="text-xl">Read as a pair</h2>
            <p className="flex flex-wrap gap-3">
              {pairs.map((p) => (
                <Link
                  key={p.kind}
                  to={`/look/leaves?bed=${id}&pair=${p.kind}&leaf=top`}
                  className="min-h-12 content-center rounded-full border-2 border-clay px-5 font-bold text-clay"
                >
                  {p.name}
                </Link>
              ))}
            </p>
            {b.waiting.map((w) => (
              <p key={w.visitId} className="mt-2 border-l-4 border-straw pl-4">
                ▲ First half read {clock.when(w.at)}:{" "}
                <Link className="min-h-11 content-center text-clay underline" to={half(w)}>
                  {w.wants}
                </Link>
              </p>
            ))}
            {b.pairs.map((p, i) => (
              <details key={i} open={i === 0} className="border-t border-line py-2">
                <summary className="min-h-11 cursor-pointer content-center">
                  <b>{pairs.find((x) => x.kind === p.kind)?.name}</b>, {clock.when(p.second.at)}:{" "}
                  {p.difference.value?.sentence}
                </summary>
                <Difference
                  before={p.first}
                  after={p.second}
                  difference={p.difference.value!}
                  names={[half1(p.first), half1(p.second)]}
                />
                <Sum working={p.difference.working} sure={p.difference.sure} of="this pair" />
              </details>
            ))}
          </section>
          <Visits bed={b} />
        </>
      }
      slate={
        <>
          {s && (
            <div>
              <h2 className="text-2xl">
                {s.sentence} <ForkMark fork={b.standing!.forks[0]} />
              </h2>
              <Sum working={b.standing!.working} sure={b.standing!.sure} of="where the leaves stand" />
            </div>
          )}
          <section>
            <h2 className="text-xl">What it may hint at</h2>
            {b.hints.length === 0 && <p>No pattern stands out of the noise in the last sixty days.</p>}
            <ul>
              {b.hints.map((h) => (
                <li key={h.id} className="border-t border-line py-2">
                  <p>{h.seen}</p>
                  <p className="text-lg font-bold">{h.look}</p>
                  <p className="text-ash">
                    {h.confirm} How sure: <Sure sure={h.sure} />.
                  </p>
                </li>
              ))}
            </ul>
          </section>
          <Pests bed={b} />
        </>
      }
    />
  );
}

const half1 = (v: Schemas["BrixVisitView"]) => v.weed ?? v.leafPosition;

/** Every visit; a slip is put right by reading it again, and the old one stays in the record. */
function Visits({ bed }: { bed: Schemas["BrixBedView"] }) {
  const clock = useClock();
  const rows = [...bed.visits].reverse();
  const [all, setAll] = useState(false);
  return (
    <section className="mt-5">
      <h2 className="text-xl">Every visit</h2>
      <div className="overflow-x-auto">
        <table className="w-full">
          <thead>
            <tr className="text-left">
              <th scope="col">when</th>
              <th scope="col">leaf</th>
              <th scope="col">sky</th>
              <th scope="col">read</th>
              <th scope="col">at 20 °C</th>
              <th scope="col">
                <span className="sr-only">a correction</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {(all ? rows : rows.slice(0, 12)).map((v) => (
              <tr key={v.id} className="border-t border-line">
                <td>{clock.when(v.at)}</td>
                <td>{v.weed ? `weed: ${v.weed}` : v.leafPosition}</td>
                <td>{v.sky}</td>
                <td>
                  {v.asRead.map((x) => x.toFixed(1)).join(" ")} {v.dry > 0 && `${v.dry} dry`}
                </td>
                <td>
                  {v.value.count > 0 ? v.value.mean.toFixed(1) : "dry"}
                  {v.value.low95 !== null &&
                    v.value.high95 !== null &&
                    ` (${v.value.low95.toFixed(1)} to ${v.value.high95.toFixed(1)})`}
                </td>
                <td>
                  <Link
                    to={`/look/leaves?bed=${bed.bedId}&corrects=${v.id}&leaf=${v.leafPosition}`}
                    aria-label={`record a correction: ${clock.when(v.at)}, ${v.leafPosition}`}
                    className="text-clay underline"
                  >
                    record a correction
                  </Link>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {bed.putRight.length > 0 && (
        <p className="text-ash">
          Corrected since, and kept:{" "}
          {bed.putRight
            .map((v) => `${clock.when(v.at)} ${v.leafPosition} ${v.asRead.map((x) => x.toFixed(1)).join(" ")}`)
            .join(" · ")}
        </p>
      )}
      {rows.length > 12 && (
        <Button kind="plain" onClick={() => setAll(!all)}>
          {all ? "the last twelve" : `all ${rows.length}`}
        </Button>
      )}
    </section>
  );
}
