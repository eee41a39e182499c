import { useState } from "react";
import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { Go } from "../../parts/Go";
import { Room } from "../../parts/Room";
import { useClock } from "../../parts/clock";
import { looks } from "../../parts/tone";
import { WrongElse } from "../../parts/Wrong";

/** Each bed with what its newest sheets say: soil is the store, a leaf the history, sap today. */
export function SheetsRoom() {
  const clock = useClock();
  const beds = useRead("/api/sheets/beds");
  const { places, labs, how } = useRead("/api/sheets/sampling");
  const kinds = how.filter((k) => k.of !== "mix");
  const known = beds.filter((b) => b.newest.length > 0);
  const short = known.flatMap((b) => b.newest.filter((n) => n.tone !== "go").map((n) => ({ bed: b, n })));
  const never = places.filter((p) => p.tone !== "go");
  return (
    <Room
      title="Lab sheets"
      under="Soil is the store, a leaf the history, sap today: three questions, three sheets."
      peek={short[0] ? `${short[0].bed.bed}: ${short[0].n.says}` : "What the sheets say"}
      bench={
        <>
          {known.length === 0 && (
            <p className="text-lg">
              No sheet of a bed yet. Begin with the soil of one good and one poor corner; paste what the lab sends, and
              it is met from your own shelf.
            </p>
          )}
          <ul>
            {known.map((b) => (
              <li key={b.bedId} className="border-t border-line py-2">
                <Link
                  to={`/look/sheets/${b.bedId}`}
                  className="inline-flex min-h-11 items-center text-lg font-bold underline decoration-line underline-offset-4"
                >
                  {b.bed}
                </Link>
                <span className="text-ash"> {b.crop}</span>
                <ul className="grid gap-x-6 wide:grid-cols-3">
                  {kinds.map((k) => {
                    const n = b.newest.find((x) => x.of === k.of);
                    return (
                      <li key={k.of}>
                        <b>{k.name}</b> <span className="text-ash">({k.answers})</span>
                        {n ? (
                          <Link to={`/make/sheet/${n.id}`} className={`block min-h-11 ${looks[n.tone].colour}`}>
                            {looks[n.tone].mark} <span className="underline underline-offset-4">{n.says}</span>
                            <span className="figures block text-ash">{clock.sayDate(n.on)}</span>
                          </Link>
                        ) : (
                          <Link
                            to={`/make/sheet/new?bed=${b.bedId}&of=${k.of}`}
                            className="block min-h-11 content-center text-clay underline underline-offset-4"
                          >
                            begin one<span className="sr-only">, {`${k.name} of ${b.bed}`}</span>
                          </Link>
                        )}
                      </li>
                    );
                  })}
                </ul>
              </li>
            ))}
          </ul>
          <p className="mt-4 flex flex-wrap gap-3">
            <Go to="/make/sheet/new" filled>
              Begin a sheet
            </Go>
            <Go to="/look/sheets/sampling">What to sample, and how</Go>
            <Go to="/make/sheet">All sheets, mixes too</Go>
          </p>
        </>
      }
      slate={
        <>
          <h2 className="text-2xl">
            {short.length === 0
              ? known.length === 0
                ? "Nothing is tested yet."
                : "Nothing is short by the newest sheets."
              : "What is short"}
          </h2>
          <ul>
            {short.map(({ bed, n }) => (
              <li key={`${bed.bedId} ${n.of}`} className="border-t border-line">
                <Link to={`/make/sheet/${n.id}`} className="flex min-h-11 flex-wrap items-center gap-x-3 py-1">
                  <b className="underline decoration-line underline-offset-4">{bed.bed}</b>
                  <span>
                    {kinds.find((k) => k.of === n.of)?.name}: {n.says}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
          <h2 className="mt-4 text-xl">Soil that is due</h2>
          {never.length === 0 && <p>None: every three to five years is enough.</p>}
          <ul>
            {never.slice(0, 6).map((p) => (
              <li key={`${p.bedId} ${p.zoneId}`} className="border-t border-line py-1">
                <b>{p.name}</b>: {p.says}
              </li>
            ))}
          </ul>
          {never.length > 6 && <p className="text-ash">and {never.length - 6} more</p>}
          {labs.length > 0 && (
            <Fold line="Labs: by how much their figures stray">
              <p className="text-ash">
                From one sample of the same ground to the next: 10 to 15 % for most. A change within it is inside the
                noise.
              </p>
              {labs.map((l) => (
                <Stray key={l.name} lab={l} />
              ))}
            </Fold>
          )}
        </>
      }
    />
  );
}

/** By how much one lab's figures stray. */
function Stray({ lab }: { lab: Schemas["LabView"] }) {
  const [stray, setStray] = useState(String(lab.stray));
  const keep = useWrite("/api/sheets/labs", () => ({ body: { name: lab.name, stray, columns: null } }));
  return (
    <Form
      problem={keep.error}
      onSend={() => keep.mutate(null)}
      label={lab.name}
      className="flex flex-wrap items-end gap-3"
    >
      <Field
        label={`${lab.name}, per cent`}
        value={stray}
        onChange={setStray}
        name="stray"
        inputMode="decimal"
        hint={lab.columns > 0 ? `${lab.columns} columns of its files are known` : undefined}
      />
      {stray !== String(lab.stray) && (
        <Button type="submit" disabled={keep.isPending} className="mb-7">
          Keep it
        </Button>
      )}
      <WrongElse />
    </Form>
  );
}
