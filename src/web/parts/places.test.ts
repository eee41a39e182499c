import { describe, expect, it } from "vitest";
import { touchedBy } from "../api/rooms";
import { benchOf, roomOf, rooms } from "./places";

const where = (path: string) => {
  const room = roomOf(path);
  return `${room?.name}: ${room && (benchOf(room, path)?.[1] ?? "none")}`;
};

describe("rooms and their benches", () => {
  it.each([
    ["/", "Today: none"],
    ["/look/leaves/6", "Look: Leaves (brix)"],
    ["/make", "Make: The yard"],
    ["/brew/14", "Make: Brews"],
    ["/brew/water", "Make: Brews"],
    ["/make/heap/2", "Make: Heaps"],
    ["/put-out", "Put out: The ground"],
    ["/put-out/14", "Put out: Tank"],
    ["/judge/trials/2/sheet", "Judge: Trials"],
    ["/book/season", "Keep: Season’s record"],
    ["/ground", "Keep: Ground and kit"],
  ])("%s lies in %s", (path, says) => expect(where(path)).toBe(says));

  it("knows no room for an address that is none", () => expect(roomOf("/brewery")).toBeUndefined());

  it("are six, with at most seven benches each, and no bench stands in two rooms", () => {
    expect(rooms.map((r) => r.name)).toEqual(["Today", "Look", "Make", "Put out", "Judge", "Keep"]);
    const all = rooms.flatMap((r) => r.benches.map(([to]) => to));
    expect(Math.max(...rooms.map((r) => r.benches.length))).toBeLessThanOrEqual(7);
    expect(new Set(all).size).toBe(all.length);
  });
});

describe("what a write reads again", () => {
  const again = (written: string, read: string) => touchedBy(written)(read);

  it("is its own room, and what shows what stands in it", () => {
    expect(again("/api/brew/batches/{id}/log", "/api/brew/batches/{id}")).toBe(true);
    expect(again("/api/brew/batches/{id}/log", "/api/day-line")).toBe(true);
    expect(again("/api/put-out/tank", "/api/shelf")).toBe(true);
    expect(again("/api/judge/brix", "/api/judge/brix")).toBe(true);
  });

  it("is not the world", () => {
    expect(again("/api/judge/brix", "/api/brew/batches")).toBe(false);
    expect(again("/api/weather/file", "/api/shelf")).toBe(false);
    expect(again("/api/watch/{id}/done", "/api/ground")).toBe(false);
  });

  it("is everything after a note, or where the holding itself was changed", () => {
    for (const read of ["/api/ground", "/api/judge/trials", "/api/weather"]) {
      expect(again("/api/notes", read)).toBe(true);
      expect(again("/api/holding/units", read)).toBe(true);
    }
  });
});
