import { renderHook } from "@testing-library/react";
import type { ReactNode } from "react";
import { describe, expect, it } from "vitest";
import type { Schemas } from "../api/client";
import { Holding, span, useClock } from "./clock";

const clockIn = (zone: string) =>
  renderHook(useClock, {
    wrapper: ({ children }: { children: ReactNode }) => (
      <Holding.Provider value={{ zone } as Schemas["HoldingView"]}>{children}</Holding.Provider>
    ),
  }).result.current;

describe("times in the holding's zone", () => {
  it("shows an instant as the wall clock there reads", () => {
    expect(clockIn("Europe/London").time("2026-06-10T05:00:00Z")).toBe("06:00");
    expect(clockIn("America/New_York").time("2026-06-10T05:00:00Z")).toBe("01:00");
  });

  it.each(["Europe/London", "America/New_York", "Australia/Adelaide", "Asia/Kathmandu", "UTC"])(
    "comes back from a field as it went in, in %s, on the days of both changes too",
    (zone) => {
      const clock = clockIn(zone);
      for (const at of ["2026-01-15T12:00Z", "2026-03-29T06:30Z", "2026-07-01T23:55Z", "2026-11-01T12:00Z"])
        expect(clock.fromField(clock.toField(new Date(at)))?.toISOString()).toBe(new Date(at).toISOString());
    },
  );

  it("knows no time where none was typed", () => expect(clockIn("UTC").fromField("")).toBeNull());

  it("writes September with three letters, as the server does", () =>
    expect(clockIn("UTC").date("2026-09-03T12:00:00Z")).toBe("3 Sep 2026"));

  it.each([
    [45, "45 min"],
    [60, "1 h 00 min"],
    [59.6, "1 h 00 min"],
    [119.7, "2 h 00 min"],
    [65, "1 h 05 min"],
  ])("says %s minutes as %s: no hour has sixty", (minutes, says) => expect(span(minutes)).toBe(says));
});
