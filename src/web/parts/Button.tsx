import type { ButtonHTMLAttributes } from "react";

/** The hand's action: filled for the one that matters, drawn for the rest. */
export function Button({
  kind = "drawn",
  className = "",
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { kind?: "filled" | "drawn" | "plain" }) {
  const look = {
    filled: "bg-clay text-paper rounded-full px-6 font-bold",
    drawn: "border-2 border-clay text-clay rounded-full px-5 font-bold",
    plain: "text-clay underline underline-offset-4 px-1 font-medium",
  }[kind];
  return <button type="button" {...rest} className={`min-h-12 text-base disabled:opacity-60 ${look} ${className}`} />;
}
