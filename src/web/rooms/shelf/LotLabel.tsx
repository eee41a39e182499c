import { useSearchParams } from "react-router-dom";
import { useRead } from "../../api/data";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Go } from "../../parts/Go";

/** A label for a lot: what it is, from when, how long it keeps, and a square that leads to it. */
export function LotLabel() {
  const [search] = useSearchParams();
  const clock = useClock();
  const shelf = useRead("/api/shelf");
  const input = shelf.inputs.find((i) => i.id === Number(search.get("input")));
  const lot = input?.lots.find((l) => l.id === Number(search.get("lot")));
  if (!input || !lot)
    return (
      <main id="room" className="p-5">
        <h1 className="text-2xl">That lot is not on the shelf any more.</h1>
        <p className="mt-3">
          <Go to="/shelf">To the shelf</Go>
        </p>
      </main>
    );
  return (
    <main id="room" className="mx-auto max-w-3xl px-5 pb-24 pt-5">
      <h1 className="no-print text-2xl">A label for {input.name}</h1>
      <p className="no-print my-4 flex flex-wrap gap-3">
        <Button kind="filled" onClick={() => window.print()}>
          Print it
        </Button>
        <Go to={`/shelf?input=${input.id}`}>Back to the shelf</Go>
      </p>
      <div className="flex max-w-md break-inside-avoid items-center gap-4 border-2 border-ink p-4">
        <img
          src={`/api/shelf/lots/${lot.id}/qr.svg`}
          alt="Leads to this lot in Mud Pie"
          className="h-28 w-28 shrink-0"
        />
        <p className="min-w-0">
          <b className="block font-head text-2xl leading-tight">{input.name}</b>
          <span className="block">lot {lot.mark}</span>
          <span className="figures block">
            {lot.origin} {clock.date(lot.from)}
            {lot.expires && `, keeps until ${clock.date(lot.expires)}`}
          </span>
          {lot.place && <span className="block">{lot.place}</span>}
          {lot.notes && <span className="block text-ash">{lot.notes}</span>}
        </p>
      </div>
    </main>
  );
}
