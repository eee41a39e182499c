import { type MouseEvent, useId, useState } from "react";
import type { Schemas } from "../api/client";
import { Button } from "./Button";
import { type Box, besides, boxOf, centre, clusters, type Name, placed, room, type Shape } from "./mapNames";
import { useView, useWidth } from "./mapView";
import { Tick } from "./Tick";

type Bed = Schemas["PlanBedView"];

interface Props {
  plan: Schemas["GroundPlanView"];
  /** Beds that are chosen. */
  chosen: readonly number[];
  onToggle: (id: number) => void;
  /** One of them, or as many as wanted. */
  many?: boolean;
  /** What is asked of whoever chooses. */
  label: string;
  /** A point is asked for instead of a bed: m east and north of the plan's corner. */
  onPoint?: (at: { x: number; y: number }, bed: number | null) => void;
  /** The point that was touched. */
  point?: { x: number; y: number } | null;
  /** What is marked on the plan is drawn too: all of it, all pegs, or the one that this is about. */
  marked?: "all" | "peg" | (string & {});
  /** Parts of beds, by their outlines or by the points of a yield map. */
  zones?: readonly Pick<Schemas["ZoneView"], "id" | "name" | "outline" | "points">[];
}

const Tall = 0.62; // of its width: the map is never taller, and beside a form it leaves room for the verdict

const said = (b: Bed) =>
  [`${b.name}, ${b.areaShown}`, b.crop, b.life && `ground ${b.life}`, b.wait].filter(Boolean).join(", ");

/**
 * The ground to scale: beds are chosen by touch, by key or from the list under it. What waits before harvest is hatched and says
 * so; two fingers or the buttons come closer.
 */
export function GroundMap({ plan, chosen, onToggle, many = true, label, onPoint, point, marked, zones = [] }: Props) {
  const hatch = useId();
  const [width, ref] = useWidth();
  const [listed, setListed] = useState(false);
  const h = Math.max(plan.heightM, plan.widthM * 0.3) * 1.04;
  const w = Math.max(plan.widthM, h / Tall) * 1.02;
  const { view, closer, to, all, handlers, dragged } = useView(w, h);
  const u = w / view.close / width; // metres in a pixel
  const [ox, oy] = [(w - plan.widthM) / 2, (h - plan.heightM) / 2];
  const shapes = plan.beds.map((b): Shape => {
    const at = b.points.map((q) => [ox + q.x, h - oy - q.y] as const);
    const [xs, ys] = [at.map((q) => q[0]), at.map((q) => q[1])];
    return {
      b,
      points: at.map((q) => q.join(",")).join(" "),
      left: Math.min(...xs),
      right: Math.max(...xs),
      top: Math.min(...ys),
      bottom: Math.max(...ys),
    };
  });
  const groups = clusters(
    shapes.filter((s) => s.bottom - s.top < 24 * u && s.right - s.left < 200 * u),
    8 * u,
  );
  const hidden = new Set(groups.flat().map((s) => s.b.id));
  const seen = { left: view.x, top: view.y, right: view.x + w / view.close, bottom: view.y + h / view.close };
  const names = placed(
    shapes.filter((s) => !hidden.has(s.b.id)),
    shapes,
    groups.map((g) => besides(g, u, seen)),
    seen,
    chosen,
    u,
  );
  /** The bed nearest to the finger; where a thumb can't tell beds apart, it comes closer instead. */
  const tapped = (e: MouseEvent<SVGSVGElement>) => {
    if (dragged()) return;
    const box = e.currentTarget.getBoundingClientRect();
    const at = { x: view.x + (e.clientX - box.left) * u, y: view.y + (e.clientY - box.top) * u };
    const far = (s: Shape) =>
      Math.hypot(Math.max(s.left - at.x, 0, at.x - s.right), Math.max(s.top - at.y, 0, at.y - s.bottom));
    const near = shapes.toSorted((a, b) => far(a) - far(b))[0];
    if (onPoint) {
      onPoint({ x: at.x - ox, y: h - oy - at.y }, near?.b.id ?? null);
      return;
    }
    if (!near || far(near) > 16 * u) return;
    const group =
      (e.nativeEvent as globalThis.PointerEvent).pointerType === "touch" && groups.find((g) => g.includes(near));
    if (group) to(boxOf(group));
    else onToggle(near.b.id);
  };
  return (
    <div>
      <svg
        ref={ref}
        viewBox={`${view.x} ${view.y} ${w / view.close} ${h / view.close}`}
        className={`block w-full border-y border-line ${view.close > 1 ? "touch-none" : "touch-pan-y"}`}
        role="group"
        aria-label={label}
        {...handlers}
        onClick={tapped}
      >
        <defs>
          <pattern id={hatch} width={8 * u} height={8 * u} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d={`M0 0V${8 * u}`} className="stroke-straw" strokeWidth={1.6 * u} />
          </pattern>
        </defs>
        {shapes.map((s) => (
          <BedShape
            key={s.b.id}
            shape={s}
            u={u}
            hatch={hatch}
            many={many}
            on={chosen.includes(s.b.id)}
            ticked={!hidden.has(s.b.id)}
            toggle={() => {
              const { x, y } = centre(s);
              if (onPoint) onPoint({ x: x - ox, y: h - oy - y }, s.b.id);
              else onToggle(s.b.id);
            }}
          />
        ))}
        <g className="pointer-events-none" aria-hidden>
          {zones.map((z, i) => (
            <ZoneDrawn key={z.id} zone={z} odd={i % 2 === 1} u={u} at={(q) => [ox + q.x, h - oy - q.y]} />
          ))}
        </g>
        {groups.map((g) => (
          <Cluster key={g[0]!.b.id} group={g} u={u} seen={seen} chosen={chosen} open={() => to(boxOf(g))} />
        ))}
        {/* The words lie over the shapes, which carry them for whoever listens. */}
        <g className="pointer-events-none" aria-hidden>
          {names.map((n) => (
            <BedName key={n.shape.b.id} name={n} u={u} />
          ))}
          {plan.marks
            .filter((m) => marked === "all" || m.id === marked || m.kind === marked)
            .map((m) => (
              <Mark
                key={m.id}
                x={ox + m.x}
                y={h - oy - m.y}
                u={u}
                large={m.id === marked}
                peg={m.kind === "peg"}
                name={m.kind === marked && view.close > 1.5 ? m.name : undefined}
              />
            ))}
          {point && <Mark x={ox + point.x} y={h - oy - point.y} u={u} name="here" large />}
        </g>
      </svg>
      <p className="flex flex-wrap items-center justify-between gap-x-4 text-ash">
        <span>
          hatched: waits before harvest · dashed: no outline
          {marked === "all" && plan.marks.some((m) => m.kind === "buried") && " · post: something lies buried"}
          {(marked === "all" || marked === "peg") && plan.marks.some((m) => m.kind === "peg") && " · flag: a peg"}
          {zones.length > 0 && " · blue: a zone"}
        </span>
        <span className="flex gap-x-3">
          <Button
            kind="plain"
            aria-label="come closer on the plan"
            disabled={view.close >= 40}
            onClick={() => closer(1.6)}
          >
            closer
          </Button>
          <Button kind="plain" disabled={view.close === 1} onClick={all}>
            all of it
          </Button>
          <Button kind="plain" aria-expanded={listed} onClick={() => setListed(!listed)}>
            as a list
          </Button>
        </span>
      </p>
      {listed && (
        <div className="grid sm:grid-cols-2">
          {plan.beds.map((b) => (
            <Tick
              key={b.id}
              on={chosen.includes(b.id)}
              onToggle={() => onToggle(b.id)}
              label={`${b.name}, ${b.areaShown}`}
              under={[b.crop, b.life && `ground ${b.life}`].filter(Boolean).join(", ")}
            />
          ))}
        </div>
      )}
    </div>
  );
}

