import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useRead, useWrite } from "../../api/data";
import { addPasskey, canShow } from "../../api/passkeys";
import type { Problem } from "../../api/problem";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { Wrong, WrongElse } from "../../parts/Wrong";

/** One's own passkeys: what this computer, a phone or a key vouches for in place of the password. */
export function Passkeys() {
  const mine = useRead("/api/people/passkeys");
  const clock = useClock();
  const gone = useWrite("/api/people/passkeys/gone", (id: string) => ({ body: { id } }));
  if (!mine.hasPassword) return null;
  return (
    <section className="mt-5" aria-label="Passkeys">
      <h3 className="text-xl">Passkeys</h3>
      <p>
        A passkey signs you in without a password: your phone, computer or a key on a ring holds it, asks for your
        finger, face or PIN, and never gives it away. It is good at this address only; the password stays for the day
        that the device is lost.
      </p>
      <ul>
        {mine.keys.map((k) => (
          <li key={k.id} className="flex flex-wrap items-center justify-between gap-x-3 border-t border-line py-1">
            <span>
              <b>{k.name}</b> since {clock.date(k.added)}
            </span>
            <Button
              kind="plain"
              disabled={gone.isPending}
              onClick={() => gone.mutate(k.id)}
              aria-label={`take away: ${k.name}`}
            >
              take away
            </Button>
          </li>
        ))}
      </ul>
      <Wrong problem={gone.error} />
      {mine.allowed && canShow() ? (
        <Add />
      ) : (
        <p className="text-ash">
          Signing in by a passkey wants an address that is a name and begins with https, or this machine itself as
          localhost: here it is {location.hostname}.
        </p>
      )}
    </section>
  );
}

function Add() {
  const queries = useQueryClient();
  const [password, setPassword] = useState("");
  const [name, setName] = useState("");
  const add = useMutation<unknown, Problem>({
    mutationFn: () => addPasskey(password, name),
    onSuccess: async () => {
      setPassword("");
      setName("");
      await queries.invalidateQueries();
    },
  });
  return (
    <Form problem={add.error} onSend={() => add.mutate()} label="A new passkey" className="mt-2 flex flex-col gap-3">
      <Field label="Called" name="name" value={name} onChange={setName} hint="desk in the barn" />
      <Field
        label="Your password, again"
        name="password"
        type="password"
        autoComplete="current-password"
        value={password}
        onChange={setPassword}
      />
      <WrongElse />
      <p>
        <Button type="submit" disabled={add.isPending || !password || !name}>
          Add a passkey
        </Button>
      </p>
    </Form>
  );
}
