import { useParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Fold } from "../../parts/Fold";
import { Go } from "../../parts/Go";
import { Room } from "../../parts/Room";
import { useClock } from "../../parts/clock";
import { looks } from "../../parts/tone";

type Figure = Schemas["BedFigure"];

const kinds = [
  { of: ["bed", "field"], name: "soil" },
  { of: ["leaf", "tissue"], name: "leaf" },
  { of: ["sap"], name: "sap" },
] as const;

const words: Record<Schemas["FigureStands"], string> = {
  noBand: "no band",
  short: "short",
  enough: "enough",
  above: "above",
};

/** Soil, leaf and sap of a bed on one page, each nutrient against its bands through the years. */
export function BedSheetsPage() {
  const id = Number(useParams().id);
  const clock = useClock();
  const view = useRead("/api/sheets/beds/{bed}", { params: { path: { bed: id } } });
  const told = view.nutrients.filter((n) => n.says);
  return (
    <Room
      title={`${view.bed}: soil, leaf and sap`}
      under={`Grows: ${view.crop}. Each against its own bands; a line joins only figures of one lab, one depth and one extraction.`}
      peek={told[0]?.says ?? "What the sheets say"}
      bench={
        <>
          {view.nutrients.length === 0 && <p className="text-lg">No sheet of this bed has a result yet.</p>}
          {view.nutrients.length > 0 && (
            <>
              <div className="figures grid grid-cols-[6.5rem_1fr_1fr_1fr] gap-x-3 font-bold max-sm:grid-cols-[5rem_1fr_1fr_1fr]">
                <span />
                {kinds.map((k) => (
                  <span key={k.name}>{k.name}</span>
                ))}
              </div>
              <ul>
                {view.nutrients.map((n) => (
                  <li
                    key={n.id}
                    className="grid grid-cols-[6.5rem_1fr_1fr_1fr] items-center gap-x-3 border-t border-line py-1 max-sm:grid-cols-[5rem_1fr_1fr_1fr]"
                  >
                    <b className="leading-tight first-letter:uppercase">
                      {n.name}
                      {n.tone !== "go" && <span className={looks[n.tone].colour}> {looks[n.tone].mark}</span>}
                    </b>
                    {kinds.map((k) => (
                      <Plot
                        key={k.name}
                        name={`${n.name}, ${k.name}`}
                        years={view.years}
                        figures={n.figures.filter((f) => (k.of as readonly string[]).includes(f.of))}
                        say={(f) => `${clock.sayDate(f.on)}: ${f.shown}, ${words[f.stands]}`}
                      />
                    ))}
                  </li>
                ))}
              </ul>
              <p className="mt-2 text-ash">
                Hatched: enough. ● soil and young leaves, ○ old leaves. The first line of each is 1 Jan{" "}
                {view.years[0]?.year}.
              </p>
            </>
          )}
          <Fold line={`Its ${view.sheets.length} sheets`}>
            <ul>
              {view.sheets.map((s) => (
                <li key={s.id}>
                  <Go to={`/make/sheet/${s.id}`}>{s.name}</Go>
                </li>
              ))}
            </ul>
          </Fold>
          <p className="mt-3 flex flex-wrap gap-3">
            <Go to={`/make/sheet/new?bed=${id}&of=bed`}>A sheet of its soil</Go>
            <Go to={`/make/sheet/new?bed=${id}&of=leaf`}>of its leaves</Go>
            <Go to={`/make/sheet/new?bed=${id}&of=sap`}>of its sap</Go>
          </p>
        </>
      }
      slate={
        <>
          <h2 className="text-2xl">{told.length > 0 ? "Read together" : "Nothing that they disagree on"}</h2>
          <ul>
            {told.map((n) => (
              <li key={n.id} className="border-t border-line py-1.5">
                <b className="first-letter:uppercase">{n.name}</b>: {n.says}
              </li>
            ))}
          </ul>
          <h3 className="mt-3 text-lg">Each answers a question of its own</h3>
          <ul>
            {view.questions.map((q) => (
              <li key={q.name}>
                <b className="first-letter:uppercase">{q.name}</b>: {q.answers}
              </li>
            ))}
          </ul>
        </>
      }
    />
  );
}

/** One nutrient in one kind of sheet, through the years. */
function Plot({
  name,
  figures,
  years,
  say,
}: {
  name: string;
  figures: readonly Figure[];
  years: readonly Schemas["BedYear"][];
  say: (f: Figure) => string;
}) {
  if (figures.length === 0) return <span className="text-ash">–</span>;
  const x = (at: number) => 8 + 144 * at;
  const y = (up: number) => 58 - 54 * up;
  const series = [...new Set(figures.map((f) => f.series))];
  const newest = figures.findLast((f) => !f.old) ?? figures[figures.length - 1]!;
  return (
    <span>
      <svg
        viewBox="0 0 160 62"
        className="block w-full"
        role="img"
        aria-label={`${name}. ${figures.map(say).join("; ")}`}
      >
        <pattern
          id={`b-${name.replace(/\W/g, "")}`}
          width="8"
          height="8"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0 0V8" className="stroke-moss" strokeWidth="2.2" opacity="0.55" />
        </pattern>
        {figures.some((f) => f.up !== null) && (
          <rect
            x="2"
            width="156"
            y={y(2 / 3)}
            height={y(1 / 3) - y(2 / 3)}
            fill={`url(#b-${name.replace(/\W/g, "")})`}
          />
        )}
        {years.map((v) => (
          <path key={v.year} d={`M${x(v.at)} 54V60`} className="stroke-ash" strokeWidth="1" />
        ))}
        <path d="M2 60H158" className="stroke-ink" strokeWidth="1.4" />
        {series.map((s) => {
          const points = figures.filter((f) => f.series === s && f.up !== null);
          return (
            <g key={s}>
              {points.length > 1 && (
                <path
                  d={points.map((f, i) => `${i === 0 ? "M" : "L"}${x(f.at)} ${y(f.up!)}`).join("")}
                  fill="none"
                  className="stroke-clay"
                  strokeWidth="2"
                />
              )}
              {points.map((f) => (
                <circle
                  key={f.sheetId}
                  cx={x(f.at)}
                  cy={y(f.up!)}
                  r="4.5"
                  className={f.old ? "fill-paper stroke-ink" : "fill-ink stroke-ink"}
                  strokeWidth="1.6"
                />
              ))}
            </g>
          );
        })}
      </svg>
      <span className="figures block leading-tight text-ash">
        {newest.shown}
        {newest.stands !== "noBand" && `, ${words[newest.stands]}`}
      </span>
    </span>
  );
}
