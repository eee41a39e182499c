import { useState } from "react";
import { Button } from "./Button";
import { MomentField } from "./DayField";
import { useClock } from "./clock";

interface Props {
  /** The moment in ISO form, or null for now. */
  onChange: (at: string | null) => void;
  name?: string;
}

/** Now, unless it was at another time. */
export function WhenField({ onChange, name = "at" }: Props) {
  const clock = useClock();
  const [typed, setTyped] = useState<string | null>(null);
  if (typed === null) {
    return (
      <Button kind="plain" onClick={() => setTyped(clock.toField(new Date()))}>
        it was at another time than now
      </Button>
    );
  }
  return (
    <div className="flex flex-wrap items-start gap-3">
      <MomentField
        label="It was at"
        value={typed}
        name={name}
        onChange={(v) => {
          setTyped(v);
          onChange(clock.fromField(v)?.toISOString() ?? (v || null));
        }}
      />
      <Button
        kind="plain"
        className="mt-6"
        onClick={() => {
          setTyped(null);
          onChange(null);
        }}
      >
        no, now
      </Button>
    </div>
  );
}
