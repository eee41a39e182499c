import { useEffect, useState } from "react";
import type { Schemas } from "../../../api/client";
import { Button } from "../../../parts/Button";
import { at, type ToolProps } from "./asked";

const words = [
  "0 · fell apart dry",
  "1 · gone in 5 s",
  "2 · gone in 30 s",
  "3 · gone in 5 min, or under a tenth left",
  "4 · up to a quarter left",
  "5 · up to three quarters left",
  "6 · nearly all left",
];

const place = (i: number) => {
  const a = (i / 8) * 2 * Math.PI - Math.PI / 2;
  return [100 + Math.cos(a) * 62, 100 + Math.sin(a) * 62] as const;
};

/**
 * Crumbs in a dish. The clock runs; a crumb is touched when half of it has gone, and takes the class of that moment. What is
 * left after five minutes is dipped five times and then touched and judged.
 */
export function CrumbTool({ asked, set, bands }: ToolProps & { bands: readonly Schemas["CrumbBand"][] }) {
  const [begun, begin] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  const [held, hold] = useState<number | null>(null);
  const [classes, setClasses] = useState<(number | null)[]>(() =>
    Array.from({ length: 8 }, (_, i) => asked.classes?.[i] ?? null),
  );
  const put = (i: number, value: number | null) => {
    const next = at(classes, i, value);
    setClasses(next);
    set({ classes: next.filter((c) => c !== null) });
  };
  useEffect(() => {
    if (begun === null) return;
    const tick = setInterval(() => setNow(performance.now() - begun), 250);
    return () => clearInterval(tick);
  }, [begun]);
  const s = now / 1000;
  const band = begun === null ? undefined : bands.find((b) => s < b.toS);
  const touch = (i: number) => {
    if (band && classes[i] == null) put(i, band.class);
    else hold(i);
  };
  return (
    <div className="grid gap-4 sm:grid-cols-2">
      <svg
        viewBox="0 0 200 200"
        className="w-full max-w-xs select-none"
        role="group"
        aria-label="Eight crumbs in a dish of water"
      >
        <circle cx="100" cy="100" r="96" className="fill-river stroke-ink" fillOpacity="0.12" strokeWidth="2" />
        <text x="100" y="96" textAnchor="middle" fontSize="26" fontWeight="700" className="figures fill-ink">
          {begun === null ? "" : `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, "0")}`}
        </text>
        <text x="100" y="112" textAnchor="middle" fontSize="11" className="fill-ash">
          {begun === null ? "" : band ? "touch what goes" : "dip, then touch"}
        </text>
        {classes.map((c, i) => {
          const [x, y] = place(i);
          return (
            <g
              key={i}
              role="button"
              tabIndex={0}
              aria-label={`crumb ${i + 1}: ${c === null ? "not judged" : words[c]}`}
              aria-pressed={held === i}
              className="cursor-pointer"
              onClick={() => touch(i)}
              onKeyDown={(e) => {
                if (e.key !== "Enter" && e.key !== " ") return;
                e.preventDefault();
                touch(i);
              }}
            >
              <circle cx={x} cy={y} r="24" fill="transparent" />
              {c !== null && c < 4 ? (
                Array.from({ length: 9 }, (_, k) => (
                  <circle
                    key={k}
                    cx={x + Math.cos(k * 2.4) * (4 + k * 1.6)}
                    cy={y + Math.sin(k * 2.4) * (4 + k * 1.6)}
                    r={c === 3 ? 4 : 2.4}
                    className="fill-bag"
                  />
                ))
              ) : (
                <path
                  d={`M${x - 13} ${y + 6}q-4 -14 8 -19q12 -4 17 6q5 13 -6 18q-12 4 -19 -5Z`}
                  className={`fill-bag ${held === i ? "stroke-clay" : "stroke-ink"}`}
                  strokeWidth={held === i ? 4 : 1.4}
                />
              )}
              {c !== null && (
                <text x={x} y={y + 6} textAnchor="middle" fontSize="17" fontWeight="700" className="fill-ink halo">
                  {c}
                </text>
              )}
            </g>
          );
        })}
      </svg>
      <div className="flex flex-col gap-2">
        <p className="flex flex-wrap gap-3">
          <Button
            kind={begun === null ? "filled" : "drawn"}
            onClick={() => {
              begin(performance.now());
              setNow(0);
            }}
          >
            {begun === null ? "They are in the water" : "Begin the clock anew"}
          </Button>
        </p>
        {held !== null && (
          <div role="group" aria-label={`Crumb ${held + 1}`} className="flex flex-col items-start">
            <b>Crumb {held + 1}</b>
            {words.map((w, c) => (
              <button
                key={w}
                type="button"
                className={`min-h-11 text-left ${classes[held] === c ? "font-bold text-clay" : ""}`}
                aria-pressed={classes[held] === c}
                onClick={() => {
                  put(held, c);
                  hold(null);
                }}
              >
                {w}
              </button>
            ))}
            <Button kind="plain" onClick={() => put(held, null)}>
              take it back
            </Button>
          </div>
        )}
      </div>
    </div>
  );
}
