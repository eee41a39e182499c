import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { Part } from "../../parts/Ready";
import { Room } from "../../parts/Room";
import { leave } from "../../parts/SignIn";
import { Wrong, WrongElse } from "../../parts/Wrong";

const words = { nobody: "", visitor: "It reads, and keeps nothing.", hand: "It reads and writes.", owner: "" };

/** What this phone is here, for whoever is no owner. */
export function OwnPhone({ me }: { me: Schemas["MeView"] }) {
  const clock = useClock();
  const [sure, setSure] = useState(false);
  return (
    <Room
      title="This phone"
      under="What it is here. Who else comes in, the owner sees."
      peek={me.name ?? "This phone"}
      bench={
        <>
          <p className="text-xl">
            <b>{me.name}</b>, {me.role}
          </p>
          <p className="text-lg">
            {me.device}
            {me.joined && `, ${me.stays ? "joined" : "since"} ${clock.when(me.joined)}`}. {words[me.role]}{" "}
            {me.stays ? "It stays joined until the owner strikes it off, or you do." : "A sitting: it ends by itself."}
          </p>
          <Part>
            <Others />
          </Part>
          {me.box && (
            <p className="text-lg">
              This holding is on a box for several:{" "}
              <a href={me.box} className="text-clay underline underline-offset-4">
                your holdings there
              </a>
            </p>
          )}
        </>
      }
      slate={
        <section>
          <h2 className="text-2xl">Leave</h2>
          <p>{me.stays ? "To come back, this phone needs a new code from the owner." : "Ends this sitting."}</p>
          <p className="mt-2">
            {sure || !me.stays ? (
              <Button kind="filled" onClick={leave}>
                {me.stays ? "Yes, this phone leaves" : "Sign out"}
              </Button>
            ) : (
              <Button onClick={() => setSure(true)}>This phone leaves</Button>
            )}
          </p>
        </section>
      }
    />
  );
}

/** One's other phones and sittings: a lost one is struck off from here. */
function Others() {
  const clock = useClock();
  const others = useRead("/api/people/mine").filter((d) => !d.here);
  const strike = useWrite("/api/people/mine/{id}/strike", (id: number) => ({ params: { path: { id } } }));
  if (others.length === 0) return null;
  return (
    <section className="mt-5" aria-label="Yours besides this one">
      <h2 className="text-xl">Yours besides this one</h2>
      <p>A lost one, struck off, is out with its next request. To come back it needs a new code.</p>
      <ul>
        {others.map((d) => (
          <li key={d.id} className="flex flex-wrap items-center justify-between gap-x-3 border-t border-line py-1">
            <span>
              <b>{d.name}</b>, in hand {clock.when(d.seen)}
            </span>
            <Button
              kind="plain"
              disabled={strike.isPending}
              onClick={() => strike.mutate(d.id)}
              aria-label={`strike it off: ${d.name}`}
            >
              strike it off
            </Button>
          </li>
        ))}
      </ul>
      <Wrong problem={strike.error} />
    </section>
  );
}

/** One's own password, set anew. */
export function NewPassword() {
  const [old, setOld] = useState("");
  const [fresh, setFresh] = useState("");
  const set = useWrite("/api/people/password", () => ({ body: { old, fresh } }));
  return (
    <Form
      problem={set.error}
      onSend={() => set.mutate(undefined)}
      label="A new password"
      className="flex flex-col gap-4"
    >
      <Field
        label="The one before"
        name="old"
        type="password"
        autoComplete="current-password"
        value={old}
        onChange={setOld}
      />
      <Field
        label="The new one"
        name="password"
        type="password"
        autoComplete="new-password"
        value={fresh}
        onChange={setFresh}
        hint="At least 12 signs."
      />
      <WrongElse />
      <p>
        <Button type="submit" disabled={set.isPending}>
          Set it
        </Button>
      </p>
      {set.isSuccess && <p role="status">It is set. Other sittings have ended; phones stay.</p>}
    </Form>
  );
}
