import { Suspense } from "react";
import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Fold } from "../../parts/Fold";
import { Sum } from "../../parts/Sum";
import { looks } from "../../parts/tone";

/** What each mix of a job should hold by the sheets of its parts, and does by its own; what stands around it stays. */
export function BlendSays({ job }: { job: number }) {
  return (
    <Suspense>
      <Blends job={job} />
    </Suspense>
  );
}

function Blends({ job }: { job: number }) {
  const blends = useRead("/api/sheets/blend", { params: { query: { mix: job } } });
  return blends.map((b) => <Blend key={b.name} blend={b} />);
}

const link = "inline-flex min-h-11 items-center text-clay underline underline-offset-4";

function Blend({ blend: b }: { blend: Schemas["BlendView"] }) {
  const look = looks[b.verdict.tone];
  return (
    <Fold
      line={
        <>
          <b>{b.name}</b>, by its parts’ sheets: {b.verdict.sentence}
        </>
      }
    >
      <p className={b.verdict.tone === "go" ? undefined : `font-bold ${look.colour}`}>
        {b.verdict.tone !== "go" && `${look.mark} `}
        {b.verdict.why}
      </p>
      {b.properties && <p className="figures first-letter:uppercase">{b.properties}</p>}
      {b.lines.length > 0 && (
        <ul className="figures">
          {b.lines.map((l) => (
            <li key={l.name + l.guess + l.test} className="grid grid-cols-2 gap-x-4 border-t border-line py-1">
              <b>{l.name}</b>
              <span className="text-right text-ash">{l.band && `band ${l.band}`}</span>
              <span>{l.guess ? `guessed ${l.guess}` : `open: no figure of ${l.lacks.join(", ")}`}</span>
              <span className="text-right">{l.test ? `tested ${l.test}` : "not tested yet"}</span>
              {l.flag && <span className="col-span-2 text-straw">▲ {l.flag}</span>}
            </li>
          ))}
        </ul>
      )}
      <p className="flex flex-wrap gap-x-4">
        {b.without.map(
          (w) =>
            w.lotId && (
              <Link key={w.name} to={`/make/sheet/new?lot=${w.lotId}`} className={link}>
                have {w.name} tested
              </Link>
            ),
        )}
        {b.lotId && (
          <Link to={`/make/sheet/new?lot=${b.lotId}`} className={link}>
            have this blend tested
          </Link>
        )}
        {b.beside.length > 1 && (
          <Link to={`/make/sheet/beside?of=${b.beside.join(",")}`} className={link}>
            its sheets side by side
          </Link>
        )}
      </p>
      <Sum working={b.guess} sure="chemistryOrPhysics" of={`the guess of ${b.name}`} />
    </Fold>
  );
}
