import { useState } from "react";
import { Link, useParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { Mind } from "../../parts/Mind";
import { useFieldWrite } from "../../parts/outbox";
import { Room } from "../../parts/Room";
import { Tick } from "../../parts/Tick";
import { Verdict } from "../../parts/Verdict";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { nothing } from "./WormSteps";
import { type Striking, YardLog } from "./YardLog";

type View = Schemas["ByproductView"];
type Did = Schemas["WorkStepAsked"];

const fills = ["fill-brew", "fill-bag", "fill-shade", "fill-paper"];

/** A by-product as it stands: its runs, its pools with the share of each run, their sheets. */
export function ByproductPage() {
  const id = Number(useParams().id);
  const view = useRead("/api/works/byproducts/{id}", { params: { path: { id } } });
  const strike = useFieldWrite(
    "/api/works/{id}/steps/{entry}/strike",
    (a: Striking) => ({ params: { path: { id, entry: a.id } }, body: { why: a.why, at: null } }),
    () => `${view.asked.name ?? "by-product"}: an entry struck`,
  );
  return (
    <Room
      title={view.asked.name ?? "A by-product"}
      under={`Makes ${view.asked.what ?? "a by-product"}; runs differ, so they are pooled and tested.`}
      peek={view.verdict.sentence}
      bench={
        <>
          <Runs view={view} />
          {view.pools.map((p) => (
            <Pool key={p.number} pool={p} />
          ))}
          <YardLog entries={view.log} strike={strike} first={7} />
        </>
      }
      slate={
        <>
          <Verdict verdict={view.verdict} />
          <LogRun view={view} />
          {view.runs.some((r) => r.pool === null) && <PoolThem view={view} key={view.runs.length} />}
          {view.lots.map((l) => (
            <p key={l.id}>
              <Link to={`/shelf?input=${l.inputId}`} className="text-clay underline underline-offset-4">
                {l.leftShown} of {l.name}
              </Link>{" "}
              on the shelf: for worms, heaps, a top-dressing, and mixes started small.
            </p>
          ))}
          <Mind cautions={view.cautions} />
        </>
      }
    />
  );
}

/** Each run as a bar as long as what went in. */
function Runs({ view }: { view: View }) {
  const clock = useClock();
  return (
    <section aria-label="Runs">
      <h2 className="text-xl">Runs</h2>
      {view.runs.length === 0 && <p className="text-ash">None yet.</p>}
      <ul className="figures">
        {view.runs.map((r) => (
          <li key={r.id} className="border-t border-line py-1.5">
            <p className="flex justify-between gap-4">
              <span>
                <b>run {r.number}</b> {r.shown}
              </span>
              <span className="whitespace-nowrap text-ash">
                {r.pool === null ? "by itself" : `pool ${r.pool}`} · {clock.date(r.at)}
              </span>
            </p>
            <svg viewBox="0 0 100 3" preserveAspectRatio="none" className="mt-1 block h-2 w-full" aria-hidden>
              <rect
                width={Math.max(1, r.load * 100)}
                height="3"
                className={r.pool === null ? "fill-clay" : "fill-brew"}
              />
            </svg>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A pool with the share of each run, and its sheet. */
function Pool({ pool: p }: { pool: Schemas["PoolView"] }) {
  const clock = useClock();
  const starts = p.shares.map((_, i) => p.shares.slice(0, i).reduce((a, s) => a + s.share, 0));
  return (
    <section aria-label={`Pool ${p.number}`} className="mt-3">
      <h2 className="flex justify-between text-xl">
        <span>
          Pool {p.number}: {p.shown}
        </span>
        <span className="text-base text-ash">{clock.date(p.at)}</span>
      </h2>
      <svg viewBox="0 0 400 34" className="block h-auto w-full" role="img" aria-label={p.says}>
        {p.shares.map((s, i) => (
          <rect
            key={s.run}
            x={2 + starts[i]! * 396}
            y="2"
            width={s.share * 396}
            height="30"
            className={`${fills[i % fills.length]} stroke-ink`}
            strokeWidth="2"
          />
        ))}
      </svg>
      <p className="figures">{p.says}</p>
      {p.sheetId ? (
        <Link
          to={`/make/sheet/${p.sheetId}`}
          className="inline-flex min-h-11 items-center text-clay underline underline-offset-4"
        >
          {p.sheetSays}
        </Link>
      ) : p.lotId ? (
        <Link
          to={`/make/sheet/new?lot=${p.lotId}`}
          className="inline-flex min-h-11 items-center text-clay underline underline-offset-4"
        >
          have pool {p.number} tested
        </Link>
      ) : (
        <p className="text-ash">taken off the shelf again</p>
      )}
    </section>
  );
}

function useStep(view: View, says: string, after: () => void) {
  return useFieldWrite(
    "/api/works/{id}/steps",
    (did: Did) => ({ params: { path: { id: view.id } }, body: { did, at: null } }),
    () => `${view.asked.name ?? "by-product"}: ${says}`,
    after,
  );
}

function LogRun({ view }: { view: View }) {
  const first: Did = {
    ...nothing,
    step: "run",
    what: view.asked.feedstock ?? "",
    setting: view.asked.setting ?? null,
    amount: "",
  };
  const [did, setDid] = useState(first);
  const write = useStep(view, "a run", () => setDid(first));
  const set = (part: Partial<Did>) => setDid({ ...did, ...part });
  return (
    <Form
      problem={write.error}
      onSend={() => write.mutate(did)}
      label="A run"
      className="grid grid-cols-2 items-start gap-x-4"
    >
      <h3 className="col-span-2 text-lg">A run</h3>
      <Field label="What went in" value={did.what ?? ""} onChange={(what) => set({ what })} name="what" />
      <AmountField
        label="How much of it"
        dimension="mass"
        value={did.amount ?? ""}
        onChange={(amount) => set({ amount })}
        name="amount"
        hint="2.4 kg"
      />
      <Field
        label="How it was set"
        value={did.setting ?? ""}
        onChange={(setting) => set({ setting: setting || null })}
        name="setting"
      />
      <Field
        label="Hours"
        value={did.hours ?? ""}
        onChange={(hours) => set({ hours: hours || null })}
        name="hours"
        inputMode="decimal"
      />
      <Field
        label="Water added"
        value={did.added ?? ""}
        onChange={(added) => set({ added: added || null })}
        name="added"
        hint="0.5 L; empty: none"
      />
      <Field
        label="Starter added"
        value={did.starter ?? ""}
        onChange={(starter) => set({ starter: starter || null })}
        name="starter"
        hint="200 g; empty: none"
      />
      <Button type="submit" kind="filled" className="justify-self-start" disabled={write.isPending}>
        Log the run
      </Button>
      <div className="col-span-2">
        <WrongElse />
      </div>
    </Form>
  );
}

function PoolThem({ view }: { view: View }) {
  const open = view.runs.filter((r) => r.pool === null);
  const [left, setLeft] = useState<number[]>([]);
  const [amount, setAmount] = useState("");
  const write = useStep(view, "runs pooled", () => setAmount(""));
  const runs = open.map((r) => r.id).filter((id) => !left.includes(id));
  return (
    <Form
      problem={write.error}
      onSend={() => write.mutate({ ...nothing, step: "pooled", amount, runs })}
      label="Pool runs"
      className="flex flex-col gap-1"
    >
      <h3 className="text-lg">Pool them to one lot</h3>
      {open.length > 1 &&
        open.map((r) => (
          <Tick
            key={r.id}
            on={!left.includes(r.id)}
            onToggle={() => setLeft(left.includes(r.id) ? left.filter((x) => x !== r.id) : [...left, r.id])}
            label={`run ${r.number}`}
            under={r.shown}
          />
        ))}
      <WrongHere name="runs" />
      <AmountField
        label="What it measures, mixed"
        dimension="volume"
        ofSource="compost"
        value={amount}
        onChange={setAmount}
        name="amount"
        hint="4 L"
      />
      <Button type="submit" className="self-start" disabled={write.isPending || runs.length === 0}>
        Pool {runs.length === 1 ? "it" : "them"}
      </Button>
      <WrongElse />
    </Form>
  );
}
