import { useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useEffect, useState } from "react";
import { Link } from "react-router-dom";
import { clockOff } from "../../api/client";
import { useRead } from "../../api/data";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { useCarried } from "../../parts/field";
import {
  again,
  asNote,
  drop,
  flush,
  keptDays,
  oldestDays,
  type Sent,
  useOutbox,
  type Waiting as Write,
  warnDays,
} from "../../parts/outbox";
import { Ready } from "../../parts/Ready";
import { Room } from "../../parts/Room";

const many = (n: number, one: string, more: string) => `${n} ${n === 1 ? one : more}`;

/** What waits on this device for a signal, what was not taken, what was sent, and what is carried to be read. */
export function Waiting() {
  const { list, reached, sent, who } = useOutbox();
  const queries = useQueryClient();
  const waits = list.filter((w) => !w.refused);
  const refused = list.filter((w) => w.refused);
  const oldest = oldestDays(waits);
  const [all, setAll] = useState(false);
  const shown = all ? waits : waits.slice(0, 12);
  return (
    <Room
      title="Waiting for a signal"
      under="Kept on this device, and sent in order, each once. Nothing is lost if it sleeps."
      peek={refused.length > 0 ? "One to look at" : "This device"}
      bench={
        <>
          {waits.length === 0 && <p className="text-xl">✓ Nothing waits.</p>}
          {oldest >= warnDays && (
            <p className="text-lg font-bold text-straw">
              ▲ The oldest has waited {oldest} days. After {keptDays} it is not sent by itself: find a signal before.
            </p>
          )}
          <ol className="figures">
            {shown.map((w) => (
              <Line key={w.key} write={w} state={w.who && who && w.who !== who ? `waits for ${w.who}` : "waits"} />
            ))}
          </ol>
          {waits.length > shown.length && (
            <Button kind="plain" onClick={() => setAll(true)}>
              {waits.length - shown.length} more
            </Button>
          )}
          {waits.length > 0 && (
            <p className="mt-2 flex flex-wrap items-center gap-4">
              <Button kind="filled" onClick={() => void flush(queries)}>
                Send now
              </Button>
              {!reached && <span className="text-straw">▲ Mud Pie does not answer; it is tried again by itself.</span>}
            </p>
          )}
          {refused.length > 0 && (
            <section className="mt-6">
              <h2 className="text-2xl">{refused.length === 1 ? "One to look at" : `${refused.length} to look at`}</h2>
              {refused.map((w) => (
                <NotTaken key={w.key} write={w} />
              ))}
            </section>
          )}
          <Went sent={sent} />
        </>
      }
      slate={<Device />}
    />
  );
}

function Line({ write, state }: { write: Write; state: ReactNode }) {
  const clock = useClock();
  return (
    <li className="flex items-baseline gap-4 border-t border-line py-2">
      <time dateTime={write.at} className="w-28 shrink-0 text-ash">
        {clock.when(write.at)}
      </time>
      <b className="min-w-0 flex-1 break-words">
        {write.photo && "photo, "}
        {write.says}
      </b>
      <b className="shrink-0 text-straw">{state}</b>
    </li>
  );
}

