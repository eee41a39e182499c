import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Wrong } from "../../parts/Wrong";
import { Square } from "./LetIn";

/** Whether phones reach this machine, and how one comes to trust it. */
export function Yard() {
  const yard = useRead("/api/people/yard");
  const set = useWrite("/api/people/yard", (open: boolean) => ({ body: { open } }));
  return (
    <section className="border-t-2 border-line pt-4">
      <h2 className="text-2xl">The yard</h2>
      {!yard.canOpen ? (
        <p>
          {yard.address
            ? `Reached at ${yard.address}.`
            : "Whoever began this server says how it is reached; the yard can’t be opened from here."}
        </p>
      ) : yard.open ? (
        <>
          <p className="text-lg">
            ✓ <b>Open.</b> Phones in the yard reach it at <b className="figures break-words">{yard.address}</b>
          </p>
          {yard.trust && (
            <div className="my-3 flex flex-wrap items-center gap-5">
              <Square svg={yard.trustSquare ?? ""} says={`A square that leads to ${yard.trust}`} />
              <p className="max-w-64">
                <b>A new phone scans this first</b>, and trusts this machine’s seal. Its screen must show the same
                signs:
                <b className="figures block font-head text-2xl">{yard.fingerprint}</b>
              </p>
            </div>
          )}
          <p className="mt-2">
            <Button onClick={() => set.mutate(false)} disabled={set.isPending}>
              Close the yard
            </Button>
          </p>
        </>
      ) : (
        <>
          <p>
            Closed: Mud Pie answers this machine alone. Open, it listens to the network that this machine is on, in
            cipher, and everybody signs in.
          </p>
          <p className="mt-2">
            <Button kind="filled" onClick={() => set.mutate(true)} disabled={set.isPending}>
              Open the yard
            </Button>
          </p>
        </>
      )}
      <Wrong problem={set.error} />
    </section>
  );
}
