import { geoGraticule10, geoOrthographic, geoPath } from "d3-geo";
import { type KeyboardEvent, type PointerEvent, useMemo, useRef, useState } from "react";
import { feature } from "topojson-client";
import type { GeometryCollection, Topology } from "topojson-specification";
import world from "world-atlas/land-110m.json";

export interface Point {
  lat: number;
  lon: number;
}

interface Props {
  /** What was chosen; null for nothing yet. */
  at: Point | null;
  onChange: (at: Point) => void;
  /** Where it is turned to while nothing is chosen, degrees east. */
  facing: number;
}

const R = 150;
const topology = world as unknown as Topology<{ land: GeometryCollection }>;
const land = feature(topology, topology.objects.land);
const graticule = geoGraticule10();
const wrap = (lon: number) => ((((lon + 180) % 360) + 360) % 360) - 180;
const hold = (lat: number) => Math.min(85, Math.max(-85, lat));

/** The name of a place on it: "52° N, 1° W". */
export const placeName = ({ lat, lon }: Point) =>
  `${Math.abs(Math.round(lat))}° ${lat < 0 ? "S" : "N"}, ${Math.abs(Math.round(lon))}° ${lon < 0 ? "W" : "E"}`;

/** The earth to turn and touch: a degree is near enough, it is for the sun. Arrow keys move the mark. */
export function Globe({ at, onChange, facing }: Props) {
  const [turned, setTurned] = useState<Point>(at ?? { lat: 25, lon: facing });
  const held = useRef<{ x: number; y: number; from: Point; moved: boolean } | null>(null);
  const projection = useMemo(
    () => geoOrthographic().scale(R).translate([R, R]).rotate([-turned.lon, -turned.lat]).clipAngle(90),
    [turned],
  );
  const path = geoPath(projection);
  const mark = at && path({ type: "Point", coordinates: [at.lon, at.lat] });
  const choose = (p: Point) => {
    const to = { lat: hold(p.lat), lon: wrap(p.lon) };
    setTurned(to);
    onChange({ lat: Math.round(to.lat * 2) / 2, lon: Math.round(to.lon * 2) / 2 });
  };
  const scaled = (e: PointerEvent<SVGSVGElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    return { k: (2 * R) / box.width, x: e.clientX - box.left, y: e.clientY - box.top };
  };
  const keys = (e: KeyboardEvent) => {
    const by = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [1, 0], ArrowDown: [-1, 0] }[e.key];
    if (!by) return;
    e.preventDefault();
    const from = at ?? turned;
    const step = e.shiftKey ? 10 : 1;
    choose({ lat: from.lat + by[0]! * step, lon: from.lon + by[1]! * step });
  };
  return (
    <svg
      viewBox={`0 0 ${2 * R} ${2 * R}`}
      className="block w-full max-w-72 cursor-grab touch-none"
      role="slider"
      tabIndex={0}
      aria-label="Where it lies, on the globe"
      aria-valuemin={-85}
      aria-valuemax={85}
      aria-valuenow={Math.round(at?.lat ?? turned.lat)}
      aria-valuetext={at ? placeName(at) : "nothing chosen yet"}
      onKeyDown={keys}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        held.current = { x: e.clientX, y: e.clientY, from: turned, moved: false };
      }}
      onPointerMove={(e) => {
        const h = held.current;
        if (!h) return;
        const [dx, dy] = [e.clientX - h.x, e.clientY - h.y];
        if (!h.moved && Math.hypot(dx, dy) < 6) return;
        h.moved = true;
        setTurned({ lat: hold(h.from.lat + dy * 0.4), lon: wrap(h.from.lon - dx * 0.4) });
      }}
      onPointerUp={(e) => {
        const touched = held.current && !held.current.moved;
        held.current = null;
        if (!touched) return;
        const s = scaled(e);
        const [px, py] = [s.x * s.k, s.y * s.k];
        const on = Math.hypot(px - R, py - R) < R ? projection.invert?.([px, py]) : null;
        if (on) choose({ lon: on[0], lat: on[1] });
      }}
      onPointerCancel={() => (held.current = null)}
    >
      <circle cx={R} cy={R} r={R - 1} className="fill-paper stroke-ink" strokeWidth="1.6" />
      <path d={path(graticule) ?? ""} fill="none" className="stroke-line" strokeWidth="0.7" />
      <path d={path(land) ?? ""} className="fill-shade stroke-ink" strokeWidth="0.8" />
      {mark && (
        <g>
          <path d={mark} className="fill-clay stroke-paper" strokeWidth="2" />
          <text x={R} y={R - 14} textAnchor="middle" fontSize="15" fontWeight="700" className="fill-clay halo">
            here
          </text>
        </g>
      )}
    </svg>
  );
}
