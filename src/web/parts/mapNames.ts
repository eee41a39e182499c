import type { Schemas } from "../api/client";

type Bed = Schemas["PlanBedView"];

export interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

export interface Shape extends Box {
  b: Bed;
  points: string;
}

export const centre = (s: Shape) => ({ x: (s.left + s.right) / 2, y: (s.top + s.bottom) / 2 });

/** Beds too small and too close to be told apart at this distance lie in clusters; a cluster is a door that comes closer. */
export function clusters(small: Shape[], near: number): Shape[][] {
  const groups: Shape[][] = [];
  for (const s of small) {
    const touching = groups.filter((g) =>
      g.some((t) => {
        const gapX = Math.max(0, Math.max(s.left, t.left) - Math.min(s.right, t.right));
        const gapY = Math.max(0, Math.max(s.top, t.top) - Math.min(s.bottom, t.bottom));
        return Math.hypot(gapX, gapY) < near;
      }),
    );
    const one = [s, ...touching.flat()];
    for (const t of touching) groups.splice(groups.indexOf(t), 1);
    groups.push(one);
  }
  return groups.filter((g) => g.length > 1);
}

export const boxOf = (g: Shape[]) => ({
  left: Math.min(...g.map((s) => s.left)),
  right: Math.max(...g.map((s) => s.right)),
  top: Math.min(...g.map((s) => s.top)),
  bottom: Math.max(...g.map((s) => s.bottom)),
});

/** Its size on the screen, and whether its name has room inside. */
export function room(s: Shape, u: number) {
  const [wide, tall] = [(s.right - s.left) / u, (s.bottom - s.top) / u];
  return { wide, tall, inside: wide > 7.4 * s.b.name.length + 12 && tall > 24 };
}

/** Where the words of a cluster stand: right of it, or left of it where the plan ends. */
export function besides(group: Shape[], u: number, seen: Box): Box {
  const box = boxOf(group);
  const middle = (box.top + box.bottom) / 2;
  const left = box.right + 56 * u > seen.right ? box.left - 60 * u : box.right + 2 * u;
  return { left, right: left + 58 * u, top: middle - 22 * u, bottom: middle + 22 * u };
}

/** A bed's name and where it stands. */
export interface Name {
  shape: Shape;
  inside: boolean;
  x: number;
  y: number;
  /** It ends at x, and does not begin there. */
  end: boolean;
}

const meet = (a: Box, b: Box) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
const within = (a: Box, b: Box) => a.left >= b.left && a.right <= b.right && a.top >= b.top && a.bottom <= b.bottom;

/**
 * Names where they touch neither another bed nor another name: in the bed, right of it, left, under, over. What has no room is not
 * written; coming closer makes room. Chosen beds are named first.
 */
export function placed(
  named: Shape[],
  all: Shape[],
  taken: Box[],
  seen: Box,
  chosen: readonly number[],
  u: number,
): Name[] {
  const there = [...taken];
  const names: Name[] = [];
  for (const s of named.toSorted((a, b) => Number(chosen.includes(b.b.id)) - Number(chosen.includes(a.b.id)))) {
    const long = (8.4 * s.b.name.length + 4) * u;
    const inside = room(s, u).inside;
    const at = (x: number, y: number, end = false): Name & { box: Box } => ({
      shape: s,
      inside,
      x,
      y,
      end,
      box: { left: end ? x - long : x, right: end ? x : x + long, top: y - 11 * u, bottom: y + 3 * u },
    });
    const y = centre(s).y + 5 * u;
    const ways = inside
      ? [at(s.left + (chosen.includes(s.b.id) ? 24 : 8) * u, s.top + 18 * u)]
      : [
          at(s.right + 6 * u, y),
          at(s.left - 6 * u, y, true),
          at(s.left, s.bottom + 16 * u),
          at(s.left, s.top - 6 * u),
          at(s.right, s.bottom + 16 * u, true),
        ];
    const fits = ways.find(
      ({ box }) =>
        inside ||
        (within(box, seen) &&
          !there.some((t) => meet(t, box)) &&
          !all.some((other) => other !== s && meet(other, box))),
    );
    if (!fits) continue;
    there.push(fits.box);
    names.push(fits);
  }
  return names;
}
