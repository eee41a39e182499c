import { scaleTime } from "d3-scale";
import type { Schemas } from "../../api/client";
import { useClock } from "../../parts/clock";

const [width, top, foot] = [660, 26, 62];

/** Three weeks as a line with a peg for each day; what is booked hangs from it. The list beside says the same. */
export function BookedLine({ vessel, days }: { vessel: Schemas["SharedVesselView"]; days: string[] }) {
  const clock = useClock();
  const x = scaleTime([new Date(days[0] ?? 0), new Date(days.at(-1) ?? 1)], [6, width - 6]).clamp(true);
  const pegs = days.slice(0, -1).map((d) => new Date(d));
  const hung = vessel.bookings.filter((b) => x(new Date(b.from)) < width - 7);
  return (
    <svg viewBox={`0 0 ${width} 70`} className="h-auto w-full max-w-3xl" aria-hidden>
      <path d={`M0 ${top}q${width / 2} 7 ${width} 0`} className="fill-none stroke-ink" strokeWidth="2" />
      {pegs.map((d, i) => (
        <g key={i}>
          <path d={`M${x(d)} ${top - 4}v9`} className="stroke-ink" strokeWidth={i % 7 === 0 ? 3 : 1.4} />
          {i % 7 === 0 && (
            <text x={x(d) + 3} y="15" className="fill-ash text-[20px] wide:text-[15px]">
              {clock.day(d)}
            </text>
          )}
        </g>
      ))}
      {hung.map((b) => {
        const [from, to] = [x(new Date(b.from)), x(new Date(b.until))];
        const wide = Math.max(to - from, 5);
        return (
          <g key={b.id}>
            <path
              d={`M${from} ${top + 3}h${wide}v${foot - top - 8}q${-wide / 2} 9 ${-wide} 0z`}
              className={b.ours ? "fill-brew stroke-clay" : "fill-paper stroke-ink"}
              strokeWidth="2"
            />
            {wide > 60 && (
              <svg x={from} y={top} width={wide - 4} height="34">
                <text x="6" y="23" className="fill-ink text-[22px] wide:text-[14px]">
                  {b.ours ? "you" : b.called}
                </text>
              </svg>
            )}
          </g>
        );
      })}
    </svg>
  );
}