/** A post driven in where something lies; a peg carries a flag. */
function Mark({
  x,
  y,
  u,
  name,
  large,
  peg,
}: {
  x: number;
  y: number;
  u: number;
  name?: string;
  large: boolean;
  peg?: boolean;
}) {
  const tall = (large ? 26 : 18) * u;
  return (
    <>
      <path d={`M${x} ${y}V${y - tall}`} className="stroke-clay" strokeWidth={3.5 * u} strokeLinecap="round" />
      {peg ? (
        <path
          d={`M${x} ${y - tall}l${12 * u} ${4 * u}l${-12 * u} ${4 * u}Z`}
          className="fill-paper stroke-clay"
          strokeWidth={2.5 * u}
          strokeLinejoin="round"
        />
      ) : (
        <circle cx={x} cy={y - tall} r={5 * u} className="fill-paper stroke-clay" strokeWidth={3 * u} />
      )}
      {name && (
        <text
          x={x + (peg ? 15 : 9) * u}
          y={y - tall + 6 * u}
          fontSize={14 * u}
          fontWeight="700"
          className="fill-clay halo"
          style={{ strokeWidth: 4 * u }}
        >
          {name}
        </text>
      )}
    </>
  );
}

interface ZoneProps {
  zone: NonNullable<Props["zones"]>[number];
  odd: boolean;
  u: number;
  at: (q: { x: number; y: number }) => [number, number];
}

