import { useRead } from "../../api/data";
import { Go } from "../../parts/Go";
import { Room } from "../../parts/Room";
import { CastingsCarry } from "./CastingsCarry";
import { WorkLines } from "./WorkLines";

/** Worm bins in a line each; whether their castings feed a pot. */
export function WormRoom() {
  const { bins } = useRead("/api/works/worms");
  return (
    <Room
      title="Worms"
      under="What they get, how it stands in their trays, and what their castings carry."
      peek={bins[0] ? `${bins[0].name}: ${bins[0].word}` : "No worms yet"}
      bench={
        <>
          <p className="mb-4">
            <Go to="/make/worms/new" filled>
              Set up worms
            </Go>
          </p>
          <WorkLines lines={bins} />
          {bins.length === 0 && (
            <p className="text-lg">
              A kilo of compost worms eats about half a kilo a day where it is 15 to 25 °C: damp bedding, browns with
              the greens, food under the cover. Or feed those that live under a mulch.
            </p>
          )}
        </>
      }
      slate={<CastingsCarry />}
    />
  );
}
