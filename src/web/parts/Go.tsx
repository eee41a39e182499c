import type { ReactNode } from "react";
import { Link } from "react-router-dom";

/** A link that looks like the hand's action. */
export function Go({ to, filled = false, children }: { to: string; filled?: boolean; children: ReactNode }) {
  return (
    <Link
      to={to}
      className={`inline-flex min-h-12 items-center rounded-full border-2 border-clay px-5 text-base font-bold ${filled ? "bg-clay text-paper" : "text-clay"}`}
    >
      {children}
    </Link>
  );
}
