import type { Schemas } from "../api/client";
import { useWorkOut, useWrite } from "../api/data";
import { Button } from "./Button";
import { Field } from "./Field";

interface Props {
  label: string;
  value: string;
  dimension: Schemas["Dimension"];
  onChange: (typed: string) => void;
  /** Called with the SI figure when the field is left, where it could be read. */
  onRead?: (si: number) => void;
  /** A kind of source: then a weight may be typed for a volume. */
  ofSource?: string;
  hint?: string;
  name?: string;
  wrong?: string;
  autoFocus?: boolean;
}

/** An amount typed as people say it; shows at once what was understood, and the spoons and jugs for it. */
export function AmountField({
  label,
  value,
  dimension,
  onChange,
  onRead,
  ofSource,
  hint,
  name,
  wrong,
  autoFocus,
}: Props) {
  const read = useWorkOut(
    "/api/amounts/read",
    value.trim() ? { body: { text: value, dimension, ofSource: ofSource ?? null } } : null,
  );
  const whose = useWrite("/api/holding/units", (units: Schemas["UnitSystem"]) => ({ body: { units } }));
  const asks = read.problem?.fields.some((f) => f.ask === "gallons");
  const amount = read.waits || read.problem ? undefined : (read.data?.value ?? undefined);
  const understood = amount && `= ${amount.shown}${amount.inTools ? ` · ${amount.inTools}` : ""}`;
  return (
    <>
      <Field
        label={label}
        value={value}
        autoFocus={autoFocus}
        onChange={onChange}
        onBlur={() => amount && onRead?.(amount.si)}
        name={name}
        wrong={wrong ?? read.problem?.of("text")}
        hint={understood || hint}
      />
      {asks && (
        <p
          className="flex flex-wrap items-center gap-x-3"
          role="group"
          aria-label="Whose gallons does this holding mean?"
        >
          On this holding a gallon, quart, pint or fl oz is
          <Button kind="plain" onClick={() => whose.mutate("metricUsGallons")}>
            US
          </Button>
          <Button kind="plain" onClick={() => whose.mutate("metricImperialGallons")}>
            imperial
          </Button>
        </p>
      )}
    </>
  );
}
