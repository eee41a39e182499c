import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useState } from "react";
import { client, type FieldProblem, type Schemas, useRead } from "../api/client";

/** A figure that waits to be sent: its key stays the same however often it is tried, so that it is kept once. */
export interface Waiting {
  key: string;
  trial: number;
  body: Schemas["TrialReadingRequest"];
  /** What the server would not take, in its own words; null while it only waits. */
  refused: { message: string; fields: FieldProblem[] } | null;
}

const older = "mudpie-outbox"; // of before each holding had its own
const changed = "mudpie-outbox-changed";
let place = older;

/** What waits belongs to a holding, wherever it is served: the same address may serve another one tomorrow. */
function belongsTo(own: string) {
  place = `${older}-${own}`;
  const left = localStorage.getItem(older);
  if (left === null) return;
  if (localStorage.getItem(place) === null) localStorage.setItem(place, left);
  localStorage.removeItem(older);
}

function read(): Waiting[] {
  try {
    return JSON.parse(localStorage.getItem(place) ?? "[]") as Waiting[];
  } catch {
    return [];
  }
}

function write(list: Waiting[]) {
  localStorage.setItem(place, JSON.stringify(list));
  window.dispatchEvent(new Event(changed));
}

const without = (key: string) => write(read().filter((w) => w.key !== key));

/** The address serves another holding now: what waits here is not for it. */
const isAnothers = (error: unknown) => (error as { trouble?: string }).trouble === "another holding";

let sending = false;

/** Sends what waits, in order. True when all that could be sent was; false when there is no connection. */
async function send(): Promise<boolean> {
  if (sending) return true;
  sending = true;
  try {
    for (;;) {
      const next = read().find((w) => w.refused === null);
      if (!next) return true;
      const got = await client
        .POST("/api/judge/trials/{id}/readings", {
          params: { path: { id: next.trial } },
          body: next.body,
          headers: { "Idempotency-Key": next.key },
        })
        .catch(() => null);
      if (got === null || (got.error !== undefined && (got.response.status >= 500 || isAnothers(got.error))))
        return false;
      if (got.error === undefined) without(next.key);
      else {
        const said = got.error as { title?: string; fields?: FieldProblem[] };
        write(
          read().map((w) =>
            w.key === next.key
              ? { ...w, refused: { message: said.title ?? "It was not taken.", fields: said.fields ?? [] } }
              : w,
          ),
        );
      }
    }
  } finally {
    sending = false;
  }
}

/** The outbox of a trial: what waits, what was refused, and whether the server can be reached. */
export function useOutbox(trial: number) {
  const queries = useQueryClient();
  const [list, setList] = useState(read);
  const own = useRead(["holding"], () => client.GET("/api/holding")).data?.own;
  const [reached, setReached] = useState(true);
  const flush = useCallback(async () => {
    const had = read().some((w) => w.refused === null);
    setReached(await send());
    if (had) await queries.invalidateQueries({ queryKey: ["sheet"] });
  }, [queries]);
  useEffect(() => {
    if (!own) return;
    belongsTo(own);
    const look = () => setList(read());
    look();
    const again = () => void flush();
    window.addEventListener(changed, look);
    window.addEventListener("storage", look);
    window.addEventListener("online", again);
    const timer = setInterval(again, 15_000);
    const soon = setTimeout(again, 0);
    return () => {
      window.removeEventListener(changed, look);
      window.removeEventListener("storage", look);
      window.removeEventListener("online", again);
      clearInterval(timer);
      clearTimeout(soon);
    };
  }, [flush, own]);
  return {
    waiting: list.filter((w) => w.trial === trial),
    reached,
    /** Puts a figure in and tries to send it. */
    put: (body: Schemas["TrialReadingRequest"]) => {
      write([...read(), { key: crypto.randomUUID(), trial, body, refused: null }]);
      void flush();
    },
    /** Takes a refused figure out: it is typed again, or left. */
    drop: without,
    flush,
  };
}
