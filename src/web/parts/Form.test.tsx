import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import { Problem } from "../api/problem";
import { Field } from "./Field";
import { Form, Refusals } from "./Form";
import { WrongElse } from "./Wrong";

const refused = new Problem(
  {
    title: "Two things are wrong.",
    fields: [
      { field: "area", wrong: "“12” has no unit.", wayOut: "Write it as 12 m²." },
      { field: "beds[2]", wrong: "There is no such bed.", wayOut: "Choose from the list." },
    ],
  },
  422,
);
const field = (name: string) => <Field label={name} name={name} value="" onChange={() => undefined} />;

describe("refusals at their fields", () => {
  afterEach(cleanup);

  it("stand at the field of that name, and what is left over by itself", () => {
    render(
      <Form problem={refused} onSend={() => undefined}>
        {field("area")}
        <WrongElse />
      </Form>,
    );
    expect(screen.getByLabelText("area").getAttribute("aria-invalid")).toBe("true");
    expect(screen.getByText("✕ “12” has no unit. Write it as 12 m².")).toBeTruthy();
    expect(screen.getByText("beds[2]")).toBeTruthy();
    expect(screen.queryAllByText(/has no unit/)).toHaveLength(1);
  });

  it("leave nothing over where each has its field, also one of a list", () => {
    const { container } = render(
      <Refusals problem={[null, refused]}>
        {field("area")}
        {field("beds")}
        <WrongElse />
      </Refusals>,
    );
    expect(container.textContent).not.toContain("Two things are wrong.");
    expect(screen.getByText(/There is no such bed/)).toBeTruthy();
  });

  it("open the fold that the field lies in", () => {
    const { container } = render(
      <Refusals problem={refused}>
        <details>{field("area")}</details>
      </Refusals>,
    );
    expect(container.querySelector("details")?.open).toBe(true);
  });

  it("break at once where a named field stands in no form, rather than be lost", () => {
    const silent = vi.spyOn(console, "error").mockImplementation(() => undefined);
    expect(() => render(field("area"))).toThrow("The field “area” stands in no form.");
    silent.mockRestore();
  });

  it("are sent by Enter once", () => {
    const send = vi.fn();
    render(
      <Form label="a form" problem={null} onSend={send}>
        {field("area")}
      </Form>,
    );
    fireEvent.submit(screen.getByLabelText("a form"));
    expect(send).toHaveBeenCalledTimes(1);
  });
});
