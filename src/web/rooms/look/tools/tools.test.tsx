import { act, cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import { useState } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { Form } from "../../../parts/Form";
import { type Asked, blank, type CheckKind } from "./asked";
import { Tool } from "./Tool";

const bands = [
  { toS: 5, class: 1 },
  { toS: 30, class: 2 },
  { toS: 300, class: 3 },
];

/** What was tapped so far. */
let tapped: Asked;
let warm: string;

function Bench({ start, tell }: { start: Asked; tell: (asked: Asked, warmth: string) => void }) {
  const [asked, setAsked] = useState(start);
  const [warmth, setWarmth] = useState("");
  const put = (a: Asked, w: string) => {
    setAsked(a);
    setWarmth(w);
    tell(a, w);
  };
  return (
    <Form problem={null} onSend={() => undefined}>
      <Tool
        asked={asked}
        set={(part) => put({ ...asked, ...part }, warmth)}
        warmth={warmth}
        setWarmth={(w) => put(asked, w)}
        bands={bands}
      />
    </Form>
  );
}

function open(kind: CheckKind, part: Partial<Asked> = {}) {
  const start = { ...blank(kind), ...part };
  [tapped, warm] = [start, ""];
  render(<Bench start={start} tell={(a, w) => ([tapped, warm] = [a, w])} />);
}
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole("button", { name }));
const type = (label: string | RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
const again = (times: number, what: () => void) => Array.from({ length: times }, what);

// Radix measures its sliders, which jsdom does not.
beforeEach(() => {
  globalThis.ResizeObserver ??= class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

describe("worms", () => {
  it("are counted block by block, and one too many is taken back", () => {
    open("worms");
    again(3, () => press(/^block 1: one more worm/));
    press("Another block");
    again(2, () => press(/^block 2: one more worm/));
    press("block 1: one less");
    expect(tapped.counts).toEqual([2, 2]);
    expect(screen.getByLabelText("block 1: one more worm, 2 so far")).toBeTruthy();
  });

  it("cannot be fewer than none, nor in fewer than one block or more than six", () => {
    open("worms");
    expect(screen.getByRole("button", { name: "block 1: one less" })).toHaveProperty("disabled", true);
    expect(screen.queryByText("a block less")).toBeNull();
    again(5, () => press("Another block"));
    expect(screen.queryByText("Another block")).toBeNull();
    expect(tapped.counts).toEqual([0, 0, 0, 0, 0, 0]);
    press("a block less");
    expect(tapped.counts).toHaveLength(5);
  });

  it("hand their warmth on as it was typed: which degrees they are the server reads", () => {
    open("worms");
    type(/^Warmth of the ground/, "52 F");
    expect(warm).toBe("52 F");
    expect(tapped.soilC).toBeNull();
  });

  it("begin from what was counted, where that is put right", () => {
    open("worms", { counts: [9, 11] });
    press(/^block 2: one more worm/);
    expect(tapped.counts).toEqual([9, 12]);
  });
});

describe("crumbs", () => {
  const clock = (s: number) =>
    act(() => {
      vi.advanceTimersByTime(s * 1000);
    });

  it("take the class of the moment in which they are touched", () => {
    vi.useFakeTimers();
    open("crumbs");
    press("They are in the water");
    clock(3);
    press(/^crumb 1:/);
    clock(12);
    press(/^crumb 2:/);
    clock(60);
    press(/^crumb 3:/);
    expect(tapped.classes).toEqual([1, 2, 3]);
    expect(screen.getByText("1:15")).toBeTruthy();
  });

  it("are judged by eye after five minutes", () => {
    vi.useFakeTimers();
    open("crumbs");
    press("They are in the water");
    clock(301);
    press(/^crumb 4:/);
    press("6 · nearly all left");
    expect(tapped.classes).toEqual([6]);
    expect(screen.queryByRole("group", { name: "Crumb 4" })).toBeNull();
  });

  it("are taken back, and judged anew", () => {
    open("crumbs", { classes: [2, 5] });
    press(/^crumb 2: 5/);
    press("take it back");
    expect(tapped.classes).toEqual([2]);
    press("4 · up to a quarter left");
    expect(tapped.classes).toEqual([2, 4]);
  });

  it("go by key as by thumb", () => {
    open("crumbs");
    fireEvent.keyDown(screen.getByLabelText("crumb 8: not judged"), { key: "Enter" });
    press("0 · fell apart dry");
    expect(tapped.classes).toEqual([0]);
    fireEvent.keyDown(screen.getByLabelText(/^crumb 8/), { key: "x" });
    expect(screen.queryByRole("group", { name: "Crumb 8" })).toBeNull();
  });
});

describe("the rod", () => {
  const key = (cm: number, name: string, times = 1) =>
    again(times, () => fireEvent.keyDown(screen.getByRole("slider", { name: `${cm} cm deep` }), { key: name }));

  it("is read depth by depth, and a depth that was left out is not nought", () => {
    open("rod");
    key(15, "PageUp", 2);
    key(15, "ArrowRight");
    expect(tapped.pushes).toEqual([[null, null, 1.1]]);
    expect(screen.getByRole("slider", { name: "5 cm deep" }).getAttribute("aria-valuetext")).toBe("not read");
    expect(screen.getByRole("slider", { name: "15 cm deep" }).getAttribute("aria-valuetext")).toBe("1.1 MPa");
  });

  it("never goes under nought or over what its gauge shows", () => {
    open("rod");
    key(5, "ArrowLeft");
    key(10, "PageUp", 12);
    expect(tapped.pushes).toEqual([[0, 4]]);
  });

  it("keeps pushes apart, those in the wheelings too", () => {
    open("rod");
    key(5, "PageUp");
    press("Next push");
    key(5, "PageUp", 2);
    fireEvent.click(screen.getByRole("radio", { name: "in the wheelings" }));
    key(5, "PageUp", 4);
    expect(tapped.pushes).toEqual([[0.5], [1]]);
    expect(tapped.wheelings).toEqual([[2]]);
    expect(screen.getByText(/1 in wheelings|push 1/)).toBeTruthy();
  });

  it("takes back a figure, and a push", () => {
    open("rod");
    key(5, "PageUp");
    key(5, "Delete");
    expect(tapped.pushes).toEqual([[null]]);
    expect(screen.getByRole("button", { name: "Next push" })).toHaveProperty("disabled", true);
    press("take this push back");
    expect(tapped.pushes).toEqual([]);
  });

  it("with another gauge is read anew: no figure changes its unit under the hand", () => {
    open("rod", { pushes: [[1.2]], wheelings: [[2]] });
    fireEvent.click(screen.getByRole("radio", { name: "psi" }));
    expect([tapped.psi, tapped.pushes, tapped.wheelings]).toEqual([true, null, null]);
    key(5, "PageUp");
    expect(tapped.pushes).toEqual([[50]]);
  });

  it("is tapped where the gauge stood", () => {
    open("rod");
    const row = screen.getByRole("slider", { name: "20 cm deep" });
    row.closest("svg")!.getBoundingClientRect = () => ({ left: 0, width: 360 }) as DOMRect;
    fireEvent.click(row, { clientX: 52 + 296 / 2 });
    expect(tapped.pushes).toEqual([[null, null, null, 2]]);
  });
});

describe("the plain rod and moisture by feel", () => {
  it("fill what lies above with the same", () => {
    open("plainRod");
    const row = within(screen.getByRole("radiogroup", { name: "30 cm" }));
    fireEvent.click(row.getByRole("radio", { name: "4, hard" }));
    expect(tapped.feel).toEqual([4, 4, 4]);
    fireEvent.click(
      within(screen.getByRole("radiogroup", { name: "10 cm" })).getByRole("radio", { name: "1, slides in" }),
    );
    expect(tapped.feel).toEqual([1, 4, 4]);
  });

  it("read a depth with a comma, and hand on what is none", () => {
    open("plainRod");
    type("Moist and even to, cm", "32,5");
    expect(tapped.moistToCm).toBe(32.5);
    type("Moist and even to, cm", "deep");
    expect(String(tapped.moistToCm)).toBe("deep");
    type("Moist and even to, cm", "");
    expect(tapped.moistToCm).toBeNull();
  });

  it("go deeper by 20 cm, and weigh what is dried", () => {
    open("moisture");
    fireEvent.click(
      within(screen.getByRole("radiogroup", { name: "40 cm" })).getByRole("radio", { name: "3, firm ball" }),
    );
    expect(tapped.moist).toEqual([
      { toCm: 20, feel: null, wetG: null, dryG: null },
      { toCm: 40, feel: 3, wetG: null, dryG: null },
    ]);
    type("20 cm, wet, g", "182");
    type("20 cm, dry, g", "150");
    expect(tapped.moist![0]).toEqual({ toCm: 20, feel: null, wetG: 182, dryG: 150 });
    expect(screen.queryByRole("radiogroup", { name: "80 cm" })).toBeNull();
    press("deeper");
    expect(screen.getByRole("radiogroup", { name: "80 cm" })).toBeTruthy();
    expect(tapped.moist).toHaveLength(4);
  });
});

describe("the pit", () => {
  const layers = () => tapped.layers!.map((l) => [l.toCm, l.score]);

  it("is cut into layers that keep what was said of them", () => {
    open("block");
    fireEvent.click(screen.getByRole("radio", { name: "2 intact" }));
    press("Cut it in two");
    expect(layers()).toEqual([
      [15, 2],
      [30, 2],
    ]);
    fireEvent.click(screen.getByRole("radio", { name: "4 compact" }));
    expect(layers()).toEqual([
      [15, 4],
      [30, 2],
    ]);
    expect(screen.getByText("Layer 1 of 2, to 15 cm")).toBeTruthy();
  });

  it("loses no depth where a layer is none of its own", () => {
    open("block");
    press("Cut it in two");
    press("no layer of its own");
    expect(layers()).toEqual([[30, null]]);
    expect(screen.queryByText("no layer of its own")).toBeNull();
  });

  it("is not cut thinner than a centimetre", () => {
    open("block", {
      layers: [{ toCm: 1, score: 1, colour: null, mottled: false, threads: false, smell: null, says: null }],
    });
    press("Cut it in two");
    expect(layers()).toEqual([[1, 1]]);
  });

  it("says what each layer is like", () => {
    open("block");
    fireEvent.click(screen.getByRole("checkbox", { name: /Rust or grey spots/ }));
    fireEvent.click(screen.getByRole("radio", { name: "sour" }));
    type("Colour, and what it is like", "plates");
    expect(tapped.layers![0]).toMatchObject({ mottled: true, smell: "sour", says: "plates" });
    type("Colour, and what it is like", "");
    expect(tapped.layers![0]!.says).toBeNull();
  });
});

describe("the ring", () => {
  it("is timed twice, and then only the second anew", () => {
    vi.useFakeTimers();
    open("infiltration");
    press("Pour the first");
    act(() => {
      vi.advanceTimersByTime(42_000);
    });
    expect(screen.getByText("0:42")).toBeTruthy();
    press("It has gone in");
    press("Pour the second");
    act(() => {
      vi.advanceTimersByTime(95_400);
    });
    press("It has gone in");
    expect([tapped.firstS, tapped.secondS]).toEqual([42, 95]);
    expect(screen.getByRole("button", { name: "Pour the second" })).toBeTruthy();
  });

  it("can be typed from a watch", () => {
    open("infiltration");
    type("First, seconds", "60");
    type("Second, seconds", "1,000");
    expect(tapped.firstS).toBe(60);
    expect(String(tapped.secondS)).toBe("1,000"); // read two ways: the server's door asks which
  });
});

describe("plants", () => {
  it("turn aside where they are touched, and those beyond the last do not count", () => {
    open("roots");
    fireEvent.click(screen.getByRole("checkbox", { name: "plant 2 turns aside" }));
    fireEvent.keyDown(screen.getByRole("checkbox", { name: "plant 12 turns aside" }), { key: " " });
    expect([tapped.plants, tapped.turned]).toEqual([12, 2]);
    press("Plants: one less");
    expect([tapped.plants, tapped.turned]).toEqual([11, 1]);
    fireEvent.click(screen.getByRole("checkbox", { name: "plant 2 turns aside" }));
    expect(tapped.turned).toBe(0);
  });

  it("go as deep as was said, kept where the rest is put right", () => {
    open("roots", { plants: 3, turned: 1, deepestCm: [22, 31, 18] });
    expect(screen.getByLabelText("How deep each goes, cm")).toHaveProperty("value", "22 31 18");
    type("How deep each goes, cm", "22 31,5");
    expect(tapped.deepestCm).toEqual([22, 31.5]);
    type("How deep each goes, cm", " ");
    expect(tapped.deepestCm).toBeNull();
  });

  it("have nodules, of which no more are pink than were cut, nor more cut than there are", () => {
    open("nodules");
    press("20 more");
    again(2, () => press("Cut: pink"));
    press("Cut: white or green");
    expect(tapped).toMatchObject({ plants: 10, nodules: 20, cut: 3, pink: 2 });
    again(2, () => press("one less"));
    expect(tapped).toMatchObject({ cut: 1, pink: 1 });
    expect(screen.getByRole("img", { name: "1 of 1 cut open are pink" })).toBeTruthy();
  });

  it("that are cut were there", () => {
    open("nodules");
    press("Cut: white or green");
    expect(tapped).toMatchObject({ nodules: 1, cut: 1, pink: 0 });
  });

  it("have a colour, a shape, and stand so many in a metre", () => {
    open("leaf");
    fireEvent.click(screen.getByRole("radio", { name: "4" }));
    fireEvent.click(screen.getByRole("radio", { name: "curled" }));
    fireEvent.click(screen.getByRole("checkbox", { name: "The old ones are yellow" }));
    type("Plants in each metre of row", "12, 14 9");
    expect(tapped).toMatchObject({ card: 4, shape: "curled", oldYellow: true, stand: [12, 14, 9] });
    type("Plants in each metre of row", "12 many");
    expect(tapped.stand!.map(String)).toEqual(["12", "many"]);
  });
});

describe("weeds", () => {
  it("are counted kind by kind and frame by frame", () => {
    open("weeds");
    press("Count it");
    expect(tapped.weeds).toBeNull(); // without a name it is no kind
    type("A kind of weed", " fat hen ");
    press("Count it");
    again(3, () => press(/^frame 1: one more fat hen/));
    type("A kind of weed", "dock");
    press("Count it");
    press(/^frame 3: one more dock/);
    press("frame 3: one less");
    press(/^frame 2: one more dock/);
    expect(tapped.weeds).toEqual([
      { kind: "fat hen", counts: [3, 0, 0] },
      { kind: "dock", counts: [0, 1, 0] },
    ]);
    fireEvent.click(screen.getByRole("radio", { name: "fat hen: 3" }));
    expect(screen.getByLabelText("frame 1: one more fat hen, 3 so far")).toBeTruthy();
  });
});

describe("cotton", () => {
  it("laid in has nothing gone of it; dug up it has", () => {
    open("cotton");
    fireEvent.click(screen.getByRole("radio", { name: "rags" }));
    type("Weeks it lay", "8");
    expect(tapped).toMatchObject({ gone: 0.75, weeks: 8, buried: false });
    fireEvent.click(screen.getByRole("radio", { name: "it is laid in" }));
    expect(tapped).toMatchObject({ buried: true, gone: null });
    expect(screen.queryByLabelText("Weeks it lay")).toBeNull();
  });
});

describe("breath", () => {
  it("is typed from the lab’s slip", () => {
    open("co2");
    type(/CO₂-C/, "38.5");
    expect(tapped.burst).toBe(38.5);
  });
});
