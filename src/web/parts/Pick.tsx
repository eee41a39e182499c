interface Props<T extends string> {
  label: string;
  value: T;
  options: readonly { value: T; name: string }[];
  onChange: (value: T) => void;
}

/** One of many, in a list that folds away. */
export function Pick<T extends string>({ label, value, options, onChange }: Props<T>) {
  return (
    <label className="block">
      {label}
      <select
        className="mt-1 block h-12 w-full border-b-2 border-line bg-paper px-2 text-lg"
        value={value}
        onChange={(e) => onChange(e.target.value as T)}
      >
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {o.name}
          </option>
        ))}
      </select>
    </label>
  );
}
