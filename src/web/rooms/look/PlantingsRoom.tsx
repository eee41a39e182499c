import { useState } from "react";
import { Link, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Fold } from "../../parts/Fold";
import { Room } from "../../parts/Room";
import { FieldForm } from "./FieldForm";
import { PlantingForm } from "./PlantingForm";
import { StrikeForm } from "./StrikeForm";

/** What grew where over two years, what was done to it, and what fell. */
export function PlantingsRoom() {
  const data = useRead("/api/look/plantings");
  const [search, setSearch] = useSearchParams();
  const bed = data.beds.find((b) => b.bedId === Number(search.get("bed")));
  const done = [...(bed ? bed.done : data.beds.flatMap((b) => b.done)), ...data.rain]
    .sort((a, b) => b.at.localeCompare(a.at))
    .slice(0, 60);
  return (
    <Room
      title="Plantings and water"
      under="What grew where, from when to when; what was done to the ground, and what fell on it."
      peek={bed ? `${bed.bed}: write down` : "Write down what was done"}
      bench={
        <>
          <Drawn
            data={data}
            chosen={bed?.bedId ?? null}
            onChoose={(id) => setSearch(id === bed?.bedId ? {} : { bed: String(id) }, { replace: true })}
          />
          <Fold line={`What was done${bed ? ` on ${bed.bed}` : ""}, newest first`} open={bed !== undefined}>
            {done.length === 0 && <p>Nothing is written down yet. Sowing, watering and rain are a beginning.</p>}
            <ul>
              {done.map((l) => (
                <Done key={l.id} line={l} bed={data.beds.find((b) => b.done.includes(l))?.bed ?? "all the ground"} />
              ))}
            </ul>
          </Fold>
        </>
      }
      slate={
        <>
          <FieldForm key={bed?.bedId} beds={data.beds} first={bed?.bedId ?? null} />
          {bed && <PlantingForm key={`p${bed.bedId}`} bed={bed} />}
        </>
      }
    />
  );
}

const row = 44;
const [W, left] = [720, 132];
const short: Record<NonNullable<Schemas["FieldDeed"]>, string> = {
  sowed: "s",
  planted: "p",
  tilled: "t",
  crimped: "c",
  mowed: "m",
  grazed: "g",
  cover: "c",
  mulched: "m",
  watered: "w",
  rain: "r",
  cleared: "x",
};

interface DrawnProps {
  data: Schemas["PlantingsView"];
  chosen: number | null;
  onChoose: (bed: number) => void;
}

