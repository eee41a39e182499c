import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { useClock } from "../../parts/clock";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { WrongElse } from "../../parts/Wrong";

/** One's own password, again, before somebody becomes owner or is one no more: an open page is not enough for that. */
export const Again = ({ value, onChange }: { value: string; onChange: (to: string) => void }) => (
  <Field
    label="Your password, again"
    name="password"
    type="password"
    autoComplete="current-password"
    value={value}
    onChange={onChange}
    hint="As this is about an owner."
  />
);

/** Somebody new: a name, what they may, and the square that their phone scans. */
export function LetIn({ box, asks }: { box: boolean; asks: boolean }) {
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const [role, setRole] = useState<"visitor" | "hand" | "owner">(box ? "owner" : "hand");
  const make = useWrite("/api/people/codes", () => ({
    body: { person: null, name, role, password: asks && role === "owner" ? password : null },
  }));
  return (
    <section>
      <h2 className="text-2xl">Let somebody in</h2>
      {make.data ? (
        <CodeShown
          code={make.data}
          done={() => {
            make.reset();
            setName("");
            setPassword("");
          }}
        />
      ) : (
        <Form
          problem={make.error}
          onSend={() => make.mutate(undefined)}
          label="Let somebody in"
          className="mt-2 flex flex-col gap-4"
        >
          <Field label="What they are called" name="name" value={name} onChange={setName} />
          {!box && (
            <Choice
              label="What they may"
              name="role"
              value={role}
              onChange={setRole}
              options={[
                { value: "visitor", name: "visitor", says: "reads" },
                { value: "hand", name: "hand", says: "reads and writes" },
                { value: "owner", name: "owner", says: "everything" },
              ]}
            />
          )}
          {asks && role === "owner" && <Again value={password} onChange={setPassword} />}
          <WrongElse />
          <p>
            <Button kind="filled" type="submit" disabled={make.isPending}>
              Make a code
            </Button>
          </p>
        </Form>
      )}
    </section>
  );
}

/** A code that was made: to be scanned, or typed. It is said this once. */
export function CodeShown({ code, done }: { code: Schemas["CodeView"]; done: () => void }) {
  const clock = useClock();
  const yard = useRead("/api/people/yard");
  const away = new URL(code.address, location.href).host !== location.host; // a holding's, made at the box's page
  return (
    <div role="status" className="mt-2 border-l-8 border-moss pl-4">
      <p className="text-lg">
        <b>{code.for}</b> scans this with the phone that is to come in, or types the code:
      </p>
      <div className="my-2 flex flex-wrap items-center gap-5">
        <Square svg={code.square} says={`A square that leads to ${code.address}`} />
        <b className="figures font-head text-4xl tracking-wide">{code.code}</b>
      </div>
      <p>
        {away && (
          <>
            On a computer: <span className="break-all font-bold">{code.address}</span>
            <br />
          </>
        )}
        Good once, until {clock.when(code.until)}.{" "}
        {yard.trust
          ? "The phone has to trust this machine first: see The yard, below."
          : yard.canOpen && !yard.open && "No phone reaches this machine before the yard is opened: below."}
      </p>
      <p className="mt-2">
        <Button onClick={done}>Done</Button>
      </p>
    </div>
  );
}

/** A square to scan, black on white in either light, or no phone would read it. */
export const Square = ({ svg, says }: { svg: string; says: string }) => (
  <img src={`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`} alt={says} className="h-40 w-40 bg-white p-2" />
);
