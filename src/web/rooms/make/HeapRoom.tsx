import { Link } from "react-router-dom";
import { useRead } from "../../api/data";
import { Go } from "../../parts/Go";
import { Room } from "../../parts/Room";
import { looks } from "../../parts/tone";
import { MaterialTable } from "./MaterialTable";

/** Heaps in a line each; the table of materials that recipes go by. */
export function HeapRoom() {
  const { heaps, materials } = useRead("/api/heaps");
  return (
    <Room
      title="Heaps"
      under="What they are built of, their weeks, and what is taken up of them."
      peek={heaps[0] ? `${heaps[0].name}: ${heaps[0].word}` : "No heap yet"}
      bench={
        <>
          <p className="mb-4">
            <Go to="/make/heap/new" filled>
              Build a heap
            </Go>
          </p>
          <ul>
            {heaps.map((h) => (
              <li key={h.id} className="border-t border-line">
                <Link to={`/make/heap/${h.id}`} className="grid grid-cols-[1fr_auto] gap-x-4 py-2">
                  <b className="text-lg underline decoration-line underline-offset-4">{h.name}</b>
                  <b className="figures text-lg">{h.word}</b>
                  <span className={h.tone === "go" ? "text-ash" : `font-bold ${looks[h.tone].colour}`}>
                    {h.tone !== "go" && `${looks[h.tone].mark} `}
                    {h.says}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
          {heaps.length === 0 && (
            <p className="text-lg">
              Four parts of clippings want about seven of straw by volume: then carbon stands to nitrogen as thirty to
              one, and it heats. Say what you have, and the rest is solved.
            </p>
          )}
        </>
      }
      slate={<MaterialTable materials={materials} />}
    />
  );
}
