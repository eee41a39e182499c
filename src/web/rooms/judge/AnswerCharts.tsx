import { Interval } from "../../parts/Interval";
import { type RefObject, useId } from "react";
import type { Schemas } from "../../api/client";
import { Fills, fill } from "./fills";

const width = 490;
const left = 160;
const right = 20;

/** Even marks on an axis: about five of 1, 2 or 5 times a power of ten. */
function ticks(low: number, high: number) {
  const rough = (high - low) / 5;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 5, 10].map((m) => m * power).find((s) => s >= rough) ?? power;
  const decimals = Math.max(0, -Math.floor(Math.log10(step) + 1e-9));
  const marks = [];
  for (let v = Math.ceil(low / step - 1e-9) * step; v <= high + step * 1e-6; v += step) marks.push(v);
  return marks.map((v) => ({ v, text: (Math.abs(v) < step / 1e3 ? 0 : v).toFixed(decimals) }));
}

const signed = (text: string) => (text.startsWith("-") ? "−" + text.slice(1) : Number(text) === 0 ? text : "+" + text);

/** A name that fits beside the axis: cut in two lines where it is long. */
function Name({ text, y }: { text: string; y: number }) {
  const words = text.split(" ");
  const cut = words.findIndex((_, i) => words.slice(0, i + 1).join(" ").length > 18);
  const lines = text.length <= 18 || cut < 1 ? [text] : [words.slice(0, cut).join(" "), words.slice(cut).join(" ")];
  return (
    <text textAnchor="end" fontSize="15" fontWeight="700" className="fill-ink">
      {lines.map((l, i) => (
        <tspan key={i} x={left - 14} y={y + 5 + (i - (lines.length - 1) / 2) * 17}>
          {l}
        </tspan>
      ))}
    </text>
  );
}

/**
 * Every plot as a dot, with each treatment's mean and its 95 % interval. The order of treatments is the map's, so that each
 * keeps its hatching.
 */
