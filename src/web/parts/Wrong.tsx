import { useEffect, useRef } from "react";
import type { FieldProblem, Problem } from "../api/problem";
import { useLeftOver, useRefusal } from "./Form";

/** What went wrong, that nothing was lost, and what to do. */
export function Wrong({ problem }: { problem: Problem | null | undefined }) {
  return problem ? <Says problem={problem} fields={problem.fields} /> : null;
}

/** In a form: what was refused and belongs to no field that stands there. */
export function WrongElse() {
  return useLeftOver().map((left) => <Says key={left.problem.message} {...left} />);
}

function Says({ problem, fields }: { problem: Problem; fields: FieldProblem[] }) {
  return (
    <div role="alert" className="border-l-4 border-plum bg-paper px-4 py-3 text-plum">
      <p className="font-bold">✕ {problem.message}</p>
      {fields.length === 1 && problem.message === fields[0]!.wrong ? (
        <p>{fields[0]!.wayOut}</p>
      ) : fields.length > 0 ? (
        <ul>
          {fields.map((f) => (
            <li key={f.field + f.wrong}>
              <b>{f.field}</b>: {f.wrong} {f.wayOut}
            </li>
          ))}
        </ul>
      ) : (
        <p>{problem.detail}</p>
      )}
    </div>
  );
}

/** What is wrong with something that is not one field: beds, a rate of its own. In a form by its name, else as told. */
export function WrongHere({ name, text }: { name?: string; text?: string | null }) {
  const refused = useRefusal(name);
  const says = text ?? refused;
  const here = useRef<HTMLParagraphElement>(null);
  // Where it lies folded away, what is wrong opens the fold.
  useEffect(() => {
    const fold = says ? here.current?.closest("details") : null;
    if (fold) fold.open = true;
  }, [says]);
  return says ? (
    <p ref={here} role="alert" className="mt-1 font-medium text-plum">
      ✕ {says}
    </p>
  ) : null;
}
