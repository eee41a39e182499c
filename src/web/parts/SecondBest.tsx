import { Suspense } from "react";
import { Link } from "react-router-dom";
import type { Schemas } from "../api/client";
import { useReadIf } from "../api/data";
import { useClock } from "./clock";
import { Fold } from "./Fold";
import { Sum } from "./Sum";

interface Props {
  lot?: number;
  /** What the lot is of. */
  input?: number;
  batch?: number;
}

/** What a lot that fails a gate may still do here, and what a mistake would cost; of a brew likewise. What stands around it stays. */
export function SecondBest(of: Props) {
  return (
    <Suspense>
      <Told {...of} />
    </Suspense>
  );
}

function Told({ lot, input, batch }: Props) {
  const ofLot = useReadIf(lot !== undefined, "/api/shelf/lots/{id}/second-best", {
    params: { path: { id: lot ?? 0 } },
  });
  const ofBrew = useReadIf(batch !== undefined, "/api/brew/batches/{id}/second-best", {
    params: { path: { id: batch ?? 0 } },
  });
  const view = ofLot ?? ofBrew;
  const answer = view?.answer.value;
  if (!view || !answer) return null;
  return (
    <Fold line={`${sentence(view.says)}: what it may still do`}>
      <ul>
        {answer.ways.map((w) => (
          <Way key={w.way} way={w} input={input} />
        ))}
        {answer.ways.length === 0 && <li className="font-bold text-plum">✕ {answer.verdict.sentence}</li>}
      </ul>
      {answer.mistakes.length > 0 && (
        <ul>
          {answer.mistakes.map((m) => (
            <li key={m.mistake} className="border-t border-line py-1">
              <b className="text-plum">✕ Not {m.mistake}:</b>
              <span className="figures"> {m.costs}.</span>
            </li>
          ))}
        </ul>
      )}
      <Sum working={view.answer.working} sure={view.answer.sure} of="its second-best use" />
    </Fold>
  );
}

function Way({ way: w, input }: { way: Schemas["SecondWay"]; input?: number }) {
  const clock = useClock();
  const name = `${sentence(w.way)}${w.later ? `, from ${clock.date(w.from)}` : ""}`;
  return (
    <li className="border-t border-line py-1">
      {w.link ? (
        <Link
          to={input && w.link.endsWith("solid") ? `${w.link}?input=${input}` : w.link}
          className="inline-flex min-h-11 items-center font-bold text-clay underline underline-offset-4"
        >
          {name}
        </Link>
      ) : (
        <b>{name}</b>
      )}
      <span className="block">
        {w.beds.length > 0 && `${w.beds.length > 6 ? `${w.beds.length} beds` : w.beds.join(", ")}. `}
        {w.mind}
      </span>
    </li>
  );
}

const sentence = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
