import { type ReactNode, useDeferredValue, useId } from "react";
import { useWorkOut } from "../../api/data";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { WrongHere } from "../../parts/Wrong";
import { Fills, fill } from "./fills";
import { TrialMap } from "./TrialMap";
import type { Plan } from "./trialForm";

const designs = [
  { value: "blocks", name: "in blocks" },
  { value: "random", name: "all by lot" },
  { value: "factorial", name: "things crossed" },
  { value: "split-plot", name: "split plots" },
  { value: "pair", name: "side by side" },
] as const;

const grounds = [
  { value: "beds", name: "beds" },
  { value: "pots", name: "pots or trays" },
  { value: "strips", name: "strips in a field" },
] as const;

interface Props {
  plan: Plan;
  set: (part: Partial<Plan>) => void;
  /** What is done with it. */
  children: ReactNode;
}

/** The trial drawn while it is planned: how it would lie, and what is chosen on the drawing. */
export function Draft({ plan: p, set, children }: Props) {
  const asked = useDeferredValue(p);
  const draft = useWorkOut("/api/judge/trials/lay", { body: asked });
  const d = draft.last;
  const n = p.replicates ?? 0;
  return (
    <section aria-label="How it lies">
      <div className="flex flex-wrap items-start gap-x-6 gap-y-2">
        <Choice
          label="Design"
          value={p.design as (typeof designs)[number]["value"]}
          options={designs}
          onChange={(design) => set({ design, ...(design === "pair" ? { replicates: 1 } : {}) })}
          name="design"
        />
        <Choice label="On" value={p.kind as "beds"} options={grounds} onChange={(kind) => set({ kind })} />
        <div role="group" aria-label="Plots of each">
          <p className="text-base font-medium">{p.design === "pair" ? "Pairs" : "Plots of each"}</p>
          <p className="mt-1 flex items-center gap-3">
            <Button aria-label="one fewer of each" disabled={n <= 1} onClick={() => set({ replicates: n - 1 })}>
              −
            </Button>
            <b className="figures min-w-8 text-center text-2xl" aria-live="polite">
              {n || "?"}
            </b>
            <Button aria-label="one more of each" disabled={n >= 40} onClick={() => set({ replicates: n + 1 })}>
              +
            </Button>
          </p>
          <WrongHere name="replicates" />
        </div>
        <div className="ml-auto self-end">{children}</div>
      </div>
      {(p.design === "factorial" || p.design === "split-plot") && <Crossed plan={p} />}
      {d && (
        <div className={`mt-3 ${draft.problem ? "opacity-50" : ""}`}>
          <TrialMap trial={d} plots={d.plots} shown={(plot) => String(plot.number)} />
          <p className="text-ash">{d.says} An example: it is drawn by lot once the plan is kept.</p>
        </div>
      )}
      {draft.problem && (
        <p role="alert" className="text-plum">
          ✕ {draft.problem.message}
        </p>
      )}
    </section>
  );
}

const upTo = 60;

/** Things crossed as a grid: one factor down, the others across, a treatment in each square. */
function Crossed({ plan: p }: { plan: Plan }) {
  const id = useId().replaceAll(":", "");
  const list = p.treatments ?? [];
  const down = [...new Set(list.map((t) => t.levels?.[0] ?? ""))];
  const across = [...new Set(list.map((t) => (t.levels ?? []).slice(1).join(", ")))];
  const at = (d: string, a: string) =>
    list.findIndex((t) => t.levels?.[0] === d && (t.levels ?? []).slice(1).join(", ") === a);
  if (list.length === 0 || list.length > upTo) return null;
  return (
    <div className="mt-3 overflow-x-auto">
      <svg width="0" height="0" aria-hidden className="absolute">
        <Fills id={id} />
      </svg>
      <table className="border-collapse text-center">
        <caption className="text-left text-ash">{(p.factors ?? []).join(" × ")}</caption>
        <thead>
          <tr>
            <td />
            {across.map((a) => (
              <th key={a} scope="col" className="px-2 font-medium">
                {a || "—"}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {down.map((d) => (
            <tr key={d}>
              <th scope="row" className="pr-3 text-right font-medium">
                {d || "—"}
              </th>
              {across.map((a) => (
                <td key={a} className="p-1">
                  {at(d, a) >= 0 ? (
                    <svg viewBox="0 0 60 26" className="mx-auto h-7 w-16" role="img" aria-label={`${d}, ${a}`}>
                      <rect
                        x="1"
                        y="1"
                        width="58"
                        height="24"
                        rx="6"
                        className="stroke-ink"
                        fill={fill(id, at(d, a))}
                      />
                    </svg>
                  ) : (
                    <span className="text-ash">not tried</span>
                  )}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
