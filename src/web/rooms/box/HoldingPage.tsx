import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { Wrong, WrongElse } from "../../parts/Wrong";
import { Again, CodeShown } from "../people/LetIn";

/** A holding as whoever keeps the box sees it: nothing of its record. */
export function HoldingPage({ holding, done }: { holding: Schemas["BoxHolding"]; done: () => void }) {
  const [sure, setSure] = useState(false);
  const away = useWrite("/api/box/holdings/{name}/archive", () => ({ params: { path: { name: holding.name } } }), done);
  const back = useWrite("/api/box/holdings/{name}/back", () => ({ params: { path: { name: holding.name } } }), done);
  if (holding.heldAs === "archived")
    return (
      <section>
        <h2 className="text-2xl">{holding.name}</h2>
        <p>
          It is put away: nobody comes in. Its file lies in the folder <i>archived</i>, with its people in it. Laid into
          another box’s folder, or opened alone with <code>./mudpie serve --data FILE</code>, it is a holding again.
        </p>
        <Wrong problem={back.error} />
        <p className="mt-2">
          <Button kind="filled" onClick={() => back.mutate(undefined)} disabled={back.isPending}>
            Bring it back
          </Button>
        </p>
      </section>
    );
  return (
    <section>
      <h2 className="text-2xl">{holding.name}</h2>
      <p>
        Its people come to{" "}
        <a href={holding.address} className="break-all text-clay underline underline-offset-4">
          {holding.address}
        </a>
      </p>
      <OwnerCode name={holding.name} />
      <h3 className="mt-4 text-xl">Put it away</h3>
      <p>Nobody comes in any more. Nothing of it is lost, and it can be brought back.</p>
      <Wrong problem={away.error} />
      <p className="mt-2">
        {sure ? (
          <Button kind="filled" onClick={() => away.mutate(undefined)} disabled={away.isPending}>
            {away.isPending ? "Waiting for those who are there …" : `Yes, put ${holding.name} away`}
          </Button>
        ) : (
          <Button onClick={() => setSure(true)}>Put it away</Button>
        )}
      </p>
    </section>
  );
}

/** An owner's password is lost, or there is none yet: a code, and all who own it see that it was made. */
function OwnerCode({ name }: { name: string }) {
  const me = useRead("/api/me");
  const [owner, setOwner] = useState("");
  const [password, setPassword] = useState("");
  const make = useWrite("/api/box/holdings/{name}/owner", () => ({
    params: { path: { name } },
    body: { owner, password },
  }));
  return (
    <>
      <h3 className="mt-4 text-xl">Let an owner in</h3>
      {make.data ? (
        <CodeShown code={make.data} done={() => make.reset()} />
      ) : (
        <Form
          problem={make.error}
          onSend={() => make.mutate(undefined)}
          label="Let an owner in"
          className="mt-2 flex flex-col gap-4"
        >
          <Field
            label="What they are called there"
            name="owner"
            value={owner}
            onChange={setOwner}
            hint="Somebody new, or an owner whose password is lost. The holding’s people see that you did it."
          />
          {me.hasPassword && <Again value={password} onChange={setPassword} />}
          <WrongElse />
          <p>
            <Button type="submit" disabled={make.isPending}>
              Make a code
            </Button>
          </p>
        </Form>
      )}
    </>
  );
}

/** A new holding, and the code by which its first owner comes in. */
export function NewHolding() {
  const [name, setName] = useState("");
  const [owner, setOwner] = useState("");
  const make = useWrite("/api/box/holdings", () => ({ body: { name, owner } }));
  return (
    <section>
      <h2 className="text-2xl">A new holding</h2>
      {make.data ? (
        <CodeShown
          code={make.data}
          done={() => {
            make.reset();
            setName("");
            setOwner("");
          }}
        />
      ) : (
        <Form
          problem={make.error}
          onSend={() => make.mutate(undefined)}
          label="A new holding"
          className="mt-2 flex flex-col gap-4"
        >
          <Field
            label="Its name in the address"
            name="name"
            value={name}
            onChange={setName}
            hint="Small letters, figures and hyphens, as in north-field. What it is called in full its growers say."
          />
          <Field label="What its first owner is called" name="owner" value={owner} onChange={setOwner} />
          <WrongElse />
          <p>
            <Button kind="filled" type="submit" disabled={make.isPending}>
              Make it
            </Button>
          </p>
        </Form>
      )}
    </section>
  );
}
