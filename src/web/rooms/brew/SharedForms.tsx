import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { useClock } from "../../parts/clock";
import { MomentField } from "../../parts/DayField";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { Go } from "../../parts/Go";
import { Sum } from "../../parts/Sum";
import { WrongElse } from "../../parts/Wrong";
import { counts } from "./Through";

type Vessel = Schemas["SharedVesselView"];

/** A moment as it is sent: what can't be read goes as it was typed, and is refused by name. */
function useMoment() {
  const clock = useClock();
  return (typed: string) => clock.fromField(typed)?.toISOString() ?? (typed || null);
}

/** A time for which it is one's own. */
export function BookIt({ id }: { id: number }) {
  const moment = useMoment();
  const [from, setFrom] = useState("");
  const [until, setUntil] = useState("");
  const book = useWrite(
    "/api/shared/vessels/{id}/bookings",
    () => ({ params: { path: { id } }, body: { from: moment(from), until: moment(until) } }),
    () => {
      setFrom("");
      setUntil("");
    },
  );
  return (
    <Form problem={book.error} onSend={() => book.mutate(undefined)} label="Book it" className="mt-3 space-y-2">
      <div className="grid gap-x-4 sm:grid-cols-2">
        <MomentField label="Fetched at" name="from" value={from} onChange={setFrom} />
        <MomentField label="Handed on at" name="until" value={until} onChange={setUntil} />
      </div>
      <Button type="submit" kind="filled" disabled={book.isPending}>
        Book it
      </Button>
      <WrongElse />
    </Form>
  );
}

/** Handed over, empty and clean, and signed. */
export function HandOver({ vessel, name }: { vessel: Vessel; name: string }) {
  const [to, setTo] = useState(vessel.handTo[0]?.holding ?? "");
  const [signed, sign] = useState(name);
  const give = useWrite("/api/shared/vessels/{id}/give", () => ({
    params: { path: { id: vessel.id } },
    body: { to, signed },
  }));
  const clock = useClock();
  const brew = vessel.kitId !== null && <Go to={`/brew/plan?vessel=${vessel.kitId}`}>Plan a brew in it</Go>;
  if (vessel.handTo.length === 0) return <p>{brew}</p>;
  return (
    <section aria-label="Hand it over" className="mt-3 rounded-2xl border-2 border-line p-4">
      <h3 className="text-xl">Hand it over</h3>
      {vessel.canGo ? (
        <Form problem={give.error} onSend={() => give.mutate(undefined)} className="mt-1 space-y-3">
          <Choice
            label="To whom"
            name="to"
            value={vessel.handTo.some((h) => h.holding === to) ? to : vessel.handTo[0]!.holding}
            onChange={setTo}
            options={vessel.handTo.map((h) => ({
              value: h.holding,
              name: h.called,
              says: h.from ? `from ${clock.when(h.from)}` : "whose it is",
            }))}
          />
          <Field label="Signed" name="signed" value={signed} onChange={sign} />
          <p className="text-ash">
            With your name goes what was cleaned, and when. They look at it, and say how it came.
          </p>
          <Button type="submit" kind="filled" disabled={give.isPending}>
            Hand it over
          </Button>
          <WrongElse />
        </Form>
      ) : (
        <p>
          Empty and clean first: <Go to="/brew/clean">clean up</Go>
        </p>
      )}
      {brew && <p className="mt-2">{brew}</p>}
    </section>
  );
}

