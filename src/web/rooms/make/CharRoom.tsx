import { useState } from "react";
import { useRead, useWorkOut } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Go } from "../../parts/Go";
import { Refusals } from "../../parts/Form";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { WorkLines } from "./WorkLines";

const woody = ["brash", "chip", "bark", "sawdust", "cardboard", "straw", "leaves"];

/** Burns in a line each; a pile of brash as char, on the heap or as mulch, side by side. */
export function CharRoom() {
  const { burns } = useRead("/api/works/burns");
  return (
    <Room
      title="Char"
      under="Burns from the permit to the last can; what else a pile of wood could be."
      peek={burns[0] ? `${burns[0].name}: ${burns[0].word}` : "No burn yet"}
      bench={
        <>
          <p className="mb-4 flex flex-wrap gap-3">
            <Go to="/make/char/new" filled>
              Plan a burn
            </Go>
            <Go to="/make/mix/new">Charge some for a mix</Go>
          </p>
          <WorkLines lines={burns} />
          {burns.length === 0 && (
            <p className="text-lg">
              A cone 60 cm deep and 1.5 m across holds 350 litres. Lit from the top, quenched while it glows, two cubic
              metres of brash give 300 to 600 litres of char.
            </p>
          )}
        </>
      }
      slate={<Brash />}
    />
  );
}

/** Three ways for one pile. */
function Brash() {
  const { materials } = useRead("/api/heaps");
  const [materialId, setMaterial] = useState("brash");
  const [amount, setAmount] = useState("2 m3");
  const worked = useWorkOut("/api/works/brash", { body: { materialId, amount } });
  const v = worked.last?.value;
  const names: Record<string, string> = { char: "Char", heap: "Heap", mulch: "Mulch" };
  return (
    <Refusals problem={[worked.problem]}>
      {" "}
      <section aria-label="Three ways for a pile">
        <h2 className="text-xl">A pile of wood: which way?</h2>
        <div className="mt-2 grid grid-cols-2 gap-x-4">
          <AmountField label="As it lies" dimension="volume" value={amount} onChange={setAmount} name="amount" />
          <Pick
            label="Of"
            value={materialId}
            options={materials.filter((m) => woody.includes(m.id)).map((m) => ({ value: m.id, name: m.name }))}
            onChange={setMaterial}
          />
        </div>
        <WrongHere name="materialId" />
        {v && worked.last && (
          <>
            <p className="mt-2 text-lg font-bold">{v.verdict.sentence}</p>
            <p>{v.verdict.why}</p>
            {v.ways.map((w) => (
              <div key={w.way} className="mt-2 border-t border-line pt-2">
                <h3 className="text-lg">{names[w.way] ?? w.way}</h3>
                <div
                  className="relative my-1 h-4 border-2 border-ink"
                  role="img"
                  aria-label={`Carbon kept: ${w.carbon}`}
                >
                  <span className="block h-full bg-ink" style={{ width: `${w.carbonShare * 100}%` }} />
                </div>
                <dl className="figures grid grid-cols-[6rem_1fr] gap-x-3">
                  <dt className="text-ash">gives</dt>
                  <dd className="m-0 font-bold">{w.gives}</dd>
                  <dt className="text-ash">time</dt>
                  <dd className="m-0">{w.time}</dd>
                  <dt className="text-ash">nitrogen</dt>
                  <dd className="m-0">{w.nitrogen}</dd>
                  <dt className="text-ash">carbon</dt>
                  <dd className="m-0">{w.carbon}</dd>
                </dl>
                <p className="text-ash">{w.mind}</p>
              </div>
            ))}
            <p className="mt-2">
              <Sum working={worked.last.working} sure={worked.last.sure} of="the three ways" />
            </p>
          </>
        )}
        <WrongElse />
      </section>
    </Refusals>
  );
}
