import { beforeEach, expect, it, vi } from "vitest";

const answers = vi.fn<typeof fetch>();

async function opened() {
  vi.resetModules();
  vi.stubGlobal("fetch", answers);
  return import("./client");
}

const answer = (headers: Record<string, string>) => Promise.resolve(new Response("{}", { headers }));
const soon = (iso: string) => Math.abs(Date.parse(iso) - Date.now());

beforeEach(() => {
  localStorage.clear();
  answers.mockReset();
});

it("a device whose clock is wrong by a day writes by the server’s, also when it is opened again without a signal", async () => {
  const day = 86_400_000;
  answers.mockImplementation(() => answer({ "Mudpie-Now": new Date(Date.now() - day).toISOString() }));
  const first = await opened();
  await first.client.GET("/api/today", { baseUrl: "http://localhost" });
  expect(soon(first.serverNow()) / day).toBeCloseTo(1, 2);
  expect(first.clockOff()).toBe(24 * 60);
  const later = await opened();
  expect(soon(later.serverNow()) / day).toBeCloseTo(1, 2);
});

it("what this device had kept sets no clock: it was answered long ago", async () => {
  answers.mockImplementation(() =>
    answer({ "Mudpie-Now": "2026-06-01T05:00:00Z", "Mudpie-Kept": "2026-06-01T05:00:00Z" }),
  );
  const { client, serverNow } = await opened();
  await client.GET("/api/today", { baseUrl: "http://localhost" });
  expect(soon(serverNow())).toBeLessThan(60_000);
});
