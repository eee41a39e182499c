import { describe, expect, it } from "vitest";
import { readDay, readMoment, written } from "./dates";

const today = "2026-06-10";
const day = (text: string, monthFirst = false) => {
  const read = readDay(text, today, monthFirst);
  return "iso" in read ? read.iso : `✕ ${read.wrong}`;
};
const moment = (text: string, monthFirst = false) => {
  const read = readMoment(text, today, monthFirst);
  return "iso" in read ? read.iso : `✕ ${read.wrong}`;
};

describe("days as people write them", () => {
  it.each([
    ["10 Jun 2026", "2026-06-10"],
    ["10 June", "2026-06-10"],
    ["Wed 10 Jun 2026", "2026-06-10"],
    ["June 3rd, 2027", "2027-06-03"],
    ["3jun27", "2027-06-03"],
    ["2026-06-10", "2026-06-10"],
    ["10/6/2026", "2026-06-10"],
    ["10.6.", "2026-06-10"],
    ["6/13", "2026-06-13"],
    ["yesterday", "2026-06-09"],
    ["Tomorrow", "2026-06-11"],
  ])("%s is %s", (text, iso) => expect(day(text)).toBe(iso));

  it("takes the nearest year where none is said", () => {
    expect(day("28 Dec")).toBe("2025-12-28"); // 164 days back, 201 on
    expect(day("1 Nov")).toBe("2026-11-01");
  });

  it("reads figures month first where the holding writes so, but never across points", () => {
    expect(day("6/10", true)).toBe("2026-06-10");
    expect(day("6/10")).toBe("2026-10-06");
    expect(day("10.6.2026", true)).toBe("2026-06-10");
    expect(day("13/6", true)).toBe("2026-06-13");
  });

  it.each(["31 Jun", "29 Feb 2027", "10 Foo", "soon", "", "٣ Jun", "10/13/2026/4", "99/99"])(
    "%j is no day, and says what would do",
    (text) => expect(day(text)).toMatch(/^✕ .*10 Jun 2026/),
  );

  it("comes back as it was written", () => {
    expect(written("2026-06-10")).toBe("10 Jun 2026");
    expect(written("2026-06-10T07:30", true)).toBe("Jun 10 2026, 07:30");
    expect(written("")).toBe("");
    for (const first of [false, true])
      expect(moment(written("2026-11-30T07:30", first), first)).toBe("2026-11-30T07:30");
  });
});

describe("moments as people write them", () => {
  it.each([
    ["10 Jun 2026, 07:30", "2026-06-10T07:30"],
    ["11 Jun 7:30", "2026-06-11T07:30"],
    ["tomorrow 6 am", "2026-06-11T06:00"],
    ["07:30", "2026-06-10T07:30"],
    ["7.30 pm", "2026-06-10T19:30"],
    ["12 am", "2026-06-10T00:00"],
    ["12:15 pm", "2026-06-10T12:15"],
    ["2026-06-11T05:45", "2026-06-11T05:45"],
    ["30/11 18h05", "2026-11-30T18:05"],
  ])("%s is %s", (text, iso) => expect(moment(text)).toBe(iso));

  it.each(["10 Jun 2026", "25:00", "10 Jun 13 pm", "7:75", ""])("%j is no moment", (text) =>
    expect(moment(text)).toMatch(/^✕ /),
  );
});
