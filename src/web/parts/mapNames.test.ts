import { describe, expect, it } from "vitest";
import { besides, type Box, placed, type Shape } from "./mapNames";

const bed = (id: number, name: string, left: number, top: number, right: number, bottom: number): Shape => ({
  b: { id, name } as Shape["b"],
  points: "",
  left,
  top,
  right,
  bottom,
});
const seen: Box = { left: 0, top: 0, right: 400, bottom: 200 };
const write = (all: Shape[], taken: Box[] = [], chosen: number[] = []) =>
  Object.fromEntries(placed(all, all, taken, seen, chosen, 1).map((n) => [n.shape.b.name, n]));

describe("names on the plan", () => {
  it("stand in their bed where there is room, beside its tick where it is chosen", () => {
    expect(write([bed(1, "Creek Field", 10, 10, 200, 100)])["Creek Field"]).toMatchObject({ inside: true, x: 18 });
    expect(write([bed(1, "Creek Field", 10, 10, 200, 100)], [], [1])["Creek Field"]).toMatchObject({ x: 34 });
  });

  it("stand right of a small bed, left of it at the edge of the plan, and under it between two others", () => {
    expect(write([bed(1, "Bench", 10, 50, 30, 60)]).Bench).toMatchObject({ inside: false, x: 36, end: false });
    expect(write([bed(1, "Bench", 370, 50, 390, 60)]).Bench).toMatchObject({ x: 364, end: true });
    const row = [
      bed(1, "Bench", 180, 50, 200, 60),
      bed(2, "the long one at the left", 0, 20, 178, 62),
      bed(3, "the long one at the right", 202, 20, 400, 62),
    ];
    expect(write(row).Bench).toMatchObject({ x: 180, y: 76 });
  });

  it("are left out where they would lie over another bed or another name, chosen ones last", () => {
    const two = [bed(1, "First Bench", 300, 50, 320, 60), bed(2, "Other Bench", 300, 62, 320, 72)];
    const over: Box = { left: 0, top: 76, right: 400, bottom: 200 };
    const under: Box = { left: 0, top: 0, right: 400, bottom: 48 };
    expect(Object.keys(write(two, [over, under]))).toEqual(["First Bench"]);
    expect(Object.keys(write(two, [over, under], [2]))).toEqual(["Other Bench"]);
  });

  it("of a cluster stand right of it, and left of it where the plan ends", () => {
    expect(besides([bed(1, "", 100, 50, 140, 90)], 1, seen).left).toBe(142);
    expect(besides([bed(1, "", 340, 50, 360, 90)], 1, seen).right).toBe(338);
  });
});
