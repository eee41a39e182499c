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
export function FirstOwner({ box = false }: { box?: boolean }) {
  const [name, setName] = useState(box ? "the keeper" : "the owner");
  const [password, setPassword] = useState("");
  const [again, setAgain] = useState("");
  const differ = again.length > 0 && again !== password;
  const make = useWrite("/api/people/owner", () => ({ body: { name, password } }));
  return (
    <Room
      title={box ? "A box for several holdings" : "People and copies"}
      under="Until now Mud Pie answers this machine alone, and asks nobody who they are."
      peek={box ? "Who keeps the box" : "Let the yard in"}
      bench={
        <>
          {box ? <Shelf /> : <Reach />}
          {box ? <BoxSteps /> : <Steps />}
          {!box && (
            <Part>
              <Copies />
            </Part>
          )}
        </>
      }
      slate={
        <section>
          <h2 className="text-2xl">{box ? "Whoever keeps the box" : "The owner’s password"}</h2>
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
            Forgotten, it is made anew by whoever sits at the machine: <code>./mudpie owner</code> and the{" "}
            {box ? "folder" : "file"}.
          </p>
        </section>
      }
    />
  );
}

/** Lidded boxes on one board, each with its own lock. */
function Shelf() {
  return (
    <svg
      viewBox="0 0 640 190"
      role="img"
      aria-label="Three lidded boxes on one board, each with a lock of its own."
      className="w-full max-w-2xl"
    >
      <path d="M20 160h600" strokeWidth="5" strokeLinecap="round" className="stroke-line" />
      <path d="M70 162v24M570 162v24" strokeWidth="5" strokeLinecap="round" className="stroke-line" />
      {[70, 260, 450].map((x, i) => (
        <g key={x} transform={`translate(${x} 0)`}>
          <path d="M8 66h104v90H8z" fill="none" strokeWidth="3" strokeLinejoin="round" className="stroke-ink" />
          <path
            d={i === 1 ? "M8 62 24 22h104l-16 38" : "M2 46h116v18H2z"}
            fill="none"
            strokeWidth="3"
            strokeLinejoin="round"
            className={i === 1 ? "stroke-clay" : "stroke-ink"}
          />
          <rect x="46" y="98" width="28" height="24" rx="4" strokeWidth="3" className="fill-paper stroke-clay" />
          <path
            d={i === 1 ? "M52 98v-9a8 8 0 0 1 16 0" : "M52 98v-9a8 8 0 0 1 16 0v9"}
            fill="none"
            strokeWidth="3"
            strokeLinecap="round"
            className="stroke-clay"
          />
        </g>
      ))}
    </svg>
  );
}

function Steps() {
  return (
    <ol className="mt-4 list-decimal pl-6 text-lg">
      <li>Make the owner’s password, here at the machine. From then on everybody signs in, you too.</li>
      <li>Open the yard. Mud Pie makes its own seal, so that phones and this machine speak in cipher.</li>
      <li>A phone scans a square to trust the seal, then another to join. It stays until you strike it off.</li>
    </ol>
  );
}

function BoxSteps() {
  return (
    <ol className="mt-4 list-decimal pl-6 text-lg">
      <li>Make a password for whoever keeps the box, here at the machine. From then on everybody signs in.</li>
      <li>Make a holding for each grower, and give its first owner the code. Each sees their own only.</li>
      <li>You see that a holding is there, how large it is and when it was copied: nothing of its record.</li>
    </ol>
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
