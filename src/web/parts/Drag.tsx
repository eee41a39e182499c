import { Slider } from "radix-ui";

interface Props {
  label: string;
  value: number;
  min: number;
  max: number;
  step: number;
  /** The value in words, for eyes and for screen readers. */
  says: string;
  onChange: (value: number) => void;
  /** Where something lies on it: said in a word under the track. */
  marks?: readonly { at: number; name: string; look: "go" | "stop" }[];
}

/** An amount to take hold of and drag; arrow keys move it a step. */
export function Drag({ label, value, min, max, step, says, onChange, marks = [] }: Props) {
  const far = (at: number) => ((Math.min(Math.max(at, min), max) - min) / (max - min || 1)) * 100;
  return (
    <>
      <Slider.Root
        className="relative flex h-11 w-full touch-none select-none items-center"
        value={[Math.min(Math.max(value, min), max)]}
        min={min}
        max={max}
        step={step}
        onValueChange={([v]) => onChange(v!)}
      >
        <Slider.Track className="relative h-1.5 grow rounded-full bg-line">
          <Slider.Range className="absolute h-full rounded-full bg-clay" />
        </Slider.Track>
        <Slider.Thumb
          aria-label={label}
          aria-valuetext={says}
          className="block h-8 w-8 rounded-full border-4 border-clay bg-paper"
        />
      </Slider.Root>
      {marks.length > 0 && (
        <div className="relative mx-4 -mt-2 h-6 text-base" aria-hidden>
          {marks.map((m) => (
            <span
              key={m.name}
              className={`absolute -top-3 flex flex-col whitespace-nowrap ${far(m.at) < 30 ? "items-start" : far(m.at) > 70 ? "-translate-x-full items-end" : "-translate-x-1/2 items-center"} leading-none ${m.look === "go" ? "text-moss" : "text-plum"}`}
              style={{ left: `${far(m.at)}%` }}
            >
              <span className={`block h-4 w-0.5 ${m.look === "go" ? "bg-moss" : "bg-plum"}`} />
              {m.name}
            </span>
          ))}
        </div>
      )}
    </>
  );
}
