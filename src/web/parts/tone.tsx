/** How a tone looks, everywhere: its colour is never alone, a mark and a word go with it. */
export const looks = {
  go: { colour: "text-moss", edge: "border-moss", mark: "✓", word: "Go" },
  mind: { colour: "text-straw", edge: "border-straw", mark: "▲", word: "Mind" },
  stop: { colour: "text-plum", edge: "border-plum", mark: "■", word: "Stop" },
} as const;

/** A tick or a cross before a line whose words say the same. */
export function Mark({ good }: { good: boolean }) {
  return (
    <span aria-hidden className={good ? looks.go.colour : looks.stop.colour}>
      {good ? "✓" : "✕"}
    </span>
  );
}
