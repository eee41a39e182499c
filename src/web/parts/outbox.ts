import { type QueryClient, useMutation, useQueryClient } from "@tanstack/react-query";
import { createStore, del, get, getMany, set as keep, update } from "idb-keyval";
import { useEffect, useRef, useSyncExternalStore } from "react";
import { serverNow } from "../api/client";
import { type Got, type Init, type Path, refresh, send } from "../api/data";
import { asFile, inWords } from "../api/files";
import { asProblem, type Both, type FieldProblem, Problem, type Whose } from "../api/problem";

/** A write that waits to be sent: its key stays the same however often it is tried, so that it is kept once. */
export interface Waiting {
  key: string;
  path: Path<"post">;
  init: Record<string, unknown>;
  /** What it is, in the words of whoever wrote it: "oxygen 6.8, Barrel". */
  says: string;
  /** True where a photo goes with it, which lies beside the list under the same key. */
  photo?: boolean;
  /** When it was written, by the server's clock as far as it is known. */
  at: string;
  /** Who wrote it: nobody else's sitting sends it under their own name. Null where nobody had to sign in. */
  who?: string | null;
  /** What the server would not take, in its own words; null while it only waits. */
  refused: Refused | null;
}

export interface Refused {
  message: string;
  detail?: string;
  fields: FieldProblem[];
  /** What two people changed at once, and the version that stands now. */
  both?: readonly Both[];
  version?: string | null;
  whose?: Whose | null;
}

/** What was sent in one go. */
export interface Sent {
  from: string;
  to: string;
  entries: number;
  photos: number;
}

interface State {
  list: readonly Waiting[];
  /** False when the last try found nobody. */
  reached: boolean;
  /** False where this browser keeps nothing once it is closed. */
  kept: boolean;
  /** Who is here; null where nobody has to sign in, or it is not known. */
  who: string | null;
  /** What was sent, newest first. */
  sent: readonly Sent[];
}

/** For so many days a server knows what it has taken: what waited longer is looked at before it is sent. */
export const keptDays = 90;
/** And from so many on it is said. */
export const warnDays = 60;
const day = 86_400_000;
const waited = (w: Waiting) => (Date.parse(serverNow()) - Date.parse(w.at)) / day;
/** Whole days that the oldest has waited. */
export const oldestDays = (list: readonly Waiting[]) => Math.floor(Math.max(0, ...list.map(waited)));

const place = createStore("mud-pie", "outbox");
const photos = createStore("mud-pie-photos", "photos");
const inHand = new Map<string, File>(); // until they are sent: a browser may keep nothing
const older = "mudpie-outbox"; // of before: figures of trials alone, in local storage
const news = typeof BroadcastChannel === "undefined" ? null : new BroadcastChannel("mud-pie-outbox");
let own: string | null = null;
let state: State = { list: [], reached: true, kept: true, who: null, sent: [] };
const looks = new Set<() => void>();

function set(part: Partial<State>) {
  state = { ...state, ...part };
  looks.forEach((look) => look());
}

async function change(how: (list: Waiting[]) => Waiting[]) {
  set({ list: how([...state.list]) }); // on screen at once
  if (own === null) return;
  try {
    let now: Waiting[] = [];
    await update<Waiting[]>(own, (list) => (now = how(list ?? [])), place);
    set({ list: now, kept: true });
    news?.postMessage(own);
  } catch {
    set({ kept: false });
  }
}

async function look() {
  if (own === null) return;
  const [list, sent] = await getMany<Waiting[] | Sent[]>([own, `${own} sent`], place).catch(() => []);
  set({ list: (list as Waiting[] | undefined) ?? state.list, sent: (sent as Sent[] | undefined) ?? state.sent });
}

/** Keeps that one was sent: with what went within the last minutes it is one line. */
async function wasSent(photo: boolean) {
  const now = serverNow();
  const [last, ...before] = state.sent;
  const joins = last && Date.parse(now) - Date.parse(last.to) < 10 * 60_000;
  const line = joins ? { ...last, to: now } : { from: now, to: now, entries: 0, photos: 0 };
  if (photo) line.photos++;
  else line.entries++;
  const sent = [line, ...(joins ? before : state.sent)].slice(0, 20);
  set({ sent });
  if (own !== null) await keep(`${own} sent`, sent, place).catch(() => undefined);
}

/** Figures of trials as they were kept before this outbox: none of them is lost by an update. */
function left(whose: string): Waiting[] {
  const texts = [`${older}-${whose}`, older].map((name) => localStorage.getItem(name) ?? "[]");
  return texts.flatMap((text) =>
    (JSON.parse(text) as { key: string; trial: number; body: { value: string | null }; refused: null }[]).map((w) => ({
      key: w.key,
      path: "/api/judge/trials/{id}/readings" as const,
      init: { params: { path: { id: w.trial } }, body: w.body },
      says: `${w.body.value ?? "missing"}, a plot of a trial`,
      at: serverNow(),
      refused: w.refused,
    })),
  );
}

