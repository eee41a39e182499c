import { useState } from "react";
import { useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { Refusals } from "../../parts/Form";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Room } from "../../parts/Room";
import { useClock } from "../../parts/clock";
import { InputForm } from "./InputForm";
import { Lot } from "./Lot";
import { LotForm } from "./LotForm";

type Input = Schemas["ShelfInputView"];

const Many = 7;

const groups: [string, string][] = [
  ["source", "Compost and castings"],
  ["food", "Foods"],
  ["inoculant", "Inoculants"],
  ["biostimulant", "Biostimulants"],
  ["amendment", "Minerals and feeds"],
  ["part", "Parts of mixes"],
  ["preparation", "Preparations"],
  ["water", "For water"],
  ["spray", "Sprays"],
];

/** What stands on the shelf, lot by lot; what is short; what goes off. */
export function Shelf() {
  const shelf = useRead("/api/shelf");
  const [search, setSearch] = useSearchParams();
  const [edit, setEdit] = useState<"new" | number | null>(null);
  const [find, setFind] = useState("");
  const [only, setOnly] = useState<"all" | "minds">("all");
  const v = shelf;
  const short = new Set(v.toBuy.map((b) => b.inputId));
  const seen = v.inputs.filter(
    (i) =>
      `${i.name} ${i.lot ?? ""} ${i.kindName}`.toLowerCase().includes(find.trim().toLowerCase()) &&
      (only === "all" || goesOff(i) || short.has(i.id)),
  );
  const open = v?.inputs.find((i) => String(i.id) === search.get("input")) ?? v?.inputs.find((i) => i.counted);
  return (
    <Room
      title="The shelf"
      under="Oldest good lot first. It falls when something is made or put out."
      peek={v?.toBuy[0] ? `To buy: ${v.toBuy[0].name}` : open?.name}
      bench={
        <>
          {v?.inputs.length === 0 && (
            <p className="text-lg">Nothing is on it yet. Add what you have, in your own words, with its label.</p>
          )}
          {v.inputs.length > Many && (
            <div className="grid items-start gap-x-5 sm:grid-cols-[1fr_auto]">
              <Field label="Find on the shelf" value={find} onChange={setFind} hint="a word of its name or kind" />
              <Choice
                label="Show"
                value={only}
                options={[
                  { value: "all", name: "all" },
                  { value: "minds", name: "going off or short" },
                ]}
                onChange={setOnly}
              />
            </div>
          )}
          {groups.map(([group, title]) => {
            const list = seen.filter((i) => i.group === group);
            return (
              list.length > 0 && (
                <section key={group} aria-label={title} className="mt-3">
                  <h2 className="border-b-4 border-bag text-lg">{title}</h2>
                  <ul className="figures grid gap-x-6 sm:grid-cols-2">
                    {list.map((i) => (
                      <Jar
                        key={i.id}
                        input={i}
                        open={i.id === open?.id}
                        choose={() => setSearch({ input: String(i.id) })}
                      />
                    ))}
                  </ul>
                </section>
              )
            );
          })}
          {seen.length === 0 && v.inputs.length > 0 && <p className="mt-3">Nothing on it is like that.</p>}
          <Button className="mt-4" onClick={() => setEdit("new")}>
            Add something
          </Button>
          {edit !== null && v && (
            <InputForm
              key={edit}
              old={edit === "new" ? null : (v.inputs.find((i) => i.id === edit) ?? null)}
              kinds={v.kinds}
              done={(id) => {
                setEdit(null);
                if (id) setSearch({ input: String(id) });
              }}
            />
          )}
        </>
      }
      slate={
        <>
          {v && v.expiring.length > 0 && (
            <ul className="text-straw">
              {v.expiring.map((e) => (
                <li key={e}>▲ {e}</li>
              ))}
            </ul>
          )}
          {open && <OneInput input={open} change={() => setEdit(open.id)} />}
          {v && <Shopping list={v.toBuy} />}
          {v && <Wage hourly={v.hourlyWage} />}
        </>
      }
    />
  );
}

const goesOff = (i: Input) => i.lots.some((l) => l.tone !== "go" && l.leftShare > 0);

