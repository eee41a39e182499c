import { useId } from "react";
import { PartPatterns } from "./Pots";

interface Props {
  /** Across its brim, in depths. */
  across: number;
  /** Its foot, as a share of its brim. */
  foot: number;
  /** Char in it, share. */
  fill: number;
  state: "planned" | "burning" | "watched" | "cold" | "done";
  name: string;
  /** What is written beside it. */
  words: readonly string[];
}

/** The pit cut open: as deep and wide as it is, char in it, flames above while it burns, steam once it is quenched. */
export function PitDrawn({ across, foot, fill, state, name, words }: Props) {
  const id = useId();
  const ground = 96;
  const deep = Math.min(120, 300 / Math.max(across, 0.6));
  const half = (deep * across) / 2;
  const narrow = half * foot;
  const mid = 170;
  const side = (t: number) => narrow + (half - narrow) * t; // t from 0 at the foot to 1 at the brim
  const level = state === "planned" ? 0 : Math.max(0.12, Math.min(1, Math.cbrt(fill)));
  const y = ground + deep * (1 - level);
  return (
    <svg viewBox="0 18 340 206" className="block max-h-60 w-full" role="img" aria-labelledby={id}>
      <title id={id}>{`${name}: ${words.join(", ")}`}</title>
      <PartPatterns id={id} />
      {level > 0 && state !== "done" && (
        <path
          d={`M${mid - side(level)} ${y}L${mid - narrow} ${ground + deep}H${mid + narrow}L${mid + side(level)} ${y}Z`}
          fill={`url(#${id}-lumps)`}
        />
      )}
      <path
        d={`M6 ${ground}H${mid - half}L${mid - narrow} ${ground + deep}H${mid + narrow}L${mid + half} ${ground}H334`}
        fill="none"
        className="stroke-ink"
        strokeWidth="4"
        strokeLinejoin="round"
        strokeLinecap="round"
      />
      {state === "planned" && (
        <g fill="none" className="stroke-bag" strokeWidth="5" strokeLinecap="round">
          {[-0.7, -0.35, 0, 0.35, 0.7].map((t, i) => (
            <path key={t} d={`M${mid + t * half - 26} ${ground - 6 - (i % 2) * 12}l52 ${i % 2 ? 8 : -10}`} />
          ))}
        </g>
      )}
      {state === "burning" && (
        <g fill="none" className="stroke-clay" strokeWidth="4" strokeLinecap="round">
          {[-0.6, -0.2, 0.2, 0.6].map((t, i) => (
            <path
              key={t}
              d={`M${mid + t * half} ${y - 4}q${-14 - i} -26 4 -44q2 16 14 20q10 14 -2 26`}
              strokeLinejoin="round"
            />
          ))}
        </g>
      )}
      {state === "watched" && (
        <g fill="none" className="stroke-river" strokeWidth="2.5" strokeLinecap="round">
          {[-0.5, 0, 0.5].map((t) => (
            <path key={t} d={`M${mid + t * half} ${y - 8}q-12 -14 0 -28t0 -28`} />
          ))}
        </g>
      )}
      {state === "done" && (
        <g strokeLinejoin="round">
          <path d={`M${mid - 40} ${ground - 64}H${mid + 40}V${ground - 2}H${mid - 40}Z`} className="fill-paper" />
          <path d={`M${mid - 40} ${ground - 50}H${mid + 40}V${ground - 2}H${mid - 40}Z`} fill={`url(#${id}-lumps)`} />
          <path
            d={`M${mid - 46} ${ground - 68}H${mid + 46}M${mid - 40} ${ground - 64}V${ground - 2}H${mid + 40}V${ground - 64}`}
            fill="none"
            className="stroke-ink"
            strokeWidth="4"
          />
        </g>
      )}
    </svg>
  );
}
