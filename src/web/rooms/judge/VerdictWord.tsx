const looks: Record<string, { colour: string; mark: string; says: string }> = {
  works: { colour: "text-moss", mark: "✓", says: "It works." },
  "some effect, perhaps not worth it": {
    colour: "text-straw",
    mark: "▲",
    says: "Some effect, perhaps not worth it.",
  },
  "no useful difference": { colour: "text-ink", mark: "＝", says: "No useful difference." },
  "does harm": { colour: "text-plum", mark: "■", says: "It does harm." },
  "cannot tell yet": { colour: "text-straw", mark: "…", says: "You can’t tell yet." },
  "a look, not a test": { colour: "text-straw", mark: "…", says: "A look, not a test." },
};

interface Props {
  word: string;
  large?: boolean;
}

/** A trial's verdict: a mark and a sentence, its colour never alone. */
export function VerdictWord({ word, large = false }: Props) {
  const look = looks[word] ?? { colour: "text-ink", mark: "·", says: word };
  const text = (
    <>
      <span aria-hidden>{look.mark}</span> {look.says}
    </>
  );
  return large ? (
    <h2 className={`text-3xl leading-tight ${look.colour}`}>{text}</h2>
  ) : (
    <p className={`font-bold ${look.colour}`}>{text}</p>
  );
}
