import { useEffect, useState } from "react";
import { typed } from "../../../api/typed";
import { Button } from "../../../parts/Button";
import { Field } from "../../../parts/Field";
import type { ToolProps } from "./asked";

/** The ring: poured twice, and timed until the water has gone in. */
export function RingTool({ asked, set }: ToolProps) {
  const [from, setFrom] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  const [pour, turn] = useState<"firstS" | "secondS">(asked.firstS == null ? "firstS" : "secondS");
  useEffect(() => {
    if (from === null) return;
    const tick = setInterval(() => setNow(performance.now() - from), 200);
    return () => clearInterval(tick);
  }, [from]);
  const s = from === null ? 0 : now / 1000;
  const level = from === null ? 0.5 : Math.max(0.06, 0.5 * Math.exp(-s / 120));
  const done = () => {
    set({ [pour]: Math.max(1, Math.round(s)) });
    setFrom(null);
    turn("secondS");
  };
  return (
    <div className="grid items-start gap-4 sm:grid-cols-2">
      <svg
        viewBox="0 0 220 150"
        className="w-full max-w-xs"
        role="img"
        aria-label="A ring pressed into the ground, water in it"
      >
        <rect x="4" y="80" width="212" height="66" className="fill-bag" fillOpacity="0.8" />
        <rect x="60" y={80 - level * 100} width="100" height={level * 100} className="fill-river" fillOpacity="0.35" />
        <path d="M60 22V112M160 22V112" className="stroke-ink" strokeWidth="4" />
        <path
          d="M70 118q6 8 0 16M110 118q6 8 0 16M150 118q6 8 0 16"
          className="fill-none stroke-river"
          strokeWidth="2"
        />
        <text x="110" y="66" textAnchor="middle" fontSize="26" fontWeight="700" className="figures fill-ink halo">
          {from === null ? "450 mL" : `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, "0")}`}
        </text>
      </svg>
      <div className="flex flex-col gap-2">
        {from === null ? (
          <Button
            kind="filled"
            onClick={() => {
              setFrom(performance.now());
              setNow(0);
            }}
          >
            {pour === "firstS" ? "Pour the first" : "Pour the second"}
          </Button>
        ) : (
          <Button kind="filled" onClick={done}>
            It has gone in
          </Button>
        )}
        <Field
          label="First, seconds"
          inputMode="numeric"
          value={asked.firstS == null ? "" : String(asked.firstS)}
          onChange={(v) => set({ firstS: typed(v) })}
          name="check.firstS"
          hint="it only wets the ground"
        />
        <Field
          label="Second, seconds"
          inputMode="numeric"
          value={asked.secondS == null ? "" : String(asked.secondS)}
          onChange={(v) => set({ secondS: typed(v) })}
          name="check.secondS"
          hint="this one is judged"
        />
      </div>
    </div>
  );
}
