import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import { GroundMap } from "./GroundMap";

const bed = (
  id: number,
  name: string,
  x: number,
  y: number,
  side: number,
  part: Partial<Schemas["PlanBedView"]> = {},
) =>
  ({
    id,
    name,
    crop: "fennel",
    areaShown: `${side * side} m²`,
    areaM2: side * side,
    points: [
      { x, y },
      { x: x + side, y },
      { x: x + side, y: y + side },
      { x, y: y + side },
    ],
    surveyed: true,
    wait: null,
    life: null,
    known: [],
    ...part,
  }) as Schemas["PlanBedView"];

const plan = (part: Partial<Schemas["GroundPlanView"]> = {}) =>
  ({
    widthM: 100,
    heightM: 60,
    beds: [
      bed(1, "Ridge Bed 1", 0, 0, 30, { life: "middling" }),
      bed(2, "Ridge Bed 2", 60, 20, 30, { wait: "waits till 14 Jun", surveyed: false }),
    ],
    marks: [],
    ...part,
  }) as Schemas["GroundPlanView"];

/** 640 pixels wide, as it is before it is measured. */
function open(props: Partial<Parameters<typeof GroundMap>[0]> = {}) {
  const toggle = vi.fn();
  render(<GroundMap plan={plan()} chosen={[]} onToggle={toggle} label="Beds" {...props} />);
  const svg = screen.getByRole("group", { name: "Beds" });
  svg.getBoundingClientRect = () => ({ left: 0, top: 0, width: 640 }) as DOMRect;
  const box = () => svg.getAttribute("viewBox")!.split(" ").map(Number) as [number, number, number, number];
  const [, , w, h] = box();
  /** A touch at a place of the plan, m east and north of its corner. */
  const touch = (x: number, y: number) => {
    const [left, top, wide, tall] = box();
    const at = [(w - 100) / 2 + x, h - (h - 60) / 2 - y] as const;
    fireEvent.click(svg, {
      clientX: ((at[0] - left) / wide) * 640,
      clientY: ((at[1] - top) / tall) * (640 * (tall / wide)),
    });
  };
  return { toggle, svg, box, touch };
}

