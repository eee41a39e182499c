import type { Schemas } from "../api/client";
import { looks } from "./tone";

/** A verdict is a sentence; its colour is never alone: a mark and a word go with it. */
export function Verdict({ verdict }: { verdict: Schemas["Verdict"] }) {
  const look = looks[verdict.tone];
  return (
    <div aria-live="polite">
      <p className={`text-base font-bold ${look.colour}`}>
        {look.mark} {look.word}
      </p>
      <h2 className={`text-2xl leading-tight ${look.colour}`}>{verdict.sentence}</h2>
      <p className="mt-1 text-lg">{verdict.why}</p>
    </div>
  );
}

type Props = {
  verdict: Schemas["Verdict"];
  inline?: boolean;
  /** The headline that it stands under: a tick under one that says stop would read as a second verdict, so it goes without. */
  beside?: Schemas["Verdict"];
};

/** The same in a line, where it is not the headline. */
export function Short({ verdict, inline = false, beside }: Props) {
  const look = looks[verdict.tone];
  const plain = verdict.tone === "go" && beside !== undefined && beside.tone !== "go";
  const Line = inline ? "span" : "p";
  return (
    <Line>
      <b className={plain ? undefined : look.colour}>
        {!plain && `${look.mark} `}
        {verdict.sentence}
      </b>{" "}
      {verdict.why}
    </Line>
  );
}
