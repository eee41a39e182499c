import { describe, expect, it } from "vitest";
import { hourSaid, written } from "./dates";
import { pointOf } from "./PlaceFields";

describe("a place as it is typed", () => {
  it.each([
    ["52.5, 0.0", { lat: 52.5, lon: 0 }],
    ["41.9 N 87.6 W", { lat: 41.9, lon: -87.6 }],
    ["33.9° s, 151.2° e", { lat: -33.9, lon: 151.2 }],
  ])("reads %s", (text, at) => expect(pointOf(text)).toEqual(at));

  it.each(["", "the porch", "52.5", "91, 0", "1, 2, 3"])("finds none in “%s”", (text) =>
    expect(pointOf(text)).toBeNull(),
  );
});

describe("hours and days as the holding writes them", () => {
  it.each([
    ["00:05", "12:05 am"],
    ["11:59", "11:59 am"],
    ["12:00", "12:00 pm"],
    ["19:30", "7:30 pm"],
  ])("says %s as %s", (hhmm, says) => {
    expect(hourSaid(hhmm, true)).toBe(says);
    expect(hourSaid(hhmm, false)).toBe(hhmm);
  });

  it("puts the month first where it does", () => {
    expect(written("2026-06-10T19:30", true, true)).toBe("Jun 10 2026, 7:30 pm");
    expect(written("2026-06-10T19:30")).toBe("10 Jun 2026, 19:30");
  });
});
