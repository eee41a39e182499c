import { Checkbox } from "radix-ui";

interface Props {
  on: boolean;
  onToggle: () => void;
  label: string;
  under?: string;
}

/** A thing to tick, with a target for a thumb. */
export function Tick({ on, onToggle, label, under }: Props) {
  return (
    <label className="flex min-h-12 cursor-pointer items-center gap-3 py-1">
      <Checkbox.Root
        checked={on}
        onCheckedChange={onToggle}
        aria-label={label}
        className="flex h-7 w-7 shrink-0 items-center justify-center border-2 border-ink bg-paper font-bold text-clay"
      >
        <Checkbox.Indicator>✓</Checkbox.Indicator>
      </Checkbox.Root>
      <span className={on ? "font-bold" : ""}>
        {label} {under && <span className="font-normal text-ash">{under}</span>}
      </span>
    </label>
  );
}
