import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { useClock } from "../../parts/clock";
import { Form } from "../../parts/Form";
import { Room } from "../../parts/Room";
import { Wrong, WrongElse } from "../../parts/Wrong";
import { BookedLine } from "./BookedLine";
import { BookIt, CardShown, CountThrough, HandOver, Receive } from "./SharedForms";

/** Vessels that the holdings of a box let each other use: whose turn it is, how they come, what their pumps leave whole. */
export function SharedRoom() {
  const read = useRead("/api/shared");
  const [chosen, choose] = useState<number | null>(null);
  const picked = read.vessels.find((v) => v.id === chosen) ?? read.vessels[0];
  if (!read.atBox)
    return (
      <Room
        title="Shared vessels"
        under="This holding is served by itself: there is nobody to share with."
        peek="Nothing shared"
        bench={
          <p>On a co-operative’s box the holdings can let each other use a vessel, booked and handed over clean.</p>
        }
        slate={null}
      />
    );
  return (
    <Room
      title="Shared vessels"
      under="Booked, handed over clean, and its card goes along."
      peek={picked ? picked.card.name : "Share one"}
      bench={
        <>
          {read.vessels.length === 0 && (
            <p className="text-lg">Nobody shares a vessel yet. Share one of yours, and the others can book it.</p>
          )}
          <ul aria-label="Shared vessels">
            {read.vessels.map((v) => (
              <li key={v.id} className="border-t border-line py-3">
                <button
                  type="button"
                  aria-pressed={v === picked}
                  onClick={() => choose(v.id)}
                  className="block min-h-12 w-full text-left"
                >
                  <b className={`font-head text-xl ${v === picked ? "text-clay" : ""}`}>{v.card.name}</b>{" "}
                  <span className="text-ash">{v.ours ? "yours" : `of ${v.card.whose}`}</span>
                  <span className={`block ${v.stands === "coming" ? "font-bold text-straw" : ""}`}>
                    {v.stands === "coming" && <span aria-hidden>▲ </span>}
                    {v.where}
                  </span>
                </button>
                <BookedLine vessel={v} days={read.days} />
              </li>
            ))}
          </ul>
          {read.own.length > 0 && <Offer own={read.own} />}
        </>
      }
      slate={picked ? <Picked key={picked.id} vessel={picked} name={read.name ?? ""} /> : null}
    />
  );
}

function Picked({ vessel, name }: { vessel: Schemas["SharedVesselView"]; name: string }) {
  const clock = useClock();
  const path = { params: { path: { id: vessel.id } } };
  const keep = useWrite("/api/shared/vessels/{id}/keep", () => path);
  const end = useWrite("/api/shared/vessels/{id}/end", () => path);
  const off = useWrite("/api/shared/bookings/{id}/off", (id: number) => ({ params: { path: { id } } }));
  return (
    <>
      <h2 className="text-2xl">{vessel.card.name}</h2>
      <p>
        {vessel.size}. {vessel.where} {vessel.clean}
      </p>
      {(vessel.stands === "coming" || (vessel.stands === "here" && vessel.kitId === null)) && (
        <Receive vessel={vessel} />
      )}
      {vessel.stands === "here" && vessel.kitId !== null && <HandOver vessel={vessel} name={name} />}
      {vessel.stands === "going" && (
        <>
          <Wrong problem={keep.error} />
          <Button onClick={() => keep.mutate(undefined)} disabled={keep.isPending}>
            It stays here after all
          </Button>
        </>
      )}
      <h3 className="mt-5 text-xl">Who has it when</h3>
      <Wrong problem={off.error} />
      {vessel.bookings.length === 0 && <p>Nobody has booked it.</p>}
      <ul aria-label="Bookings" className="figures">
        {vessel.bookings.map((b) => (
          <li key={b.id} className="flex flex-wrap items-center justify-between gap-x-3 border-t border-line py-1">
            <span>
              <b>{b.ours ? "You" : b.called}</b>, {clock.when(b.from)} to {clock.when(b.until)}
            </span>
            {b.canCallOff && (
              <Button
                kind="plain"
                disabled={off.isPending}
                onClick={() => off.mutate(b.id)}
                aria-label={`call off: ${b.called}, ${clock.when(b.from)}`}
              >
                call off
              </Button>
            )}
          </li>
        ))}
      </ul>
      <BookIt id={vessel.id} />
      <CardShown card={vessel.card} id={vessel.id} />
      {vessel.stands === "here" && <CountThrough id={vessel.id} />}
      {vessel.ours && (
        <>
          <h3 className="mt-5 text-xl">No longer for the others</h3>
          <Wrong problem={end.error} />
          <Button onClick={() => end.mutate(undefined)} disabled={end.isPending}>
            Share it no more
          </Button>
        </>
      )}
    </>
  );
}

/** A vessel of one's own, for the others too. */
function Offer({ own }: { own: readonly Schemas["OwnVesselView"][] }) {
  const [vessel, setVessel] = useState(String(own[0]!.id));
  const offer = useWrite("/api/shared/vessels", () => ({ body: { vesselId: Number(vessel) } }));
  const there = own.some((o) => String(o.id) === vessel) ? vessel : String(own[0]!.id);
  return (
    <section aria-label="Share one of yours" className="mt-6 border-t-2 border-ink pt-3">
      <h2 className="text-xl">Share one of yours</h2>
      <p>
        All holdings of this box then see its size, its card, who has it and who books it, by what you call yourselves.
        Of your record they see nothing else.
      </p>
      <Form problem={offer.error} onSend={() => offer.mutate(undefined)} className="mt-2 space-y-3">
        <Choice
          label="Which"
          name="vesselId"
          value={there}
          onChange={setVessel}
          options={own.map((o) => ({ value: String(o.id), name: o.name }))}
        />
        <Button type="submit" kind="filled" disabled={offer.isPending}>
          Share it
        </Button>
        <WrongElse />
      </Form>
    </section>
  );
}
