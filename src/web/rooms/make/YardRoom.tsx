import { useRead } from "../../api/data";
import { Brewhouse } from "../../parts/Brewhouse";
import { Room } from "../../parts/Room";
import { Go } from "../../parts/Go";
import { looks } from "../../parts/tone";
import { Drawn } from "./Yard";
import { Link } from "react-router-dom";

const begin = [
  ["/brew/plan", "A brew"],
  ["/make/mix/new", "A mix"],
  ["/make/heap/new", "A heap"],
  ["/make/worms", "Worms"],
  ["/make/sheet/new", "What is a bed short of?"],
  ["/make/byproduct", "A by-product"],
  ["/make/char/new", "A burn"],
  ["/make/prep/new", "A preparation"],
  ["/brew/recipes", "A recipe"],
  ["/put-out/dose", "Something from a bottle"],
] as const;

/** The yard: what is being made, as it stands now; each thing a door. */
export function YardRoom() {
  const yard = useRead("/api/make/yard");
  const [first, ...then] = yard.items;
  const look = first && (first.urgency === 0 ? looks.stop : first.urgency === 1 ? looks.mind : looks.go);
  return (
    <Room
      title="The yard"
      under="What is being made, as it stands now. Each thing leads to its page."
      peek={first?.title ?? "Nothing in the yard wants hands"}
      bench={
        <>
          <Drawn yard={yard} />
          <Brewhouse />
        </>
      }
      slate={
        <>
          {first && look ? (
            <div>
              <p className={`font-bold ${look.colour}`}>
                {look.mark} {first.urgency === 0 ? "Now" : first.urgency === 1 ? "Soon" : "Today"}
              </p>
              <h2 className={`text-2xl leading-tight ${look.colour}`}>{first.title}</h2>
              <p className="mt-1 text-lg">{first.detail}</p>
              <p className="mt-3">
                <Go to={first.link} filled>
                  {first.action}
                </Go>
              </p>
            </div>
          ) : (
            <h2 className="text-2xl text-moss">✓ Nothing in the yard wants hands.</h2>
          )}
          {then.length > 0 && (
            <section>
              <h2 className="text-xl">Then</h2>
              <ul>
                {then.slice(0, 6).map((i) => (
                  <li key={i.id} className="border-t border-line">
                    <Link to={i.link} className="block py-2">
                      <b className="underline decoration-line underline-offset-4">{i.title}</b>
                      <span className="block text-ash">{i.detail}</span>
                    </Link>
                  </li>
                ))}
              </ul>
            </section>
          )}
          <section>
            <h2 className="text-xl">Begin something</h2>
            <p className="mt-2 flex flex-wrap gap-3">
              {begin.map(([to, name]) => (
                <Go key={to} to={to}>
                  {name}
                </Go>
              ))}
            </p>
          </section>
        </>
      }
    />
  );
}
