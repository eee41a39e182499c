import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { Go } from "../../parts/Go";
import { looks } from "../../parts/tone";

interface Props {
  v: Schemas["SheetBenchView"];
  r: Schemas["SheetAsked"];
  id: number | null;
}

/** What a sheet says beside its bands: old and young leaves, the sheet before; and where a shortfall leads. */
export function SheetBeyond({ v, r, id }: Props) {
  const short = v.nutrients.filter((n) => n.shortShown);
  const plant = r.for === "leaf" || r.for === "sap" || r.for === "tissue";
  const bed = r.bedId;
  return (
    <>
      {v.pairs.length > 0 && (
        <section aria-label="Old and young leaves">
          <h3 className="text-lg">Old and young leaves</h3>
          <ul>
            {v.pairs.map((p) => (
              <li key={p.name} className="border-t border-line py-1">
                <b className="first-letter:uppercase">{p.name}</b> <span className="figures text-ash">{p.shown}</span>
                <span className={`block ${looks[p.tone].colour}`}>
                  {looks[p.tone].mark} {p.says}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {v.compared && (
        <section aria-label="Against the sheet before">
          <h3 className="text-lg">
            Against{" "}
            <Link className="text-clay underline underline-offset-4" to={`/make/sheet/${v.compared.id}`}>
              {v.compared.before}
            </Link>
          </h3>
          {v.compared.whyNot && <p>{v.compared.whyNot}</p>}
          <ul className="figures">
            {v.compared.changes.map((c) => (
              <li key={c.name} className="flex justify-between gap-4 border-t border-line py-1">
                <span>
                  <b className="first-letter:uppercase">{c.name}</b> {c.shown}
                </span>
                <span className={`text-right ${c.real ? "font-bold" : "text-ash"}`}>{c.says}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {short.length > 0 && bed !== null && bed !== undefined && (
        <section aria-label="Where that leads">
          <h3 className="text-lg">Where that leads</h3>
          <p className="flex flex-wrap gap-3">
            {short.some((n) => n.choice === "leafNow") && (
              <Go to={`/put-out/tank?beds=${bed}`}>Plan a tank for the leaf</Go>
            )}
            <Go to={`/judge/patches?bed=${bed}`}>Try it on a square metre</Go>
            {plant && <Go to={`/make/sheet/new?bed=${bed}`}>Its soil’s sheet, and corrections</Go>}
            <Go to={`/look/sheets/${bed}`}>Soil, leaf and sap together</Go>
          </p>
        </section>
      )}
      {short.length === 0 && id !== null && bed !== null && bed !== undefined && (
        <p>
          <Link className="text-clay underline underline-offset-4" to={`/look/sheets/${bed}`}>
            Soil, leaf and sap of this bed together
          </Link>
        </p>
      )}
    </>
  );
}
