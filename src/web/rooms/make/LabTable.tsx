import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead, useWorkOut, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { Pick } from "../../parts/Pick";
import { WrongElse, WrongHere } from "../../parts/Wrong";

type Means = Schemas["ColumnMeans"];

const meanings: readonly { value: Means; name: string }[] = [
  { value: "skip", name: "leave it out" },
  { value: "what", name: "what was tested" },
  { value: "value", name: "how much" },
  { value: "unit", name: "in what" },
  { value: "method", name: "how it was got out" },
  { value: "labLow", name: "the lab’s band: from" },
  { value: "labHigh", name: "the lab’s band: to" },
  { value: "sample", name: "which sample" },
  { value: "age", name: "old or young leaves" },
  { value: "nutrient", name: "figures of one nutrient" },
];

interface Props {
  text: string;
  lab: string;
  onTake: (file: Schemas["LabFile"], lab: string) => void;
  onClose: () => void;
}

/** A lab's file: each column matched, and remembered for that lab; what it comes to is shown before anything is taken. */
export function LabTable({ text, lab: first, onTake, onClose }: Props) {
  const { labs } = useRead("/api/sheets", {});
  const [lab, setLab] = useState(first);
  const [columns, setColumns] = useState<Schemas["LabColumn"][] | null>(null);
  const [sample, setSample] = useState<string | null>(null);
  const read = useWorkOut("/api/sheets/table", { body: { text, lab, columns, sample } });
  const file = read.last?.value;
  const remember = useWrite(
    "/api/sheets/labs",
    () => ({ body: { name: lab, stray: null, columns: file?.columns ?? null } }),
    () => file && onTake(file, lab.trim()),
  );
  const shown = columns ?? file?.columns ?? [];
  const put = (i: number, part: Partial<Schemas["LabColumn"]>) =>
    setColumns(shown.map((c, j) => (j === i ? { ...c, ...part } : c)));
  return (
    <Form
      problem={[read.problem, remember.error]}
      label="A lab’s file"
      className="flex flex-col gap-3 border-l-4 border-river pl-4"
      onSend={() => file && (lab.trim() ? remember.mutate(null) : onTake(file, ""))}
    >
      <Field
        label="Whose file is it?"
        value={lab}
        onChange={setLab}
        name="lab"
        hint={
          labs.length > 0
            ? `its columns are remembered; known: ${labs.map((l) => l.name).join(", ")}`
            : "its columns are remembered"
        }
      />
      <WrongHere name="text" />
      <ul className="grid gap-x-4 wide:grid-cols-2">
        {shown.map((c, i) => (
          <li key={`${c.header}-${i}`} className="border-t border-line py-1">
            <Pick
              label={`“${c.header}” is`}
              value={c.means}
              options={meanings}
              onChange={(means) => put(i, { means })}
            />
            {c.means === "nutrient" && (
              <div className="grid grid-cols-2 gap-3">
                <Field label={`Of what, “${c.header}”`} value={c.of ?? ""} onChange={(of) => put(i, { of })} />
                <Field label={`In what, “${c.header}”`} value={c.unit ?? ""} onChange={(unit) => put(i, { unit })} />
              </div>
            )}
          </li>
        ))}
      </ul>
      <WrongHere name="columns" />
      {file && file.samples.length > 1 && (
        <Pick
          label="Which sample is it?"
          value={sample ?? file.sample ?? ""}
          options={file.samples.map((s) => ({ value: s, name: s }))}
          onChange={setSample}
        />
      )}
      {file && (
        <section aria-label="What would be taken" aria-live="polite">
          <h3 className="text-lg">
            {file.rows.length === 0 ? "Nothing of it is understood yet" : `${file.rows.length} lines would be taken`}
          </h3>
          <ul className="figures flex flex-wrap gap-x-5">
            {file.rows.map((row, i) => (
              <li key={i}>
                <b>{row.of}</b> {row.value} {row.unit}
                {row.age === "old" && ", old leaves"}
                <LabBand band={file.labBands.find((b) => b.of === row.of)} />
              </li>
            ))}
          </ul>
          {file.left.length > 0 && <p className="text-ash">Left out: {file.left.join(" · ")}</p>}
        </section>
      )}
      <p className="flex flex-wrap gap-3">
        <Button type="submit" kind="filled" disabled={!file || file.rows.length === 0 || remember.isPending}>
          Take these lines
        </Button>
        <Button kind="plain" onClick={onClose}>
          leave it
        </Button>
      </p>
      <WrongElse />
    </Form>
  );
}

function LabBand({ band }: { band: Schemas["BandAsked"] | undefined }) {
  return band ? (
    <span className="text-ash">
      {" "}
      (lab: {band.low} to {band.high})
    </span>
  ) : null;
}
