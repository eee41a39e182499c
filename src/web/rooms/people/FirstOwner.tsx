import { useState } from "react";
import { useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { Part } from "../../parts/Ready";
import { Room } from "../../parts/Room";
import { WrongElse } from "../../parts/Wrong";
import { Copies } from "./Copies";

/** Before anybody was let in: what it means, and the owner's password. */
export function FirstOwner() {
  const [name, setName] = useState("the owner");
  const [password, setPassword] = useState("");
  const [again, setAgain] = useState("");
  const differ = again.length > 0 && again !== password;
  const make = useWrite("/api/people/owner", () => ({ body: { name, password } }));
  return (
    <Room
      title="People and copies"
      under="Until now Mud Pie answers this machine alone, and asks nobody who they are."
      peek="Let the yard in"
      bench={
        <>
          <Reach />
          <ol className="mt-4 list-decimal pl-6 text-lg">
            <li>Make the owner’s password, here at the machine. From then on everybody signs in, you too.</li>
            <li>Open the yard. Mud Pie makes its own seal, so that phones and this machine speak in cipher.</li>
            <li>A phone scans a square to trust the seal, then another to join. It stays until you strike it off.</li>
          </ol>
          <Part>
            <Copies />
          </Part>
        </>
      }
      slate={
        <section>
          <h2 className="text-2xl">The owner’s password</h2>
          <Form
            problem={make.error}
            onSend={() => !differ && make.mutate(undefined)}
            label="The owner’s password"
            className="mt-2 flex flex-col gap-4"
          >
            <Field
              label="What you are called here"
              name="name"
              autoComplete="username"
              value={name}
              onChange={setName}
            />
            <Field
              label="Password"
              name="password"
              type="password"
              autoComplete="new-password"
              value={password}
              onChange={setPassword}
              hint="At least 12 signs. Three or four words that have nothing to do with each other are good."
            />
            <Field
              label="The same again"
              type="password"
              autoComplete="new-password"
              value={again}
              onChange={setAgain}
              wrong={differ ? "They differ." : undefined}
            />
            <WrongElse />
            <p>
              <Button kind="filled" type="submit" disabled={make.isPending || password === "" || again !== password}>
                Make it
              </Button>
            </p>
          </Form>
          <p className="mt-3 text-ash">
            Forgotten, it is made anew by whoever sits at the machine: <code>./mudpie owner</code> and the file.
          </p>
        </section>
      }
    />
  );
}

/** The machine in the kitchen, the yard's own network, phones and what lies beyond. */
function Reach() {
  return (
    <svg
      viewBox="0 0 640 220"
      role="img"
      aria-label="The machine, the yard’s own network around it, three phones in it; the world beyond is not let in."
      className="w-full max-w-2xl"
    >
      <path d="M14 196q300-26 612 0" fill="none" strokeWidth="2" className="stroke-line" />
      <path d="M120 190V92l58-42 58 42v98" fill="none" strokeWidth="3" strokeLinejoin="round" className="stroke-ink" />
      <rect x="150" y="118" width="56" height="38" rx="4" strokeWidth="3" className="fill-paper stroke-clay" />
      <path d="M142 164h72" strokeWidth="3" strokeLinecap="round" className="stroke-clay" />
      {[60, 100, 140].map((r) => (
        <path
          key={r}
          d={`M${206 + r * 0.72} ${137 - r * 0.5}a${r} ${r} 0 0 1 0 ${r}`}
          fill="none"
          strokeWidth="2"
          strokeDasharray="3 7"
          className="stroke-moss"
        />
      ))}
      {[
        [300, 130],
        [372, 116],
        [436, 140],
      ].map(([x, y]) => (
        <g key={x} transform={`translate(${x} ${y})`}>
          <rect width="22" height="42" rx="4" strokeWidth="2.5" className="fill-paper stroke-ink" />
          <path d="M7 35h8" strokeWidth="2.5" strokeLinecap="round" className="stroke-ink" />
        </g>
      ))}
      <path
        d="M500 30V190M524 30V190M488 64h48M488 128h48"
        strokeWidth="4"
        strokeLinecap="round"
        className="stroke-line"
      />
      <text x="152" y="214" className="fill-ink text-[15px]">
        this machine
      </text>
      <text x="330" y="214" className="fill-ink text-[15px]">
        phones in the yard
      </text>
      <text x="548" y="112" className="fill-ash text-[15px]">
        not let in
      </text>
    </svg>
  );
}
