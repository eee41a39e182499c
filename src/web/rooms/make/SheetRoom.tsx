import { useRead } from "../../api/data";
import { Link } from "react-router-dom";
import { Fold } from "../../parts/Fold";
import { Go } from "../../parts/Go";
import { Room } from "../../parts/Room";
import { WorkLines } from "./WorkLines";

/** Lab sheets in a line each: from the sample to what was put on. */
export function SheetRoom() {
  const { sheets, lots } = useRead("/api/sheets", {});
  return (
    <Room
      title="Short of what?"
      under="A lab’s sheet of a bed, a field or a mix, met from your own shelf."
      peek={sheets[0] ? `${sheets[0].name}: ${sheets[0].word}` : "No sheet yet"}
      bench={
        <>
          <p className="mb-4">
            <Go to="/make/sheet/new" filled>
              Begin a sheet
            </Go>
          </p>
          <WorkLines lines={sheets} />
          {sheets.length === 0 && (
            <p className="text-lg">
              Paste what the lab sent, or type it: units are converted, extractions kept apart, and the least that meets
              what is short is worked out from what lies on your shelf.
            </p>
          )}
        </>
      }
      slate={
        <section aria-label="Mixes to test">
          <h2 className="text-xl">A living mix: test it, and add only what the test asks for</h2>
          <p>
            Recipes from elsewhere assume other people’s inputs. Ten scoops to one clean bucket, a litre to the lab; its
            state is kept until it is ready.
          </p>
          <ul className="mt-2">
            {lots
              .filter((l) => l.mix)
              .map((l) => (
                <li key={l.id} className="flex items-center justify-between gap-3 border-t border-line py-1.5">
                  <b>{l.name}</b>
                  <Go to={`/make/sheet/new?lot=${l.id}`}>Have it tested</Go>
                </li>
              ))}
          </ul>
          {!lots.some((l) => l.mix) && <p className="mt-2 text-ash">No mix lies on the shelf.</p>}
          {lots.some((l) => !l.mix) && (
            <Fold line="Castings, compost, char, a by-product: test what brings most, and a blend can be guessed">
              <ul>
                {lots
                  .filter((l) => !l.mix)
                  .map((l) => (
                    <li key={l.id}>
                      <Link
                        to={`/make/sheet/new?lot=${l.id}`}
                        className="inline-flex min-h-11 items-center text-clay underline underline-offset-4"
                      >
                        {l.name}
                      </Link>
                    </li>
                  ))}
              </ul>
            </Fold>
          )}
          {sheets.length > 1 && (
            <p className="mt-3">
              <Go to="/make/sheet/beside">Lay sheets side by side</Go>
            </p>
          )}
        </section>
      }
    />
  );
}
