import { useId } from "react";
import type { Schemas } from "../../api/client";
import { PartPatterns } from "../make/Pots";

/** The ground cut open with what lies on it, and the barrows that bring it; half a barrow is drawn half full. */
export function LayerDrawn({ view: v }: { view: Schemas["SolidView"] }) {
  const id = useId();
  const thick = v.layer ? Math.max(4, v.layer.share * 84) : 0;
  const limit = v.layer?.limitShare ? 96 - v.layer.limitShare * 84 : null;
  const over = v.layer?.limitShare != null && v.layer.share > v.layer.limitShare;
  const carts = Array.from({ length: Math.max(1, Math.ceil(v.barrowsDrawn)) }, (_, i) =>
    v.barrowsDrawn === 0 ? 1 : Math.min(1, v.barrowsDrawn - i),
  );
  return (
    <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
      {v.layer && (
        <svg
          viewBox="0 0 330 140"
          className="block h-auto w-full max-w-xs"
          role="img"
          aria-label={`A layer of ${v.layer.shown}${v.layer.limitShown ? `; ${v.layer.limitShown}` : ""}`}
        >
          <PartPatterns id={id} />
          <rect x="2" y={96 - thick} width="200" height={thick} className={over ? "fill-shade" : "fill-brew"} />
          <rect x="2" y={96 - thick} width="200" height={thick} fill={`url(#${id}-waves)`} />
          <rect x="2" y="96" width="200" height="40" className="fill-bag" />
          <path d={`M2 ${96 - thick}V136M202 ${96 - thick}V136`} className="stroke-ink" strokeWidth="3" />
          <path d="M2 96H202" className="stroke-ink" strokeWidth="3" />
          {limit !== null && (
            <path d={`M0 ${limit}H210`} className="stroke-plum" strokeWidth="2.5" strokeDasharray="7 5" />
          )}
          <text
            x="216"
            y={limit !== null && Math.abs(96 - thick - limit) < 20 ? 112 : 96 - thick / 2 + 6}
            fontSize="18"
            className="figures fill-ink font-bold"
          >
            {v.layer.shown}
          </text>
          {limit !== null && (
            <text x="216" y={limit + 5} fontSize="15" className="figures fill-plum">
              {v.layer.limitShown}
            </text>
          )}
        </svg>
      )}
      <p className="m-0 flex max-w-md flex-wrap items-end gap-2">
        <span aria-hidden className="flex flex-wrap items-end gap-1.5">
          {carts.map((full, i) => (
            <svg key={i} viewBox="0 0 62 46" className="block w-12">
              {full > 0 && (
                <path
                  d={full === 1 ? "M11 16Q30 -4 50 16Z" : "M15 18H45Q30 8 15 18Z"}
                  className="fill-brew stroke-ink"
                />
              )}
              <path
                d="M4 16H54L44 32H18Z"
                className={full === 1 ? "fill-brew stroke-ink" : "fill-paper stroke-ink"}
                strokeWidth="2.5"
                strokeLinejoin="round"
              />
              <path d="M54 16L61 10M24 32L20 44" className="stroke-ink" strokeWidth="2.5" strokeLinecap="round" />
              <circle cx="40" cy="38" r="6" className="fill-paper stroke-ink" strokeWidth="2.5" />
            </svg>
          ))}
        </span>
        <b className="figures">{v.barrowsShown}</b>
      </p>
    </div>
  );
}