/** What was refused, with what was typed; where two changed one thing, both are shown. */
function NotTaken({ write: w }: { write: Write }) {
  const clock = useClock();
  const queries = useQueryClient();
  const both = w.refused?.both ?? [];
  const whose = w.refused?.whose;
  const two = both.length > 0 && !!w.refused?.version;
  const words = w.refused?.fields.map((f) => `${f.wrong} ${f.wayOut}`).join(" ");
  return (
    <article className="my-3 border-l-8 border-plum pl-4" aria-label={`Not taken: ${w.says}`}>
      <p className="text-lg font-bold">{two ? `Two changed this: ${w.says}` : w.says}</p>
      <p className="figures">
        {w.photo && "photo, "}
        written {clock.when(w.at)}
        {w.who && ` by ${w.who}`}
      </p>
      {two ? (
        <table className="figures my-2">
          <thead>
            <tr className="text-left text-ash">
              <td />
              <th className="pr-6 font-normal">you, {clock.when(w.at)}</th>
              <th className="font-normal">
                stands now
                {whose && `, ${[whose.by && `by ${whose.by}`, clock.when(whose.at)].filter(Boolean).join(", ")}`}
              </th>
            </tr>
          </thead>
          <tbody>
            {both.map((b) => (
              <tr key={b.field}>
                <th className="pr-4 text-left font-normal">{inWords(b.field)}</th>
                <td className="pr-6 font-bold">{b.yours ?? "nothing"}</td>
                <td className="font-bold">{b.theirs ?? "nothing"}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <p className="text-plum">✕ {words || `${w.refused?.message} ${w.refused?.detail ?? ""}`}</p>
      )}
      <p className="flex flex-wrap items-center gap-3">
        <Button onClick={() => void again(queries, w)}>{two ? "Mine" : "Send it again"}</Button>
        <Button
          kind={two ? "filled" : "plain"}
          aria-label={`${two ? "Theirs" : "let it go"}: ${w.says}`}
          onClick={() => void drop(w.key)}
        >
          {two ? "Theirs" : "let it go"}
        </Button>
        {!w.photo && (
          <Button kind="plain" onClick={() => void asNote(queries, w)}>
            {two ? "both, as a note" : "keep it as a note"}
          </Button>
        )}
      </p>
    </article>
  );
}

/** "soilPh" as "soil ph". */
const inWords = (field: string) => field.replace(/Typed$/, "").replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`);

function Went({ sent }: { sent: readonly Sent[] }) {
  const clock = useClock();
  const off = clockOff();
  if (sent.length === 0) return null;
  return (
    <section className="mt-6">
      <h2 className="text-2xl">Sent</h2>
      <ol className="figures">
        {sent.slice(0, 5).map((s) => (
          <li key={s.from}>
            {clock.when(s.to)} ·{" "}
            {[s.entries > 0 && many(s.entries, "entry", "entries"), s.photos > 0 && many(s.photos, "photo", "photos")]
              .filter(Boolean)
              .join(", ")}
          </li>
        ))}
      </ol>
      {off >= 2 && (
        <p className="text-ash">
          The server’s clock differs from this device’s by {off < 120 ? `${off} min` : `${Math.round(off / 60)} h`}:
          hours are the server’s; when each came is kept beside.
        </p>
      )}
    </section>
  );
}

/** What this device is here, what it carries, and whether its browser keeps that for good. */
function Device() {
  const clock = useClock();
  const carried = useCarried();
  const [lasting, setLasting] = useState<boolean | null>(null);
  useEffect(() => {
    void navigator.storage?.persisted?.().then(setLasting);
  }, []);
  return (
    <section>
      <h2 className="text-2xl">This device</h2>
      <Ready coming={null} around={() => null}>
        <Who />
      </Ready>
      <p className="figures mt-2">
        {carried
          ? `✓ Ready for the field: ${many(carried.pages, "page", "pages")}, read ${clock.when(carried.at)}.`
          : window.isSecureContext
            ? "What is needed in a field has not been read yet: leave the page open for a moment where there is a signal."
            : "▲ Opened in plain text, a browser keeps no pages for the field. Open it by the yard’s own address."}
      </p>
      {lasting === false && (
        <p className="mt-2 text-ash">
          This browser may clear what waits when its space runs short. Put Mud Pie on the home screen, and it stays.
        </p>
      )}
      <p className="mt-3">
        <Link to="/keep/people" className="text-clay underline underline-offset-4">
          people and phones
        </Link>
      </p>
    </section>
  );
}

function Who() {
  const me = useRead("/api/me");
  const clock = useClock();
  if (!me.name) return <p>At the machine itself; nobody has to sign in.</p>;
  return (
    <p>
      <b>{me.name}</b>, {me.role}
      {me.joined && ` · ${me.stays ? "joined" : "since"} ${clock.when(me.joined)}`} ·{" "}
      {me.role === "visitor" ? "reads" : "may write"}
    </p>
  );
}
