import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { useState } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import { Problem } from "../api/problem";
import { Holding } from "./clock";
import { DayField, MomentField } from "./DayField";
import { Form } from "./Form";
import { WhenField } from "./WhenField";

const holding = (part: Partial<Schemas["HoldingView"]> = {}) =>
  ({
    zone: "Europe/London",
    units: "metric",
    monthFirst: false,
    hours12: false,
    ...part,
  }) as Schemas["HoldingView"];

let told: string | null;
const tell = (iso: string | null) => (told = iso);

function Day({
  start = "",
  moment = false,
  onTell,
}: {
  start?: string;
  moment?: boolean;
  onTell: (iso: string) => void;
}) {
  const [value, setValue] = useState(start);
  const What = moment ? MomentField : DayField;
  return (
    <>
      <What
        label="When"
        value={value}
        name="on"
        hint="as it was"
        onChange={(iso) => {
          setValue(iso);
          onTell(iso);
        }}
      />
      <button type="button" onClick={() => setValue("2026-07-01T18:05")}>
        take what is proposed
      </button>
    </>
  );
}

const open = (start?: string, moment = false, how = holding(), problem: Problem | null = null) =>
  render(
    <Holding.Provider value={how}>
      <Form problem={problem} onSend={() => undefined}>
        <Day start={start} moment={moment} onTell={tell} />
      </Form>
    </Holding.Provider>,
  );
const type = (value: string) => fireEvent.change(screen.getByLabelText("When"), { target: { value } });
const stands = () => (screen.getByLabelText("When") as HTMLInputElement).value;

describe("a day as people write it", () => {
  beforeEach(() => {
    vi.useFakeTimers({ now: new Date("2026-06-10T09:40:00Z"), toFake: ["Date"] });
    told = null;
  });
  afterEach(() => {
    cleanup();
    vi.useRealTimers();
  });

  it("stands in the field as the holding writes it, and is told with its weekday when it is changed", () => {
    open("2026-06-12");
    expect(stands()).toBe("12 Jun 2026");
    type("3 Nov");
    expect(told).toBe("2026-11-03");
    expect(screen.getByText("= Tue 3 Nov 2026")).toBeTruthy();
  });

  it("is read month first where the holding writes so, and told so", () => {
    open("", false, holding({ monthFirst: true }));
    type("6/12");
    expect(told).toBe("2026-06-12");
    expect(screen.getByText("= Fri Jun 12 2026")).toBeTruthy();
    type("13/6");
    expect(told).toBe("2026-06-13"); // no thirteenth month: it can mean one thing only
  });

  it("goes on as it was typed where it is none, and says at once how to write it", () => {
    open();
    type("31 Feb");
    expect(told).toBe("31 Feb");
    expect(screen.getByText(/There is no such day\. Write it as 10 Jun 2026\./)).toBeTruthy();
    expect(stands()).toBe("31 Feb");
  });

  it("asks for nothing where it is emptied", () => {
    open("2026-06-12");
    type("");
    expect(told).toBe("");
    expect(screen.getByText("as it was")).toBeTruthy();
  });

  it("knows tomorrow", () => {
    open();
    type("tomorrow");
    expect(told).toBe("2026-06-11");
  });

  it("takes what is proposed from elsewhere over what stood there", () => {
    open("2026-06-12T06:00", true);
    type("11 Jun 5:15");
    fireEvent.click(screen.getByRole("button", { name: "take what is proposed" }));
    expect(stands()).toBe("1 Jul 2026, 18:05");
  });

  it("with its hour goes by twelve where the holding does", () => {
    open("2026-06-12T18:05", true, holding({ hours12: true }));
    expect(stands()).toBe("12 Jun 2026, 6:05 pm");
    type("12 Jun 7:30 pm");
    expect(told).toBe("2026-06-12T19:30");
    type("12 Jun");
    expect(told).toBe("12 Jun");
    expect(screen.getByText(/There is no hour in it/)).toBeTruthy();
  });

  it("shows what the server says of it at the field", () => {
    open(
      "2026-06-12",
      false,
      holding(),
      new Problem(
        { title: "No.", fields: [{ field: "on", wrong: "That is after the end.", wayOut: "Choose an earlier day." }] },
        422,
      ),
    );
    expect(screen.getByText("✕ That is after the end. Choose an earlier day.")).toBeTruthy();
  });

  it("is now unless something else is said, and now again when that is taken back", () => {
    render(
      <Holding.Provider value={holding()}>
        <Form problem={null} onSend={() => undefined}>
          <WhenField onChange={tell} />
        </Form>
      </Holding.Provider>,
    );
    expect(screen.queryByLabelText("It was at")).toBeNull();
    fireEvent.click(screen.getByRole("button", { name: "it was at another time than now" }));
    const field = screen.getByLabelText("It was at") as HTMLInputElement;
    expect(field.value).toBe("10 Jun 2026, 10:40"); // summer time there
    fireEvent.change(field, { target: { value: "yesterday 18:00" } });
    expect(told).toBe("2026-06-09T17:00:00.000Z");
    fireEvent.change(field, { target: { value: "at dawn" } });
    expect(told).toBe("at dawn"); // refused by the server at its field, not dropped
    fireEvent.click(screen.getByRole("button", { name: "no, now" }));
    expect(told).toBeNull();
  });
});
