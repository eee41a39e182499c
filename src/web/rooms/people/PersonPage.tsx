import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { useClock } from "../../parts/clock";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form, Refusals } from "../../parts/Form";
import { WrongElse } from "../../parts/Wrong";
import { Again, CodeShown } from "./LetIn";
import { NewPassword } from "./OwnPhone";
import { Passkeys } from "./Passkeys";

type Deed = "code" | "gone" | Schemas["Role"];

/** A person: another phone, what they may, that they come no more. What is about an owner asks for one's password again. */
export function PersonPage({
  person,
  me,
  done,
}: {
  person: Schemas["PersonView"];
  me: Schemas["MeView"];
  done: () => void;
}) {
  const [sure, setSure] = useState(false);
  const [asked, ask] = useState<Deed | null>(null);
  const [password, setPassword] = useState("");
  const code = useWrite("/api/people/codes", () => ({ body: { person: person.id, name: null, role: null, password } }));
  const role = useWrite("/api/people/{id}/role", (to: Schemas["Role"] | null) => ({
    params: { path: { id: person.id } },
    body: { role: to, password },
  }));
  const settle = () => {
    ask(null);
    setPassword("");
  };
  const act = (deed: Deed) =>
    deed === "code"
      ? code.mutate(undefined, { onSuccess: settle })
      : role.mutate(deed === "gone" ? null : deed, { onSuccess: deed === "gone" ? done : settle });
  const want = (deed: Deed) =>
    me.hasPassword && (person.role === "owner" || deed === "owner") ? ask(deed) : act(deed);
  if (asked)
    return (
      <Form
        problem={[code.error, role.error]}
        onSend={() => act(asked)}
        label={person.name}
        className="flex flex-col gap-4"
      >
        <h2 className="text-2xl">{person.name}</h2>
        <p className="text-lg">
          {asked === "code" ? "A code for another phone" : asked === "gone" ? "Comes no more" : `Becomes ${asked}`}
        </p>
        <Again value={password} onChange={setPassword} />
        <WrongElse />
        <p>
          <Button kind="filled" type="submit" disabled={code.isPending || role.isPending}>
            {asked === "code" ? "Make the code" : "Yes"}
          </Button>{" "}
          <Button
            kind="plain"
            onClick={() => {
              settle();
              code.reset();
              role.reset();
            }}
          >
            not now
          </Button>
        </p>
      </Form>
    );
  return (
    <Refusals problem={[code.error, role.error]}>
      <section className="flex flex-col gap-4">
        <h2 className="text-2xl">{person.name}</h2>
        {code.data ? (
          <CodeShown code={code.data} done={() => code.reset()} />
        ) : (
          <p>
            <Button kind="filled" onClick={() => want("code")} disabled={code.isPending}>
              A code for another phone
            </Button>
          </p>
        )}
        <Choice
          label="What they may"
          name="role"
          value={person.role as string}
          onChange={(to) => want(to as Schemas["Role"])}
          options={[
            { value: "visitor", name: "visitor", says: "reads" },
            { value: "hand", name: "hand", says: "reads and writes" },
            { value: "owner", name: "owner", says: "everything" },
          ]}
        />
        <WrongElse />
        {person.name === me.name ? (
          <>
            <Fold line="A new password">
              <NewPassword />
            </Fold>
            <Passkeys />
          </>
        ) : sure ? (
          <p className="border-l-8 border-plum pl-4">
            {person.name} is out at once, with every phone. What they wrote stays, and says that they did.{" "}
            <Button onClick={() => want("gone")}>They come no more</Button>{" "}
            <Button kind="plain" onClick={() => setSure(false)}>
              not now
            </Button>
          </p>
        ) : (
          <p>
            <Button onClick={() => setSure(true)}>They come no more</Button>
          </p>
        )}
      </section>
    </Refusals>
  );
}

/** A phone, or a sitting: called otherwise, or struck off. */
export function DevicePage({
  device,
  person,
  done,
}: {
  device: Schemas["DeviceView"];
  person: Schemas["PersonView"];
  done: () => void;
}) {
  const clock = useClock();
  const [name, setName] = useState(device.name);
  const path = { params: { path: { id: device.id } } };
  const strike = useWrite("/api/people/devices/{id}/strike", () => path, done);
  const call = useWrite("/api/people/devices/{id}/name", () => ({ ...path, body: { name } }));
  return (
    <Form
      problem={[strike.error, call.error]}
      onSend={() => call.mutate(undefined)}
      label={device.name}
      className="flex flex-col gap-4"
    >
      <h2 className="text-2xl">{device.name}</h2>
      <p className="text-lg">
        Of <b>{person.name}</b>, since {clock.when(device.joined)}; last in hand {clock.when(device.seen)}.{" "}
        {device.stays ? "It stays until it is struck off." : "A sitting at a desk: it ends by itself."}
      </p>
      <p className="border-l-8 border-plum pl-4">
        Lost, or gone with somebody? Struck off it is out with its next request. What waits on it unsent stays on it.{" "}
        <Button kind="filled" onClick={() => strike.mutate(undefined)} disabled={strike.isPending}>
          {device.here ? "Strike off this very one" : "Strike it off"}
        </Button>
      </p>
      <Field label="What it is called" name="name" value={name} onChange={setName} />
      <WrongElse />
      <p>
        <Button type="submit" disabled={call.isPending || name === device.name}>
          Call it so
        </Button>
      </p>
    </Form>
  );
}
