import { beforeEach, describe, expect, it, vi } from "vitest";

const GET = vi.hoisted(() => vi.fn());
vi.mock("../api/client", () => ({ client: { GET } }));

const opened = async () => {
  vi.resetModules();
  return import("./field");
};
const stands = () => JSON.parse(localStorage.getItem("mud-pie-carried") ?? "null") as { pages: number } | null;

describe("what is carried into a field", () => {
  beforeEach(() => {
    localStorage.clear();
    GET.mockReset().mockResolvedValue({ data: { paths: ["/api/today", "/api/watch", "/api/look/walk"] } });
  });

  it("is read one page after the other, and counted without those that failed", async () => {
    const { carry } = await opened();
    const asked: string[] = [];
    await carry((path) => Promise.resolve(asked.push(path) !== 2));
    expect(asked).toEqual(["/api/today", "/api/watch", "/api/look/walk"]);
    expect(stands()?.pages).toBe(2);
  });

  it("is not read again within minutes, nor twice at once", async () => {
    const { carry } = await opened();
    const get = vi.fn(() => Promise.resolve(true));
    await Promise.all([carry(get), carry(get)]);
    await carry(get);
    expect(get).toHaveBeenCalledTimes(3);
  });

  it("stays as it was where nobody answers", async () => {
    localStorage.setItem("mud-pie-carried", JSON.stringify({ pages: 9, at: "2026-06-09T05:00:00Z" }));
    GET.mockRejectedValue(new TypeError("no network"));
    const { carry } = await opened();
    await carry(() => Promise.resolve(true));
    expect(stands()?.pages).toBe(9);
  });
});