export function Dots({
  judged,
  order,
  svg,
}: {
  judged: Schemas["TrialJudged"];
  order: string[];
  svg: RefObject<SVGSVGElement | null>;
}) {
  const id = useId().replaceAll(":", "");
  const answer = judged.answer.value!;
  const names = order.filter((n) => judged.dots.some((d) => d.treatment === n));
  const means = names.map((n) => answer.judgedMeans?.find((m) => m.name === n));
  const all = [...judged.dots.map((d) => d.value), ...means.flatMap((m) => [m?.lower, m?.upper])].filter(
    (v): v is number => typeof v === "number",
  );
  const pad = (Math.max(...all) - Math.min(...all)) * 0.06 || 1;
  const [low, high] = [Math.min(...all) - pad, Math.max(...all) + pad];
  const x = (v: number) => left + ((v - low) / (high - low)) * (width - left - right);
  const row = 58;
  const bottom = names.length * row + 8;
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${bottom + 48}`}
      className="h-auto w-full"
      role="img"
      aria-label={names
        .map(
          (n, i) =>
            `${n}: mean ${means[i]?.mean.toPrecision(3)} of ${judged.dots.filter((d) => d.treatment === n).length} plots`,
        )
        .join("; ")}
    >
      <Fills id={id} />
      {names.map((n, i) => {
        const [y, m] = [i * row + 30, means[i]];
        return (
          <g key={n}>
            <Name text={n} y={y} />
            <rect
              x={left - 8}
              y={y - 20}
              width="6"
              height="40"
              className="stroke-ink"
              strokeWidth="0.8"
              fill={fill(id, i)}
            />
            {judged.dots
              .filter((d) => d.treatment === n)
              .map((d, k) => (
                <circle
                  key={k}
                  cx={x(d.value)}
                  cy={y + 12 + (k % 3) * 5}
                  r="4.5"
                  className="fill-paper stroke-river"
                  strokeWidth="2"
                />
              ))}
            {m && (
              <>
                <Interval x={x} y={y - 6} lower={m.lower} upper={m.upper} end={6} />
                <path d={`M${x(m.mean)} ${y - 14}l7 8-7 8-7-8z`} className="fill-clay" />
              </>
            )}
          </g>
        );
      })}
      <path d={`M${left} ${bottom}H${width - right}`} className="stroke-line" />
      {ticks(low, high).map((t) => (
        <text key={t.v} x={x(t.v)} y={bottom + 20} textAnchor="middle" fontSize="14" className="fill-ash figures">
          {t.text}
        </text>
      ))}
      <text x={width - right} y={bottom + 42} textAnchor="end" fontSize="14" className="fill-ash">
        {answer.unit && `${answer.unit}; `}a dot a plot, the bar its mean 19 times in 20
      </text>
    </svg>
  );
}

/** Differences from the control with their intervals, against nought and the line worth having. */
export function Differences({ judged, svg }: { judged: Schemas["TrialJudged"]; svg: RefObject<SVGSVGElement | null> }) {
  const answer = judged.answer.value!;
  const rows = answer.verdicts;
  const worth = judged.worthHaving;
  const sign = judged.lowerIsBetter ? -1 : 1;
  const ends = [
    0,
    worth ? sign * worth * 1.25 : 0,
    worth ? -sign * worth * 0.4 : 0,
    ...rows.flatMap((r) => [r.lower ?? r.difference, r.upper ?? r.difference]),
  ];
  const pad = (Math.max(...ends) - Math.min(...ends)) * 0.06 || 1;
  const [low, high] = [Math.min(...ends) - pad, Math.max(...ends) + pad];
  const x = (v: number) => left + ((v - low) / (high - low)) * (width - left - right);
  const row = 56;
  const bottom = rows.length * row + 34;
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${bottom + 48}`}
      className="h-auto w-full"
      role="img"
      aria-label={rows
        .map(
          (r) =>
            `${r.of} less ${r.against}: ${r.difference.toPrecision(3)}, from ${r.lower?.toPrecision(3) ?? "not known"} to ${r.upper?.toPrecision(3) ?? "not known"}: ${r.word}`,
        )
        .join("; ")}
    >
      {worth && (
        <>
          <rect
            x={sign > 0 ? x(worth) : left}
            y="4"
            width={sign > 0 ? width - right - x(worth) : x(-worth) - left}
            height={bottom - 4}
            className="fill-moss"
            fillOpacity="0.16"
          />
          <text
            x={sign > 0 ? width - right - 5 : left + 6}
            textAnchor={sign > 0 ? "end" : "start"}
            y="21"
            fontSize="15"
            fontWeight="700"
            className="fill-moss"
          >
            worth having
          </text>
        </>
      )}
      <path d={`M${x(0)} 4V${bottom}`} className="stroke-ink" strokeWidth="1.8" />
      {rows.map((r, i) => {
        const y = i * row + 56;
        return (
          <g key={r.of}>
            <Name text={`${r.of} − ${r.against}`} y={y} />
            <Interval x={x} y={y} lower={r.lower} upper={r.upper} />
            <path d={`M${x(r.difference)} ${y - 9}l8 9-8 9-8-9z`} className="fill-clay" />
          </g>
        );
      })}
      <path d={`M${left} ${bottom}H${width - right}`} className="stroke-line" />
      {ticks(low, high).map((t) => (
        <text key={t.v} x={x(t.v)} y={bottom + 20} textAnchor="middle" fontSize="14" className="fill-ash figures">
          {signed(t.text)}
        </text>
      ))}
      <text x={width - right} y={bottom + 42} textAnchor="end" fontSize="14" className="fill-ash">
        {answer.unit && `${answer.unit}; `}such a bar holds the truth {answer.looked > 1 ? "more than " : ""}19 times in
        20
      </text>
    </svg>
  );
}
