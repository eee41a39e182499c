/** What was wrong with one field, and what would do. */
export interface FieldProblem {
  field: string;
  wrong: string;
  wayOut: string;
  /** A question that settles it for good: "gallons". */
  ask?: string | null;
}

/** A field that two people changed: what the one would have written, and what stands now. */
export interface Both {
  field: string;
  yours: string | null;
  theirs: string | null;
}

/** Whose change stands: their name, where anybody signs in, and when it came. */
export interface Whose {
  by: string | null;
  at: string;
}

interface Said {
  title?: string | null;
  detail?: string | null;
  fields?: FieldProblem[];
  trouble?: string | null;
  both?: Both[];
  version?: string | null;
  whose?: Whose | null;
}

/** A refusal, as the server says it; or a lost connection, said in the same form. */
export class Problem extends Error {
  readonly fields: FieldProblem[];
  readonly detail: string;
  /** The status of the answer; null where none came. */
  readonly status: number | null;
  /** What kind of trouble, where the page must know: "another holding". */
  readonly trouble: string | null;
  /** What two people changed at once; none where that was not it. */
  readonly both: readonly Both[];
  /** The version that stands now, where somebody else changed it. */
  readonly version: string | null;
  /** Whose it is. */
  readonly whose: Whose | null;
  /** The address that was read, where a read failed. */
  readonly read: string | null;
  constructor(said: Said | undefined, status: number | null = null, read: string | null = null) {
    super(said?.title ?? (status === null ? "Mud Pie did not answer." : `Mud Pie could not do that (${status}).`));
    this.detail = said?.detail ?? "Nothing is lost: what you typed is still here. Try again.";
    this.fields = said?.fields ?? [];
    this.trouble = said?.trouble ?? null;
    this.both = said?.both ?? [];
    this.version = said?.version ?? null;
    this.whose = said?.whose ?? null;
    this.status = status;
    this.read = read;
  }
  /** The sentence for a field, or undefined. */
  of(field: string): string | undefined {
    const found = this.fields.find((f) => isOf(f, field));
    return found && `${found.wrong} ${found.wayOut}`;
  }
  /** No answer, or one that says that the server itself is in trouble: what was asked may be tried again as it is. */
  get passing() {
    const may = ["another holding", "sign in", "too often"]; // taken as it is, once that is otherwise
    return this.status === null || this.status >= 500 || may.includes(this.trouble ?? "");
  }
}

/** Whether a refusal belongs to a field, or to one of a list that the field holds. */
export const isOf = (f: FieldProblem, field: string) => f.field === field || f.field.startsWith(field + "[");

export const lost = (read: string | null = null) =>
  new Problem(
    {
      title: "The connection to Mud Pie is lost.",
      detail: "Nothing is lost: what you typed is still here. Try again when it is back; it will be kept once.",
    },
    null,
    read,
  );

/** Whatever went wrong on the way, as a Problem: an answer that broke off is a lost connection. */
export const asProblem = (error: unknown, read: string | null = null) =>
  error instanceof Problem ? error : lost(read);
