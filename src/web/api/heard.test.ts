import { act, renderHook } from "@testing-library/react";
import { expect, it } from "vitest";
import { heard, useHeard } from "./heard";

it("what stands on the page is of the oldest of what was kept, until somebody answers", () => {
  const since = renderHook(() => useHeard()).result;
  expect(since.current).toBeNull();
  act(() => heard("2026-06-10T05:00:00Z"));
  act(() => heard("2026-06-10T04:00:00Z"));
  act(() => heard("2026-06-10T05:30:00Z"));
  expect(since.current).toBe(Date.parse("2026-06-10T04:00:00Z"));
  act(() => heard("")); // kept, and nobody knows of when
  expect(since.current).toBeNull();
  act(() => heard("2026-06-10T04:00:00Z"));
  act(() => heard(null));
  expect(since.current).toBeNull();
});