describe("the ground to scale", () => {
  afterEach(cleanup);

  it("says of each bed what is known of it, and whether it is chosen", () => {
    open({ chosen: [2] });
    const beds = screen.getAllByRole("checkbox");
    expect(beds.map((b) => b.getAttribute("aria-label"))).toEqual([
      "Ridge Bed 1, 900 m², fennel, ground middling",
      "Ridge Bed 2, 900 m², fennel, waits till 14 Jun",
    ]);
    expect(beds.map((b) => b.getAttribute("aria-checked"))).toEqual(["false", "true"]);
  });

  it("chooses the bed that is touched, also a little beside it, and none far from all", () => {
    const { toggle, touch } = open();
    touch(15, 15);
    touch(75, 35);
    touch(31, 15); // six pixels off
    expect(toggle.mock.calls.map((c) => c[0] as number)).toEqual([1, 2, 1]);
    touch(45, 55);
    expect(toggle).toHaveBeenCalledTimes(3);
  });

  it("chooses by key, and leaves other keys to the page", () => {
    const { toggle } = open();
    const first = screen.getAllByRole("checkbox")[0]!;
    fireEvent.keyDown(first, { key: "Enter" });
    fireEvent.keyDown(first, { key: " " });
    expect(fireEvent.keyDown(first, { key: "Tab" })).toBe(true);
    expect(toggle.mock.calls).toEqual([[1], [1]]);
  });

  it("asks for one bed with buttons, for many with boxes", () => {
    open({ many: false, chosen: [1] });
    const one = screen.getByRole("button", { name: /^Ridge Bed 1/ });
    expect(one.getAttribute("aria-pressed")).toBe("true");
    expect(screen.queryAllByRole("checkbox")).toHaveLength(0);
  });

  it("gives a point in metres from the corner of the plan, and the bed nearest to it", () => {
    const onPoint = vi.fn();
    const { touch, toggle } = open({ onPoint });
    touch(10, 20);
    const [at, near] = onPoint.mock.calls[0] as [{ x: number; y: number }, number];
    expect(at.x).toBeCloseTo(10);
    expect(at.y).toBeCloseTo(20);
    expect(near).toBe(1);
    fireEvent.keyDown(screen.getAllByRole("checkbox")[1]!, { key: "Enter" });
    const [middle, itself] = onPoint.mock.calls[1] as [{ x: number; y: number }, number];
    expect([middle.x, middle.y].map(Math.round)).toEqual([75, 35]);
    expect(itself).toBe(2);
    expect(toggle).not.toHaveBeenCalled();
  });

  it("comes closer and goes back to all of it", () => {
    const { box } = open();
    const whole = box();
    const back = screen.getByRole("button", { name: "all of it" });
    expect(back).toHaveProperty("disabled", true);
    fireEvent.click(screen.getByRole("button", { name: "come closer on the plan" }));
    expect(box()[2]).toBeCloseTo(whole[2] / 1.6);
    fireEvent.click(back);
    expect(box()).toEqual(whole);
  });

  it("can be had as a list", () => {
    const { toggle } = open({ chosen: [1] });
    const listed = screen.getByRole("button", { name: "as a list" });
    expect(listed.getAttribute("aria-expanded")).toBe("false");
    fireEvent.click(listed);
    const ticks = screen.getAllByRole("checkbox", { name: /^Ridge Bed 2/ });
    fireEvent.click(ticks.at(-1)!);
    expect(toggle).toHaveBeenCalledWith(2);
  });

  it("puts beds that no thumb can tell apart together, says how many are chosen, and comes closer to them", () => {
    const small = Array.from({ length: 4 }, (_, i) => bed(10 + i, `Tray ${i + 1}`, 40 + i * 2, 50, 1));
    const { box } = open({ plan: plan({ beds: [...plan().beds, ...small] }), chosen: [11, 12] });
    const together = screen.getByRole("button", { name: "4 beds, 2 chosen: come closer" });
    const whole = box();
    fireEvent.click(together);
    const [left, , wide] = box();
    expect(wide).toBeLessThan(whole[2] / 4);
    expect(left).toBeGreaterThan(30);
    expect(left + wide).toBeLessThan(60);
    cleanup();
    open({ plan: plan({ beds: small }) });
    const other = screen.getByRole("button", { name: "4 beds: come closer" });
    expect(fireEvent.keyDown(other, { key: "Enter" })).toBe(false);
  });

  it("draws what is marked where it is asked for, and says what a mark means", () => {
    const marks = [
      { id: "peg-3", kind: "peg", name: "the low corner", x: 10, y: 10, link: "/look/pegs/3", bedId: 1 },
      { id: "buried-1", kind: "buried", name: "horns", x: 70, y: 30, link: "/make/prep/1", bedId: 2 },
    ];
    const under = () => screen.getByText(/^hatched: waits before harvest/).textContent;
    open({ plan: plan({ marks }) });
    expect(under()).not.toContain("flag");
    cleanup();
    open({ plan: plan({ marks }), marked: "peg" });
    expect(under()).toContain("flag: a peg");
    expect(under()).not.toContain("buried");
    cleanup();
    open({ plan: plan({ marks }), marked: "all" });
    expect(under()).toContain("something lies buried");
  });

  it("draws zones by their outline or by the points that lie in them", () => {
    const zones = [
      {
        id: 1,
        name: "the wet end",
        outline: [
          { x: 0, y: 0 },
          { x: 9, y: 0 },
          { x: 9, y: 9 },
        ],
        points: [],
      },
      {
        id: 2,
        name: "the ridge",
        outline: [],
        points: [
          { x: 20, y: 20 },
          { x: 22, y: 20 },
        ],
      },
      { id: 3, name: "nothing of it", outline: [], points: [] },
    ];
    const { svg } = open({ zones });
    expect(svg.textContent).toContain("the wet end");
    expect(svg.textContent).toContain("the ridge");
    expect(svg.textContent).not.toContain("nothing of it");
    expect(svg.querySelectorAll("circle")).toHaveLength(2);
    expect(screen.getByText(/blue: a zone/)).toBeTruthy();
  });
});
