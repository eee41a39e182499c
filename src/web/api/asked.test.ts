import { describe, expect, it } from "vitest";
import { asFile, inWords } from "./files";
import { asProblem, isOf, lost, Problem } from "./problem";
import { named, touchedBy } from "./rooms";

const refused = new Problem(
  {
    title: "Two things are wrong.",
    fields: [
      { field: "beds[2].area", wrong: "“12” has no unit.", wayOut: "Write 12 m²." },
      { field: "bedside", wrong: "No.", wayOut: "Yes." },
    ],
  },
  422,
);

describe("a refusal", () => {
  it("belongs to its field, or to the list that holds it, and to none that only begins like it", () => {
    expect(refused.of("beds")).toBe("“12” has no unit. Write 12 m².");
    expect(refused.of("beds[2].area")).toBe("“12” has no unit. Write 12 m².");
    expect(refused.of("bed")).toBeUndefined();
    expect(isOf({ field: "bedside", wrong: "", wayOut: "" }, "beds")).toBe(false);
  });

  it("stays refused, where trouble passes", () => {
    expect(refused.passing).toBe(false);
    expect(new Problem({ title: "Changed meanwhile." }, 409).passing).toBe(false);
    expect(new Problem(undefined, 503).passing).toBe(true);
    expect(lost().passing).toBe(true);
    expect(new Problem({ trouble: "another holding" }, 409).passing).toBe(true);
  });

  it("says in words what happened, also where the server said nothing", () => {
    expect(new Problem(undefined, 500).message).toBe("Mud Pie could not do that (500).");
    expect(new Problem(undefined).message).toBe("Mud Pie did not answer.");
    expect(new Problem(undefined).detail).toContain("Nothing is lost");
    expect(refused.message).toBe("Two things are wrong.");
  });

  it("is what it was, and anything else is a lost connection", () => {
    expect(asProblem(refused)).toBe(refused);
    const other = asProblem(new TypeError("Failed to fetch"), "/api/today");
    expect([other.message, other.read, other.status]).toEqual([
      "The connection to Mud Pie is lost.",
      "/api/today",
      null,
    ]);
  });
});

describe("two requests", () => {
  const file = (name: string, text: string, lastModified = 1) =>
    new File([text], name, { type: "image/jpeg", lastModified });

  it("are one write where they ask the same, and two where a word differs", () => {
    const ask = (value: string) => ({ params: { path: { id: 1 } }, body: { value } });
    expect(inWords(ask("6.4"))).toBe(inWords(ask("6.4")));
    expect(inWords(ask("6.4"))).not.toBe(inWords(ask("6.5")));
  });

  it("are told apart by the file they bring", () => {
    const sent = (f: File) => inWords(asFile(f));
    expect(sent(file("peg.jpg", "a"))).toBe(sent(file("peg.jpg", "b")));
    expect(sent(file("peg.jpg", "a"))).not.toBe(sent(file("peg.jpg", "ab")));
    expect(sent(file("peg.jpg", "a", 1))).not.toBe(sent(file("peg.jpg", "a", 2)));
  });

  it("send a file as it is, under its own kind or the one that is said", () => {
    const brought = file("peg.jpg", "a");
    expect(asFile(brought).headers).toEqual({ "Content-Type": "image/jpeg" });
    expect(asFile(brought, "text/csv").headers).toEqual({ "Content-Type": "text/csv" });
    expect(asFile(brought).bodySerializer(brought)).toBe(brought);
  });
});

describe("what is read again after a write", () => {
  const after = (written: string, read: string) => touchedBy(written)(read);

  it("is Today and the day line, whatever was written", () => {
    for (const written of ["/api/almanac/dates", "/api/watch/seen", "/api/look/checks", "/api/shelf/count"])
      for (const read of ["/api/today", "/api/day-line", "/api/watch"]) expect(after(written, read)).toBe(true);
  });

  it("is what it touches: a check the bed that it is of, the dose and the book; not the weather", () => {
    for (const read of ["/api/look/pegs/3", "/api/ground/plan", "/api/put-out/tank", "/api/book", "/api/judge/claims"])
      expect(after("/api/look/checks", read)).toBe(true);
    expect(after("/api/look/checks", "/api/weather")).toBe(false);
    expect(after("/api/look/checks", "/api/shelf")).toBe(false);
  });

  it("is a work’s own page and what it fills", () => {
    for (const read of ["/api/works/worms/1", "/api/make", "/api/shelf", "/api/sheets/5"])
      expect(after("/api/works/worms/1/steps", read)).toBe(true);
  });

  it("is everything after a note, a change of the holding, and what nobody has listed", () => {
    for (const written of ["/api/notes", "/api/holding/units", "/api/something-new"])
      expect(after(written, "/api/weather")).toBe(true);
  });
});

describe("an address in words", () => {
  it("is one thing where it has a number, and all of them where not", () => {
    expect(named("/api/look/pegs/3")).toBe("This peg");
    expect(named("/api/look/walk")).toBe("Walks and pegs");
    expect(named("/api/brew/batches/14")).toBe("This brew");
    expect(named("/api/brew/batches")).toBe("The brews");
  });

  it("is the page where nobody named it", () => {
    expect(named("/api/something-new")).toBe("This page");
    expect(named(null)).toBe("This page");
  });
});
