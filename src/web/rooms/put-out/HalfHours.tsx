import { type PointerEvent, useId } from "react";
import type { Schemas } from "../../api/client";
import { useClock } from "../../parts/clock";
import { useWidth } from "../../parts/mapView";

const causes: readonly { cause: Schemas["SpoilCause"]; name: string }[] = [
  { cause: "light", name: "light" },
  { cause: "warmth", name: "warmth" },
  { cause: "wind", name: "wind" },
  { cause: "rain", name: "rain" },
  { cause: "frost", name: "frost" },
];

const L = 66;
const Bars = 74;
const Strip = 26;

/** Every half hour of the days ahead: how good it is, and under it a strip for each thing that spoils it. */
export function HalfHours({
  hours,
  chosen,
  choose,
}: {
  hours: Schemas["HourScore"][];
  chosen: string;
  choose: (at: string) => void;
}) {
  const clock = useClock();
  const id = useId();
  const [W, ref] = useWidth();
  const cell = (W - L) / hours.length;
  const x = (i: number) => L + i * cell;
  const H = Bars + causes.length * Strip + 30;
  const here = hours.findIndex((h) => h.at === chosen);
  const now = hours[here];
  const move = (to: number) => choose(hours[Math.min(Math.max(to, 0), hours.length - 1)]!.at);
  const pick = (e: PointerEvent<SVGSVGElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    move(Math.floor((((e.clientX - box.left) / box.width) * W - L) / cell));
  };
  const ticks = hours
    .map((h, i) => ({
      i,
      ...clock.hour(h.at),
      full: clock.toField(new Date(h.at)).endsWith(":00"),
      day: clock.weekday(h.at),
    }))
    .filter((t) => t.full && t.h % (W < 520 ? 12 : 6) === 0 && x(t.i) < W - 24);
  return (
    <div className="mt-3">
      <svg
        ref={ref}
        viewBox={`0 0 ${W} ${H}`}
        className="block w-full cursor-pointer touch-pan-y"
        style={{ height: H }}
        role="slider"
        tabIndex={0}
        aria-label="Half hour"
        aria-valuemin={0}
        aria-valuemax={hours.length - 1}
        aria-valuenow={here}
        aria-valuetext={
          now ? `${clock.when(now.at)}: ${now.spoils.join("; ") || `${Math.round(now.score * 100)} of 100`}` : undefined
        }
        onPointerDown={pick}
        onPointerMove={(e) => e.buttons === 1 && pick(e)}
        onKeyDown={(e) => {
          const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 48, ArrowUp: -48, PageDown: 48, PageUp: -48 }[e.key];
          if (!by) return;
          e.preventDefault();
          move(here + by);
        }}
      >
        <defs>
          <pattern id={id} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V6" className="stroke-plum" strokeWidth="3" />
          </pattern>
        </defs>
        <text x={L - 8} y={Bars - 12} textAnchor="end" fontSize="15" fontWeight="700" className="fill-ink">
          good
        </text>
        {hours.map((h, i) => (
          <g key={h.at}>
            {h.sunDeg !== null && h.sunDeg < -6 && (
              <rect x={x(i)} y="0" width={cell + 0.3} height={H - 30} className="fill-shade" />
            )}
            {h.spoils.length === 0 && (
              <rect
                x={x(i) + 0.4}
                y={Bars - 4 - (Bars - 8) * h.score}
                width={cell - 0.8}
                height={(Bars - 8) * h.score}
                className={h.score >= 0.75 ? "fill-moss" : "fill-straw"}
              />
            )}
            {causes.map(
              (c, row) =>
                h.causes.includes(c.cause) && (
                  <rect
                    key={c.cause}
                    x={x(i)}
                    y={Bars + row * Strip + 5}
                    width={cell + 0.3}
                    height={Strip - 10}
                    fill={`url(#${id})`}
                  />
                ),
            )}
          </g>
        ))}
        <path d={`M${L} ${Bars - 4}H${W}`} className="stroke-ink" strokeWidth="1.4" />
        {causes.map((c, row) => (
          <g key={c.cause}>
            <text x={L - 8} y={Bars + row * Strip + 18} textAnchor="end" fontSize="15" className="fill-ink">
              {c.name}
            </text>
            <path d={`M${L} ${Bars + (row + 1) * Strip}H${W}`} className="stroke-line" strokeWidth="1" />
          </g>
        ))}
        {ticks.map((t) => (
          <text key={t.i} x={x(t.i)} y={H - 8} fontSize="14" textAnchor="middle" className="fill-ash figures halo">
            {t.h === 0 ? t.day : t.text}
          </text>
        ))}
        {here >= 0 && (
          <rect
            x={x(here) - 1.5}
            y="1"
            width={cell + 3}
            height={H - 31}
            fill="none"
            className="stroke-clay"
            strokeWidth="3"
          />
        )}
      </svg>
      <p className="text-ash">
        A bar: it can go out, the taller the better. Hatched: that spoils it. Shaded: dark. Drag along it, or use the
        arrow keys.
      </p>
    </div>
  );
}
