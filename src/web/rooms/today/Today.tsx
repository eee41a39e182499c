import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Room } from "../../parts/Room";
import { Go } from "../../parts/Go";
import { useClock } from "../../parts/clock";
import { NoticeButtons } from "../../parts/NoticeButtons";

const strokes = ["border-plum", "border-straw", "border-river", "border-line"];
const words = ["now", "soon", "today", "when there is time"];

/** What wants hands, most pressing first, each with its one button. */
export function Today() {
  const clock = useClock();
  const today = useRead("/api/today");
  const ready = today;
  const first = ready?.items[0];
  return (
    <Room
      title="Wants hands"
      under={ready && `The light now: ${ready.light}.`}
      peek={first ? first.title : "Nothing presses"}
      bench={
        !ready ? (
          <div aria-busy className="flex max-w-2xl flex-col gap-6">
            {[0, 1, 2].map((i) => (
              <div key={i} className="h-32 border-l-8 border-line bg-paper" />
            ))}
          </div>
        ) : ready.items.length === 0 ? (
          <div className="max-w-prose">
            <p className="text-lg">
              Nothing wants hands. A first brew starts with the ground: say which beds, leaf or root, and when, and Mud
              Pie works the rest back from there.
            </p>
            <p className="mt-4">
              <Go to="/brew/plan">Plan a brew</Go>
            </p>
          </div>
        ) : (
          <ol className="flex max-w-2xl flex-col gap-6">
            {ready?.items.map((i) => (
              <Item key={i.id} item={i} />
            ))}
          </ol>
        )
      }
      slate={
        <>
          <h2 className="text-2xl">Going</h2>
          {ready?.going.length === 0 && <p>No brew is going or planned.</p>}
          <ul className="flex flex-col">
            {ready?.going.map((b) => (
              <li key={b.id} className="border-t border-line py-3">
                <p className="font-head text-lg font-bold">
                  {b.vessel}: {b.name}
                </p>
                <p>{b.outcome}</p>
                <p className="text-ash">
                  {b.brewShown}, {b.beds.join(", ")};{" "}
                  {b.startedAt ? `begun ${clock.when(b.startedAt)}` : `to begin ${clock.when(b.plannedStart)}`}, for{" "}
                  {clock.when(b.useAt)}
                </p>
                <p className="mt-2">
                  <Go to={`/brew/${b.id}`}>Look at it</Go>
                </p>
              </li>
            ))}
          </ul>
          <p>
            <Go to="/brew/plan">Plan a brew</Go>
          </p>
        </>
      }
    />
  );
}

function Item({ item }: { item: Schemas["TodayItem"] }) {
  return (
    <li className={`border-l-8 pl-4 ${strokes[item.urgency] ?? "border-line"}`}>
      <p className="text-base text-ash">{words[item.urgency]}</p>
      <h2 className="text-xl">{item.title}</h2>
      <p className="text-lg">{item.detail}</p>
      <p className="mt-2">
        <Go to={item.link}>{item.action}</Go>
      </p>
      {item.noticeId && <NoticeButtons id={item.noticeId} about={item.title} />}
    </li>
  );
}
