import { useState } from "react";
import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Refusals } from "../../parts/Form";
import { WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { useFieldWrite } from "../../parts/outbox";
import { SecondBest } from "../../parts/SecondBest";
import { looks } from "../../parts/tone";

const reasons: Record<string, string> = {
  in: "came in",
  brew: "brewed",
  used: "put out",
  made: "made into something",
  spilt: "spilt or thrown away",
  count: "counted",
  undone: "given back",
};

/** One lot: what is left of it, whether it is good, its book, and counting it. */
export function Lot({ lot, input }: { lot: Schemas["LotView"]; input: Schemas["ShelfInputView"] }) {
  const clock = useClock();
  const [what, setWhat] = useState<"count" | "spilt" | null>(null);
  const [amount, setAmount] = useState("");
  const [note, setNote] = useState("");
  const keep = useFieldWrite(
    "/api/shelf/lots/{id}/entries",
    () => ({
      params: { path: { id: lot.id } },
      body: { reason: what, amount, note, at: null },
    }),
    () => `${reasons[what ?? "count"]}: ${amount} ${input.name}`,
    () => {
      setWhat(null);
      setAmount("");
      setNote("");
    },
  );
  const look = looks[lot.tone];
  return (
    <Refusals problem={keep.error}>
      {" "}
      <div className="border-t border-line py-2">
        <h3 className="flex flex-wrap justify-between gap-x-4 text-lg">
          <span>
            Lot {lot.mark}, {lot.origin} {clock.date(lot.from)}
          </span>
          <span className="figures">{lot.leftShown}</span>
        </h3>
        <p>
          <b className={look.colour}>
            {look.mark} {lot.says}
          </b>
          {lot.expires && `; keeps until ${clock.date(lot.expires)}`}
          {lot.place && `; ${lot.place}`}
          {lot.keptShown && `, ${lot.keptShown}`}
          {lot.aliveShown && `; ${lot.aliveShown}`}
          {lot.unitCost && `; ${lot.unitCost}`}
          {lot.notes && `; ${lot.notes}`}
        </p>
        <p className="flex flex-wrap gap-x-4">
          <Button kind="plain" aria-label={`count ${lot.mark}`} onClick={() => setWhat("count")}>
            count
          </Button>
          <Button kind="plain" aria-label={`spilt or thrown away, ${lot.mark}`} onClick={() => setWhat("spilt")}>
            spilt or thrown away
          </Button>
          <Link
            className="inline-flex min-h-12 items-center text-clay underline underline-offset-4"
            to={`/book/thread?of=lot-${lot.id}`}
            aria-label={`follow its thread, ${lot.mark}`}
          >
            follow its thread
          </Link>
          <Link
            className="inline-flex min-h-12 items-center text-clay underline underline-offset-4"
            to={`/shelf/label?input=${input.id}&lot=${lot.id}`}
            aria-label={`its label, ${lot.mark}`}
          >
            its label
          </Link>
          {lot.may.spread && (
            <Link
              className="inline-flex min-h-12 items-center text-clay underline underline-offset-4"
              to={`/put-out/solid?input=${input.id}`}
              aria-label={`put it on the ground, ${lot.mark}`}
            >
              put it on the ground
            </Link>
          )}
          {lot.may.tested && (
            <Link
              className="inline-flex min-h-12 items-center text-clay underline underline-offset-4"
              to={`/make/sheet/new?lot=${lot.id}`}
              aria-label={`have it tested, ${lot.mark}`}
            >
              have it tested
            </Link>
          )}
        </p>
        {what && (
          <div className="grid items-start gap-x-4 sm:grid-cols-[1fr_1fr_auto]">
            <Field
              label={what === "count" ? "What is really there" : "How much"}
              value={amount}
              onChange={setAmount}
              name="amount"
              hint={input.unit === "L" ? "400 ml, 2 L" : "250 g, 2 kg"}
            />
            <Field label="Why" value={note} onChange={setNote} name="note" />
            <Button className="sm:mt-7" kind="filled" disabled={keep.isPending} onClick={() => keep.mutate(null)}>
              Enter it
            </Button>
          </div>
        )}
        <WrongElse />
        {lot.may.fails && <SecondBest lot={lot.id} input={input.id} />}
        <details>
          <summary className="min-h-11 cursor-pointer text-clay underline underline-offset-4">its book</summary>
          <ol className="figures">
            {lot.entries.map((e) => (
              <li key={e.id} className="border-t border-line py-1">
                {clock.date(e.at)} <b>{e.amountShown}</b> {reasons[e.reason] ?? e.reason}
                {e.for && (
                  <>
                    :{" "}
                    <Link to={e.link ?? "/book"} className="underline">
                      {e.for}
                    </Link>
                  </>
                )}
                {e.typed && <span className="text-ash"> {e.typed}</span>}
                {e.note && <span className="text-ash"> {e.note}</span>}
              </li>
            ))}
          </ol>
        </details>
      </div>
    </Refusals>
  );
}
