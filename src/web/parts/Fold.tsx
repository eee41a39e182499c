import type { ReactNode } from "react";

interface Props {
  /** What it holds, in a line that says something by itself. */
  line: ReactNode;
  open?: boolean;
  children: ReactNode;
}

/** What follows, folded under one line. */
export function Fold({ line, open, children }: Props) {
  return (
    <details open={open} className="border-t border-line">
      <summary className="min-h-11 cursor-pointer py-2.5">
        <span className="underline decoration-line underline-offset-4">{line}</span>
      </summary>
      <div className="flex flex-col gap-3 pb-3">{children}</div>
    </details>
  );
}
