import { describe, expect, it } from "vitest";
import { typed, unread } from "./typed";

describe("a number as it was typed", () => {
  it.each([
    ["6.4", 6.4],
    ["6,4", 6.4],
    ["1,5", 1.5],
    ["−3", -3],
    [" 12 ", 12],
    ["2e3", 2000],
    ["0,125", 0.125],
    [".5", 0.5],
  ])("reads %s", (text, value) => expect(typed(text)).toBe(value));

  it("takes an empty field for nothing, and not for nought", () => expect(typed("  ")).toBeNull());

  it("sends nothing that can be read as two figures, and names both", () => {
    const [problem] = unread({ loads: [{ litres: typed("1,000") }] });
    expect(problem?.field).toBe("loads[0].litres");
    expect(problem?.wrong).toBe("“1,000” can be read as 1 or as 1000.");
  });

  it("names the field of what is no number, and lets sound figures through", () => {
    expect(unread({ brewL: typed("17"), airLpm: typed("a lot") }).map((p) => p.field)).toEqual(["airLpm"]);
    expect(unread({ brewL: typed("17"), note: "a lot", at: null })).toEqual([]);
  });
});
