import { useParams } from "react-router-dom";
import { useRead } from "../../api/data";
import { useClock } from "../../parts/clock";
import { Labels } from "../../parts/Labels";

/** A heap's label. */
export function HeapLabel() {
  const heap = useRead("/api/heaps/{id}", { params: { path: { id: Number(useParams().id) } } });
  const clock = useClock();
  return (
    <Labels
      title={`A label for ${heap.name}`}
      back={{ to: `/make/heap/${heap.id}`, name: "Back to the heap" }}
      labels={[
        {
          name: heap.name,
          code: `/api/heaps/${heap.id}/qr.svg`,
          alt: "Leads to this heap in Mud Pie",
          lines: [
            `built ${clock.sayDate(heap.builtAt)}`,
            heap.place,
            heap.bench && `of ${heap.bench.value!.layers.map((l) => l.name).join(", ")}`,
          ],
        },
      ]}
    />
  );
}

/** A label for every tray of a bin. */
export function TrayLabels() {
  const bin = useRead("/api/works/worms/{id}", { params: { path: { id: Number(useParams().id) } } });
  return (
    <Labels
      title={`Labels for the trays of ${bin.name}`}
      back={{ to: `/make/worms/${bin.id}`, name: "Back to the bin" }}
      labels={bin.trays.map((t) => ({
        name: t.name,
        code: `/api/works/worms/${bin.id}/qr.svg`,
        alt: `Leads to ${bin.name} in Mud Pie`,
        lines: [bin.name, bin.asked.place],
      }))}
    />
  );
}
