interface Props {
  label: string;
  value: string;
  options: { value: string; name: string }[];
  onChange: (value: string) => void;
}

/** One of many, in a list that folds away. */
export function Pick({ label, value, options, onChange }: Props) {
  return (
    <label className="block">
      {label}
      <select
        className="mt-1 block h-12 w-full border-b-2 border-line bg-paper px-2 text-lg"
        value={value}
        onChange={(e) => onChange(e.target.value)}
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
