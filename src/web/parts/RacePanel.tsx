import type { Schemas } from "../api/client";
import { useRead } from "../api/data";
import { AmountField } from "./AmountField";
import { Field } from "./Field";
import { Pick } from "./Pick";
import { Tick } from "./Tick";
import { Short } from "./Verdict";

type Asked = Schemas["RaceAsked"];

/** Grace against fillings, draws and way: the same race wherever the brew is shown. */
export function RacePanel({
  race,
  asked,
  setAsked,
}: {
  race: Schemas["RaceView"];
  /** What was typed of it; left out where the race is only shown. */
  asked?: Asked | null;
  setAsked?: (asked: Asked) => void;
}) {
  return (
    <section aria-label="The race to the ground" className="print:break-inside-avoid">
      <h2 className="text-xl">The race to the ground</h2>
      <Short verdict={race.verdict} />
      <table className="figures w-full">
        <caption className="text-left text-ash">{race.kitSays}</caption>
        <thead>
          <tr className="text-left">
            <th scope="col">filling</th>
            <th scope="col">loses its air</th>
            <th scope="col">out by</th>
            <th scope="col">without air</th>
          </tr>
        </thead>
        <tbody>
          {race.rows.map((l) => (
            <tr key={l.filling} className="border-t border-line">
              <th scope="row" className="text-left font-normal">
                {l.filling}
              </th>
              <td>{l.airLost}</td>
              <td>{l.outBy}</td>
              <td className={l.withinGrace ? "text-moss" : "font-bold text-plum"}>
                {l.withinGrace ? "✓" : "■"} {l.withoutAir}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-ash">Minutes from the first draw; an estimate until your own flow and way are typed.</p>
      {race.saves.length > 0 && (
        <>
          <h3 className="mt-1 text-lg">What would save it</h3>
          <ul>
            {race.saves.map((s) => (
              <li key={s} className="border-t border-line py-1">
                {s}
              </li>
            ))}
          </ul>
        </>
      )}
      {setAsked && <Run asked={asked ?? { battery: false }} setAsked={setAsked} />}
    </section>
  );
}

function Run({ asked, setAsked }: { asked: Asked; setAsked: (a: Asked) => void }) {
  const sprayers = useRead("/api/put-out/sprayers");
  const set = (part: Partial<Asked>) => setAsked({ ...asked, ...part });
  return (
    <details>
      <summary className="min-h-11 cursor-pointer py-2 text-clay underline underline-offset-4">
        with what it is carried and put out
      </summary>
      <div className="grid gap-x-6 sm:grid-cols-2">
        <Pick
          label="Carried in"
          value={asked.sprayerId ? String(asked.sprayerId) : ""}
          options={[
            { value: "", name: asked.tank ? "the tank named here" : "as Mud Pie proposes" },
            ...sprayers.map((s) => ({ value: String(s.id), name: `${s.name}, ${s.tankShown}` })),
          ]}
          onChange={(v) => set({ sprayerId: v ? Number(v) : null, tank: null })}
        />
        {!asked.sprayerId && (
          <AmountField
            label="Or a tank of"
            dimension="volume"
            value={asked.tank ?? ""}
            onChange={(tank) => set({ tank })}
            name="race.tank"
          />
        )}
        <AmountField
          label="Comes out at"
          dimension="flow"
          value={asked.flow ?? ""}
          onChange={(flow) => set({ flow })}
          name="race.flow"
        />
        <AmountField
          label="The vessel’s tap gives"
          dimension="flow"
          value={asked.draw ?? ""}
          onChange={(draw) => set({ draw })}
          name="race.draw"
        />
        <Field
          label="Minutes to the bed"
          inputMode="decimal"
          value={asked.way ?? ""}
          onChange={(way) => set({ way })}
          name="race.way"
        />
        <Field
          label="How many spray at once"
          inputMode="numeric"
          value={asked.lanes ?? ""}
          onChange={(lanes) => set({ lanes })}
          name="race.lanes"
        />
      </div>
      <Tick
        on={asked.battery ?? false}
        onToggle={() => set({ battery: !asked.battery })}
        label="A battery air pump rides on the cart"
      />
    </details>
  );
}
