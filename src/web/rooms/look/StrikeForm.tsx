import { useState } from "react";
import type { Problem } from "../../api/problem";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { WrongElse } from "../../parts/Wrong";

interface Props {
  problem: Problem | null;
  hint: string;
  onStrike: (why: string) => void;
}

/** An entry is struck with a word why; it stays readable. */
export function StrikeForm({ problem, hint, onStrike }: Props) {
  const [why, setWhy] = useState("");
  return (
    <Form problem={problem} onSend={() => onStrike(why)} className="flex flex-wrap items-end gap-3">
      <div className="grow">
        <Field label="Why" value={why} onChange={setWhy} name="why" hint={hint} />
      </div>
      <Button type="submit" className="mb-7">
        Strike it
      </Button>
      <WrongElse />
    </Form>
  );
}
