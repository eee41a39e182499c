import type { Problem } from "../api/client";

/** What went wrong, that nothing was lost, and what to do. */
export function Wrong({ problem, shown = [] }: { problem: Problem | null | undefined; shown?: string[] }) {
  if (!problem) return null;
  const others = problem.fields.filter((f) => !shown.some((s) => f.field === s || f.field.startsWith(s + "[")));
  if (problem.fields.length > 0 && others.length === 0) return null;
  return (
    <div role="alert" className="border-l-4 border-plum bg-paper px-4 py-3 text-plum">
      <p className="font-bold">✕ {problem.message}</p>
      {others.length === 1 && problem.message === others[0]!.wrong ? (
        <p>{others[0]!.wayOut}</p>
      ) : others.length > 0 ? (
        <ul>
          {others.map((f) => (
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

/** What is wrong with something that is not one field: beds, a rate of its own. */
export function WrongHere({ text }: { text?: string | null }) {
  return text ? (
    <p role="alert" className="mt-1 font-medium text-plum">
      ✕ {text}
    </p>
  ) : null;
}
