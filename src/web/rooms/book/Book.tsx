import { useState } from "react";
import { Link, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { Form, Refusals } from "../../parts/Form";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Wrong, WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { Enter } from "./Enter";
import { WaitsPanel } from "./WaitsPanel";
import { YearLine } from "./YearLine";

const kinds = [
  { value: "", name: "everything" },
  { value: "job", name: "what was put out" },
  { value: "batch", name: "brews" },
  { value: "mix", name: "mixes and heaps" },
  { value: "harvest", name: "harvests" },
  { value: "seen", name: "what was seen" },
  { value: "field", name: "the ground: done and looked at" },
];

/** Everything that happened, by bed, by input, by day. Nothing in it is silently changed. */
export function Book() {
  const clock = useClock();
  const [search, setSearch] = useSearchParams();
  const bed = search.get("bed") ?? "";
  const kind = search.get("kind") ?? "";
  const input = search.get("input") ?? "";
  const to = search.get("to") ?? "";
  const page = Number(search.get("page") ?? 0);
  const ground = useRead("/api/ground");
  const shelf = useRead("/api/shelf");
  const book = useRead("/api/book", {
    params: {
      query: {
        bed: Number(bed) || undefined,
        kind: kind || undefined,
        input: Number(input) || undefined,
        to: to || undefined,
        page,
      },
    },
  });
  const set = (part: Record<string, string>) => {
    const next = { bed, kind, input, to, ...part };
    setSearch(Object.fromEntries(Object.entries(next).filter(([, v]) => v)));
  };
  const days = Object.entries(Object.groupBy(book.entries ?? [], (e) => clock.date(e.at)));
  return (
    <Room
      title="The book"
      under={
        <>
          A correction is a new entry; the old one stays in sight.{" "}
          <Link to="/book/thread" className="text-clay underline underline-offset-4">
            Follow a thread
          </Link>
          , from bag to harvest.
        </>
      }
      peek="Waits, files, harvests"
      bench={
        <>
          <div className="grid gap-x-4 sm:grid-cols-3">
            <Pick label="Show" value={kind} options={kinds} onChange={(k) => set({ kind: k })} />
            <Pick
              label="On bed"
              value={bed}
              options={[
                { value: "", name: "any" },
                ...(ground.beds ?? []).map((b) => ({ value: String(b.id), name: b.name })),
              ]}
              onChange={(b) => set({ bed: b })}
            />
            <Pick
              label="With"
              value={input}
              options={[
                { value: "", name: "anything" },
                ...(shelf.inputs ?? []).map((i) => ({
                  value: String(i.id),
                  name: i.lot ? `${i.name}, ${i.lot}` : i.name,
                })),
              ]}
              onChange={(i) => set({ input: i })}
            />
          </div>
          <YearLine bed={bed} choose={(day) => set({ to: day })} />
          {to && (
            <p>
              Up to {clock.sayDate(to)}.{" "}
              <Button kind="plain" onClick={() => set({ to: "" })}>
                up to now
              </Button>
            </p>
          )}
          {days.length === 0 && book && (
            <p className="mt-4 text-lg">
              Nothing is written here yet. What you put out, harvest or see appears by day.
            </p>
          )}
          {days.map(([day, list]) => (
            <section key={day} aria-label={day} className="mt-4">
              <h2 className="border-b-2 border-ink text-lg">{day}</h2>
              {list!.map((e) => (
                <Entry
                  key={`${e.kind}-${e.id}`}
                  entry={e}
                  asked={search.get("entry") === String(e.id) && e.kind === "job"}
                />
              ))}
            </section>
          ))}
          <p className="mt-3 flex gap-4">
            {page > 0 && (
              <Button kind="plain" onClick={() => set({ page: String(page - 1) })}>
                newer
              </Button>
            )}
            {book.more && (
              <Button kind="plain" onClick={() => set({ page: String(page + 1) })}>
                older
              </Button>
            )}
          </p>
        </>
      }
      slate={
        <>
          <WaitsPanel beds={ground.beds ?? []} />
          <Enter beds={ground.beds ?? []} />
          <Files />
        </>
      }
    />
  );
}

function Entry({ entry, asked }: { entry: Schemas["BookEntry"]; asked: boolean }) {
  const clock = useClock();
  const [why, setWhy] = useState<string | null>(null);
  const strike = useWrite(
    "/api/book/jobs/{id}/strike",
    () => ({ params: { path: { id: entry.id } }, body: { why } }),
    () => setWhy(null),
  );
  const old = entry.correctedBy !== null || entry.struck;
  return (
    <Refusals problem={strike.error}>
      {" "}
      <details open={asked} className={`border-l-4 pl-3 ${asked ? "border-clay" : "border-transparent"}`}>
        <summary className="flex min-h-11 cursor-pointer items-baseline gap-3 py-1.5">
          <span className="figures text-ash">{clock.time(entry.at)}</span>
          <b className={`truncate ${old ? "line-through" : ""}`}>{entry.title}</b>
          {(old || entry.correctsId !== null) && <span className="whitespace-nowrap text-straw">▲ corrected</span>}
          <span className="ml-auto truncate pl-2 text-ash">
            {entry.beds.slice(0, 2).join(", ")}
            {entry.beds.length > 2 && ` and ${entry.beds.length - 2} more`}
          </span>
        </summary>
        <div className="pb-3">
          {entry.correctedBy !== null && <p className="text-straw">▲ corrected later, by entry {entry.correctedBy}</p>}
          {entry.correctsId !== null && (
            <p className="text-straw">
              ▲ puts entry {entry.correctsId} right{entry.correctionWhy && `: ${entry.correctionWhy}`}
            </p>
          )}
          <ul className="figures">
            {entry.beds.length > 2 && <li>{entry.beds.join(", ")}</li>}
            {entry.lines.map((l, i) => (
              <li key={i}>{l}</li>
            ))}
            <li className="text-ash">
              entry {entry.id}, written down {clock.date(entry.recordedAt)} {clock.time(entry.recordedAt)}
              {entry.by && ` by ${entry.by}`}
            </li>
          </ul>
          {entry.link && (
            <Link to={entry.link} className="inline-flex min-h-12 items-center text-clay underline underline-offset-4">
              open it
            </Link>
          )}
          {entry.kind !== "job" && entry.canRight && !old && <RightIt entry={entry} />}
          {entry.kind === "job" && !old && (
            <p className="flex flex-wrap gap-x-4">
              {entry.canRight && (
                <Link
                  className="inline-flex min-h-12 items-center text-clay underline underline-offset-4"
                  to={`/put-out/tank?corrects=${entry.id}`}
                >
                  record a correction
                </Link>
              )}
              <Button kind="plain" onClick={() => setWhy("")}>
                it never happened
              </Button>
            </p>
          )}
          {why !== null && (
            <div className="grid items-start gap-x-4 sm:grid-cols-[1fr_auto]">
              <Field
                label="Why is it struck?"
                value={why}
                onChange={setWhy}
                name="why"
                hint="both stay readable; what it took goes back on the shelf"
              />
              <Button className="sm:mt-7" disabled={strike.isPending} onClick={() => strike.mutate(null)}>
                Strike it
              </Button>
            </div>
          )}
          <WrongElse />
        </div>
      </details>
    </Refusals>
  );
}

/** A harvest or a sighting put right: a new entry; the old one stays. */
function RightIt({ entry }: { entry: Schemas["BookEntry"] }) {
  const [typed, setTyped] = useState<string | null>(null);
  const harvest = entry.kind === "harvest";
  const of = { bedId: entry.bedId ?? null, at: entry.at, correctsId: entry.id };
  const done = () => setTyped(null);
  const weighed = useWrite("/api/book/harvests", (weight: string) => ({ body: { ...of, weight, note: null } }), done);
  const seen = useWrite("/api/book/seen", (text: string) => ({ body: { ...of, text } }), done);
  const keep = harvest ? weighed : seen;
  if (typed === null) {
    return (
      <Button kind="plain" aria-label={`record a correction: ${entry.title}`} onClick={() => setTyped("")}>
        record a correction
      </Button>
    );
  }
  return (
    <Form
      problem={keep.error}
      className="grid items-start gap-x-4 sm:grid-cols-[1fr_auto]"
      onSend={() => keep.mutate(typed)}
    >
      <Field
        label={harvest ? "The right weight" : "What was really seen"}
        value={typed}
        onChange={setTyped}
        name={harvest ? "weight" : "text"}
        hint="both stay readable"
      />
      <Button type="submit" className="sm:mt-7" disabled={keep.isPending}>
        Keep it
      </Button>
      <WrongElse />
    </Form>
  );
}

/** The book as files, out and in again. */
function Files() {
  const bring = useWrite("/api/book/file", (text: string) => ({ body: { text } }));
  return (
    <section aria-label="Files">
      <h2 className="text-xl">The book as files</h2>
      <p className="flex flex-wrap gap-x-5">
        {[
          ["/api/book/book.csv", "book.csv", "CSV"],
          ["/api/book/book.json", "book.json", "JSON"],
          ["/api/book/holding.zip", "holding.zip", "the whole holding, as tables and pictures (zip)"],
          ["/api/calendar.ics", "mud-pie.ics", "calendar of what is planned"],
        ].map(([href, file, name]) => (
          <a
            key={href}
            href={href}
            download={file}
            className="inline-flex min-h-12 items-center text-clay underline underline-offset-4"
          >
            {name}
          </a>
        ))}
        <label className="inline-flex min-h-12 cursor-pointer items-center text-clay underline underline-offset-4">
          bring a book in
          <input
            type="file"
            accept=".csv,.json,text/csv,application/json"
            className="sr-only"
            onChange={async (e) => {
              const file = e.target.files?.[0];
              if (file) bring.mutate(await file.text());
            }}
          />
        </label>
      </p>
      {bring.data && (
        <p role="status">
          ✓ {bring.data.jobs} jobs, {bring.data.harvests} harvests, {bring.data.seen} sightings and {bring.data.lots}{" "}
          lots were new; {bring.data.known} jobs were known already.
        </p>
      )}
      <Wrong problem={bring.error} />
    </section>
  );
}
