import type { Problem } from "../api/client";

/** What went wrong, that nothing was lost, and what to do. */
export function Wrong({ problem, shown = [] }: { problem: Problem | null | undefined; shown?: string[] }) {
  if (!problem) return null;
  const others = problem.fields.filter((f) => !shown.some((s) => f.field === s || f.field.startsWith(s + "[")));
  if (problem.fields.length > 0 && others.length === 0) return null;
  return (
    <div role="alert" className="border-l-4 border-plum bg-paper px-4 py-3 text-plum">
      <p className="font-bold">✕ {problem.message}</p>
      {others.length > 0 ? (
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
