import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Refusals } from "../../parts/Form";
import { useRead, useWorkOut } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Choice } from "../../parts/Choice";
import { DayField } from "../../parts/DayField";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Mind } from "../../parts/Mind";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Go } from "../../parts/Go";
import { Sum } from "../../parts/Sum";
import { Tick } from "../../parts/Tick";
import { Verdict } from "../../parts/Verdict";
import { WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { useDoseEach, useUs } from "../../api/units";
import { looks } from "../../parts/tone";
import { Bottle } from "./Bottle";

type Ask = Schemas["DoseRequest"];

/** Inoculants by what lives in them: how much to measure out, through an injector, and over a season. */
export function Dose() {
  const shelf = useRead("/api/shelf");
  const alive = (shelf.inputs ?? []).filter((i) => shelf.kinds.find((k) => k.kind === i.kind)?.life);
  const us = useUs();
  const [ask, setAsk] = useState<Ask>({
    inputId: null,
    target: "1 million",
    per: "plant",
    count: "240",
    ratio: "",
    feed: us ? "130 gal" : "500 L",
    flow: us ? "2.5 gal/min" : "10 L/min",
    withFeeds: false,
    warmth: us ? "64 F" : "18 C",
    dose: "",
    everyDays: "",
    crop: "",
  });
  const set = (part: Partial<Ask>) => setAsk({ ...ask, ...part });
  const inputId = ask.inputId ?? alive[0]?.id ?? null;
  const asked = { ...ask, inputId };
  const worked = useWorkOut("/api/put-out/dose/work-out", inputId !== null ? { body: asked } : null);
  const v = worked.data;
  return (
    <Refusals problem={worked.problem}>
      {" "}
      <Room
        title="Dose by what lives in it"
        under={v ? `${v.name}: ${v.lotSays}` : "Organisms first, millilitres after."}
        peek={v?.dose?.value?.sentence}
        bench={
          <div className="flex flex-col gap-3">
            {alive.length === 0 && shelf ? (
              <p className="text-lg">
                The shelf holds no inoculant. Add one with its label: organisms, count per mL or per g, rate, interval.{" "}
                <Go to="/shelf">To the shelf</Go>
              </p>
            ) : (
              <>
                <Bottle input={alive.find((i) => i.id === inputId)} v={v ?? null} per={asked.per ?? "plant"} />
                <Questions ask={asked} set={set} alive={alive} />
              </>
            )}
            <WrongElse />
          </div>
        }
        slate={v ? <Says v={v} bed={ask.per === "plant"} /> : null}
      />
    </Refusals>
  );
}

function Questions({
  ask,
  set,
  alive,
}: {
  ask: Ask;
  set: (part: Partial<Ask>) => void;
  alive: Schemas["ShelfInputView"][];
}) {
  const each = useDoseEach();
  return (
    <>
      <Pick
        label="Which?"
        value={String(ask.inputId ?? "")}
        options={alive.map((i) => ({ value: String(i.id), name: `${i.name} (${i.leftShown})` }))}
        onChange={(id) => set({ inputId: Number(id) })}
      />
      <Choice label="So many on each" value={ask.per ?? "plant"} options={each} onChange={(per) => set({ per })} />
      <div className="grid gap-x-6 sm:grid-cols-2">
        <Field
          label="Organisms on each"
          value={ask.target ?? ""}
          onChange={(target) => set({ target })}
          name="target"
          hint="1e6, or 1 million"
        />
        <Field
          label="How many of them"
          inputMode="decimal"
          value={ask.count ?? ""}
          onChange={(count) => set({ count })}
          name="count"
        />
      </div>
      <Fold line="Through an injector">
        <div className="grid gap-x-6 sm:grid-cols-3">
          <Field
            label="Its ratio"
            value={ask.ratio ?? ""}
            onChange={(ratio) => set({ ratio })}
            name="ratio"
            hint="1:100; empty for none"
          />
          <AmountField
            label="Feed in all"
            dimension="volume"
            value={ask.feed ?? ""}
            onChange={(feed) => set({ feed })}
            name="feed"
          />
          <AmountField
            label="Flow"
            dimension="flow"
            value={ask.flow ?? ""}
            onChange={(flow) => set({ flow })}
            name="flow"
          />
        </div>
        <div className="grid items-center gap-x-6 sm:grid-cols-2">
          <Tick
            on={ask.withFeeds ?? false}
            onToggle={() => set({ withFeeds: !ask.withFeeds })}
            label="organic feeds are in the tank too"
          />
          <AmountField
            label="Warmth of the tank"
            dimension="temperature"
            value={ask.warmth ?? ""}
            onChange={(warmth) => set({ warmth })}
            name="warmth"
          />
        </div>
      </Fold>
      <Fold line="From seedling to harvest">
        <div className="grid gap-x-6 sm:grid-cols-2">
          <Field
            label="Dose each time"
            value={ask.dose ?? ""}
            onChange={(dose) => set({ dose })}
            name="dose"
            hint="empty: the label's"
          />
          <Field
            label="Days between"
            inputMode="decimal"
            value={ask.everyDays ?? ""}
            onChange={(everyDays) => set({ everyDays })}
            name="everyDays"
            hint="empty: the label's"
          />
          <Field label="Crop" value={ask.crop ?? ""} onChange={(crop) => set({ crop })} />
          <div className="grid grid-cols-2 gap-x-3">
            <DayField label="From" value={ask.from ?? ""} onChange={(from) => set({ from: from || null })} />
            <DayField
              label="To harvest"
              value={ask.harvest ?? ""}
              onChange={(harvest) => set({ harvest: harvest || null })}
              name="harvest"
            />
          </div>
        </div>
      </Fold>
    </>
  );
}

function Says({ v, bed }: { v: Schemas["DoseView"]; bed: boolean }) {
  const clock = useClock();
  const course = v.course?.value;
  const unit = v.dose?.value?.unit;
  return (
    <>
      {v.asks.map((a) => (
        <p key={a} role="alert" className="border-l-8 border-straw pl-4 text-lg font-bold text-straw">
          ? {a}
        </p>
      ))}
      {v.dose?.value && (
        <section>
          <h2 className="figures text-2xl">{v.dose.value.sentence}</h2>
          <p className="text-lg">
            {v.amountInTools && `${v.amountInTools}. `}
            {Math.round(v.viableShare * 100)} % of it is still alive; {v.costShown}.{" "}
            {v.kind === "propagules" && bed && "Put it where the roots are: in the hole, in the row."}
          </p>
          <Sum working={v.dose.working} sure={v.dose.sure} of="this dose" />
        </section>
      )}
      {v.injector?.value && (
        <section>
          <h3 className="text-xl">{v.injector.value.verdict.sentence}</h3>
          <p>{v.injector.value.verdict.why}</p>
          {v.tank?.value && (
            <p>
              <b className={looks[v.tank.value.tone].colour}>
                {looks[v.tank.value.tone].mark} {v.tank.value.sentence}
              </b>{" "}
              {v.tank.value.why}
            </p>
          )}
          <Sum working={v.injector.working} sure={v.injector.sure} of="this stock" />
        </section>
      )}
      {course && v.course && (
        <section>
          <Verdict verdict={course.verdict} />
          {course.host && course.host !== course.verdict.sentence && <p>{course.host}</p>}
          {course.doses.length > 0 && (
            <table className="figures mt-2 w-full">
              <caption className="text-left text-ash">From seedling to harvest</caption>
              <thead>
                <tr className="text-left">
                  <th scope="col">on</th>
                  <th scope="col">stage</th>
                  <th scope="col">each</th>
                </tr>
              </thead>
              <tbody>
                {course.doses.slice(0, 14).map((d) => (
                  <tr key={d.on} className="border-t border-line">
                    <td>{clock.date(d.on + "T12:00Z")}</td>
                    <td>
                      {d.stage} <span className="text-ash">{d.why}</span>
                    </td>
                    <td className="whitespace-nowrap">
                      {Number(d.amount.toPrecision(3))} {unit}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <Sum working={v.course.working} sure={v.course.sure} of="this course" />
        </section>
      )}
      <Mind cautions={v.dose?.cautions ?? []} />
    </>
  );
}
