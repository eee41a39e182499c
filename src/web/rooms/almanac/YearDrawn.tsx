import type { Schemas } from "../../api/client";
import { useWidth } from "../../parts/mapView";

const light = { top: 26, tall: 116 };
const step = 27;

/**
 * The year at the holding's latitude: how long it is light, the moons, and under them what lies in the ground or is to come.
 * Drawn in pixels, so that its words are as large on a phone.
 */
export function YearDrawn({ year }: { year: Schemas["AlmanacView"] }) {
  const [width, ref] = useWidth();
  const narrow = width < 560;
  const left = narrow ? 44 : 70;
  const x = (at: number) => left + at * (width - left - 8);
  const moonY = light.top + light.tall + 26;
  const rowY = moonY + 26;
  const foot = rowY + year.rows.length * step;
  const hour = (h: number) => light.top + (h / 24) * light.tall;
  const curve = (of: (l: Schemas["LightMark"]) => number) => year.light.map((l) => `${x(l.at)} ${hour(of(l))}`);
  const sun =
    year.light.length > 1 &&
    `M${curve((l) => l.rise).join("L")}L${curve((l) => l.set)
      .reverse()
      .join("L")}Z`;
  const months = year.months.filter((_, i) => !narrow || i % 2 === 0);
  return (
    <svg
      ref={ref}
      viewBox={`0 0 ${width} ${foot + 42}`}
      className="block w-full"
      role="img"
      aria-label={said(year)}
      fontSize={narrow ? 13 : 14}
    >
      <text x={left - 8} y={light.top + light.tall / 2 + 5} textAnchor="end" className="fill-ink" fontWeight="700">
        light
      </text>
      <rect x={x(0)} y={light.top} width={x(1) - x(0)} height={light.tall} className="fill-shade" />
      {sun && <path d={sun} className="fill-paper stroke-straw" strokeWidth="1.6" />}
      <text x={left - 8} y={moonY + 5} textAnchor="end" className="fill-ink" fontWeight="700">
        moon
      </text>
      {year.moons.map((m) => (
        <circle
          key={m.at}
          cx={x(m.at)}
          cy={moonY}
          r={narrow ? 4.5 : m.full ? 8.5 : 6}
          className={m.full ? "fill-paper stroke-ink" : "fill-ink"}
          strokeWidth="1.6"
        />
      ))}
      {year.turns.map((t, i) => {
        const end = t.at > 0.93;
        return (
          <g key={t.when}>
            <path d={`M${x(t.at)} ${light.top - 4}V${foot}`} className="stroke-clay" strokeDasharray="3 4" />
            {(!narrow || i % 2 === 0) && (
              <text
                x={x(t.at)}
                y={light.top - 9}
                textAnchor={end ? "end" : t.at < 0.12 ? "start" : "middle"}
                className="figures fill-clay halo"
                fontWeight="700"
              >
                {t.shown}
              </text>
            )}
          </g>
        );
      })}
      <path d={`M${x(year.today)} ${light.top - 2}V${foot + 4}`} className="stroke-clay" strokeWidth="3" />
      {year.rows.map((row, i) => {
        const y = rowY + i * step;
        return (
          <g key={row.id}>
            <path d={`M${x(0)} ${y + step}H${x(1)}`} className="stroke-line" />
            <text x={left - 8} y={y + 18} textAnchor="end" className="figures fill-ink" fontWeight="700">
              {row.id === "clay" ? "clay" : row.id}
            </text>
            {row.bands.map((b) => (
              <Band
                key={b.from + b.kind}
                band={b}
                from={x(b.from)}
                to={x(b.to)}
                least={Math.max(x(0), ...row.bands.filter((o) => o.to <= b.from + 0.01).map((o) => x(o.to)))}
                most={x(1)}
                y={y + 4}
              />
            ))}
          </g>
        );
      })}
      {months.map((m) => (
        <text key={m.at} x={x(m.at) + 4} y={foot + 17} className="fill-ash">
          {m.name}
        </text>
      ))}
      <text
        x={Math.max(x(year.today), left + 20)}
        y={foot + 35}
        textAnchor="middle"
        className="fill-clay"
        fontWeight="700"
      >
        today
      </text>
    </svg>
  );
}

interface BandProps {
  band: Schemas["PrepBand"];
  from: number;
  to: number;
  /** Where words may begin and end. */
  least: number;
  most: number;
  y: number;
}

/** A stretch of a preparation; its words stand in it where they fit, else behind or before it. */
function Band({ band, from, to, least, most, y }: BandProps) {
  const wide = band.says.length * 7.1;
  const inside = wide < to - from - 12;
  const before = !inside && to + wide + 6 > most;
  const fits = inside || !before || from - 6 - wide > least;
  const now = band.kind === "ground";
  return (
    <>
      <rect
        x={from}
        y={y}
        width={to - from}
        height={step - 8}
        rx="4"
        className={now ? "fill-bag" : band.kind === "hung" ? "fill-paper stroke-straw" : "fill-brew"}
      />
      {fits && (
        <text
          x={inside ? from + 8 : before ? from - 6 : to + 6}
          y={y + 14}
          textAnchor={before ? "end" : "start"}
          className={inside && now ? "fill-paper" : "fill-ink halo"}
          style={inside ? { strokeWidth: 0 } : undefined}
        >
          {band.says}
        </text>
      )}
    </>
  );
}

const said = (y: Schemas["AlmanacView"]) =>
  [
    `The year${y.latitude ? ` at ${y.latitude}` : ""}.`,
    y.turns.map((t) => `${t.name} ${t.shown}`).join(", ") + ".",
    ...y.rows.flatMap((r) => r.bands.filter((b) => b.kind === "ground").map((b) => `${b.says}.`)),
  ].join(" ");
