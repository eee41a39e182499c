import { type ReactNode, useState } from "react";

interface Props {
  /** What it holds, in a line that says something by itself. */
  line: ReactNode;
  /** Whether it begins open. */
  open?: boolean;
  children: ReactNode;
}

/** What follows, folded under one line. */
export function Fold({ line, open: first, children }: Props) {
  const [open] = useState(first); // how it begins: from then on it is the reader's
  return (
    <details open={open} className="border-t border-line">
      <summary className="min-h-11 cursor-pointer py-2.5">
        <span className="underline decoration-line underline-offset-4">{line}</span>
      </summary>
      <div className="flex flex-col gap-3 pb-3">{children}</div>
    </details>
  );
}
