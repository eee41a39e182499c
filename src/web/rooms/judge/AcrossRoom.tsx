import { useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Form, Refusals } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { SaveChart } from "../../parts/SaveChart";
import { Sum } from "../../parts/Sum";
import { Wrong, WrongElse } from "../../parts/Wrong";
import { Forest } from "./Forest";
import { LeaveOut } from "./LeaveOut";
import { VerdictWord } from "./VerdictWord";

/** Sites and seasons put together; a neighbour's file counts too. */
export function AcrossRoom() {
  const sets = useRead("/api/judge/across");
  const [open, setOpen] = useState<number | null>(null);
  const set = sets.find((s) => s.id === open) ?? sets[0];
  return (
    <Room
      title="Sites and seasons together"
      under="One trial is one soil and one summer. Several say what the next site may see."
      peek={set?.together?.value?.sentence ?? "Put results together"}
      bench={
        <>
          {sets.length === 0 && (
            <p className="text-lg">
              Nothing yet. Name a claim, such as tea against water only on garlic in kg a metre; then put in your own
              trials and a neighbour’s file.
            </p>
          )}
          {(sets.length ?? 0) > 1 && (
            <Pick
              label="Claim"
              value={String(set?.id ?? "")}
              options={sets.map((s) => ({ value: String(s.id), name: s.name }))}
              onChange={(v) => setOpen(Number(v))}
            />
          )}
          {set && <One key={set.id} set={set} />}
          <NewSet done={setOpen} />
        </>
      }
      slate={set && <Says set={set} />}
    />
  );
}

function One({ set }: { set: Schemas["AcrossView"] }) {
  const svg = useRef<SVGSVGElement>(null);
  return (
    <section>
      <h2 className="text-xl">{set.name}</h2>
      {set.together?.value ? (
        <figure>
          <Forest answer={set.together.value} unit={set.unit} worth={set.worthHaving} svg={svg} />
          <SaveChart svg={svg} name="sites-together" />
        </figure>
      ) : (
        <p className="text-lg">{set.wants}</p>
      )}
      <ul>
        {set.results.map((r) => (
          <Result key={r.id} result={r} unit={set.unit} />
        ))}
      </ul>
      <AddResult set={set} />
    </section>
  );
}

function Result({ result: r, unit }: { result: Schemas["AcrossResultView"]; unit: string }) {
  const out = useWrite("/api/judge/across/results/{id}/out", (reason: string) => ({
    params: { path: { id: r.id } },
    body: { why: reason },
  }));
  return (
    <li className="border-t border-line py-2">
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <span className={r.outWhy ? "line-through" : ""}>
          <b>{r.label}</b>: {r.difference.toPrecision(3)} {unit}, standard error {r.standardError.toPrecision(2)}
          <span className="text-ash"> · {r.trialId ? "own trial" : r.source}</span>
        </span>
        {!r.outWhy && <LeaveOut of={r.label} out={out} />}
      </div>
      {r.outWhy && <p className="text-ash">left out: {r.outWhy}</p>}
    </li>
  );
}

