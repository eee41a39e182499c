import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { NoticeButtons } from "../../parts/NoticeButtons";
import { Part } from "../../parts/Ready";
import { Room } from "../../parts/Room";
import { WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { typed as number } from "../../api/typed";
import { looks } from "../../parts/tone";

/** What the watch has said that still stands; its lines; notices of the browser; the calendar. */
export function WatchRoom() {
  const watch = useRead("/api/watch");
  return (
    <Room
      title="The watch"
      under="It looks at every brew that is going, twice a minute, and says each thing once."
      peek="Its lines"
      bench={
        <>
          {watch.notices.length === 0 && <p className="text-lg">Nothing stands.</p>}
          <ul className="flex max-w-2xl flex-col gap-5">
            {watch.notices.map((n) => (
              <Notice key={n.id} notice={n} />
            ))}
          </ul>
        </>
      }
      slate={watch && <Lines watch={watch} />}
    />
  );
}

function Notice({ notice: n }: { notice: Schemas["NoticeView"] }) {
  const clock = useClock();
  return (
    <li className={`border-l-8 pl-4 ${looks[n.tone].edge}`}>
      <h2 className="text-xl">{n.title}</h2>
      <p className="text-lg">{n.todo}</p>
      <p className="text-ash">
        said {clock.when(n.firedAt)}, of {clock.when(n.at)}
      </p>
      <NoticeButtons id={n.id} about={n.title} />
    </li>
  );
}

function Lines({ watch }: { watch: Schemas["WatchView"] }) {
  const [typed, setTyped] = useState({
    noReadingH: String(watch.noReadingH),
    graceMinutes: String(watch.graceMinutes),
    expected: String(Math.round(watch.expectedShare * 100)),
  });
  const [asked, setAsked] = useState(typeof Notification === "undefined" ? "unsupported" : Notification.permission);
  const [version, setVersion] = useState(watch.version);
  const keep = useWrite(
    "/api/watch/lines",
    (body: Schemas["WatchLinesRequest"]) => ({ body }),
    (kept) => setVersion(kept.version),
  );
  const share = (t: string) => {
    const n = number(t);
    return typeof n === "number" ? n / 100 : n;
  };
  return (
    <>
      <Form
        problem={keep.error}
        className="flex flex-col gap-1"
        onSend={() =>
          keep.mutate({
            noReadingH: number(typed.noReadingH),
            graceMinutes: number(typed.graceMinutes),
            expectedShare: share(typed.expected),
            version,
          })
        }
      >
        <h2 className="text-xl">It speaks when</h2>
        <Field
          label="nobody has read oxygen for, hours"
          inputMode="decimal"
          value={typed.noReadingH}
          onChange={(v) => setTyped({ ...typed, noReadingH: v })}
          name="noReadingH"
        />
        <Field
          label="so much of a hold is left, minutes"
          inputMode="decimal"
          value={typed.graceMinutes}
          onChange={(v) => setTyped({ ...typed, graceMinutes: v })}
          name="graceMinutes"
        />
        <Field
          label="the chance of falling below 6 before use is, %"
          inputMode="decimal"
          value={typed.expected}
          onChange={(v) => setTyped({ ...typed, expected: v })}
          name="expectedShare"
        />
        <p className="text-ash">And always: below 6 now, ready, past 36 h, a silent or straying probe.</p>
        <Button type="submit" className="self-start" disabled={keep.isPending}>
          Keep these lines
        </Button>
        {keep.isSuccess && <p role="status">✓ Kept. It speaks by these from now on.</p>}
        <WrongElse />
      </Form>
      <section>
        <h2 className="text-xl">Told on this device</h2>
        {asked === "granted" ? (
          <p>This browser is told of what the watch says, while a page of Mud Pie is open.</p>
        ) : asked === "default" ? (
          <Button onClick={() => void Notification.requestPermission().then(setAsked)}>Let the browser tell me</Button>
        ) : (
          <p>This browser does not let Mud Pie tell you. What the watch says stands on Today all the same.</p>
        )}
      </section>
      <section>
        <h2 className="text-xl">In your calendar</h2>
        <Part>
          <CalendarAddress />
        </Part>
      </section>
    </>
  );
}

/** Where a calendar reads: once somebody has to sign in, by an address of one's own that holds a secret. */
function CalendarAddress() {
  const feed = useRead("/api/people/feed");
  const change = useWrite("/api/people/feed", () => ({}));
  return (
    <>
      <p>
        Steps, readings due, ready times and what the watch says, as iCalendar:{" "}
        {feed.address && (
          <a className="break-all underline" href={feed.address}>
            {feed.address}
          </a>
        )}
      </p>
      {feed.secret && (
        <p>
          {feed.address
            ? "Whoever has this address reads your calendar. In wrong hands? "
            : "A calendar can’t sign in: it reads by an address of your own that holds a secret. "}
          <Button onClick={() => change.mutate(undefined)} disabled={change.isPending}>
            {feed.address ? "Change the address" : "Make the address"}
          </Button>
        </p>
      )}
    </>
  );
}
