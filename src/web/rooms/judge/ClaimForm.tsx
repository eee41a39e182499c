import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { Pick } from "../../parts/Pick";
import { Tick } from "../../parts/Tick";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { grades, uses } from "./claimWords";

const lines = [
  { field: "claim", name: "The claim, in one sentence" },
  { field: "saying", name: "Who says so (a school, no person)" },
  { field: "fits", name: "For which crops and soils" },
  { field: "size", name: "How large the effect is" },
  { field: "limits", name: "Its limits" },
  { field: "mindChange", name: "What would change your mind" },
  { field: "nextTest", name: "The cheapest next test" },
] as const;

/** A card, written or changed. */
export function ClaimForm({ claim, done }: { claim: Schemas["ClaimView"] | null; done: () => void }) {
  const [r, setR] = useState<Schemas["ClaimAsked"]>(() =>
    claim
      ? { ...claim.card, words: (claim.card.words ?? []).join(", ") }
      : { uses: [], grade: "contested", toward: "good", claim: "", words: "" },
  );
  const keep = useWrite(
    "/api/judge/claims",
    () => ({ body: { key: claim?.card.key ?? null, change: claim?.change ?? null, asked: r } }),
    done,
  );
  const chosen = r.uses ?? [];
  return (
    <Form problem={keep.error} onSend={() => keep.mutate(null)} label="A claim" className="flex flex-col gap-3">
      <h2 className="text-2xl">{claim ? "Change the card" : "Write a claim down"}</h2>
      {lines.map((l) => (
        <Field
          key={l.field}
          label={l.name}
          value={r[l.field] ?? ""}
          onChange={(text) => setR({ ...r, [l.field]: text })}
          name={l.field}
        />
      ))}
      <fieldset>
        <legend>For which uses</legend>
        {uses.map((u) => (
          <Tick
            key={u.value}
            label={u.name}
            on={chosen.includes(u.value)}
            onToggle={() =>
              setR({
                ...r,
                uses: chosen.includes(u.value) ? chosen.filter((x) => x !== u.value) : [...chosen, u.value],
              })
            }
          />
        ))}
        <WrongHere name="uses" />
      </fieldset>
      <Pick
        label="How sure"
        value={r.grade ?? "contested"}
        options={grades}
        onChange={(grade) => setR({ ...r, grade })}
      />
      <WrongHere name="grade" />
      <Pick
        label="It says that the thing"
        value={r.toward ?? "good"}
        options={[
          { value: "good", name: "does good" },
          { value: "harm", name: "does harm" },
          { value: "nothing", name: "makes no difference" },
        ]}
        onChange={(toward) => setR({ ...r, toward })}
      />
      <Field
        label="Words that name it in trials here"
        value={r.words ?? ""}
        onChange={(words) => setR({ ...r, words })}
        name="words"
        hint="seaweed, kelp; char+wilt: the question may name one; seaweed & kelp: both given"
      />
      <p className="flex flex-wrap gap-3">
        <Button type="submit" kind="filled" disabled={keep.isPending}>
          Keep the card
        </Button>
        <Button kind="plain" onClick={done}>
          leave it
        </Button>
      </p>
      <WrongElse />
    </Form>
  );
}