/** One more result: an own trial, a neighbour's file, or figures by hand. */
function AddResult({ set }: { set: Schemas["AcrossView"] }) {
  const trials = useRead("/api/judge/trials");
  const path = { path: { id: set.id } };
  const [trial, setTrial] = useState("");
  const [hand, setHand] = useState({ label: "", difference: "", standardError: "" });
  const add = useWrite(
    "/api/judge/across/{id}/results",
    (body: Schemas["AcrossResultRequest"]) => ({ params: path, body }),
    () => setHand({ label: "", difference: "", standardError: "" }),
  );
  const file = useWrite("/api/judge/across/{id}/file", (body: Schemas["AcrossFileRequest"]) => ({
    params: path,
    body,
  }));
  const free = trials.filter((t) => t.verdict && !set.results.some((r) => r.trialId === t.id)) ?? [];
  return (
    <Refusals problem={add.error}>
      {" "}
      <details className="mt-3 border-t border-line">
        <summary className="min-h-11 cursor-pointer content-center font-bold text-clay">One result more</summary>
        {free.length > 0 && (
          <p className="flex flex-wrap items-end gap-3">
            <Pick
              label="An own trial"
              value={trial}
              options={[{ value: "", name: "choose" }, ...free.map((t) => ({ value: String(t.id), name: t.question }))]}
              onChange={setTrial}
            />
            <Button disabled={!trial} onClick={() => add.mutate({ trialId: Number(trial) })}>
              Put it in
            </Button>
          </p>
        )}
        <label className="mt-3 block">
          A neighbour’s file: CSV with label, difference and standard_error
          <input
            type="file"
            accept=".csv,text/csv"
            className="mt-1 block min-h-12"
            onChange={(e) => {
              const f = e.target.files?.[0];
              if (f) void f.text().then((csv) => file.mutate({ csv, source: f.name }));
              e.target.value = "";
            }}
          />
        </label>
        <Wrong problem={file.error} />
        <Form className="mt-2 grid gap-x-4 sm:grid-cols-3" onSend={() => add.mutate(hand)}>
          {(["label", "difference", "standardError"] as const).map((k) => (
            <Field
              key={k}
              label={
                { label: "Or by hand: site and season", difference: "Difference", standardError: "Standard error" }[k]
              }
              value={hand[k]}
              onChange={(v) => setHand({ ...hand, [k]: v })}
              name={k}
            />
          ))}
          <Button type="submit">Put it in</Button>
        </Form>
        <WrongElse />
        <p className="mt-2">
          <a href={`/api/judge/across/${set.id}/results.csv`} className="text-clay underline" download>
            these results as CSV, for a neighbour
          </a>
        </p>
      </details>
    </Refusals>
  );
}

function NewSet({ done }: { done: (id: number) => void }) {
  const [r, setR] = useState({ name: "", unit: "", worthHaving: "" });
  const make = useWrite(
    "/api/judge/across",
    (body: Schemas["AcrossRequest"]) => ({ body }),
    (kept) => {
      setR({ name: "", unit: "", worthHaving: "" });
      done(kept.id);
    },
  );
  return (
    <details className="mt-6 border-t border-line">
      <summary className="min-h-11 cursor-pointer content-center font-bold text-clay">A new claim</summary>
      <Form problem={make.error} className="grid gap-x-4 sm:grid-cols-3" onSend={() => make.mutate(r)}>
        <Field
          label="Claim"
          value={r.name}
          onChange={(name) => setR({ ...r, name })}
          name="name"
          hint="char at 5 % against none"
        />
        <Field label="Unit" value={r.unit} onChange={(unit) => setR({ ...r, unit })} name="unit" hint="kg a metre" />
        <Field
          label="Worth having"
          value={r.worthHaving}
          onChange={(worthHaving) => setR({ ...r, worthHaving })}
          name="worthHaving"
        />
        <Button type="submit">Keep the claim</Button>
        <WrongElse />
      </Form>
    </details>
  );
}

function Says({ set }: { set: Schemas["AcrossView"] }) {
  const a = set.together?.value;
  if (!a) return <p className="text-lg">{set.wants}</p>;
  return (
    <>
      <VerdictWord word={a.verdict} large />
      <p className="text-lg">{a.sentence}</p>
      <p>
        Of the spread between sites, {a.i2.toFixed(0)} % is more than chance within them.{" "}
        {a.qp < 0.1 ? "They truly differ: ask what is different there." : "Nothing says that they truly differ."}
      </p>
      <p className="text-ash">
        Random effects by restricted likelihood, its interval by Hartung and Knapp: careful with few sites. Results in a
        file are taken as they stand; who sends only what worked makes this too bright.
      </p>
      <Sum working={set.together!.working} sure={set.together!.sure} of="the sites together" />
    </>
  );
}
