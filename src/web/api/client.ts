import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import createClient from "openapi-fetch";
import { useRef } from "react";
import type { components, paths } from "./schema";
import { unread } from "./typed";

export type Schemas = components["schemas"];

/** The typed door to the server; types come from its OpenAPI file. What `typed` could not read one way only stops here, at its field. */
export const client = createClient<paths>({ baseUrl: "/" });

/** Whose page this is: said with every write, for the same address may serve another holding by the time it is sent. */
let own: string | null = null;
client.use({
  onRequest({ request }) {
    if (request.method !== "GET" && own) request.headers.set("Mudpie-Holding", own);
  },
  async onResponse({ request, response }) {
    if (own !== null || !response.ok || new URL(request.url).pathname !== "/api/holding") return;
    own = ((await response.clone().json()) as Schemas["HoldingView"]).own ?? null;
  },
});

client.use({
  async onRequest({ request }) {
    if (!request.body || !request.headers.get("Content-Type")?.includes("json")) return;
    const fields = unread(await request.clone().json());
    if (fields.length > 0) throw new Problem({ title: fields[0]!.wrong, detail: fields[0]!.wayOut, fields });
  },
});

/** What was wrong with one field, and what would do. */
export interface FieldProblem {
  field: string;
  wrong: string;
  wayOut: string;
  /** A question that settles it for good: "gallons". */
  ask?: string | null;
}

/** A refusal, as the server says it; or a lost connection, said in the same form. */
export class Problem extends Error {
  readonly fields: FieldProblem[];
  readonly detail: string;
  constructor(body: { title?: string | null; detail?: string | null; fields?: FieldProblem[] } | undefined) {
    super(body?.title ?? "Mud Pie did not answer.");
    this.detail = body?.detail ?? "What you typed is still here. Try again.";
    this.fields = body?.fields ?? [];
  }
  /** The sentence for a field, or undefined. */
  of(field: string): string | undefined {
    const found = this.fields.find((f) => f.field === field || f.field.startsWith(field + "["));
    return found && `${found.wrong} ${found.wayOut}`;
  }
}

interface Reply<T> {
  data?: T;
  error?: unknown;
}

/** Unwraps a reply, or throws the problem it carries. */
export async function must<T>(reply: Promise<Reply<T>>): Promise<T> {
  let got: Reply<T>;
  try {
    got = await reply;
  } catch (e) {
    if (e instanceof Problem) throw e;
    throw new Problem({
      title: "The connection to Mud Pie is lost.",
      detail: "Nothing is lost: what you typed is still here. Try again when it is back; it will be kept once.",
    });
  }
  if (got.error !== undefined || got.data === undefined) throw new Problem(got.error as never);
  return got.data;
}

/** Reads and keeps reading. */
export function useRead<T>(key: readonly unknown[], read: () => Promise<Reply<T>>, enabled = true) {
  return useQuery<T, Problem>({ queryKey: key, queryFn: () => must(read()), enabled });
}

/**
 * A write. Its key stays the same until it is acknowledged, so that a retry on a bad connection is done once;
 * then all that is on screen is read again.
 */
export function useWrite<V, T>(
  write: (value: V, headers: Record<string, string>) => Promise<Reply<T>>,
  after?: (kept: T) => void,
) {
  const key = useRef<{ id: string; for: string } | null>(null);
  const queries = useQueryClient();
  return useMutation<T, Problem, V>({
    mutationFn: (value) => {
      const what = JSON.stringify(value);
      if (key.current?.for !== what) key.current = { id: crypto.randomUUID(), for: what };
      return must(write(value, { "Idempotency-Key": key.current.id }));
    },
    onSuccess: async (kept) => {
      key.current = null;
      await queries.invalidateQueries();
      after?.(kept);
    },
  });
}

/** Header bag for a write, in the form the typed client wants. */
export const withKey = (headers: Record<string, string>) => ({ headers }) as { headers: Record<string, string> };
