import { useRef, useState } from "react";
import { client, type Schemas, useRead, useWrite } from "../../api/client";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { SaveChart } from "../../parts/SaveChart";
import { Sum } from "../../parts/Sum";
import { Wrong } from "../../parts/Wrong";
import { Forest } from "./Forest";
import { JudgeNav } from "./JudgeNav";
import { VerdictWord } from "./VerdictWord";

/** Sites and seasons put together; a neighbour's file counts too. */
export function AcrossRoom() {
  const sets = useRead(["across"], () => client.GET("/api/judge/across"));
  const [open, setOpen] = useState<number | null>(null);
  const set = sets.data?.find((s) => s.id === open) ?? sets.data?.[0];
  return (
    <Room
      title="Sites and seasons together"
      under="One trial is one soil and one summer. Several say what the next site may see."
      peek={set?.together?.value?.sentence ?? "Put results together"}
      bench={
        <>
          <JudgeNav />
          <Wrong problem={sets.error} />
          {sets.data?.length === 0 && (
            <p className="text-lg">
              Nothing yet. Name a claim, such as tea against water only on garlic in kg a metre; then put in your own
              trials and a neighbour’s file.
            </p>
          )}
          {(sets.data?.length ?? 0) > 1 && (
            <Pick
              label="Claim"
              value={String(set?.id ?? "")}
              options={sets.data!.map((s) => ({ value: String(s.id), name: s.name }))}
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
  const [why, setWhy] = useState<string | null>(null);
  const out = useWrite((reason: string, headers) =>
    client.POST("/api/judge/across/results/{id}/out", {
      params: { path: { id: r.id } },
      body: { why: reason },
      headers,
    }),
  );
  return (
    <li className="border-t border-line py-2">
      <p className="flex flex-wrap items-baseline justify-between gap-2">
        <span className={r.outWhy ? "line-through" : ""}>
          <b>{r.label}</b>: {r.difference.toPrecision(3)} {unit}, standard error {r.standardError.toPrecision(2)}
          <span className="text-ash"> · {r.trialId ? "own trial" : r.source}</span>
        </span>
        {!r.outWhy && why === null && (
          <Button kind="plain" onClick={() => setWhy("")} aria-label={`leave out: ${r.label}`}>
            leave out
          </Button>
        )}
      </p>
      {r.outWhy && <p className="text-ash">left out: {r.outWhy}</p>}
      {why !== null && !r.outWhy && (
        <form
          className="flex flex-wrap items-end gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            out.mutate(why);
          }}
        >
          <Field label="Why does it not count?" value={why} onChange={setWhy} wrong={out.error?.of("why")} />
          <Button type="submit" className="mb-7">
            Leave it out
          </Button>
        </form>
      )}
    </li>
  );
}

/** One more result: an own trial, a neighbour's file, or figures by hand. */
function AddResult({ set }: { set: Schemas["AcrossView"] }) {
  const trials = useRead(["trials"], () => client.GET("/api/judge/trials"));
  const path = { path: { id: set.id } };
  const [trial, setTrial] = useState("");
  const [hand, setHand] = useState({ label: "", difference: "", standardError: "" });
  const add = useWrite(
    (body: Schemas["AcrossResultRequest"], headers) =>
      client.POST("/api/judge/across/{id}/results", { params: path, body, headers }),
    () => setHand({ label: "", difference: "", standardError: "" }),
  );
  const file = useWrite((body: Schemas["AcrossFileRequest"], headers) =>
    client.POST("/api/judge/across/{id}/file", { params: path, body, headers }),
  );
  const free = trials.data?.filter((t) => t.verdict && !set.results.some((r) => r.trialId === t.id)) ?? [];
  return (
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
      <form
        className="mt-2 grid gap-x-4 sm:grid-cols-3"
        onSubmit={(e) => {
          e.preventDefault();
          add.mutate(hand);
        }}
      >
        {(["label", "difference", "standardError"] as const).map((k) => (
          <Field
            key={k}
            label={
              { label: "Or by hand: site and season", difference: "Difference", standardError: "Standard error" }[k]
            }
            value={hand[k]}
            onChange={(v) => setHand({ ...hand, [k]: v })}
            wrong={add.error?.of(k)}
          />
        ))}
        <Button type="submit">Put it in</Button>
      </form>
      <Wrong problem={add.error} shown={["label", "difference", "standardError"]} />
      <p className="mt-2">
        <a href={`/api/judge/across/${set.id}/results.csv`} className="text-clay underline" download>
          these results as CSV, for a neighbour
        </a>
      </p>
    </details>
  );
}

function NewSet({ done }: { done: (id: number) => void }) {
  const [r, setR] = useState({ name: "", unit: "", worthHaving: "" });
  const make = useWrite(
    (body: Schemas["AcrossRequest"], headers) => client.POST("/api/judge/across", { body, headers }),
    (kept) => {
      setR({ name: "", unit: "", worthHaving: "" });
      done(kept.id);
    },
  );
  return (
    <details className="mt-6 border-t border-line">
      <summary className="min-h-11 cursor-pointer content-center font-bold text-clay">A new claim</summary>
      <form
        className="grid gap-x-4 sm:grid-cols-3"
        onSubmit={(e) => {
          e.preventDefault();
          make.mutate(r);
        }}
      >
        <Field
          label="Claim"
          value={r.name}
          onChange={(name) => setR({ ...r, name })}
          wrong={make.error?.of("name")}
          hint="char at 5 % against none"
        />
        <Field
          label="Unit"
          value={r.unit}
          onChange={(unit) => setR({ ...r, unit })}
          wrong={make.error?.of("unit")}
          hint="kg a metre"
        />
        <Field
          label="Worth having"
          value={r.worthHaving}
          onChange={(worthHaving) => setR({ ...r, worthHaving })}
          wrong={make.error?.of("worthHaving")}
        />
        <Button type="submit">Keep the claim</Button>
      </form>
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
