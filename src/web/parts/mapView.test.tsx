import { act, cleanup, renderHook } from "@testing-library/react";
import type { PointerEvent } from "react";
import { afterEach, describe, expect, it } from "vitest";
import { useView } from "./mapView";

const [w, h] = [200, 100];
/** Drawn 400 pixels wide: two pixels for each metre. */
const svg = { getBoundingClientRect: () => ({ width: 400 }) } as SVGSVGElement;
const at = (pointerId: number, clientX: number, clientY: number) =>
  ({ pointerId, clientX, clientY, currentTarget: svg }) as unknown as PointerEvent<SVGSVGElement>;

function open() {
  const { result } = renderHook(() => useView(w, h));
  const now = () => result.current;
  const down = (id: number, x: number, y: number) => act(() => now().handlers.onPointerDown(at(id, x, y)));
  const move = (id: number, x: number, y: number) => act(() => now().handlers.onPointerMove(at(id, x, y)));
  const up = (id: number) => act(() => now().handlers.onPointerUp(at(id, 0, 0)));
  const closer = (by: number, to?: { x: number; y: number }) => act(() => now().closer(by, to));
  return { now, down, move, up, closer };
}

const middle = ({ x, y, close }: { x: number; y: number; close: number }) => [x + w / close / 2, y + h / close / 2];

describe("the ground, looked at from nearer", () => {
  afterEach(cleanup);

  it("begins with all of it in sight", () => {
    expect(open().now().view).toEqual({ x: 0, y: 0, close: 1 });
  });

  it("comes closer to its middle, or to what was pointed at, which stays where it is", () => {
    const map = open();
    map.closer(2);
    expect(map.now().view).toEqual({ x: 50, y: 25, close: 2 });
    const held = { x: 70, y: 40 };
    const before = { x: (held.x - 50) * 2, y: (held.y - 25) * 2 };
    map.closer(3, held);
    const { x, y, close } = map.now().view;
    expect(close).toBe(6);
    expect((held.x - x) * close).toBeCloseTo(before.x);
    expect((held.y - y) * close).toBeCloseTo(before.y);
  });

  it("goes no further out than the whole, no nearer than forty times, and never past its edge", () => {
    const map = open();
    map.closer(0.1);
    expect(map.now().view).toEqual({ x: 0, y: 0, close: 1 });
    map.closer(1000, { x: 0, y: 0 });
    expect(map.now().view).toEqual({ x: 0, y: 0, close: 40 });
    act(() => map.now().all());
    map.closer(4, { x: w, y: h });
    expect(map.now().view).toEqual({ x: 150, y: 75, close: 4 });
    map.closer(0.5, { x: w, y: h });
    expect(map.now().view).toEqual({ x: 100, y: 50, close: 2 });
  });

  it("goes to a bed with room around it, in its middle", () => {
    const map = open();
    act(() => map.now().to({ left: 90, right: 110, top: 45, bottom: 55 }));
    const { view } = map.now();
    expect(view.close).toBeCloseTo(200 / 30);
    expect(middle(view)[0]).toBeCloseTo(100);
    expect(middle(view)[1]).toBeCloseTo(50);
  });

  it("is moved by one finger once it is near, by as much as the finger moves", () => {
    const map = open();
    map.closer(4);
    const before = map.now().view;
    map.down(1, 100, 100);
    map.move(1, 140, 80);
    // 40 pixels are 20 m of the whole, and a fourth of that here
    expect(map.now().view.x).toBeCloseTo(before.x - 5);
    expect(map.now().view.y).toBeCloseTo(before.y + 2.5);
    expect(map.now().dragged()).toBe(true);
    map.up(1);
    map.move(1, 300, 300);
    expect(map.now().view.x).toBeCloseTo(before.x - 5);
  });

  it("leaves one finger to the page while all is in sight", () => {
    const map = open();
    map.down(1, 100, 100);
    map.move(1, 100, 300);
    expect(map.now().view).toEqual({ x: 0, y: 0, close: 1 });
  });

  it("takes a finger that hardly moved for a touch", () => {
    const map = open();
    map.closer(4);
    map.down(1, 100, 100);
    map.move(1, 103, 104);
    expect(map.now().dragged()).toBe(false);
    expect(map.now().view).toEqual({ x: 75, y: 37.5, close: 4 });
  });

  it("comes closer between two fingers, and stays so when one is lifted", () => {
    const map = open();
    map.down(1, 150, 100);
    map.down(2, 250, 100);
    map.move(2, 350, 100);
    expect(map.now().view.close).toBeCloseTo(2);
    map.up(2);
    const after = map.now().view;
    map.move(1, 152, 101);
    expect(map.now().view).toEqual(after);
  });

  it("forgets a finger that left or was taken away", () => {
    const map = open();
    map.closer(4);
    map.down(1, 100, 100);
    act(() => map.now().handlers.onPointerLeave(at(1, 0, 0)));
    map.down(2, 100, 100);
    act(() => map.now().handlers.onPointerCancel(at(2, 0, 0)));
    map.move(1, 300, 100);
    map.move(2, 300, 100);
    expect(map.now().view).toEqual({ x: 75, y: 37.5, close: 4 });
  });
});
