import { useState } from "react";
import { Link, useNavigate } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Drag } from "../../parts/Drag";
import { Fold } from "../../parts/Fold";
import { Go } from "../../parts/Go";
import { Mind } from "../../parts/Mind";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Axis, scaleOf } from "./ReckonBars";
import { ReckonRow } from "./ReckonRow";
import { ReckonTerms } from "./ReckonTerms";

type View = Schemas["ReckoningView"];

/** So many practices, and so many doubts, stand open; the smaller ones are folded away. */
const [dearest, best] = [8, 3];

/** What the slider of ground stands at: steps that double and more, 0 being each thing's own ground. */
const grounds = [0, 0.001, 0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500];

/** What the year's work was worth, what nobody knows yet, and which doubt is worth a trial. */
export function ReckoningRoom() {
  const [play, setPlay] = useState<{ hectares?: number; years?: number; hour?: number }>({});
  const r = useRead("/api/judge/reckoning", { params: { query: play } });
  const { at, marks } = scaleOf(r.rows);
  return (
    <Room
      title="What the year’s work was worth"
      under={`${r.span} · money ${r.area} of ground it went on, after its own cost and your hours`}
      peek={r.headline}
      bench={
        r.rows.length === 0 ? (
          <p className="text-lg">
            Nothing was put out in this year yet. What goes on beds, from the tank, a brew or a barrow, is reckoned here
            by itself: no form of its own.
          </p>
        ) : (
          <>
            <p className="mb-1 hidden grid-cols-[13rem_minmax(0,1fr)_7.5rem] gap-x-4 wide:grid" aria-hidden>
              <span />
              <span className="flex justify-between">
                <b className="w-1/2 pr-2 text-right text-plum">it cost</b>
                <b className="w-1/2 pl-2 text-moss">it paid</b>
              </span>
            </p>
            <ul aria-label="Practices">
              {r.rows.slice(0, dearest).map((row) => (
                <ReckonRow key={row.key} row={row} at={at} />
              ))}
            </ul>
            {r.rows.length > dearest && (
              <Fold line={`smaller ones (${r.rows.length - dearest})`}>
                <ul aria-label="Smaller practices">
                  {r.rows.slice(dearest).map((row) => (
                    <ReckonRow key={row.key} row={row} at={at} />
                  ))}
                </ul>
              </Fold>
            )}
            <div className="hidden grid-cols-[13rem_minmax(0,1fr)_7.5rem] gap-x-4 border-t border-line pt-1 wide:grid">
              <span />
              <Axis at={at} marks={marks} area={r.area} />
            </div>
            <p className="text-ash">
              A bar holds the truth 19 times in 20. Whole: measured here. Dashed: guessed from elsewhere, and said so.
            </p>
            <Besides view={r} />
          </>
        )
      }
      slate={<Slate view={r} play={play} setPlay={setPlay} />}
    />
  );
}

interface SlateProps {
  view: View;
  play: { hectares?: number; years?: number; hour?: number };
  setPlay: (play: SlateProps["play"]) => void;
}

function Slate({ view: r, play, setPlay }: SlateProps) {
  const go = useNavigate();
  const first = r.find[0];
  return (
    <>
      <div>
        <h2 className="text-2xl leading-tight">{r.headline}</h2>
        <p className="mt-1">{r.second}</p>
        <p className="mt-1 text-ash">
          {r.logged} {r.lastYear}
        </p>
      </div>
      {r.find.length > 0 && (
        <section aria-label="What would be worth finding out">
          <h3 className="border-b-2 border-line pb-1 text-xl">What would be worth finding out</h3>
          <Doubts of={r.find.slice(0, best)} />
          {r.find.length > best && (
            <Fold line={`more doubts (${r.find.length - best})`}>
              <Doubts of={r.find.slice(best)} />
            </Fold>
          )}
          <Played view={r} play={play} setPlay={setPlay} />
        </section>
      )}
      {r.rows.length > 0 && (
        <section aria-label="If you did only what has paid">
          <h3 className="border-b-2 border-line pb-1 text-xl">If you did only what has paid</h3>
          <dl className="figures">
            <Line term="hours freed" text={r.freed.hoursShown} />
            <Line term="money freed" text={r.freed.moneyShown} />
          </dl>
          <p className="text-ash">{r.freed.says}</p>
        </section>
      )}
      <p className="flex flex-wrap gap-3">
        {first && first.net > 0 && (
          <Go filled to={first.plan}>
            Plan the best of them
          </Go>
        )}
        <Button onClick={() => go("/judge/reckoning/print")}>Print the reckoning</Button>
      </p>
      <p className="flex flex-wrap gap-x-5">
        {[
          ["/judge/ahead", "the season ahead"],
          ["/judge/harm", "where organisms are lost"],
        ].map(([to, name]) => (
          <Link key={to} to={to!} className="min-h-11 content-center text-clay underline underline-offset-4">
            {name}
          </Link>
        ))}
        <a
          href="/api/judge/reckoning.csv"
          download="reckoning.csv"
          className="min-h-11 content-center text-clay underline underline-offset-4"
        >
          as a table (CSV)
        </a>
      </p>
      <ReckonTerms key={r.terms.change ?? 0} terms={r.terms} />
      <p className="text-ash">
        What a thing is worth finding out: how often it would change what you do, times what that change is worth. No
        word here is stronger than its trial.
      </p>
      <Mind cautions={r.cautions} />
    </>
  );
}

