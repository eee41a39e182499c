import { Dialog } from "radix-ui";
import { useState } from "react";
import { Link } from "react-router-dom";
import { useWorkOut } from "../api/data";
import { useFieldWrite } from "./outbox";
import { Form } from "./Form";
import { Button } from "./Button";
import { Choice } from "./Choice";
import { Field } from "./Field";
import { Mind } from "./Mind";

const examples = [
  "o2 6.7 drum",
  "smells sour tank",
  "brix 9.1 8.8 9.4 fennel top",
  "used 30 ml kelp on ridge bed 4",
  "picked 12 kg garlic",
  "note aphids on ridge bed 5",
];

/** Note it: a phrase, what was understood, one more tap. Nothing is written before it was shown. */
export function NoteIt({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-0 bottom-0 z-50 max-h-[92vh] overflow-y-auto rounded-t-3xl bg-paper p-5 text-ink wide:inset-x-auto wide:bottom-auto wide:left-1/2 wide:top-24 wide:w-[40rem] wide:-translate-x-1/2 wide:rounded-3xl"
        >
          <Dialog.Title className="font-head text-xl font-bold">Note it</Dialog.Title>
          <Phrase close={() => onOpenChange(false)} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Phrase({ close }: { close: () => void }) {
  const [text, setText] = useState("");
  const [target, setTarget] = useState("");
  const read = useWorkOut(
    "/api/notes/read",
    text.trim().length > 1 ? { body: { text, targetId: null, cautionsSeen: null, at: null } } : null,
  );
  const u = read.problem ? undefined : read.data?.understood;
  // Without a signal nobody can say what is understood: it is kept as it was said, and read when there is one.
  const unheard = read.problem?.status === null;
  const several = u?.choose ? u.targets : [];
  const targetId =
    several.find((t) => String(t.id) === target)?.id ?? (several.length > 0 ? null : (u?.targets[0]?.id ?? null));
  const keep = useFieldWrite(
    "/api/notes",
    () => ({
      body: { text, targetId, cautionsSeen: read.data?.cautions.map((c) => c.id) ?? [], at: null },
    }),
    () => text,
    () => setText(""),
  );
  const ready = unheard || (u && !read.waits && (several.length === 0 || targetId !== null));
  return (
    <Form
      onSend={() => {
        if (ready && !keep.isPending) keep.mutate(null);
      }}
    >
      <Field
        label="Say it in a few words"
        value={text}
        autoFocus
        onChange={(t) => {
          setText(t);
          keep.reset();
        }}
        wrong={text.trim().length > 1 ? read.problem?.of("text") : undefined}
        hint={text ? undefined : `for example: ${examples[new Date().getMinutes() % examples.length]}`}
      />
      {u && (
        <div aria-live="polite" className="border-l-8 border-river pl-4">
          <p className="text-ash">Understood:</p>
          <p className="figures font-head text-xl font-bold">{u.sentence}</p>
          {u.guessed.length > 0 && <p>▲ {u.guessed.join("; ")}</p>}
          {read.data?.minds.map((m) => (
            <p key={m}>▲ {m}</p>
          ))}
          <Mind cautions={read.data?.cautions ?? []} />
        </div>
      )}
      {several.length > 0 && (
        <div className="mt-3">
          <Choice
            label="Which one?"
            value={target}
            options={several.map((t) => ({ value: String(t.id), name: t.name }))}
            onChange={setTarget}
          />
        </div>
      )}
      {unheard && (
        <p className="text-lg text-straw">▲ No signal: it is kept on this device as you said it, and read later.</p>
      )}
      {keep.data === null && !text && (
        <p role="status" className="mt-3 text-lg text-straw">
          ▲ Kept on this device; sent when Mud Pie answers.
        </p>
      )}
      {keep.data && !text && (
        <p role="status" className="mt-3 text-lg">
          ✓ {keep.data.sentence}{" "}
          <Link to={keep.data.link} onClick={close} className="text-clay underline">
            see it
          </Link>
        </p>
      )}
      {keep.error && (
        <p role="alert" className="mt-3 font-medium text-plum">
          ✕{" "}
          {keep.error.fields[0]
            ? `${keep.error.fields[0].wrong} ${keep.error.fields[0].wayOut}`
            : `${keep.error.message} ${keep.error.detail}`}
        </p>
      )}
      <p className="mt-4 flex flex-wrap gap-3">
        <Button type="submit" kind="filled" disabled={!ready || keep.isPending}>
          {read.data && read.data.cautions.length > 0 ? "Read that; record it" : "Record it"}
        </Button>
        <Button onClick={close}>Close</Button>
      </p>
    </Form>
  );
}
