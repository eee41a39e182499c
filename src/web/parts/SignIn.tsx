import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Dialog } from "radix-ui";
import { useState } from "react";
import { send, useWrite } from "../api/data";
import { forget, useTurnedAway, welcome } from "../api/door";
import { canShow, enterByPasskey } from "../api/passkeys";
import type { Problem } from "../api/problem";
import { Button } from "./Button";
import { Choice } from "./Choice";
import { Field } from "./Field";
import { Form } from "./Form";
import { flush } from "./outbox";
import { Wrong, WrongElse } from "./Wrong";

/** What this phone may be called, for the owner's list. */
export const calledHere = () => {
  const is = (word: string) => navigator.userAgent.includes(word);
  return is("iPhone") ? "iPhone" : is("iPad") ? "iPad" : is("Android") ? "Android phone" : "a desk";
};

/** Ends what this page came by; nothing of what stood on it is left to whoever comes next. */
export const leave = () =>
  void send("post", "/api/people/sign-out", {}, crypto.randomUUID())
    .catch(() => undefined)
    .then(forget)
    .then(() => location.replace("/"));

/**
 * Signing in, over whatever stands on the page: what was typed there stays. By the password for a sitting, or by a code from the
 * owner's screen for good.
 */
export function SignIn() {
  const away = useTurnedAway();
  if (!away || location.pathname === "/join") return null;
  return (
    <Dialog.Root open>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-50 bg-slip" />
        <Dialog.Content
          aria-describedby={undefined}
          onEscapeKeyDown={(e) => e.preventDefault()}
          className="fixed inset-x-0 top-0 z-50 mx-auto max-h-screen max-w-lg overflow-y-auto px-4 py-10 text-ink"
        >
          <p className="flex items-center gap-2">
            <img src="/mark.svg" alt="" className="h-9 w-9" />
            <b className="font-head text-xl">Mud Pie</b>
          </p>
          <Dialog.Title className="mt-4 font-head text-3xl font-bold leading-tight">{away.title}</Dialog.Title>
          <p className="mt-1 text-lg">{away.detail}</p>
          <Ways />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Ways() {
  const queries = useQueryClient();
  const [by, setBy] = useState<"code" | "password">(calledHere() === "a desk" ? "password" : "code");
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const [code, setCode] = useState("");
  const done = async () => {
    if (!document.getElementById("room") || document.querySelector("main [role=alert]")) {
      location.reload(); // nothing stands under it that could be lost
      return;
    }
    welcome();
    await queries.invalidateQueries();
    await flush(queries);
  };
  const sit = useWrite(
    "/api/people/sign-in",
    () => ({ body: { name, password } }),
    () => void done(),
  );
  const join = useWrite(
    "/api/people/join",
    () => ({ body: { code, device: calledHere() } }),
    () => void done(),
  );
  const key = useMutation<unknown, Problem>({ mutationFn: enterByPasskey, onSuccess: () => void done() });
  const come = by === "password" ? sit : join;
  return (
    <Form
      problem={come.error}
      onSend={() => come.mutate(undefined)}
      label="Sign in"
      className="mt-5 flex flex-col gap-4"
    >
      <Choice
        label="Come in by"
        value={by}
        onChange={setBy}
        options={[
          { value: "code", name: "a code", says: "a phone, for good" },
          { value: "password", name: "a password", says: "a sitting at a desk" },
        ]}
      />
      {by === "password" ? (
        <>
          <Field label="Your name here" name="name" autoComplete="username" value={name} onChange={setName} />
          <Field
            label="Password"
            name="password"
            type="password"
            autoComplete="current-password"
            value={password}
            onChange={setPassword}
          />
        </>
      ) : (
        <Field
          label="Code"
          name="code"
          autoComplete="one-time-code"
          value={code}
          onChange={setCode}
          hint="Eight signs on the owner’s screen, under Keep → People and copies. Good once, for ten minutes."
        />
      )}
      <WrongElse />
      <p>
        <Button kind="filled" type="submit" disabled={come.isPending}>
          Come in
        </Button>
      </p>
      {canShow() && (
        <p>
          <Button disabled={key.isPending} onClick={() => key.mutate()}>
            Come in by a passkey
          </Button>
        </p>
      )}
      <Wrong problem={key.error} />
      <p className="text-ash">
        A password forgotten: whoever sits at the machine itself sets a new one with <code>./mudpie owner</code>.
      </p>
    </Form>
  );
}
