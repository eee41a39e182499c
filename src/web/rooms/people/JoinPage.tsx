import { useState } from "react";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { calledHere } from "../../parts/SignIn";
import { WrongElse } from "../../parts/Wrong";

/** Where the owner's square leads: this phone joins, and stays until it is struck off. */
export function JoinPage() {
  const [code, setCode] = useState(decodeURIComponent(location.hash.slice(1)));
  const [device, setDevice] = useState(calledHere());
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const { box } = useRead("/api/me");
  const join = useWrite(
    "/api/people/join",
    () => ({ body: { code, device, known: name && password ? { name, password } : null } }),
    () => location.replace("/"),
  );
  return (
    <main id="room" className="mx-auto max-w-lg px-4 py-8">
      <p className="flex items-center gap-2">
        <img src="/mark.svg" alt="" className="h-9 w-9" />
        <b className="font-head text-xl">Mud Pie</b>
      </p>
      <h1 className="mt-4 text-3xl leading-tight">Let this phone in</h1>
      <p className="mt-1 text-lg">
        It stays joined until it is struck off, also through a week without a signal. A lost phone: tell the owner at
        once.
      </p>
      <Form
        problem={join.error}
        onSend={() => join.mutate(undefined)}
        label="Join"
        className="mt-5 flex flex-col gap-4"
      >
        <Field label="Code" name="code" value={code} onChange={setCode} />
        <Field label="What this phone is called" name="device" value={device} onChange={setDevice} />
        {box && (
          <Fold line="I come to another holding of this box already">
            <Field
              label="My name there"
              name="known"
              autoComplete="username"
              value={name}
              onChange={setName}
              hint="With the holding after it, as in the hand@north-field. You are then one person at both, with one password."
            />
            <Field
              label="My password"
              type="password"
              autoComplete="current-password"
              value={password}
              onChange={setPassword}
            />
          </Fold>
        )}
        <WrongElse />
        <p>
          <Button kind="filled" type="submit" disabled={join.isPending}>
            Join
          </Button>
        </p>
      </Form>
    </main>
  );
}
