import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { typed as readNumber } from "../../api/typed";

type Answers = Schemas["SourceAnswers"];

const looks: Record<Schemas["SourceFitness"], [string, string]> = {
  fit: ["✓ fit", "text-moss"],
  mind: ["▲ with care", "text-straw"],
  unasked: ["◌ not asked", "text-ash"],
  unfit: ["■ unfit", "text-plum"],
};

const questions: { field: keyof Answers; label: string; options: [string, string][] }[] = [
  {
    field: "heatsWhenTurned",
    label: "Does it still heat when turned?",
    options: [
      ["no", "no"],
      ["yes", "yes"],
    ],
  },
  {
    field: "heatRecord",
    label: "Its heat",
    options: [
      ["kept", "days above 55 °C, written down"],
      ["felt", "hot, not written down"],
      ["cold", "it stayed cold"],
    ],
  },
  {
    field: "manure",
    label: "Manure in it",
    options: [
      ["none", "none"],
      ["composted", "through the heat"],
      ["raw", "raw"],
    ],
  },
  {
    field: "diseased",
    label: "Diseased plants in it",
    options: [
      ["no", "no"],
      ["yes", "yes"],
    ],
  },
  {
    field: "sterilised",
    label: "Steamed, solarised, sterilised",
    options: [
      ["no", "no"],
      ["yes", "yes"],
    ],
  },
  {
    field: "moisture",
    label: "In the hand",
    options: [
      ["wrungOut", "like a wrung-out sponge"],
      ["wet", "it drips"],
      ["dry", "dry"],
    ],
  },
  {
    field: "smell",
    label: "It smells",
    options: [
      ["earthy", "earthy"],
      ["none", "of nothing much"],
      ["sour", "sour"],
      ["rottenEgg", "of rotten eggs"],
      ["putrid", "putrid"],
    ],
  },
];

/** Each lot is asked once; what is ruled follows it into every brew. Below: is the ground alive already? */
export function Sources() {
  const clock = useClock();
  const lots = useRead("/api/brew/sources");
  const [ask, setAsk] = useState<number | null>(null);
  const lot = lots.find((l) => l.id === ask);
  return (
    <Room
      title="The source"
      under="Brewing multiplies whatever is there, good or bad. Each lot is asked once."
      peek={lot ? `Ask ${lot.name}` : "What was ruled"}
      bench={
        <>
          <ul>
            {(lots ?? []).map((l) => {
              const [word, colour] = looks[l.ruling?.value?.fitness ?? "unasked"];
              return (
                <li key={l.id} className="border-t border-line py-3">
                  <p className="flex flex-wrap items-baseline justify-between gap-x-4">
                    <b className="font-head text-lg">
                      {l.name}
                      {l.lot && `, ${l.lot}`}
                    </b>
                    <b className={colour}>{word}</b>
                  </p>
                  <p>{l.ruling?.value?.sentence ?? "Nobody has asked about this lot yet."}</p>
                  <p className="text-ash">
                    {[
                      l.askedAt &&
                        `asked ${clock.date(l.askedAt)}${l.earlier > 0 ? `, and ${l.earlier} times before` : ""}`,
                      `in ${l.brews} ${l.brews === 1 ? "brew" : "brews"}`,
                      l.ruling?.value?.biasByCount && `counts as ${l.ruling.value.biasByCount}`,
                    ]
                      .filter(Boolean)
                      .join(" · ")}
                  </p>
                  <p className="flex flex-wrap gap-4">
                    <Button
                      kind="plain"
                      aria-label={`${l.ruling ? "ask again" : "ask about it"}: ${l.name} ${l.lot ?? ""}`}
                      onClick={() => setAsk(l.id)}
                    >
                      {l.ruling ? "ask again" : "ask about it"}
                    </Button>
                    {l.ruling && <Sum working={l.ruling.working} sure={l.ruling.sure} of="this ruling" />}
                  </p>
                </li>
              );
            })}
          </ul>
          {lots.length === 0 && <p>No compost or castings on the shelf yet: add a lot under Ground and kit.</p>}
        </>
      }
      slate={
        lot ? (
          <Gate key={lot.id} lot={lot} done={() => setAsk(null)} />
        ) : (
          <>
            <h2 className="text-xl">What decides</h2>
            <p>
              Finished, earthy, moist, no raw manure, no sick plants, not sterilised. Four answers decide: heat, manure,
              disease, smell. A count, if there is one, tells which way it leans.
            </p>
            <p>
              <b className="text-straw">▲ Mind</b> Its dust can carry Legionella and moulds: damp it, wear a mask, wash.{" "}
              <span className="text-ash">A usual caution: local codes and licensed people come first.</span>
            </p>
          </>
        )
      }
    />
  );
}

function Gate({ lot, done }: { lot: Schemas["SourceLotView"]; done: () => void }) {
  const [answers, setAnswers] = useState<Answers>(lot.answers ?? { kind: lot.kind });
  const set = (field: keyof Answers, value: string | null) => setAnswers({ ...answers, [field]: value });
  const number = (field: "ageMonths" | "bacteriaPerG" | "fungalToBacterial", text: string) =>
    setAnswers({ ...answers, [field]: readNumber(text) });
  const [typed, setTyped] = useState<Record<string, string>>({
    ageMonths: lot.answers?.ageMonths?.toString() ?? "",
    bacteriaPerG: lot.answers?.bacteriaPerG?.toString() ?? "",
    fungalToBacterial: lot.answers?.fungalToBacterial?.toString() ?? "",
  });
  const keep = useWrite(
    "/api/brew/sources/{id}/check",
    (body: Answers) => ({ params: { path: { id: lot.id } }, body }),
    done,
  );
  return (
    <Form problem={keep.error} className="flex flex-col gap-4" onSend={() => keep.mutate(answers)}>
      <h2 className="text-xl">
        Ask {lot.name}
        {lot.lot && `, ${lot.lot}`}
      </h2>
      {questions
        .filter((q) => q.field !== "heatRecord" || lot.kind === "compost")
        .map((q) => (
          <Choice
            key={q.field}
            label={q.label}
            value={String(answers[q.field] ?? "")}
            options={q.options.map(([value, name]) => ({ value, name }))}
            onChange={(v) => set(q.field, v)}
            name={q.field}
          />
        ))}
      {(
        [
          ["ageMonths", "Months since it was last built or fed"],
          ["bacteriaPerG", "Bacteria per gram, if counted"],
          ["fungalToBacterial", "Fungi to bacteria by mass, if counted"],
        ] as const
      ).map(([field, label]) => (
        <Field
          key={field}
          label={label}
          inputMode="decimal"
          value={typed[field] ?? ""}
          onChange={(t) => {
            setTyped({ ...typed, [field]: t });
            number(field, t);
          }}
          name={field}
        />
      ))}
      <WrongElse />
      <p className="flex gap-4">
        <Button type="submit" kind="filled" disabled={keep.isPending}>
          Rule on it
        </Button>
        <Button onClick={done}>Leave it</Button>
      </p>
    </Form>
  );
}
