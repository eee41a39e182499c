import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Go } from "../../parts/Go";
import { Room } from "../../parts/Room";
import { looks } from "../../parts/tone";
import { Pot } from "./Pots";

/** Its state in a word and a figure. */
const said = (j: Schemas["MixLine"]) => [j.word, j.figure].filter(Boolean).join(", ");

/** Jobs of mixing: what is going first, then what was made before. */
export function MixRoom() {
  const { jobs } = useRead("/api/mix");
  const going = jobs.filter((j) => j.state !== "filled");
  const done = jobs.filter((j) => j.state === "filled");
  const list = (of: typeof jobs) => (
    <ul>
      {of.map((j) => (
        <li key={j.id} className="border-t border-line">
          <Link to={`/make/mix/${j.id}`} className="flex items-center gap-4 py-2">
            <span aria-hidden className="flex w-40 shrink-0 gap-1 max-wide:w-24">
              {j.pots.slice(0, 3).map((p, i) => (
                <span key={i} className="w-12">
                  <Pot layers={p.map((l) => ({ ...l, percentShown: "" }))} name="" />
                </span>
              ))}
            </span>
            <span>
              <b className="underline decoration-line underline-offset-4">{j.name}</b>
              <span className={`figures block ${j.tone === "go" ? "text-ash" : `font-bold ${looks[j.tone].colour}`}`}>
                {j.tone !== "go" && `${looks[j.tone].mark} `}
                {said(j)}
              </span>
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
  return (
    <Room
      title="Mixes"
      under="Pots, modules and beds: what to fetch, what to charge first, what the mix will do."
      peek={going[0] ? `${going[0].name}: ${said(going[0])}` : "Nothing is being mixed"}
      bench={
        <>
          <p className="mb-4">
            <Go to="/make/mix/new" filled>
              Begin a mix
            </Go>
          </p>
          {going.length > 0 && (
            <section aria-label="Going">
              <h2 className="text-xl">Going</h2>
              {list(going)}
            </section>
          )}
          {done.length > 0 && (
            <section aria-label="Filled in" className="mt-6">
              <h2 className="text-xl">Filled in</h2>
              {list(done)}
            </section>
          )}
          {jobs.length === 0 && (
            <p className="text-lg">
              Twelve pots of three litres, six parts of coir to four of castings: 44 L of parts with a tenth to spare,
              26.4 of the one and 17.6 of the other. Begin one and change it to yours.
            </p>
          )}
        </>
      }
      slate={
        <section>
          <p className="mb-4 flex flex-wrap gap-3">
            <Go to="/make/byproduct">By-products</Go>
            <Go to="/make/sheet/beside">Sheets side by side</Go>
          </p>
          <h2 className="text-xl">How a mix is made</h2>
          <ol className="mt-2 list-decimal pl-6 text-lg">
            <li>A base, air, something living, a buffer where there is peat: from what is near.</li>
            <li>Char is charged a fortnight before.</li>
            <li>On a tarp, the dry parts first, until no streaks are left. Damp it and wear a mask.</li>
            <li>Test the base, and add only what the test asks for.</li>
          </ol>
        </section>
      }
    />
  );
}
