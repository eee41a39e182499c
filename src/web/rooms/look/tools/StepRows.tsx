import { RadioGroup } from "radix-ui";

interface Props {
  /** What each row is: "10 cm". */
  rows: readonly string[];
  steps: readonly { name: string; says: string }[];
  /** Of each row its step, from 1; null where nothing was felt yet. */
  value: readonly (number | null)[];
  onChange: (row: number, step: number) => void;
  label: string;
}

/** Depth by depth, one of a few steps: the fuller the mark, the harder or the wetter. */
export function StepRows({ rows, steps, value, onChange, label }: Props) {
  return (
    <div role="group" aria-label={label}>
      <p
        aria-hidden
        className="grid grid-cols-[4rem_repeat(var(--n),minmax(0,1fr))] text-center text-ash"
        style={{ "--n": steps.length } as React.CSSProperties}
      >
        <span />
        {steps.map((s) => (
          <span key={s.name}>{s.says}</span>
        ))}
      </p>
      {rows.map((row, i) => (
        <RadioGroup.Root
          key={row}
          aria-label={row}
          value={String(value[i] ?? "")}
          onValueChange={(v) => onChange(i, Number(v))}
          className="grid grid-cols-[4rem_repeat(var(--n),minmax(0,1fr))] items-center border-t border-line"
          style={{ "--n": steps.length } as React.CSSProperties}
        >
          <b className="figures">{row}</b>
          {steps.map((s, j) => (
            <RadioGroup.Item
              key={s.name}
              value={String(j + 1)}
              aria-label={s.name}
              className="flex min-h-12 items-center justify-center"
            >
              <svg viewBox="0 0 32 32" className="h-9 w-9" aria-hidden>
                <circle
                  cx="16"
                  cy="16"
                  r="13"
                  className={value[i] === j + 1 ? "fill-clay stroke-clay" : "fill-paper stroke-line"}
                  strokeWidth="2.5"
                />
                <text
                  x="16"
                  y="21.5"
                  textAnchor="middle"
                  fontSize="16"
                  fontWeight="700"
                  className={value[i] === j + 1 ? "fill-paper" : "fill-ash"}
                >
                  {j + 1}
                </text>
              </svg>
            </RadioGroup.Item>
          ))}
        </RadioGroup.Root>
      ))}
    </div>
  );
}