/** What waits belongs to a holding, wherever it is served: the same address may serve another one tomorrow. */
export async function belongsTo(whose: string) {
  if (own === whose) return;
  const early = own === null ? state.list : [];
  own = whose;
  const before = left(whose);
  await change((list) => {
    const there = new Set(list.map((w) => w.key));
    return [...list, ...[...before, ...early].filter((w) => !there.has(w.key))];
  });
  if (state.kept) [`${older}-${whose}`, older].forEach((name) => localStorage.removeItem(name));
  await look();
}

/** Who is here now: what others wrote on this device waits for them. */
export const isHere = (who: string | null) => set({ who });

const mine = (w: Waiting) => !w.who || !state.who || w.who === state.who;

/** What was refused goes again, under a new key: as it was, or over what somebody else wrote meanwhile. */
export async function again(queries: QueryClient, w: Waiting) {
  const version = w.refused?.version;
  const init = version ? { ...w.init, body: { ...(w.init.body as object), version } } : w.init;
  const key = crypto.randomUUID();
  if (w.photo) {
    const photo = inHand.get(w.key) ?? (await get<File>(w.key, photos).catch(() => undefined));
    if (photo) await keep(key, photo, photos).catch(() => inHand.set(key, photo));
  }
  // its hour stays; one that waited too long has been looked at now
  const at = waited(w) > keptDays ? serverNow() : w.at;
  await change((list) => list.map((x) => (x.key === w.key ? { ...x, key, init, at, refused: null } : x)));
  await drop(w.key);
  await flush(queries);
}

/** What was refused is kept as a note in the book, in the words that it was written in. */
export async function asNote(queries: QueryClient, w: Waiting) {
  const both = (w.refused?.both ?? []).map((b) => `${b.field}: ${b.yours ?? "nothing"}, not ${b.theirs ?? "nothing"}`);
  const text = `note ${[w.says, ...both].join("; ")}`;
  await put(queries, "/api/notes", { body: { text, targetId: null, cautionsSeen: [], at: w.at } }, text);
  await drop(w.key);
}

export async function drop(key: string) {
  await change((list) => list.filter((w) => w.key !== key));
  inHand.delete(key);
  await del(key, photos).catch(() => undefined);
}

/** A write as it goes out, its photo with it. */
async function whole(w: Waiting): Promise<Record<string, unknown>> {
  if (!w.photo) return w.init;
  const photo = inHand.get(w.key) ?? (await get<File>(w.key, photos).catch(() => undefined));
  if (!photo) throw gone;
  return { ...w.init, ...asFile(photo) };
}

const gone = new Problem({ title: "The photo is no longer on this device.", detail: "Take it again." }, 422);

/** How one write ended. */
type End = { taken: unknown } | { refused: Problem } | { waits: Problem };
const ends = new Map<string, (end: End) => void>();

async function sendAll(taken: (path: string) => Promise<void>): Promise<void> {
  for (;;) {
    const next = state.list.find((w) => w.refused === null && mine(w));
    if (!next) return set({ reached: true });
    if (waited(next) > keptDays) {
      await refuse(next.key, tooOld);
      continue;
    }
    const asked = ends.get(next.key);
    let end: End;
    try {
      end = { taken: await send("post", next.path, await whole(next), next.key) };
    } catch (e) {
      const p = asProblem(e);
      end = p.passing ? { waits: p } : { refused: p };
    }
    if ("waits" in end) {
      set({ reached: false });
      void navigator.storage?.persist?.().catch(() => undefined); // so that no browser clears it when space runs short
      ends.forEach((tell) => tell(end)); // what came after it waits behind it
      ends.clear();
      return;
    }
    if ("taken" in end) {
      await drop(next.key);
      await wasSent(next.photo ?? false);
      await taken(next.path);
    } else if (asked) await drop(next.key);
    else {
      const { message, detail, fields, both, version, whose } = end.refused;
      await refuse(next.key, { message, detail, fields, both, version, whose });
    }
    ends.delete(next.key);
    asked?.(end);
  }
}

const refuse = (key: string, refused: Refused) =>
  change((list) => list.map((w) => (w.key === key ? { ...w, refused } : w)));

const tooOld: Refused = {
  message: `It waited for more than ${keptDays} days.`,
  detail: "Whether it was taken before can’t be said any more. Look in the book; then send it, or let it go.",
  fields: [],
};

let running: Promise<void> | null = null;

