interface Props {
  shape: string;
  /** Filled share of the whole, 0 to 1. */
  fill: number;
  /** Air per litre against light air: decides how many bubbles. */
  air: number;
  /** What the air comes out of; null where none is blown in. */
  diffuser: string | null;
  hasBag: boolean;
  name: string;
}

const outlines: Record<string, string> = {
  bucket: "M62 40 L80 300 H220 L238 40",
  barrel: "M78 20 Q58 160 78 304 H222 Q242 160 222 20",
  tank: "M60 16 V214 L136 304 H164 L240 214 V16",
};

/** The vessel cut open: level, bag, hose, outlet, and bubbles as dense as the air is. A bucket looks like a bucket. */
export function Vessel({ shape, fill, air, diffuser, hasBag, name }: Props) {
  const outline = outlines[shape] ?? outlines.barrel!;
  const top = 304 - fill * 264;
  const count = diffuser === null ? 0 : Math.min(46, Math.round(8 + air * 12));
  const wide = diffuser === "drilledPipe" || diffuser === "fineMembrane";
  const small = diffuser === "airStone" || diffuser === "fineMembrane";
  const floor = shape === "tank" ? 262 : 288;
  return (
    <svg
      viewBox="0 0 300 326"
      className="mx-auto h-auto w-full max-w-80"
      role="img"
      aria-label={`${name}, cut open, ${Math.round(fill * 100)} % full`}
    >
      <clipPath id="inside">
        <path d={`${outline}Z`} />
      </clipPath>
      <g clipPath="url(#inside)">
        <rect x="0" y={top} width="300" height="326" className="fill-brew" />
        <path d={`M40 ${top}q28 -7 55 0t55 0t55 0t55 0`} className="fill-none stroke-clay" strokeWidth="3" />
        {hasBag && (
          <path
            d={`M112 ${top - 14}h62c10 44 8 82 -8 104 q-24 18 -46 0c-16 -22 -18 -60 -8 -104z`}
            className="fill-bag stroke-ink"
            strokeWidth="2.5"
          />
        )}
        {Array.from({ length: count }, (_, i) => {
          // Spread evenly by two irrational steps: the same picture each time.
          const [u, w] = [(i * 0.618034) % 1, (i * 0.754878) % 1];
          const px = wide ? 88 + u * 124 : 160 + (u - 0.5) * (44 + w * 60);
          const py = top + 20 + (1 - w) * Math.max(floor - top - 34, 20);
          return (
            <circle
              key={i}
              className="bubble fill-none stroke-river"
              style={{ animationDelay: `${-(i % 13) * 0.2}s` }}
              cx={px}
              cy={py}
              r={(small ? 2 : 3.4) + (i % 3)}
              strokeWidth="1.6"
            />
          );
        })}
      </g>
      <path d={outline} className="fill-none stroke-ink" strokeWidth="5" strokeLinejoin="round" strokeLinecap="round" />
      {diffuser !== null && (
        <>
          <path d={`M190 4V${floor}`} className="stroke-river" strokeWidth="5" fill="none" />
          {wide ? (
            <path
              d={`M${shape === "tank" ? 118 : 92} ${floor}H${shape === "tank" ? 184 : 208}`}
              className="stroke-river"
              strokeWidth="9"
              strokeLinecap="round"
            />
          ) : diffuser === "openHose" ? null : (
            <ellipse cx="190" cy={floor} rx="17" ry="9" className="fill-river" />
          )}
        </>
      )}
    </svg>
  );
}
