import { useQuery } from "@tanstack/react-query";
import { client, must, type Problem, type Schemas, useWrite } from "../api/client";
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
  wrong?: string;
  autoFocus?: boolean;
}

/** An amount typed as people say it; shows at once what was understood, and the spoons and jugs for it. */
export function AmountField({ label, value, dimension, onChange, onRead, ofSource, hint, wrong, autoFocus }: Props) {
  const read = useQuery<Schemas["Amount"], Problem>({
    queryKey: ["amount", dimension, ofSource, value],
    queryFn: async () =>
      (await must(client.POST("/api/amounts/read", { body: { text: value, dimension, ofSource } }))).value!,
    enabled: value.trim().length > 0,
    retry: false,
    refetchInterval: false,
    staleTime: Infinity,
  });
  const whose = useWrite((units: Schemas["UnitSystem"], headers) =>
    client.POST("/api/holding/units", { body: { units }, headers }),
  );
  const asks = value.trim() && read.error?.fields.some((f) => f.ask === "gallons");
  const understood = read.data && `= ${read.data.shown}${read.data.inTools ? ` · ${read.data.inTools}` : ""}`;
  return (
    <>
      <Field
        label={label}
        value={value}
        autoFocus={autoFocus}
        onChange={onChange}
        onBlur={() => read.data && onRead?.(read.data.si)}
        wrong={wrong ?? (value.trim() && read.error ? read.error.of("text") : undefined)}
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
