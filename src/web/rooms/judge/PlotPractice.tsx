import { useId, useState } from "react";
import type { Schemas } from "../../api/client";
import { useWorkOut } from "../../api/data";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Room } from "../../parts/Room";
import { useWidth } from "../../parts/mapView";
import { Wrong } from "../../parts/Wrong";
import { Fills, fill } from "./fills";
import { PracticeField, Tries } from "./PracticeDrawings";

const layouts = [
  { value: "halves", name: "one side against the other" },
  { value: "alternate", name: "turn and turn about" },
  { value: "random", name: "by lot over the whole" },
  { value: "blocks", name: "in blocks across the slope" },
] as const;

const words = [
  { value: "works", name: "it works" },
  { value: "some effect, perhaps not worth it", name: "some effect, perhaps not worth it" },
  { value: "no useful difference", name: "no useful difference" },
  { value: "does harm", name: "it does harm" },
  { value: "cannot tell yet", name: "I can’t tell yet" },
] as const;

/** The field before it is laid out: wet at one end, dry at the other, with the plots as they would lie; what the lot decides is open. */
function Slope({ replicates, layout }: { replicates: number; layout: (typeof layouts)[number]["value"] }) {
  const id = useId().replaceAll(":", "");
  const [FW, ref] = useWidth();
  const n = Number.isInteger(replicates) && replicates >= 1 && replicates <= 20 ? replicates * 2 : 0;
  const w = (FW - 20) / Math.max(n, 1);
  const what = (i: number) =>
    layout === "halves" ? (i < n / 2 ? 1 : 0) : layout === "alternate" ? (i % 2 === 0 ? 1 : 0) : null;
  return (
    <svg
      ref={ref}
      viewBox={`0 0 ${FW} 150`}
      className="my-2 block h-[150px] w-full"
      role="img"
      aria-label={`A field from wet to dry, ${n} plots ${layouts.find((l) => l.value === layout)?.name}`}
    >
      <defs>
        <Fills id={id} />
        <linearGradient id={`${id}-wet`}>
          <stop offset="0" stopColor="var(--color-river)" stopOpacity="0.55" />
          <stop offset="1" stopColor="var(--color-straw)" stopOpacity="0.35" />
        </linearGradient>
      </defs>
      <rect x="10" y="8" width={FW - 20} height="108" rx="12" fill={`url(#${id}-wet)`} className="stroke-ink" />
      <text x="22" y="30" fontSize="15" fontWeight="700" className="fill-ink halo">
        wet end
      </text>
      <text x={FW - 22} y="30" textAnchor="end" fontSize="15" fontWeight="700" className="fill-ink halo">
        dry end
      </text>
      {Array.from({ length: n }, (_, i) => {
        const t = what(i);
        return (
          <g key={i}>
            <rect
              x={10 + i * w + 2}
              y="42"
              width={Math.max(3, w - 4)}
              height="62"
              rx="6"
              className="stroke-ink"
              strokeWidth="1.4"
              fill={t === null ? "var(--color-shade)" : fill(id, t === 1 ? 2 : 0)}
            />
            {t === null && (
              <text x={10 + (i + 0.5) * w} y="79" textAnchor="middle" fontSize="16" className="fill-ink">
                ?
              </text>
            )}
            {layout === "blocks" && i % 2 === 0 && i > 0 && (
              <path d={`M${10 + i * w} 36V110`} className="stroke-clay" strokeWidth="2.5" />
            )}
          </g>
        );
      })}
      <text x="10" y="140" fontSize="15" className="fill-ash">
        {layout === "blocks"
          ? "each block holds one of both, in an order that the lot decides"
          : layout === "random"
            ? "the lot decides which is drenched"
            : "hatched: drenched"}
      </text>
    </svg>
  );
}

