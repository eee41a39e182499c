import { type ReactNode, useEffect, useId, useRef } from "react";
import { useRefusal } from "./Form";

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
  /** What the server calls it: what is refused of it in its form stands under it. */
  name?: string;
  /** What is wrong with it, where that is known otherwise; what was typed stays. */
  wrong?: string;
  hint?: ReactNode;
  type?: string;
  inputMode?: "decimal" | "text" | "numeric";
  autoFocus?: boolean;
  list?: string;
  autoComplete?: string;
  onBlur?: () => void;
}

/** A field: its label above, what Mud Pie understood or what is wrong below. */
export function Field({
  label,
  value,
  onChange,
  name,
  wrong: told,
  hint,
  type = "text",
  inputMode,
  autoFocus,
  list,
  autoComplete = "off",
  onBlur,
}: Props) {
  const id = useId();
  const refused = useRefusal(name);
  const wrong = told ?? refused;
  const here = useRef<HTMLDivElement>(null);
  // Where it lies folded away, what is wrong with it opens the fold.
  useEffect(() => {
    const fold = wrong ? here.current?.closest("details") : null;
    if (fold) fold.open = true;
  }, [wrong]);
  return (
    <div ref={here} className="min-w-0">
      <label htmlFor={id} className="block text-base font-medium">
        {label}
      </label>
      <input
        autoComplete={autoComplete}
        id={id}
        className={`figures mt-1 h-12 w-full border-b-2 bg-paper px-3 text-lg ${wrong ? "border-plum" : "border-line"}`}
        value={value}
        type={type}
        inputMode={inputMode}
        autoFocus={autoFocus}
        list={list}
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
