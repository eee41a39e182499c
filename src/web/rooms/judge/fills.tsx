/** Hatchings for treatments, so that none is told by colour alone. The same one everywhere in a trial. */
export function Fills({ id }: { id: string }) {
  const line = (n: number, d: string, colour: string, size = 8) => (
    <pattern key={n} id={`${id}-${n}`} width={size} height={size} patternUnits="userSpaceOnUse">
      <rect width={size} height={size} className="fill-paper" />
      <path d={d} className={colour} strokeWidth="1.8" fill="none" />
    </pattern>
  );
  return (
    <defs>
      <pattern id={`${id}-0`} width="8" height="8" patternUnits="userSpaceOnUse">
        <rect width="8" height="8" className="fill-paper" />
      </pattern>
      <pattern id={`${id}-1`} width="9" height="9" patternUnits="userSpaceOnUse">
        <rect width="9" height="9" className="fill-paper" />
        <circle cx="4.5" cy="4.5" r="1.7" className="fill-river" />
      </pattern>
      {line(2, "M0 8L8 0M-2 2L2 -2M6 10L10 6", "stroke-clay")}
      {line(3, "M0 0L8 8M-2 6L2 10M6 -2L10 2", "stroke-moss")}
      {line(4, "M0 4H8", "stroke-plum", 7)}
      {line(5, "M4 0V8M0 4H8", "stroke-bag", 9)}
      {line(6, "M4 0V8", "stroke-straw", 7)}
      {line(7, "M0 8L8 0M0 0L8 8", "stroke-river", 10)}
    </defs>
  );
}

/** The hatching of the nth treatment. */
export const fill = (id: string, n: number) => `url(#${id}-${n % 8})`;
