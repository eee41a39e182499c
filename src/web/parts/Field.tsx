import { type ReactNode, useId } from "react";

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
  /** What is wrong with it, from the server; what was typed stays. */
  wrong?: string;
  hint?: ReactNode;
  type?: string;
  inputMode?: "decimal" | "text" | "numeric";
  autoFocus?: boolean;
  list?: string;
  onBlur?: () => void;
}

/** A field: its label above, what Mud Pie understood or what is wrong below. */
export function Field({
  label,
  value,
  onChange,
  wrong,
  hint,
  type = "text",
  inputMode,
  autoFocus,
  list,
  onBlur,
}: Props) {
  const id = useId();
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="block text-base font-medium">
        {label}
      </label>
      <input
        id={id}
        className={`figures mt-1 h-12 w-full border-b-2 bg-paper px-3 text-lg ${wrong ? "border-plum" : "border-line"}`}
        value={value}
        type={type}
        inputMode={inputMode}
        autoFocus={autoFocus}
        list={list}
        autoComplete="off"
        aria-invalid={wrong ? true : undefined}
        aria-describedby={wrong || hint ? id + "-says" : undefined}
        onChange={(e) => onChange(e.target.value)}
        onBlur={onBlur}
      />
      <p
        id={id + "-says"}
        className={`mt-1 min-h-6 text-base ${wrong ? "font-medium text-plum" : "text-ash"}`}
        role={wrong ? "alert" : undefined}
      >
        {wrong ? `✕ ${wrong}` : hint}
      </p>
    </div>
  );
}