/** Trials that would settle something, each with its worth, its sum and its way to the bench. */
function Doubts({ of }: { of: readonly Schemas["FindOutView"][] }) {
  return (
    <ol>
      {of.map((f) => (
        <li key={f.key} className="border-b border-line py-2">
          <p className="flex justify-between gap-4">
            <b>{f.title}</b>
            <span className="figures whitespace-nowrap">worth {f.worthShown} a year</span>
          </p>
          <p className="text-ash">
            {f.says}; {f.ground}
          </p>
          <p className="flex flex-wrap items-center gap-x-5">
            <Link
              to={f.plan}
              aria-label={`Plan that trial: ${f.title}`}
              className="min-h-11 content-center text-clay underline underline-offset-4"
            >
              Plan that trial
            </Link>
            <Sum working={f.worked.working} sure={f.worked.sure} of={f.title} />
          </p>
        </li>
      ))}
    </ol>
  );
}

/** An hour's worth, ground and years, taken hold of: nothing is kept by it. */
function Played({ view: r, play, setPlay }: SlateProps) {
  const ground = grounds.findIndex((g) => g === (play.hectares ?? 0));
  return (
    <Fold line="Other ground, other years, another price of an hour">
      <Drag
        label="Ground that each would be used on"
        value={ground < 0 ? 0 : ground}
        min={0}
        max={grounds.length - 1}
        step={1}
        says={play.hectares ? `${play.hectares} ${r.groundUnit}` : "as this year"}
        onChange={(i) => setPlay({ ...play, hectares: grounds[i] || undefined })}
      />
      <p className="-mt-2">
        Ground: {play.hectares ? `each on ${play.hectares} ${r.groundUnit}` : "each on its own, as this year"}
      </p>
      <Drag
        label="Years that it would be used for"
        value={play.years ?? r.years}
        min={1}
        max={20}
        step={1}
        says={`${play.years ?? r.years} years`}
        onChange={(years) => setPlay({ ...play, years })}
      />
      <p className="-mt-2">Years: {play.years ?? r.years}</p>
      <Drag
        label="An hour of yours"
        value={play.hour ?? r.hourly ?? 0}
        min={0}
        max={60}
        step={1}
        says={`${play.hour ?? r.hourly ?? 0} an hour`}
        onChange={(hour) => setPlay({ ...play, hour })}
      />
      <p className="-mt-2">An hour of yours: {play.hour ?? r.hourly ?? "not counted"}</p>
      <Button kind="plain" onClick={() => setPlay({})}>
        back to how it is
      </Button>
    </Fold>
  );
}

const Line = ({ term, text }: { term: string; text: string }) => (
  <div className="flex justify-between gap-4 border-b border-line py-1.5">
    <dt className="font-bold">{term}</dt>
    <dd>{text}</dd>
  </div>
);

/** Hours that belong to no practice, and the same cut by bed, planting and season. */
function Besides({ view: r }: { view: View }) {
  const [by, setBy] = useState(r.splits[0]!.by);
  const split = r.splits.find((s) => s.by === by) ?? r.splits[0]!;
  return (
    <div className="mt-4">
      {r.beside.length > 0 && (
        <section aria-label="Beside these">
          <h2 className="text-xl">Beside these</h2>
          <ul>
            {r.beside.map((b) => (
              <li key={b.name} className="flex flex-wrap justify-between gap-x-4 border-t border-line py-1.5">
                <span>
                  {b.name} <span className="text-ash">{b.for}</span>
                </span>
                <span className="figures">{b.says}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <Fold line="The same by bed, by planting, by season, by thing">
        <Choice label="By" value={by} options={r.splits.map((s) => ({ value: s.by, name: s.by }))} onChange={setBy} />
        <table className="w-full text-left">
          <thead>
            <tr className="text-ash">
              <th className="py-1 font-normal">{by}</th>
              <th className="font-normal">put in</th>
              <th className="text-right font-normal">with hours, {r.area}</th>
            </tr>
          </thead>
          <tbody>
            {split.lines.map((l) => (
              <tr key={l.name} className="border-t border-line align-top">
                <td className="py-1.5 pr-3">{l.name}</td>
                <td className="figures">{l.says}</td>
                <td className="figures text-right">{l.costShown ?? "not known"}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Fold>
    </div>
  );
}
