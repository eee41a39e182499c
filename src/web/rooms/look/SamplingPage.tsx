import { useState } from "react";
import { useNavigate } from "react-router-dom";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { Tick } from "../../parts/Tick";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { looks } from "../../parts/tone";

/** What to sample, how deep, when; and how each kind is taken: a list for the pocket. */
export function SamplingPage() {
  const view = useRead("/api/sheets/sampling");
  const go = useNavigate();
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [lab, setLab] = useState("");
  const key = (p: { bedId: number; zoneId: number | null }) => `${p.bedId} ${p.zoneId ?? ""}`;
  const picked = view.places.filter((p) => chosen.includes(key(p)));
  const bags = picked.flatMap((p) => p.bags.map((mark) => ({ of: key(p), mark })));
  const begin = useWrite(
    "/api/sheets/sampling",
    () => ({ body: { places: picked.map((p) => ({ bedId: p.bedId, zoneId: p.zoneId })), lab: lab || null } }),
    () => void go("/make/sheet"),
  );
  return (
    <main id="room" className="mx-auto max-w-3xl px-5 pb-24 pt-5">
      <header className="border-b-4 border-ink pb-2">
        <h1 className="text-3xl">What to sample, and how</h1>
        <p className="text-lg">
          Soil by zone, good and poor apart; {view.deep}; every three to five years, the same month, the same lab.
        </p>
      </header>
      <Form problem={begin.error} onSend={() => begin.mutate(null)} label="Places to sample">
        <ul className="mt-2">
          {view.places.map((p) => (
            <li key={key(p)} className={`border-t border-line py-1 ${picked.includes(p) ? "" : "print:hidden"}`}>
              <Tick
                on={chosen.includes(key(p))}
                onToggle={() =>
                  setChosen(chosen.includes(key(p)) ? chosen.filter((k) => k !== key(p)) : [...chosen, key(p)])
                }
                label={`${p.name}${p.texture ? `, ${p.texture}` : ""}`}
              />
              <span className={`pl-11 ${looks[p.tone].colour}`}>
                {looks[p.tone].mark} {p.says}
              </span>
            </li>
          ))}
        </ul>
        <WrongHere name="places" />
        {view.places.length === 0 && <p className="mt-2 text-lg">No bed is on the plan yet.</p>}
        {picked.length > 0 && (
          <section aria-label="Bags" className="mt-4">
            <h2 className="text-xl">{bags.length} bags</h2>
            <ul className="figures text-lg">
              {bags.map((b) => (
                <li key={`${b.of} ${b.mark}`} className="border-t border-line py-1">
                  ☐ {b.mark} <span className="text-ash">· cores taken: ____ · on: ________</span>
                </li>
              ))}
            </ul>
          </section>
        )}
        <div className="no-print mt-3 flex flex-wrap items-end gap-3">
          <Field
            label="Lab"
            value={lab}
            onChange={setLab}
            name="lab"
            hint={view.labs.map((l) => l.name).join(", ") || "empty: the one of last time"}
          />
          <Button type="submit" kind="filled" disabled={begin.isPending || picked.length === 0} className="mb-7">
            Begin their sheets
          </Button>
          <Button onClick={() => window.print()} className="mb-7">
            Print this list
          </Button>
        </div>
        <WrongElse />
      </Form>
      {view.how.map((h) => (
        <section key={h.name} className="mt-5 break-inside-avoid">
          <h2 className="text-xl first-letter:uppercase">
            {h.name}: {h.answers}
          </h2>
          <ul className="text-lg">
            {h.steps.map((s) => (
              <li key={s} className="border-t border-line py-1">
                ☐ {s}
              </li>
            ))}
          </ul>
        </section>
      ))}
      <p className="mt-4 text-ash">
        A quick test kit and a lab are two methods, and so are two extractions: never one line through both. Dust of dry
        soil: not into the nose; wash your hands.
      </p>
    </main>
  );
}
