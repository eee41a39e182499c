import { RadioGroup } from "radix-ui";
import { WrongHere } from "./Wrong";

interface Props<T extends string> {
  label: string;
  value: T;
  options: readonly { value: T; name: string; says?: string }[];
  onChange: (value: T) => void;
  name?: string;
  wrong?: string;
}

/** A few things to choose one from, each big enough for a thumb. */
export function Choice<T extends string>({ label, value, options, onChange, name, wrong }: Props<T>) {
  return (
    <div>
      <RadioGroup.Root aria-label={label} value={value} onValueChange={(v) => onChange(v as T)}>
        <p aria-hidden className="text-base font-medium">
          {label}
        </p>
        <div className="mt-1 flex flex-wrap gap-2">
          {options.map((o) => (
            <RadioGroup.Item
              key={o.value}
              value={o.value}
              className="min-h-12 rounded-full border-2 border-line px-4 text-left text-base data-[state=checked]:border-clay data-[state=checked]:bg-paper data-[state=checked]:font-bold data-[state=checked]:text-clay"
            >
              <span aria-hidden>{o.value === value ? "● " : "○ "}</span>
              {o.name}
              {o.says && <span className="text-ash"> · {o.says}</span>}
            </RadioGroup.Item>
          ))}
        </div>
      </RadioGroup.Root>
      <WrongHere name={name} text={wrong} />
    </div>
  );
}
