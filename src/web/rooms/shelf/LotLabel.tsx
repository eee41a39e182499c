import { useSearchParams } from "react-router-dom";
import { useRead } from "../../api/data";
import { useClock } from "../../parts/clock";
import { Go } from "../../parts/Go";
import { Labels } from "../../parts/Labels";

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
    <Labels
      title={`A label for ${input.name}`}
      back={{ to: `/shelf?input=${input.id}`, name: "Back to the shelf" }}
      labels={[
        {
          name: input.name,
          code: `/api/shelf/lots/${lot.id}/qr.svg`,
          alt: "Leads to this lot in Mud Pie",
          lines: [
            `lot ${lot.mark}`,
            `${lot.origin} ${clock.date(lot.from)}${lot.expires ? `, keeps until ${clock.date(lot.expires)}` : ""}`,
            lot.place,
            lot.notes,
          ],
        },
      ]}
    />
  );
}
