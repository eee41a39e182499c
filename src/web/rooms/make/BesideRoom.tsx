import { useSearchParams } from "react-router-dom";
import { useRead } from "../../api/data";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";

const looks: Record<string, { mark: string; colour: string }> = {
  short: { mark: "▼", colour: "text-plum" },
  enough: { mark: "✓", colour: "text-moss" },
  above: { mark: "▲", colour: "text-straw" },
};

const places = ["the stuff alone", "the base", "the blend"] as const;

/** Two or three sheets side by side: the stuff, the base, the blend, and what moved from short to enough. */
export function BesideRoom() {
  const [search, setSearch] = useSearchParams();
  const of = search.get("of") ?? "";
  const view = useRead("/api/sheets/beside", { params: { query: { of: of || undefined } } });
  const ids = of.split(",").filter(Boolean);
  const set = (at: number, id: string) => {
    const next = places.map((_, i) => (i === at ? id : (ids[i] ?? "")));
    setSearch({ of: [...new Set(next.filter(Boolean))].join(",") }, { replace: true, preventScrollReset: true });
  };
  return (
    <Room
      title="Sheets side by side"
      under="The stuff alone, the base, the blend: figures of one extraction in one line, ammonium and nitrate apart."
      peek={view.sentence}
      bench={
        <>
          <div className="grid gap-x-4 sm:grid-cols-3">
            {places.map((p, i) => (
              <Pick
                key={p}
                label={`${i + 1}, say ${p}`}
                value={ids[i] ?? ""}
                options={[
                  { value: "", name: "none" },
                  ...view.known.map((k) => ({ value: String(k.id), name: k.name })),
                ]}
                onChange={(id) => set(i, id)}
              />
            ))}
          </div>
          {view.lines.length > 0 && (
            <div className="mt-4 overflow-x-auto" tabIndex={0} role="region" aria-label="The sheets, line by line">
              <table className="figures w-full text-left">
                <thead>
                  <tr className="border-b-2 border-line align-bottom">
                    <th scope="col">What</th>
                    {view.sheets.map((s) => (
                      <th scope="col" key={s.id} className="pl-3 font-head">
                        {s.name}
                      </th>
                    ))}
                    <th scope="col" className="pl-3">
                      Moved
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {view.lines.map((l) => (
                    <tr key={l.name + l.unit} className="border-t border-line align-top">
                      <th scope="row" className="py-1.5 font-bold">
                        {l.name}
                        <span className="block font-normal text-ash">{l.unit}</span>
                      </th>
                      {l.shown.map((s, i) => {
                        const look = looks[l.stands[i] ?? ""];
                        return (
                          <td key={view.sheets[i]!.id} className="py-1.5 pl-3">
                            {s ?? <span className="text-ash">not tested</span>}
                            {look && (
                              <span className={`block ${look.colour}`}>
                                {look.mark} {l.stands[i]}
                              </span>
                            )}
                          </td>
                        );
                      })}
                      <td className="py-1.5 pl-3">{l.moved && <b>{l.moved}</b>}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          )}
        </>
      }
      slate={
        <>
          <h2 className="text-2xl first-letter:uppercase">{view.sentence}</h2>
          <p>
            A reading off the lab’s scale stays “above” and is never taken for its end; what one sheet lacks is not
            nought. Bands are the house’s for vegetables: your lab’s go first.
          </p>
          {view.known.length < 2 && <p className="text-ash">There are not two sheets with a result yet.</p>}
        </>
      }
    />
  );
}