/** A zone: its outline, or the points of a map that lie in it; every other one is drawn in rings. */
function ZoneDrawn({ zone, odd, u, at }: ZoneProps) {
  const corners = zone.outline.map(at);
  const dots = zone.points.map(at);
  const all = corners.length > 0 ? corners : dots;
  if (all.length === 0) return null;
  const x = all.reduce((sum, q) => sum + q[0], 0) / all.length;
  const y = Math.max(...all.map((q) => q[1])) - 8 * u; // at its foot, clear of the flag in its middle
  return (
    <>
      {corners.length > 2 && (
        <polygon
          points={corners.map((q) => q.join(",")).join(" ")}
          className="fill-river stroke-river"
          fillOpacity="0.12"
          strokeWidth={1.6 * u}
        />
      )}
      {(corners.length > 2 ? [] : [...dots, ...corners]).map(([cx, cy], i) => (
        <circle
          key={i}
          cx={cx}
          cy={cy}
          r={2.6 * u}
          className={odd ? "fill-none stroke-river" : "fill-river"}
          strokeWidth={1.2 * u}
        />
      ))}
      <text
        x={x}
        y={y}
        textAnchor="middle"
        fontSize={14 * u}
        className="fill-river halo"
        style={{ strokeWidth: 4 * u }}
      >
        {zone.name}
      </text>
    </>
  );
}

interface BedProps {
  shape: Shape;
  u: number;
  hatch: string;
  many: boolean;
  on: boolean;
  /** There is room for its tick. */
  ticked: boolean;
  toggle: () => void;
}

function BedShape({ shape: s, u, hatch, many, on, ticked, toggle }: BedProps) {
  const { b } = s;
  const { inside } = room(s, u);
  const mid = centre(s);
  return (
    <g
      role={many ? "checkbox" : "button"}
      aria-checked={many ? on : undefined}
      aria-pressed={many ? undefined : on}
      tabIndex={0}
      aria-label={said(b)}
      className="cursor-pointer"
      onKeyDown={(e) => {
        if (e.key !== "Enter" && e.key !== " ") return;
        e.preventDefault();
        toggle();
      }}
    >
      <polygon
        points={s.points}
        className={`${on ? "fill-brew" : "fill-paper"} stroke-ink`}
        strokeWidth={(on ? 3 : 1.4) * u}
        strokeDasharray={b.surveyed ? undefined : `${5 * u} ${4 * u}`}
      />
      {b.wait && <polygon points={s.points} fill={`url(#${hatch})`} opacity="0.6" className="pointer-events-none" />}
      {on && ticked && (
        <path
          d={tick(inside ? s.left + 12 * u : mid.x, inside ? s.top + 12 * u : mid.y, u)}
          className="fill-none stroke-clay"
          strokeWidth={3 * u}
        />
      )}
    </g>
  );
}

function BedName({ name: { shape: s, inside, x, y, end }, u }: { name: Name; u: number }) {
  const { b } = s;
  const { wide, tall } = room(s, u);
  const halo = { strokeWidth: 4 * u };
  return (
    <>
      <text
        x={x}
        y={y}
        textAnchor={end ? "end" : "start"}
        fontSize={15 * u}
        fontWeight="700"
        className="fill-ink halo"
        style={halo}
      >
        {b.name}
      </text>
      {inside && tall > 44 && wide > 120 && (
        <text x={s.left + 8 * u} y={s.top + 37 * u} fontSize={14 * u} className="fill-ash halo" style={halo}>
          {[b.areaShown, b.wait ? "waits" : b.life].filter(Boolean).join(" · ")}
        </text>
      )}
    </>
  );
}

const tick = (x: number, y: number, u: number) => `M${x - 7 * u} ${y}l${5 * u} ${6 * u}l${10 * u} ${-13 * u}`;

/** Beds that can't be told apart from here: how many, how many of them are chosen, and the way closer. */
function Cluster({
  group,
  u,
  seen,
  chosen,
  open,
}: {
  group: Shape[];
  u: number;
  seen: Box;
  chosen: readonly number[];
  open: () => void;
}) {
  const box = besides(group, u, seen);
  const on = group.filter((s) => chosen.includes(s.b.id)).length;
  const words = `${group.length} beds${on > 0 ? `, ${on} chosen` : ""}`;
  const [one, two] = [`${group.length} beds`, on > 0 ? `${on} chosen` : "closer"];
  const [x, y] = [box.left + 2 * u, (box.top + box.bottom) / 2];
  const halo = { strokeWidth: 4 * u };
  return (
    <>
      <g
        role="button"
        tabIndex={0}
        aria-label={`${words}: come closer`}
        className="cursor-pointer"
        onClick={(e) => {
          e.stopPropagation();
          open();
        }}
        onKeyDown={(e) => {
          if (e.key !== "Enter" && e.key !== " ") return;
          e.preventDefault();
          open();
        }}
      >
        <rect x={box.left} y={box.top} width={box.right - box.left} height={box.bottom - box.top} fill="transparent" />
      </g>
      <g className="pointer-events-none" aria-hidden>
        <text x={x} y={y} fontSize={14 * u} fontWeight="700" className="fill-ink halo" style={halo}>
          {one}
        </text>
        <text x={x} y={y + 17 * u} fontSize={14 * u} className="fill-clay halo underline" style={halo}>
          {two}
        </text>
      </g>
    </>
  );
}
