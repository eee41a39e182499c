import { describe, expect, it } from "vitest";
import { begin, crossed, cut } from "./trialForm";

describe("a trial's first plan", () => {
  it("cuts levels at commas and drops what is empty", () =>
    expect(cut(" no char, 5 % char,, 15 % char ")).toEqual(["no char", "5 % char", "15 % char"]));

  it("crosses every level with every other, in order", () => {
    expect(
      crossed([
        ["dry", "wet"],
        ["none", "tea"],
      ]),
    ).toEqual([
      ["dry", "none"],
      ["dry", "tea"],
      ["wet", "none"],
      ["wet", "tea"],
    ]);
    expect(
      crossed([
        ["a", "b"],
        ["c", "d", "e"],
        ["f", "g"],
      ]),
    ).toHaveLength(12);
  });

  it("sets a control and water only beside the tea, and speaks in the holding's units", () => {
    const plan = begin(undefined, []);
    expect(plan.treatments?.map((t) => t?.role)).toEqual(["control", "water", "treatment"]);
    expect(plan.places?.[0]?.length).toBe("30 m");
    expect(begin(undefined, [], true).places?.[0]?.length).toBe("100 ft");
  });
});
