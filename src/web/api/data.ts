import {
  keepPreviousData,
  type QueryClient,
  useMutation,
  useQuery,
  useQueryClient,
  useSuspenseQueries,
  useSuspenseQuery,
} from "@tanstack/react-query";
import type { FetchResponse, MaybeOptionalInit } from "openapi-fetch";
import createApi from "openapi-react-query";
import type { PathsWithMethod, RequiredKeysOf } from "openapi-typescript-helpers";
import { useDeferredValue, useRef, useState } from "react";
import { client } from "./client";
import { inWords } from "./files";
import { asProblem, type Problem } from "./problem";
import { touchedBy } from "./rooms";
import type { paths } from "./schema";

const api = createApi(client);

type Method = "get" | "post" | "put";
export type Path<M extends Method> = PathsWithMethod<paths, M>;
/** What goes with a request: `params` and `body`, as OpenAPI has them. */
export type Init<M extends Method, P extends Path<M>> = MaybeOptionalInit<paths[P], M>;
/** What comes back. */
export type Got<M extends Method, P extends Path<M>> = NonNullable<
  FetchResponse<paths[P][M] & Record<string | number, unknown>, Record<string, never>, "application/json">["data"]
>;
type Args<M extends Method, P extends Path<M>> =
  RequiredKeysOf<Init<M, P>> extends never ? [init?: Init<M, P>] : [init: Init<M, P>];

/** The options of one query, its failure always a Problem. */
export function asking<M extends Method, P extends Path<M>>(method: M, path: P, init?: Init<M, P>) {
  const options = api.queryOptions(method as never, path as never, init as never) as unknown as {
    queryKey: readonly unknown[];
    queryFn: (context: never) => Promise<Got<M, P>>;
  };
  return {
    queryKey: options.queryKey,
    queryFn: (context: unknown): Promise<Got<M, P>> =>
      options.queryFn(context as never).catch((e: unknown) => {
        throw e instanceof DOMException && e.name === "AbortError" ? e : asProblem(e, method === "get" ? path : null);
      }),
  };
}

/** What was asked, steady while it is the same, and a render behind when it changes: what was read stays until the next is there. */
function useSteady<T>(init: T): T {
  const now = JSON.stringify(init ?? null);
  const later = useDeferredValue(now);
  const [kept, keep] = useState({ text: now, init });
  if (kept.text !== now) keep({ text: now, init });
  return (later === now ? init : (JSON.parse(later) ?? undefined)) as T;
}

/**
 * Reads, and keeps reading. It always has what it read: while it comes the room shows the shape of it, and where it fails the
 * room says so and offers to try again.
 */
export function useRead<P extends Path<"get">>(path: P, ...[init]: Args<"get", P>): Got<"get", P> {
  return useSuspenseQuery<Got<"get", P>, Problem>(asking("get", path, useSteady(init))).data;
}

/** The same where there may be nothing to read yet. */
export function useReadIf<P extends Path<"get">>(when: boolean, path: P, ...[init]: Args<"get", P>) {
  const steady = useSteady(when ? { init } : null);
  const queries = steady ? [asking<"get", P>("get", path, steady.init)] : [];
  return useSuspenseQueries({ queries, combine: (read) => read[0]?.data as Got<"get", P> | undefined });
}

/**
 * The same where the answer may be that it can't be told yet, which the page says in its place. What was read stays where
 * nobody answers now; a refusal takes its place.
 */
export function useReadOr<P extends Path<"get">>(when: boolean, path: P, ...[init]: Args<"get", P>) {
  const read = useQuery<Got<"get", P>, Problem>({
    ...asking("get", path, init),
    enabled: when,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const refused = read.error?.status === 422;
  return {
    data: when && !refused ? read.data : undefined,
    problem: when && (refused || read.data === undefined) ? read.error : null,
    waits: when && read.isPending,
  };
}

/** Asks for something to be worked out, again whenever the question changes; null while there is no question. */
export function useWorkOut<P extends Path<"post">>(path: P, question: Init<"post", P> | null) {
  const asked = useQuery<Got<"post", P>, Problem>({
    ...asking("post", path, question ?? undefined),
    enabled: question !== null,
    placeholderData: keepPreviousData,
    retry: false,
    refetchInterval: false,
    gcTime: 30_000,
  });
  const [good, setGood] = useState<Got<"post", P> | undefined>(undefined);
  if (asked.data !== undefined && asked.data !== good) setGood(asked.data);
  return {
    /** The answer; while the next is on its way, the one before. */
    data: question === null ? undefined : asked.data,
    /** What was last worked out well: it stays to be seen, and to be put right, while what was typed is refused. */
    last: question === null ? undefined : (asked.data ?? good),
    problem: question === null ? null : asked.error,
    /** The answer to an earlier question stands, or none yet. */
    waits: question !== null && (asked.isPending || asked.isPlaceholderData),
  };
}

/**
 * Reads again what a write at this address may have changed, of what is on screen; the rest when it is next looked at. What is
 * worked out on screen is asked again: it hangs on the record too.
 */
export async function refresh(queries: QueryClient, path: string) {
  const touches = touchedBy(path);
  await queries.invalidateQueries({ predicate: (q) => q.queryKey[0] === "post" || touches(String(q.queryKey[1])) });
}

/**
 * A write. Its key stays the same until it is acknowledged, so that a retry on a bad connection is done once; then its room is
 * read again. `question` makes of what is given what goes with the request.
 */
export function useWrite<P extends Path<"post">, V>(
  path: P,
  question: (value: V) => Init<"post", P>,
  after?: (kept: Got<"post", P>) => void,
) {
  return useSent("post", path, question, after);
}

/** The same for what is kept in place of what was there. */
export function usePut<P extends Path<"put">, V>(
  path: P,
  question: (value: V) => Init<"put", P>,
  after?: (kept: Got<"put", P>) => void,
) {
  return useSent("put", path, question, after);
}

function useSent<M extends "post" | "put", P extends Path<M>, V>(
  method: M,
  path: P,
  question: (value: V) => Init<M, P>,
  after?: (kept: Got<M, P>) => void,
) {
  const key = useRef<{ id: string; for: string } | null>(null);
  const queries = useQueryClient();
  return useMutation<Got<M, P>, Problem, V>({
    mutationFn: async (value) => {
      const init = question(value) as Record<string, unknown>;
      const what = inWords(init);
      if (key.current?.for !== what) key.current = { id: crypto.randomUUID(), for: what };
      return send<Got<M, P>>(method, path, init, key.current.id);
    },
    onSuccess: async (kept) => {
      key.current = null;
      await refresh(queries, path);
      after?.(kept);
    },
  });
}

/** Keys of the last writes of this page: what they changed is read again anyway. */
const own: string[] = [];
export const isOwn = (begins: string | undefined) => begins !== undefined && own.includes(begins);

/** Sends one write under its key. */
export async function send<T>(
  method: "post" | "put",
  path: string,
  init: Record<string, unknown>,
  key: string,
): Promise<T> {
  const door = client[method === "post" ? "POST" : "PUT"] as unknown as (
    path: string,
    init: Record<string, unknown>,
  ) => Promise<{ data?: T }>;
  own.splice(0, own.length - 30);
  own.push(key.slice(0, 8));
  try {
    const headers = { ...(init.headers as Record<string, string> | undefined), "Idempotency-Key": key };
    return (await door(path, { ...init, headers })).data as T;
  } catch (e) {
    throw asProblem(e);
  }
}
