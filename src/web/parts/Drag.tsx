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
}

/** An amount to take hold of and drag; arrow keys move it a step. */
export function Drag({ label, value, min, max, step, says, onChange }: Props) {
  return (
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
  );
}
