import createClient from "openapi-fetch";
import { idle, turnedAway } from "./door";
import { heard } from "./heard";
import { lost, Problem } from "./problem";
import type { components, paths } from "./schema";
import { unread } from "./typed";

export type Schemas = components["schemas"];

/** The typed door to the server; types come from its OpenAPI file. What it would not answer is thrown as a Problem. */
export const client = createClient<paths>({ baseUrl: "/" });

/** Whose page this is: said with every write, for the same address may serve another holding by the time it is sent. */
let own: string | null = null;

/** How far the server's clock is ahead of this device's, in milliseconds: a phone's clock may be wrong by a day. */
let ahead = Number(localStorage.getItem("mud-pie-ahead")) || 0; // as it was, where the page opens without a signal

/** How many minutes this device's clock is off the server's, as far as it is known. */
export const clockOff = () => Math.round(Math.abs(ahead) / 60_000);

function setAhead(by: number) {
  if (Math.abs(by - ahead) > 2_000) localStorage.setItem("mud-pie-ahead", String(by));
  ahead = by;
}

/** Now by the server's clock, as far as it is known. */
export const serverNow = () => new Date(Date.now() + ahead).toISOString();

client.use({
  async onRequest({ request }) {
    request.headers.set("Mudpie-Idle", idle());
    if (request.method !== "GET" && own) request.headers.set("Mudpie-Holding", own);
    if (!request.body || !request.headers.get("Content-Type")?.includes("json")) return;
    // What `typed` could not read one way only stops here, at its field.
    const fields = unread(await request.clone().json());
    if (fields.length > 0) throw new Problem({ title: fields[0]!.wrong, detail: fields[0]!.wayOut, fields }, 422);
  },
  async onResponse({ request, response }) {
    const path = new URL(request.url).pathname;
    // what this device had kept tells of when it was answered, and not what time it is
    const kept = response.headers.get("Mudpie-Kept");
    heard(kept);
    const there = Date.parse(response.headers.get("Mudpie-Now") ?? "");
    if (kept === null && !Number.isNaN(there)) setAhead(there - Date.now());
    if (!response.ok) {
      const said = (await response
        .clone()
        .json()
        .catch(() => undefined)) as ConstructorParameters<typeof Problem>[0];
      if (response.status === 401) turnedAway(said);
      throw new Problem(said, response.status, request.method === "GET" ? path : null);
    }
    if (own === null && path === "/api/holding")
      own = ((await response.clone().json()) as Schemas["HoldingView"]).own ?? null;
  },
  onError({ error, request }) {
    if (error instanceof DOMException && error.name === "AbortError") return error;
    return lost(request.method === "GET" ? new URL(request.url).pathname : null);
  },
});
