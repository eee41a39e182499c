import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Fold } from "../../parts/Fold";
import { Go } from "../../parts/Go";
import { Wrong } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

type Every = Schemas["Every"];

const often: [Every, string][] = [
  ["week", "every week"],
  ["fortnight", "every other week"],
  ["month", "every month"],
];

/** The same brew again: once, or every so often on these beds. */
export function AgainPanel({ batch: b }: { batch: Schemas["BatchView"] }) {
  const clock = useClock();
  const rounds = useRead("/api/brew/rounds");
  const round = rounds.find((r) => r.id === b.roundId);
  const begin = useWrite("/api/brew/batches/{id}/rounds", (every: Every) => ({
    params: { path: { id: b.id } },
    body: { every },
  }));
  const stop = useWrite("/api/brew/rounds/{id}/stop", (id: number) => ({ params: { path: { id } } }));
  return (
    <Fold line={round ? `Again ${round.says}` : "Brew it again"}>
      <p>
        <Go to={`/brew/plan?again=${b.id}`}>Brew it again</Go>
      </p>
      {round ? (
        <>
          <ol className="figures">
            {round.times.slice(0, 4).map((t) => (
              <li key={t.at} className="border-t border-line py-1.5">
                {clock.when(t.at)} {t.moved && <span className="text-ash">· {t.moved}</span>}
              </li>
            ))}
          </ol>
          <p className="text-ash">
            It lies on the day line and in the calendar, and Today asks for it three days before. Nothing begins by
            itself.
          </p>
          <Button disabled={stop.isPending} onClick={() => stop.mutate(round.id)}>
            No more of it
          </Button>
        </>
      ) : (
        <p className="flex flex-wrap items-center gap-3">
          Again on these beds
          {often.map(([every, name]) => (
            <Button key={every} disabled={begin.isPending} onClick={() => begin.mutate(every)}>
              {name}
            </Button>
          ))}
        </p>
      )}
      <Wrong problem={begin.error ?? stop.error} />
    </Fold>
  );
}
