import { useId } from "react";
import type { Schemas } from "../api/client";
import { useClock } from "./clock";
import { useWidth } from "./mapView";

interface Props {
  forecast: Schemas["ForecastAnswer"];
  start: string;
  nowH?: number;
  useAtH?: number | null;
  readings?: { h: number; mgPerL: number }[];
  /** Means of a probe, drawn as a thin line. */
  probe?: { h: number; mgPerL: number }[];
  airOffH?: number | null;
  /** How far the band is to be believed. */
  note?: string;
  /** Lower, where it stands beside a question. */
  low?: boolean;
}

const L = 40;
const R = 14;
const T = 30;
const B = 40;

/** Oxygen against time with the line it must not cross. Drawing only: all figures come from the server. A table stands behind it. */
export function OxygenChart({
  forecast,
  start,
  nowH,
  useAtH,
  readings = [],
  probe = [],
  airOffH,
  note,
  low = false,
}: Props) {
  const [W, ref] = useWidth();
  const H = low ? 178 : 280;
  const id = useId();
  const clock = useClock();
  const at = (h: number) => new Date(new Date(start).getTime() + h * 3_600_000);
  const end = forecast.median.at(-1)?.h ?? 24;
  const top = Math.max(10, Math.ceil(Math.max(...forecast.high90.map((p) => p.mgPerL))));
  const x = (h: number) => L + (h / end) * (W - L - R);
  const y = (mg: number) => H - B - (mg / top) * (H - T - B);
  const line = (points: { h: number; mgPerL: number }[]) =>
    points.map((p, i) => `${i ? "L" : "M"}${x(p.h).toFixed(1)} ${y(p.mgPerL).toFixed(1)}`).join("");
  const band = `${line(forecast.high90)}${line([...forecast.low10].reverse()).replace("M", "L")}Z`;
  const apart = [6, 12, 24].find((h) => (h / end) * (W - L - R) >= 62) ?? 48; // hours between two times that can be read
  const ticks = Array.from({ length: Math.floor(end / apart) + 1 }, (_, i) => i * apart);
  // The band's highest place past its middle: words above it touch nothing.
  const label = forecast.high90
    .filter((p) => p.h > end * 0.45 && p.h < end * 0.78)
    .reduce((a, p) => (p.mgPerL > a.mgPerL ? p : a), { h: end * 0.6, mgPerL: 0 });
  const under = Math.min(
    label.mgPerL,
    ...forecast.low10.filter((p) => Math.abs(p.h - label.h) < end * 0.2).map((p) => p.mgPerL),
  );
  const nearEnd = nowH !== undefined && x(nowH) > W - 130;
  return (
    <figure className="m-0">
      <svg
        ref={ref}
        viewBox={`0 0 ${W} ${H}`}
        className="block w-full"
        style={{ height: H }}
        role="img"
        aria-labelledby={id + "t"}
      >
        <title id={id + "t"}>Oxygen forecast with its 80 % band; the figures stand in the table below.</title>
        <defs>
          <pattern id={id + "no"} width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V9" className="stroke-plum" strokeWidth="1.3" opacity="0.55" />
          </pattern>
          <pattern id={id + "band"} width="5" height="5" patternUnits="userSpaceOnUse">
            <path d="M0 2.5H5" className="stroke-river" strokeWidth="1.6" opacity="0.5" />
          </pattern>
          <pattern id={id + "use"} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
            <path d="M0 0V7" className="stroke-moss" strokeWidth="1.6" />
          </pattern>
        </defs>
        <rect x={L} y={y(6)} width={W - L - R} height={y(0) - y(6)} fill={`url(#${id}no)`} />
        {useAtH !== undefined && useAtH !== null && useAtH <= end && (
          <>
            <rect
              x={x(useAtH)}
              y={T}
              width={Math.max(W - R - x(useAtH), 4)}
              height={H - T - B}
              fill={`url(#${id}use)`}
              opacity="0.45"
            />
            <text
              x={Math.min(x(useAtH), W - R - 60)}
              y={T - 8}
              className="fill-moss halo"
              fontSize="14"
              fontWeight="700"
            >
              use it
            </text>
          </>
        )}
        <path d={band} fill={`url(#${id}band)`} className="stroke-river" strokeWidth="0.8" />
        <path d={line(forecast.median)} fill="none" className="stroke-river" strokeWidth="3.5" />
        <path d={`M${L} ${y(6)}H${W - R}`} className="stroke-plum" strokeWidth="1.6" />
        <rect x={L + 6} y={y(0) - 28} width="160" height="24" rx="4" className="fill-paper" />
        <text x={L + 12} y={y(0) - 11} className="fill-plum halo" fontSize="14" fontWeight="700">
          not fit below 6 mg/L
        </text>
        {[0, 2, 4, 6, 8, 10].map((mg) => (
          <text key={mg} x={L - 8} y={y(mg) + 5} textAnchor="end" fontSize="14" className="fill-ink figures halo">
            {mg}
          </text>
        ))}
        <text x={4} y={15} fontSize="14" className="fill-ink halo">
          oxygen, mg/L
        </text>
        {ticks.map((h) => (
          <g key={h}>
            <path d={`M${x(h)} ${y(0)}v6`} className="stroke-ink" />
            <text
              x={x(h)}
              y={H - 16}
              textAnchor={h === 0 ? "start" : "middle"}
              fontSize="14"
              className="fill-ink figures halo"
            >
              {clock.time(at(h))}
            </text>
          </g>
        ))}
        {airOffH !== undefined && airOffH !== null && (
          <g>
            <path d={`M${x(airOffH)} ${T}V${y(0)}`} className="stroke-river" strokeWidth="2" strokeDasharray="3 5" />
            <text x={x(airOffH) + 5} y={T + 26} fontSize="14" className="fill-river halo" fontWeight="700">
              air off
            </text>
          </g>
        )}
        {nowH !== undefined && nowH <= end && (
          <g>
            <path d={`M${x(nowH)} ${T - 4}V${y(0)}`} className="stroke-clay" strokeWidth="2.5" />
            <text
              x={x(nowH) + (nearEnd ? -6 : 6)}
              y={T + 8}
              textAnchor={nearEnd ? "end" : "start"}
              fontSize="14"
              fontWeight="700"
              className="fill-clay halo"
            >
              now
            </text>
          </g>
        )}
        {probe.length > 1 && (
          <path
            d={probe
              .filter((p) => p.h <= end)
              // A gap stays a gap.
              .map(
                (p, i, all) =>
                  `${i > 0 && p.h - all[i - 1]!.h < 0.5 ? "L" : "M"}${x(p.h).toFixed(1)} ${y(p.mgPerL).toFixed(1)}`,
              )
              .join("")}
            fill="none"
            className="stroke-clay"
            strokeWidth="1.6"
            strokeDasharray="1 3"
          />
        )}
        {readings.map((r, i) => (
          <circle
            key={i}
            cx={x(r.h)}
            cy={y(r.mgPerL)}
            r={readings.length > 40 ? 2.5 : 6}
            className="fill-paper stroke-river"
            strokeWidth={readings.length > 40 ? 1 : 3}
          />
        ))}
        <text
          x={Math.min(Math.max(x(label.h), L + 90), W - R - 88)}
          y={y(label.mgPerL) - 9 < T + 14 ? y(under) + 15 : y(label.mgPerL) - 9}
          textAnchor="middle"
          fontSize="14"
          className="fill-river halo"
        >
          8 brews in 10 lie in here
        </text>
      </svg>
      <div className="sr-only">
        <table>
          <caption>Oxygen in mg/L by the hour</caption>
          <thead>
            <tr>
              <th>time</th>
              <th>low</th>
              <th>middle</th>
              <th>high</th>
            </tr>
          </thead>
          <tbody>
            {forecast.median.map((p, i) =>
              i % 4 ? null : (
                <tr key={p.h}>
                  <td>{clock.when(at(p.h))}</td>
                  <td>{forecast.low10[i]?.mgPerL.toFixed(1)}</td>
                  <td>{p.mgPerL.toFixed(1)}</td>
                  <td>{forecast.high90[i]?.mgPerL.toFixed(1)}</td>
                </tr>
              ),
            )}
            {readings.map((r, i) => (
              <tr key={"r" + i}>
                <td>{clock.when(at(r.h))}, read</td>
                <td />
                <td>{r.mgPerL.toFixed(1)}</td>
                <td />
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <figcaption className="text-ash">
        {note ?? "A model, not a measurement; your own readings sharpen it."}
      </figcaption>
    </figure>
  );
}