/** Received, looked at. */
export function Receive({ vessel }: { vessel: Vessel }) {
  const [came, say] = useState<"" | "clean" | "not">("");
  const [what, setWhat] = useState("");
  const receive = useWrite("/api/shared/vessels/{id}/receive", () => ({
    params: { path: { id: vessel.id } },
    body: { clean: came === "" ? null : came === "clean", what },
  }));
  const steps = vessel.card.handings[0]?.steps ?? [];
  return (
    <Form
      problem={receive.error}
      onSend={() => receive.mutate(undefined)}
      label="Received"
      className="mt-3 space-y-3 rounded-2xl border-2 border-straw p-4"
    >
      <p>
        Cleaned, as it was signed:{" "}
        {steps.length === 0 ? "not used since it came there" : steps.map((s) => s.name).join(", ")}.
      </p>
      <Choice
        label="Look at walls, lid, hose and outlets. How did it come?"
        name="clean"
        value={came}
        onChange={say}
        options={[
          { value: "clean", name: "clean" },
          { value: "not", name: "not clean" },
        ]}
      />
      <Field label="What was found" name="what" value={what} onChange={setWhat} hint="slime under the rim" />
      <Button type="submit" kind="filled" disabled={receive.isPending}>
        Received
      </Button>
      <WrongElse />
    </Form>
  );
}

/** Before and after its pump, kept on its card. */
export function CountThrough({ id }: { id: number }) {
  const [before, setBefore] = useState("");
  const [after, setAfter] = useState("");
  const keep = useWrite(
    "/api/shared/vessels/{id}/counts",
    () => ({ params: { path: { id } }, body: { before: counts(before), after: counts(after) } }),
    () => {
      setBefore("");
      setAfter("");
    },
  );
  return (
    <Fold line="Count before and after its pump">
      <p className="text-ash">
        Whole ones, field by field, at the same dilution. What it leaves whole stands on its card.
      </p>
      <Form problem={keep.error} onSend={() => keep.mutate(undefined)} className="space-y-2">
        <Field
          label="Before, one number a field"
          name="before"
          value={before}
          onChange={setBefore}
          hint="16 14 19 15"
        />
        <Field label="After" name="after" value={after} onChange={setAfter} />
        <Button type="submit" disabled={keep.isPending}>
          Keep on its card
        </Button>
        <WrongElse />
      </Form>
    </Fold>
  );
}

/** What goes with it: who cleaned what, how it came, what its pump leaves whole. */
export function CardShown({ card, id }: { card: Schemas["VesselCard"]; id: number }) {
  const clock = useClock();
  const newest = card.counts[0];
  return (
    <section aria-label="Its card" className="mt-5">
      <h3 className="text-xl">Its card</h3>
      {newest ? (
        <>
          <p>
            <b>{newest.whole.value?.sentence}</b>{" "}
            <span className="text-ash">
              Counted {clock.date(newest.at)}, {newest.by}.
            </span>
          </p>
          <Sum working={newest.whole.working} sure={newest.whole.sure} of="this share" />
        </>
      ) : (
        <p>Nobody has counted yet what its pump leaves whole.</p>
      )}
      {card.counts.length > 1 && (
        <ul aria-label="Earlier counts" className="list-inside list-disc">
          {card.counts.slice(1).map((c) => (
            <li key={c.at}>
              {clock.date(c.at)}, {c.by}: {c.whole.value?.sentence}
            </li>
          ))}
        </ul>
      )}
      <ul aria-label="Handed over" className="mt-2">
        {card.handings.map((h) => (
          <li key={h.givenAt} className="border-t border-line py-2">
            <b>
              {h.from} to {h.to}
            </b>
            , {clock.when(h.givenAt)}, signed {h.signed}.{" "}
            {h.steps.length === 0 ? "Not used there." : `Cleaned: ${h.steps.map((s) => s.name).join(", ")}.`}{" "}
            {h.receivedAt === null ? (
              <span className="text-ash">Not received yet.</span>
            ) : h.foundClean ? (
              <span className="text-moss">✓ Came clean, says {h.receivedBy}.</span>
            ) : (
              <span className="text-plum">
                ■ Not clean, says {h.receivedBy}: {h.foundWhat}
              </span>
            )}
          </li>
        ))}
      </ul>
      <p>
        <a href={`/api/shared/vessels/${id}/card.json`} download className="text-clay underline underline-offset-4">
          The card as a file
        </a>
      </p>
    </section>
  );
}
