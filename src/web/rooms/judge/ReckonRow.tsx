import { useState } from "react";
import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { Sum } from "../../parts/Sum";
import { WrongElse } from "../../parts/Wrong";
import { Bar } from "./ReckonBars";

type Row = Schemas["ReckonRowView"];

const words: Record<Schemas["ReckonWord"], { mark: string; colour: string }> = {
  keep: { mark: "✓", colour: "text-moss" },
  drop: { mark: "■", colour: "text-plum" },
  "test again": { mark: "…", colour: "text-straw" },
  "test or drop": { mark: "…", colour: "text-straw" },
};

/** What follows of a practice: a mark and a word, its colour never alone. */
export function ReckonWord({ word }: { word: Schemas["ReckonWord"] }) {
  return (
    <b className={`whitespace-nowrap ${words[word].colour}`}>
      <span aria-hidden>{words[word].mark}</span> {word}
    </b>
  );
}

/** A practice, its bar and its word; opened, its evidence, its hands and its sum. */
export function ReckonRow({ row: r, at }: { row: Row; at: (v: number) => number }) {
  const [open, setOpen] = useState(false);
  return (
    <li className="border-t border-line py-2">
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="grid min-h-12 w-full grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 text-left wide:grid-cols-[minmax(0,13rem)_minmax(0,1fr)_7.5rem]"
      >
        <span>
          <b className="font-head text-lg leading-tight underline decoration-line underline-offset-4">{r.name}</b>
          <span className="figures block text-ash">{r.says}</span>
        </span>
        <span className="max-wide:order-3 max-wide:col-span-2">
          <Bar row={r} at={at} />
          <span className="block text-base text-ash">
            {r.evidence}
            {r.priced && <span className="sr-only">: {r.rangeShown}</span>}
          </span>
        </span>
        <span className="text-right">
          <ReckonWord word={r.word} />
          {r.keptWhy && <span className="block text-base text-ash">kept all the same</span>}
        </span>
      </button>
      {open && <Opened row={r} />}
    </li>
  );
}

function Opened({ row: r }: { row: Row }) {
  return (
    <div className="flex flex-col gap-2 border-l-4 border-line py-2 pl-4">
      <p>
        {r.ground}; {r.costShown ? `it cost ${r.costShown} with your hours` : "what it cost is not known"}; {r.lastYear}
        .
      </p>
      {r.rangeShown !== "" && (
        <p className="figures">
          {r.priced ? "After its cost" : "In its own unit"}: {r.rangeShown}
        </p>
      )}
      {r.why && <p>{r.why}</p>}
      {r.doors.length > 0 && (
        <p>
          It goes by{" "}
          {r.doors.map((d, i) => (
            <span key={i}>
              {i > 0 && ", "}
              <Link to={d.door!} className="underline decoration-line underline-offset-4">
                {d.text}
              </Link>
            </span>
          ))}
          .
        </p>
      )}
      {r.beside.length > 0 && <p className="text-ash">Found besides, and not counted: {r.beside.join("; ")}</p>}
      {r.claims.length > 0 && (
        <p>
          Claims that speak of it:{" "}
          {r.claims.map((c, i) => (
            <span key={c}>
              {i > 0 && ", "}
              <Link to={`/judge/claims?claim=${c}`} className="underline decoration-line underline-offset-4">
                {c.replaceAll("-", " ")}
              </Link>
            </span>
          ))}
        </p>
      )}
      <ul aria-label={`Hands: ${r.name}`} className="text-base">
        {r.steps.map((s) => (
          <li key={s.name} className="figures flex justify-between gap-4 border-t border-line">
            <span>
              {s.name} <span className="text-ash">{s.logged ? "written down" : "usual"}</span>
            </span>
            <span>{s.shown}</span>
          </li>
        ))}
      </ul>
      <Sum working={r.worked.working} sure={r.worked.sure} of={r.name} />
      {r.word !== "keep" && <KeepAnyway row={r} />}
    </div>
  );
}

/** A thing may be kept for other reasons than money: the grower says which. */
function KeepAnyway({ row: r }: { row: Row }) {
  const [why, setWhy] = useState(r.keptWhy ?? "");
  const keep = useWrite("/api/judge/reckoning/kept", (text: string) => ({ body: { practice: r.key, why: text } }));
  return (
    <Form
      problem={keep.error}
      onSend={() => keep.mutate(why)}
      label={`Keep ${r.name}`}
      className="flex flex-wrap items-end gap-3"
    >
      <div className="min-w-60 flex-1">
        <Field label="Keep it all the same, because" value={why} onChange={setWhy} name="why" />
      </div>
      <Button disabled={keep.isPending || why.trim() === ""} type="submit" className="mb-7">
        Keep it
      </Button>
      {r.keptWhy && (
        <Button kind="plain" className="mb-7" onClick={() => keep.mutate("")}>
          no more
        </Button>
      )}
      <WrongElse />
    </Form>
  );
}