/** A line of the shelf: a jar as full as its lots are, what it is, what is left. */
function Jar({ input, open, choose }: { input: Input; open: boolean; choose: () => void }) {
  const share = input.counted ? Math.max(0, ...input.lots.map((l) => (l.tone === "stop" ? 0 : l.leftShare))) : 0;
  const bag = input.unit === "kg";
  return (
    <li className="border-b border-line">
      <button
        type="button"
        aria-pressed={open}
        onClick={choose}
        className={`flex min-h-11 w-full items-center gap-2 text-left ${open ? "font-bold text-clay" : ""}`}
      >
        <svg viewBox="0 0 44 48" className="h-7 w-6 shrink-0" aria-hidden>
          <path
            d={bag ? "M8 12C4 24 4 38 8 46H36C40 38 40 24 36 12" : "M9 12V42Q9 46 13 46H31Q35 46 35 42V12"}
            className="fill-paper stroke-ink"
            strokeWidth="2"
          />
          <clipPath id={`jar-${input.id}`}>
            <path d={bag ? "M8 12C4 24 4 38 8 46H36C40 38 40 24 36 12Z" : "M10 12V42Q10 45 13 45H31Q34 45 34 42V12Z"} />
          </clipPath>
          <rect
            x="3"
            y={46 - 32 * share}
            width="38"
            height={32 * share}
            className="fill-brew"
            clipPath={`url(#jar-${input.id})`}
          />
          <path
            d={bag ? "M10 12C14 6 30 6 34 12" : "M7 6H37V12H7Z"}
            className={bag ? "fill-none stroke-ink" : "fill-bag stroke-ink"}
            strokeWidth="2"
          />
        </svg>
        <span className="truncate">
          {input.name}
          {input.lot && ` ${input.lot}`}
        </span>
        <span className="ml-auto whitespace-nowrap pl-2 text-ash">
          {goesOff(input) && <span className="text-straw">▲ </span>}
          {input.leftShown}
        </span>
      </button>
    </li>
  );
}

function OneInput({ input, change }: { input: Input; change: () => void }) {
  const [lot, setLot] = useState(false);
  return (
    <section aria-label={input.name}>
      <h2 className="text-2xl">
        {input.name}
        {input.lot && `, ${input.lot}`}
      </h2>
      <p className="figures">
        {input.kindName}; {input.leftShown} good
        {input.priceShown && `; bought at ${input.priceShown}`}
        {input.npk && `; N-P-K ${input.npk}`}
        {input.ph !== null && `; pH ${input.ph}`}
        {input.labelSays && `; label: ${input.labelSays}`}
        {input.labelEveryDays && ` every ${input.labelEveryDays} days`}.
      </p>
      {input.species.length > 0 && (
        <p className="figures">
          {input.species.map((s) => `${s.name} ${s.count?.toExponential(1)}`).join(", ")} per {input.labelPer}
        </p>
      )}
      {input.madeOrBought && <p>{input.madeOrBought}</p>}
      {input.notes && <p className="text-ash">{input.notes}</p>}
      <p className="flex flex-wrap gap-x-4">
        <Button kind="plain" onClick={change}>
          change its label
        </Button>
        <Button kind="plain" onClick={() => setLot(!lot)}>
          a lot came in
        </Button>
      </p>
      {lot && <LotForm input={input} done={() => setLot(false)} />}
      {input.lots.map((l) => (
        <Lot key={l.id} lot={l} input={input} />
      ))}
      {!input.counted && <p>Not counted: plans use it, and nothing falls. Enter a lot to begin its book.</p>}
    </section>
  );
}

function Shopping({ list }: { list: Schemas["ToBuyView"][] }) {
  const clock = useClock();
  return (
    <section aria-label="To buy or make">
      <h2 className="text-xl">To buy or make, two weeks</h2>
      {list.length === 0 && <p>✓ The shelf has what the plans of the coming two weeks want.</p>}
      <ul className="figures">
        {list.map((b) => (
          <li key={b.inputId} className="border-t border-line py-1.5">
            <b>
              {b.amountShown} of {b.name}
            </b>{" "}
            by {clock.when(b.by)}, for {b.for}; {b.leftShown} is left
          </li>
        ))}
      </ul>
    </section>
  );
}

function Wage({ hourly }: { hourly: number | null }) {
  const [typed, setTyped] = useState(hourly === null ? "" : String(hourly));
  const keep = useWrite("/api/shelf/wage", () => ({ body: { hourly: typed } }));
  return (
    <Refusals problem={keep.error}>
      {" "}
      <div className="grid items-start gap-x-4 sm:grid-cols-[1fr_auto]">
        <Field
          label="What an hour of your work is worth"
          inputMode="decimal"
          value={typed}
          onChange={setTyped}
          name="hourly"
          hint={keep.data ? "✓ kept" : "empty: time is left out of costs"}
        />
        <Button className="sm:mt-7" onClick={() => keep.mutate(null)}>
          Keep it
        </Button>
      </div>
    </Refusals>
  );
}