/** Two years, a line a bed: each planting a strip with its crop, what was done a mark under it, rain along the foot. */
function Drawn({ data, chosen, onChoose }: DrawnProps) {
  const clock = useClock();
  const [from, to] = [Date.parse(data.from), Date.parse(data.to)];
  const x = (at: string | null) =>
    left + ((Math.max(from, at ? Date.parse(at) : from) - from) / (to - from)) * (W - left - 6);
  const foot = data.beds.length * row + 30;
  const rain = data.rain.filter((r) => r.stands);
  const quarters = Array.from({ length: 9 }, (_, i) => new Date(from + ((to - from) * i) / 8));
  return (
    <svg
      viewBox={`0 0 ${W} ${foot + 62}`}
      className="w-full"
      role="group"
      aria-label="Beds and what grew on them, two years"
    >
      {quarters.map((q, i) => (
        <g key={i} aria-hidden>
          <path d={`M${x(q.toISOString())} 22V${foot}`} className="stroke-line" strokeDasharray="2 6" />
          {i % 2 === 0 && (
            <text
              x={x(q.toISOString())}
              y="14"
              fontSize="14"
              textAnchor={i === 8 ? "end" : i === 0 ? "start" : "middle"}
              className="fill-ash"
            >
              {clock.date(q).slice(-8)}
            </text>
          )}
        </g>
      ))}
      {data.beds.map((b, i) => {
        const y = 26 + i * row;
        return (
          <g key={b.bedId}>
            <g
              role="button"
              tabIndex={0}
              aria-pressed={chosen === b.bedId}
              aria-label={`${b.bed}: ${b.plantings.map((p) => p.crop).join(", then ") || "nothing written down"}`}
              className="cursor-pointer"
              onClick={() => onChoose(b.bedId)}
              onKeyDown={(e) => {
                if (e.key !== "Enter" && e.key !== " ") return;
                e.preventDefault();
                onChoose(b.bedId);
              }}
            >
              <rect x="0" y={y} width={W} height={row} fill="transparent" />
            </g>
            <g className="pointer-events-none" aria-hidden>
              <text
                x="0"
                y={y + 22}
                fontSize="14"
                fontWeight={chosen === b.bedId ? 700 : 500}
                className={chosen === b.bedId ? "fill-clay" : "fill-ink"}
              >
                {b.bed}
              </text>
              {b.plantings.map((p) => {
                const [a, z] = [x(p.from), p.to ? x(p.to) : W - 6];
                return (
                  <g key={p.id}>
                    <path
                      d={`M${a} ${y + 6}H${z - 5}l5 10l-5 10H${a}${p.from ? "l4 -10Z" : "Z"}`}
                      className={`stroke-moss ${p.now ? "fill-moss" : "fill-paper"}`}
                      fillOpacity={p.now ? 0.22 : 1}
                      strokeWidth="1.4"
                    />
                    {z - a > 46 && (
                      <text x={a + 9} y={y + 21} fontSize="14" className="fill-ink">
                        {p.crop.slice(0, Math.floor((z - a - 14) / 7))}
                      </text>
                    )}
                  </g>
                );
              })}
              {b.done
                .filter((d) => d.stands)
                .map((d) => (
                  <g key={d.id}>
                    <path
                      d={`M${x(d.at)} ${y + 27}v7`}
                      className={d.deed === "watered" ? "stroke-river" : "stroke-clay"}
                      strokeWidth="2"
                    />
                    {d.deed !== "watered" && (
                      <text x={x(d.at) + 3} y={y + 40} fontSize="13" className="fill-clay">
                        {short[d.deed!]}
                      </text>
                    )}
                  </g>
                ))}
            </g>
          </g>
        );
      })}
      <path d={`M${left} ${foot + 40}H${W - 6}`} className="stroke-line" />
      <text x="0" y={foot + 38} fontSize="14" className="fill-river">
        rain
      </text>
      {rain.map((r) => (
        <path
          key={r.id}
          d={`M${x(r.at)} ${foot + 40}v${-Math.min(36, 4 + (r.mm ?? 0))}`}
          className="stroke-river"
          strokeWidth="3"
        />
      ))}
      <text x={left} y={foot + 58} fontSize="14" className="fill-ash">
        s sown · p planted · t tilled · c crimped or cover · m mown or mulched · g grazed · x cleared · blue: watered
      </text>
    </svg>
  );
}

function Done({ line, bed }: { line: Schemas["FieldLine"]; bed: string }) {
  const clock = useClock();
  const [asked, ask] = useState(false);
  const strike = useWrite(
    "/api/look/field/{id}/strike",
    (why: string) => ({ params: { path: { id: line.id } }, body: { why } }),
    () => ask(false),
  );
  return (
    <li className="border-t border-line py-1">
      <span className={line.stands ? "" : "text-ash line-through"}>
        {clock.date(line.at)} <b>{bed}</b>: {line.shown}
      </span>{" "}
      <span className="text-ash">
        {line.note}
        {line.why && ` struck: ${line.why}`}
      </span>
      {line.stands && !asked && (
        <Button kind="plain" aria-label={`strike it: ${line.shown}`} onClick={() => ask(true)}>
          strike it
        </Button>
      )}
      {asked && <StrikeForm problem={strike.error} hint="the wrong bed" onStrike={strike.mutate} />}
    </li>
  );
}

/** Where a planting's own page lies. */
export const PlantingLink = ({ id, children }: { id: number; children: React.ReactNode }) => (
  <Link to={`/look/plantings/${id}`} className="underline decoration-line underline-offset-4">
    {children}
  </Link>
);
