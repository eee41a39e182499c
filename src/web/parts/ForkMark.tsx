import { Popover } from "radix-ui";
import type { Schemas } from "../api/client";
import { useWrite } from "../api/data";
import { Button } from "./Button";
import { Sure } from "./Sum";

interface Props {
  fork?: Schemas["Fork"];
  /** Takes a school for this job only; left out where the job can't be changed any more. */
  onChoose?: (fork: string, school: string) => void;
}

/** A small forked stroke beside any figure that practitioners disagree on. Opens what each school would have given. */
export function ForkMark({ fork, onChoose }: Props) {
  const keep = useWrite("/api/holding/forks/{fork}", (school: string) => ({
    params: { path: { fork: fork!.id } },
    body: { school },
  }));
  if (!fork) return null;
  return (
    <Popover.Root>
      <Popover.Trigger
        className="inline-flex min-h-11 min-w-11 items-center justify-center align-middle text-clay"
        aria-label={`Schools differ: ${fork.question}`}
      >
        <svg viewBox="0 0 20 24" className="h-6 w-5" aria-hidden>
          <path
            d="M10 23V13C10 8 5 8 4 1M10 13c0-5 5-5 6-12"
            fill="none"
            stroke="currentColor"
            strokeWidth="2.4"
            strokeLinecap="round"
          />
        </svg>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          collisionPadding={12}
          className="z-50 max-h-[70vh] w-[min(30rem,94vw)] overflow-y-auto rounded-2xl border-2 border-line bg-paper p-4 text-ink"
          aria-label={fork.question}
        >
          <p className="font-head text-lg font-bold">{fork.question}</p>
          <ul className="mt-2 flex flex-col">
            {fork.schools.map((s) => (
              <li key={s.id} className="border-t border-line py-2">
                <p>
                  <b>
                    {s.id === fork.chosen ? "● " : "○ "}
                    {s.name}
                  </b>
                  {s.id === fork.house && <span className="text-ash"> · house choice</span>}
                </p>
                <p className="figures">{s.gives}</p>
                {onChoose && s.id !== fork.chosen && (
                  <p className="flex gap-4">
                    <Button kind="plain" onClick={() => onChoose(fork.id, s.id)}>
                      take it here
                    </Button>
                    <Button
                      kind="plain"
                      onClick={() => {
                        onChoose(fork.id, s.id);
                        keep.mutate(s.id);
                      }}
                    >
                      and for good
                    </Button>
                  </p>
                )}
              </li>
            ))}
          </ul>
          <p className="border-t border-line pt-2">
            <b>Why the house choice:</b> {fork.why} How sure: <Sure sure={fork.sure} />. It changes: {fork.changes}
          </p>
          <Popover.Close asChild>
            <Button kind="plain">Close</Button>
          </Popover.Close>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
