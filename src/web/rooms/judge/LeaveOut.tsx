import { useState } from "react";
import type { Problem } from "../../api/problem";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { WrongElse } from "../../parts/Wrong";

/** A result is left out with a reason, and stays in sight. */
export function LeaveOut(props: { of: string; out: { error: Problem | null; mutate: (why: string) => void } }) {
  const [why, setWhy] = useState<string | null>(null);
  if (why === null)
    return (
      <Button kind="plain" onClick={() => setWhy("")} aria-label={`leave out: ${props.of}`}>
        leave out
      </Button>
    );
  return (
    <Form
      problem={props.out.error}
      className="flex w-full flex-wrap items-end gap-3"
      onSend={() => props.out.mutate(why)}
    >
      <Field label="Why does it not count?" value={why} onChange={setWhy} name="why" />
      <Button type="submit" className="mb-7">
        Leave it out
      </Button>
      <WrongElse />
    </Form>
  );
}