/** The trainer: a field with a hidden truth. Choose, harvest, decide; then see the truth, and a thousand such fields. */
export function PlotPractice() {
  const [seed, setSeed] = useState(1);
  const [replicates, setReplicates] = useState("4");
  const [layout, setLayout] = useState<(typeof layouts)[number]["value"]>("halves");
  const [laid, setLaid] = useState(false);
  const [decision, setDecision] = useState<Schemas["Finding"] | null>(null);
  const asked: Schemas["PracticePlotQuestion"] = laid
    ? { seed, replicates: /^\d+$/.test(replicates.trim()) ? Number(replicates) : null, layout, decision }
    : { seed, replicates: null, layout: null, decision: null };
  const field = useWorkOut("/api/judge/practice", { body: asked });
  const p = field.data?.value;
  const truth = decision ? p?.truth : null;
  const anew = () => {
    setSeed(seed + 1);
    setLaid(false);
    setDecision(null);
  };
  return (
    <Room
      title="Practice plot"
      under="Made-up fields by a model. Nothing is kept, and nothing is scored."
      peek={truth ? (truth.decidedRight ? "You were right" : "See the truth") : "Choose, harvest, decide"}
      bench={
        <>
          <p className="min-h-36 text-lg sm:min-h-14">{p?.story}</p>
          {!laid ? (
            <Form className="mt-3" onSend={() => setLaid(true)}>
              <Slope replicates={Number(replicates)} layout={layout} />
              <div className="max-w-xs">
                <Field
                  label="Plots of each"
                  inputMode="numeric"
                  value={replicates}
                  onChange={setReplicates}
                  hint="1 to 20"
                />
              </div>
              <Choice label="How they lie" value={layout} options={layouts} onChange={setLayout} />
              <Button type="submit" kind="filled" className="mt-3">
                Lay it out, and harvest
              </Button>
            </Form>
          ) : field.problem ? (
            <>
              <Wrong problem={field.problem} />
              <Button onClick={() => setLaid(false)}>Choose again</Button>
            </>
          ) : (
            p &&
            p.plots.length > 0 && (
              <>
                <PracticeField unit={p.unit} plots={p.plots} />
                <p className="text-lg">
                  {p.answer?.sentence} <span className="text-ash">({p.answer?.test.name})</span>
                </p>
              </>
            )
          )}
          {truth && <Tries truth={truth} worth={p!.worth} unit={p!.unit} />}
        </>
      }
      slate={
        !laid ? (
          <p className="text-lg">
            Two things make a field lie: it slopes, and it strays. Replicates calm the straying; how they lie decides
            what becomes of the slope.
          </p>
        ) : truth ? (
          <>
            <h2 className={`text-2xl ${truth.decidedRight ? "text-moss" : "text-straw"}`}>
              {truth.decidedRight ? "✓ You were right." : "▲ Look again."}
            </h2>
            <p className="text-lg">{truth.account}</p>
            <h3 className="text-lg">In a thousand such fields your choice</h3>
            <p className="text-lg font-bold">
              was right {(truth.yours.right * 10).toFixed(1)} times in ten, wrong {(truth.yours.wrong * 10).toFixed(1)},
              and could not tell in the rest.
            </p>
            <table className="w-full">
              <caption className="text-left font-bold">Other choices on the same field</caption>
              <thead>
                <tr>
                  <th scope="col" className="text-left">
                    layout
                  </th>
                  <th scope="col" className="text-right">
                    right
                  </th>
                  <th scope="col" className="text-right">
                    wrong
                  </th>
                </tr>
              </thead>
              <tbody>
                {truth.others.map((o) => (
                  <tr key={o.name} className="border-t border-line">
                    <td>{o.name}</td>
                    <td className="text-right">{(o.right * 10).toFixed(1)} in ten</td>
                    <td className="text-right">{(o.wrong * 10).toFixed(1)} in ten</td>
                  </tr>
                ))}
              </tbody>
            </table>
            <p className="flex flex-wrap gap-3">
              <Button kind="filled" onClick={anew}>
                Another field
              </Button>
              <Button
                onClick={() => {
                  setLaid(false);
                  setDecision(null);
                }}
              >
                The same field, laid otherwise
              </Button>
            </p>
          </>
        ) : (
          <section>
            <h2 className="text-xl">What do you make of it?</h2>
            <ul className="flex flex-col gap-2">
              {words.map((w) => (
                <li key={w.value}>
                  <Button onClick={() => setDecision(w.value)}>{w.name}</Button>
                </li>
              ))}
            </ul>
          </section>
        )
      }
    />
  );
}
