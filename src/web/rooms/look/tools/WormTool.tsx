import { Button } from "../../../parts/Button";
import { Field } from "../../../parts/Field";
import { useUnitWords } from "../../../api/units";
import { at, type ToolProps } from "./asked";

/** Worms by thumb: a block is touched once for each. */
export function WormTool({ asked, set, warmth, setWarmth }: ToolProps) {
  const counts = asked.counts ?? [0];
  const words = useUnitWords();
  return (
    <>
      <div className="grid max-w-md grid-cols-3 gap-3">
        {counts.map((n, i) => (
          <div key={i} className="text-center">
            <button
              type="button"
              aria-label={`block ${i + 1}: one more worm, ${n} so far`}
              onClick={() => set({ counts: at(counts, i, n + 1) })}
              className="block w-full touch-manipulation"
            >
              <svg viewBox="0 0 100 120" className="w-full" aria-hidden>
                <path d="M4 12L96 4V100L50 116L4 108Z" className="fill-bag stroke-ink" strokeWidth="1.5" />
                {Array.from({ length: Math.min(n, 24) }, (_, j) => (
                  <path
                    key={j}
                    d={`M${10 + ((j * 29) % 70)} ${22 + ((j * 41) % 76)}q4 -6 8 0t8 0`}
                    className="fill-none stroke-slip"
                    strokeWidth="4.5"
                    strokeLinecap="round"
                  />
                ))}
                <text
                  x="50"
                  y="70"
                  textAnchor="middle"
                  fontSize="40"
                  fontWeight="700"
                  className="fill-paper stroke-bag"
                  strokeWidth="9"
                  strokeLinejoin="round"
                  paintOrder="stroke"
                >
                  {n}
                </text>
              </svg>
            </button>
            <Button
              kind="plain"
              disabled={n === 0}
              aria-label={`block ${i + 1}: one less`}
              onClick={() => set({ counts: at(counts, i, n - 1) })}
            >
              one less
            </Button>
          </div>
        ))}
      </div>
      <p className="flex flex-wrap gap-3">
        {counts.length < 6 && <Button onClick={() => set({ counts: [...counts, 0] })}>Another block</Button>}
        {counts.length > 1 && (
          <Button kind="plain" onClick={() => set({ counts: counts.slice(0, -1) })}>
            a block less
          </Button>
        )}
      </p>
      <Field
        label={`Warmth of the ground, ${words.warmth}`}
        inputMode="decimal"
        value={warmth}
        onChange={setWarmth}
        name="warmth"
        hint="cold worms lie deep; may be left out"
      />
    </>
  );
}
