import type { Schemas } from "../../api/client";

const p = (v: number | null | undefined) => (v == null ? "" : v < 0.0001 ? "< 0.0001" : v.toFixed(4));
const n = (v: number | null | undefined) => (v == null ? "" : String(Number(v.toPrecision(4))));

/** The table for those who want it: analysis, means, all comparisons, and what is left over of each plot. */
export function AnswerTable({ answer: a }: { answer: Schemas["TrialAnswer"] }) {
  const apart = (a.gamesHowell?.length ?? 0) > 1;
  return (
    <div className="flex flex-col gap-4 overflow-x-auto">
      <Table
        title="What the verdicts rest on"
        heads={["pair", "difference", "from", "to", "verdict"]}
        rows={a.verdicts.map((v) => [`${v.of} − ${v.against}`, n(v.difference), n(v.lower), n(v.upper), v.word])}
      />
      {apart && (
        <Table
          title="All pairs, each by its own spread (Games and Howell)"
          heads={["pair", "difference", "from", "to", "p"]}
          rows={a.gamesHowell!.map((c) => [`${c.of} − ${c.against}`, n(c.difference), n(c.lower), n(c.upper), p(c.p)])}
        />
      )}
      {a.anova.length > 0 && (
        <Table
          title={apart ? "Analysis, one noise for all" : "Analysis"}
          heads={["what", "df", "sum of squares", "mean square", "F", "p"]}
          rows={a.anova.map((l) => [l.term, String(l.df), n(l.ss), n(l.ms), n(l.f), p(l.p)])}
        />
      )}
      <Table
        title={apart ? "Means, each with its 95 % interval by that noise" : "Means, each with its 95 % interval"}
        heads={["what", "plots", "mean", "from", "to"]}
        rows={a.means.map((m) => [m.name, String(m.plots), n(m.mean), n(m.lower), n(m.upper)])}
      />
      <Table
        title="Against the control, all at once (Dunnett)"
        heads={["pair", "difference", "from", "to", "t", "p"]}
        rows={a.dunnett.map((c) => [c.pair, n(c.difference), n(c.lower), n(c.upper), n(c.t), p(c.p)])}
      />
      {a.tukey.length > 1 && (
        <Table
          title="All pairs (Tukey)"
          heads={["pair", "difference", "from", "to", "p"]}
          rows={a.tukey.map((c) => [c.pair.replace("-", " − "), n(c.difference), n(c.lower), n(c.upper), p(c.p)])}
        />
      )}
      <Residuals residuals={a.residuals} />
    </div>
  );
}

function Table({ title, heads, rows }: { title: string; heads: string[]; rows: string[][] }) {
  return (
    <table className="w-full">
      <caption className="text-left font-head text-lg font-bold">{title}</caption>
      <thead>
        <tr>
          {heads.map((h, i) => (
            <th key={h} scope="col" className={i === 0 ? "text-left" : "pl-3 text-right"}>
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((r, i) => (
          <tr key={i} className="border-t border-line">
            {r.map((c, k) => (
              <td key={k} className={k === 0 ? "" : "pl-3 text-right"}>
                {c}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What is left of each plot beside what the model makes of it: no shape should be seen here. */
function Residuals({ residuals }: { residuals: Schemas["TrialResidual"][] }) {
  const fitted = residuals.map((r) => r.fitted);
  const most = Math.max(...residuals.map((r) => Math.abs(r.residual)), 1e-9);
  const [low, high] = [Math.min(...fitted), Math.max(...fitted)];
  const x = (v: number) => 40 + ((v - low) / (high - low || 1)) * 470;
  const y = (v: number) => 90 - (v / most) * 72;
  const far = residuals.filter((r) => r.outlier);
  return (
    <figure>
      <figcaption className="font-head text-lg font-bold">What is left over</figcaption>
      <svg
        viewBox="0 0 540 200"
        className="h-auto w-full max-w-2xl"
        role="img"
        aria-label={`Residuals against fitted values, from ${n(-most)} to ${n(most)}. ${far.length > 0 ? `Far from the rest: ${far.map((r) => r.plot).join(", ")}.` : "None lies far from the rest."}`}
      >
        <path d="M30 90H520" className="stroke-line" />
        <path d="M30 14V166" className="stroke-line" />
        {residuals.map((r, i) => (
          <g key={i}>
            <circle
              cx={x(r.fitted)}
              cy={y(r.residual)}
              r={r.outlier ? 7 : 5}
              className={r.outlier ? "fill-plum" : "fill-paper stroke-river"}
              strokeWidth="2"
            />
            {r.outlier && (
              <text
                x={x(r.fitted) + (x(r.fitted) > 420 ? -10 : 10)}
                y={y(r.residual) + 5}
                textAnchor={x(r.fitted) > 420 ? "end" : "start"}
                fontSize="14"
                className="fill-plum"
              >
                {r.plot}
              </text>
            )}
          </g>
        ))}
        <text x="520" y="186" textAnchor="end" fontSize="14" className="fill-ash">
          fitted, {n(low)} to {n(high)}; up and down: residual, ±{n(most)}
        </text>
      </svg>
    </figure>
  );
}
