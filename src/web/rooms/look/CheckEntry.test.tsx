import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { Problem } from "../../api/problem";
import { CheckEntry } from "./CheckEntry";
import { blank } from "./tools/asked";

/** What was written, and what came back: an id, null where it waits, or a refusal. */
const desk = vi.hoisted(() => ({
  written: [] as { path: string; init: unknown; says?: string }[],
  answer: { id: 2 } as unknown,
  error: null as unknown,
}));
vi.mock("../../api/data", () => ({
  useWorkOut: () => ({ data: undefined, problem: null }),
  useWrite: (path: string, question: (v: unknown) => unknown, after: (kept: unknown) => void) => ({
    error: desk.error,
    mutate: (v: unknown) => {
      desk.written.push({ path, init: question(v) });
      after(desk.answer);
    },
  }),
}));
vi.mock("../../parts/outbox", () => ({
  useFieldWrite: (
    path: string,
    question: (v: unknown) => unknown,
    says: (v: unknown) => string,
    after: (kept: unknown) => void,
  ) => ({
    error: desk.error,
    isPending: false,
    mutate: (v: unknown) => {
      desk.written.push({ path, init: question(v), says: says(v) });
      if (!desk.error) after(desk.answer);
    },
  }),
}));

const peg = { id: 7, called: "Creek Field, the low corner" } as Schemas["PegView"];
const line = (part: Partial<Schemas["CheckLine"]> = {}): Schemas["CheckLine"] => ({
  id: 41,
  at: "2026-04-09T08:00:00Z",
  kind: "worms",
  name: "Worms",
  shown: "20 worms in 2 blocks: 10 a block",
  minding: "moist, by the field hand",
  gone: null,
  stands: true,
  asked: { ...blank("worms"), counts: [9, 11], soilC: 11 },
  warmth: "11 °C",
  wrote: null,
  ...part,
});
const show = (part: Partial<Schemas["CheckLine"]> = {}) =>
  render(<CheckEntry line={line(part)} peg={peg} bands={[]} />);
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole("button", { name }));
const why = (text: string) =>
  fireEvent.change(screen.getByLabelText(/^(What was wrong|Why)/), { target: { value: text } });

describe("a check in the list of all that was found", () => {
  beforeEach(() => {
    [desk.written, desk.answer, desk.error] = [[], { id: 2 }, null];
  });
  afterEach(cleanup);

  it("is put right from what was tapped, in its own hour, as a new entry that names the one it puts right", () => {
    show();
    press("put it right");
    expect(screen.getByLabelText(/^Warmth of the ground/)).toHaveProperty("value", "11 °C");
    press(/^block 2: one less/);
    why("a slip of the thumb");
    press("Keep it as put right");
    expect(desk.written).toHaveLength(1);
    expect(desk.written[0]).toMatchObject({
      path: "/api/look/checks",
      says: "worms put right, Creek Field, the low corner",
      init: {
        body: {
          pegId: 7,
          at: "2026-04-09T08:00:00Z",
          correctsId: 41,
          why: "a slip of the thumb",
          warmth: "11 °C",
          wet: null,
          check: { kind: "worms", counts: [9, 10], soilC: null },
        },
      },
    });
    expect(screen.getByRole("button", { name: "put it right" })).toBeTruthy();
  });

  it("has no warmth any more where that is taken out", () => {
    show();
    press("put it right");
    fireEvent.change(screen.getByLabelText(/^Warmth of the ground/), { target: { value: "" } });
    press("Keep it as put right");
    expect(desk.written[0]).toMatchObject({ init: { body: { warmth: null, check: { soilC: null } } } });
  });

  it("says so where it waits on the device", () => {
    desk.answer = null;
    show();
    press("put it right");
    why("the wrong block");
    press("Keep it as put right");
    expect(screen.getByText(/put right on this device, sent later and once/)).toBeTruthy();
    expect(screen.queryByRole("form")).toBeNull();
  });

  it("keeps what was typed where it is refused, and says why at the field", () => {
    desk.error = new Problem(
      {
        title: "Not said.",
        fields: [{ field: "why", wrong: "It is not said what was wrong.", wayOut: "A few words." }],
      },
      422,
    );
    show();
    press("put it right");
    press(/^block 1: one more/);
    press("Keep it as put right");
    expect(screen.getByText("✕ It is not said what was wrong. A few words.")).toBeTruthy();
    expect(screen.getByLabelText(/^block 1: one more worm, 10 so far/)).toBeTruthy();
  });

  it("is left as it was without a trace", () => {
    show();
    press("put it right");
    press(/^block 1: one more/);
    press("leave it as it was");
    press("put it right");
    expect(screen.getByLabelText(/^block 1: one more worm, 9 so far/)).toBeTruthy();
    expect(desk.written).toEqual([]);
  });

  it("is struck with a word why", () => {
    show();
    press("strike it");
    why("the wrong peg");
    press("Strike it");
    expect(desk.written).toEqual([
      { path: "/api/look/checks/{id}/strike", init: { params: { path: { id: 41 } }, body: { why: "the wrong peg" } } },
    ]);
  });

  it("that stands no more stays readable, says what became of it, and is not touched again", () => {
    show({ stands: false, gone: "put right: a slip of the thumb" });
    expect(screen.getByText("moist, by the field hand put right: a slip of the thumb")).toBeTruthy();
    expect(screen.getByText("Worms")).toBeTruthy();
    expect(screen.queryByRole("button")).toBeNull();
  });
});
