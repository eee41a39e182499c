interface Props {
  /** From a figure to its place across the drawing. */
  x: (figure: number) => number;
  y: number;
  lower: number | null;
  upper: number | null;
  /** Half the height of its ends. */
  end?: number;
  className?: string;
  dashed?: boolean;
}

/** An interval in a drawing: a line with its ends; nothing where it is not known. */
export function Interval({ x, y, lower, upper, end = 8, className = "stroke-ink", dashed = false }: Props) {
  if (lower === null || upper === null) return null;
  return (
    <path
      d={`M${x(lower)} ${y}H${x(upper)}M${x(lower)} ${y - end}v${2 * end}M${x(upper)} ${y - end}v${2 * end}`}
      className={className}
      strokeWidth="2.5"
      strokeDasharray={dashed ? "7 4" : undefined}
      fill="none"
    />
  );
}