/** Sends what waits, in order; done when all that could be sent was, or when nobody answers. */
export function flush(queries: QueryClient): Promise<void> {
  running ??= sendAll((path) => refresh(queries, path)).finally(() => (running = null));
  return running;
}

type Fields<T> = NonNullable<T> extends infer O ? (O extends object ? keyof O : never) : never;
type Body<P extends Path<"post">> = Init<"post", P> extends { body?: infer B } ? Fields<B> : never;
type Query<P extends Path<"post">> = Init<"post", P> extends { params?: { query?: infer Q } } ? Fields<Q> : never;
/** Doors that take the hour at which something was so: what waits is kept for that hour, not for the one in which it is sent. */
type Dated =
  | Versioned
  | { [P in Path<"post">]: "at" extends Body<P> | Query<P> ? P : never }[Path<"post">]
  | "/api/brew/water/strips/{id}/photo"; // a picture of what has its hour already

/** And those that change a thing as it was seen, so that two who change it are told of each other. */
type Versioned = `/api/ground/${"beds" | "waters" | "vessels" | "pumps" | "diffusers" | "inputs"}`;
const versioned = (path: string) => /^\/api\/ground\/[a-z]+$/.test(path);

function entry(path: Dated, init: Record<string, unknown>, says: string): Waiting {
  const at = serverNow();
  const key = crypto.randomUUID();
  const one = { key, path, says, at, who: state.who, refused: null };
  if (versioned(path)) return { ...one, init };
  const { body, params } = init as { body?: { at?: string | null }; params?: { query?: object } };
  if (!(body instanceof File)) return { ...one, init: { ...init, body: { ...body, at: body?.at ?? at } } };
  inHand.set(key, body);
  return { ...one, photo: true, init: { params: { ...params, query: { at, ...params?.query } } } };
}

/** Lays a write in the box, its photo first. */
async function lay(one: Waiting) {
  const photo = inHand.get(one.key);
  if (photo)
    await keep(one.key, photo, photos).then(
      () => inHand.delete(one.key), // two hundred of them are not held twice
      () => set({ kept: false }),
    );
  await change((list) => [...list, one]);
}

/** Puts a write in and tries to send it; a refusal waits there until it is looked at. */
export async function put<P extends Dated>(queries: QueryClient, path: P, init: Init<"post", P>, says: string) {
  await lay(entry(path, init as Record<string, unknown>, says));
  await flush(queries);
}

/**
 * A write made where there may be no signal. It is kept on this device before it is sent; null came back where it waits. What is
 * refused is told to the form, which still holds what was typed.
 */
export function useFieldWrite<P extends Dated, V>(
  path: P,
  question: (value: V) => Init<"post", P>,
  says: (value: V) => string,
  after?: (kept: Got<"post", P> | null) => void,
) {
  const queries = useQueryClient();
  // What may have been kept although the answer was lost goes again as it was, hour and key, so that it is kept once.
  const tried = useRef<{ one: Waiting; for: string } | null>(null);
  return useMutation<Got<"post", P> | null, Problem, V>({
    mutationFn: async (value) => {
      const init = question(value) as Record<string, unknown>;
      const what = inWords(init);
      if (tried.current?.for !== what) tried.current = { one: entry(path, init, says(value)), for: what };
      const { one } = tried.current;
      if (init.body instanceof File) inHand.set(one.key, init.body); // it was dropped where the first try was refused
      const ended = new Promise<End>((tell) => ends.set(one.key, tell));
      await lay(one);
      await running;
      void flush(queries);
      const end = await ended;
      const kept = "waits" in end && (end.waits.status === null || end.waits.trouble === "sign in");
      if (!("waits" in end) || kept) tried.current = null;
      if ("taken" in end) return end.taken as Got<"post", P>;
      if (kept) return null;
      await drop(one.key); // whoever wrote it is told, and has it before them still
      throw "waits" in end ? end.waits : end.refused;
    },
    onSuccess: after,
  });
}

/** What waits and what was refused. */
export function useOutbox(): State {
  return useSyncExternalStore(
    (changed) => {
      looks.add(changed);
      return () => looks.delete(changed);
    },
    () => state,
  );
}

/** Sends what waits when the page opens, when there is a connection again, and now and then. */
export function useSending(whose: string | null | undefined) {
  const queries = useQueryClient();
  useEffect(() => {
    if (!whose) return;
    const again = () => void flush(queries);
    void belongsTo(whose).then(again);
    const told = () => void look();
    news?.addEventListener("message", told);
    window.addEventListener("online", again);
    const timer = setInterval(again, 15_000);
    return () => {
      news?.removeEventListener("message", told);
      window.removeEventListener("online", again);
      clearInterval(timer);
    };
  }, [whose, queries]);
}
