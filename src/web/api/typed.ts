import type { FieldProblem } from "./problem";

/**
 * A text that is no number, or can be read as two; it travels in a question like the number that it should be, and is refused at
 * its field.
 */
class Typed {
  constructor(readonly unread: string) {}
  toString() {
    return this.unread;
  }
}

const TwoWays = /^[+-]?[1-9][0-9]{0,2}[.,][0-9]{3}$/;
const One = /^[+-]?([0-9]+([.,][0-9]+)?|[.,][0-9]+)(e[+-]?[0-9]{1,3})?$/i;

/**
 * A number as it was typed: null for an empty field, and for "1,000" or "abc" something that the door to the server
 * refuses at its field, with both readings. "1,5" is one and a half.
 */
export function typed(text: string): number | null {
  const clean = text.trim().replace("−", "-");
  if (clean === "") return null;
  if (TwoWays.test(clean) || !One.test(clean)) return new Typed(clean) as unknown as number;
  return Number(clean.replace(",", "."));
}

/** What in a question could not be read, by field. */
export function unread(body: unknown, at = ""): FieldProblem[] {
  if (Array.isArray(body)) return body.flatMap((v, i) => unread(v, `${at}[${i}]`));
  if (typeof body !== "object" || body === null) return [];
  const text = (body as { unread?: unknown }).unread;
  if (typeof text === "string" && Object.keys(body).length === 1) return [says(at, text)];
  return Object.entries(body).flatMap(([k, v]) => unread(v, at ? `${at}.${k}` : k));
}

function says(field: string, text: string): FieldProblem {
  if (!TwoWays.test(text))
    return { field, wrong: `“${text.slice(0, 20)}” is not a number.`, wayOut: "Write it as 6.4." };
  const [decimal, thousand] = [String(Number(text.replace(",", "."))), text.replace(/[.,]/, "")];
  return {
    field,
    wrong: `“${text}” can be read as ${decimal} or as ${thousand}.`,
    wayOut: `Write ${decimal} or ${thousand}, without a sign for thousands.`,
  };
}
