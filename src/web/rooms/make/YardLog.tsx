import type { UseMutationResult } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import type { Problem } from "../../api/problem";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { WrongElse } from "../../parts/Wrong";
import { Wrote } from "../../parts/Wrote";

/** An entry that is to be struck, and why. */
export interface Striking {
  id: number;
  why: string;
}

interface Entry {
  id: number;
  at: string;
  shown: string;
  note: string | null;
  struck: boolean;
  struckWhy: string | null;
  wrote: Schemas["WroteView"] | null;
}

interface Props {
  entries: readonly Entry[];
  strike: UseMutationResult<unknown, Problem, Striking>;
  /** How many are shown before the rest is folded away. */
  first?: number;
}

/** What was done in the yard, newest first; what was wrong can be struck, and stays readable. */
export function YardLog({ entries, strike, first = 12 }: Props) {
  const clock = useClock();
  const [asked, setAsked] = useState<Striking | null>(null);
  const shown = entries.slice(0, first);
  const line = (l: Entry) => (
    <li key={l.id} className="border-t border-line py-1.5">
      <p className="flex justify-between gap-3">
        <span className={l.struck ? "text-ash line-through" : undefined}>
          <b className="figures">{clock.when(l.at)}</b> {l.shown}
          {l.note && <span className="text-ash"> · {l.note}</span>}
          <Wrote wrote={l.wrote} />
        </span>
        {!l.struck && asked?.id !== l.id && (
          <button
            type="button"
            className="min-h-11 text-clay underline underline-offset-4"
            aria-label={`Strike ${l.shown}`}
            onClick={() => setAsked({ id: l.id, why: "" })}
          >
            strike
          </button>
        )}
      </p>
      {l.struck && <p className="text-ash">struck: {l.struckWhy}</p>}
      {asked?.id === l.id && (
        <Form
          problem={strike.error}
          onSend={() => strike.mutate(asked, { onSuccess: () => setAsked(null) })}
          className="flex flex-col gap-2"
        >
          <Field
            label="What was wrong with it"
            value={asked.why}
            onChange={(why) => setAsked({ ...asked, why })}
            name="why"
            autoFocus
          />
          <Button type="submit" className="self-start">
            Strike it
          </Button>
          <WrongElse />
        </Form>
      )}
    </li>
  );
  return (
    <section aria-label="What was done" className="mt-4 border-t-2 border-line pt-3">
      <h2 className="text-xl">What was done</h2>
      {entries.length === 0 && <p className="text-ash">Nothing yet: the log begins with the first thing you do.</p>}
      <ol>{shown.map(line)}</ol>
      {entries.length > shown.length && (
        <Fold line={`${entries.length - shown.length} more`}>
          <ol>{entries.slice(first).map(line)}</ol>
        </Fold>
      )}
    </section>
  );
}
