import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { Pick } from "../../parts/Pick";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { LabTable } from "./LabTable";
import { methods, ofPlant } from "./SheetParts";

interface Props {
  r: Schemas["SheetAsked"];
  set: (part: Partial<Schemas["SheetAsked"]>) => void;
}

/** The sheet's own lines: pasted or typed. */
export function SheetRows({ r, set }: Props) {
  const [text, setText] = useState("");
  const [table, setTable] = useState<string | null>(null);
  const plant = ofPlant(r.for);
  const rows = r.rows ?? [];
  const read = useWrite(
    "/api/sheets/read",
    () => ({ body: { text, for: r.for ?? null } }),
    (pasted) => {
      set({ rows: [...rows, ...pasted.value!.rows].slice(0, 60) });
      setText("");
    },
  );
  return (
    <>
      {read.data && read.data.value!.left.length > 0 && (
        <p className="py-1 text-ash">Left out, as nothing here knows it: {read.data.value!.left.join(" · ")}</p>
      )}
      <Fold
        key={rows.length === 0 ? "none" : "some"}
        line={rows.length === 0 ? "The result: paste it or type it" : `The sheet’s ${rows.length} lines`}
        open={rows.length === 0}
      >
        <Form
          problem={read.error}
          onSend={() => read.mutate(null)}
          className="flex flex-col gap-2"
          label="Paste the sheet"
        >
          <label className="block">
            Paste it: what, how much, in what
            <textarea
              className="mt-1 block h-28 w-full border-b-2 border-line bg-paper p-2 text-lg"
              value={text}
              onChange={(e) => setText(e.target.value)}
              placeholder={
                plant ? "N 3.2 %\nZn 14 ppm\nold leaves\nK 2100 ppm" : "P 18 ppm\nK; 0.31; meq/100 g\nZn < 0.5 mg/kg"
              }
            />
          </label>
          <WrongHere name="text" />
          <p className="flex flex-wrap items-center gap-4">
            <Button type="submit" disabled={read.isPending || text.trim() === ""}>
              Read it
            </Button>
            <label className="inline-flex min-h-12 cursor-pointer items-center text-clay underline underline-offset-4">
              take it from a lab’s file (CSV)
              <input
                type="file"
                accept=".csv,.tsv,.txt,text/csv,text/plain"
                className="sr-only"
                onChange={async (e) => {
                  const file = e.target.files?.[0];
                  if (file) setTable(await file.text());
                  e.target.value = "";
                }}
              />
            </label>
            {text.trim().includes("\n") && (
              <Button kind="plain" onClick={() => setTable(text)}>
                it has columns: match them
              </Button>
            )}
          </p>
          <WrongElse />
        </Form>
        {table !== null && (
          <LabTable
            key={table}
            text={table}
            lab={r.lab ?? ""}
            onTake={(file, lab) => {
              set({
                rows: [...rows, ...file.rows].slice(0, 60),
                labBands: [
                  ...(r.labBands ?? []).filter((b) => !file.labBands.some((n) => n.of === b.of)),
                  ...file.labBands,
                ],
                lab: lab || r.lab,
              });
              setTable(null);
              setText("");
            }}
            onClose={() => setTable(null)}
          />
        )}
        {rows.map((row, i) => (
          <div key={i}>
            <div className="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2">
              <Field
                label={i === 0 ? "What" : `What, line ${i + 1}`}
                value={row.of ?? ""}
                onChange={(of) => set({ rows: rows.with(i, { ...row, of }) })}
                name={`rows[${i}].of`}
              />
              <Field
                label={i === 0 ? "How much" : `How much, line ${i + 1}`}
                value={row.value ?? ""}
                onChange={(value) => set({ rows: rows.with(i, { ...row, value }) })}
                name={`rows[${i}].value`}
              />
              <Field
                label={i === 0 ? "Unit" : `Unit, line ${i + 1}`}
                value={row.unit ?? ""}
                onChange={(unit) => set({ rows: rows.with(i, { ...row, unit }) })}
                name={`rows[${i}].unit`}
              />
              <Button
                kind="plain"
                aria-label={`Take line ${i + 1} out`}
                onClick={() => set({ rows: rows.toSpliced(i, 1) })}
              >
                ✕
              </Button>
            </div>
            {plant ? (
              <Pick
                label={`Line ${i + 1}: of which leaves`}
                value={row.age ?? "young"}
                options={[
                  { value: "young", name: "youngest fully opened" },
                  { value: "old", name: "old ones" },
                ]}
                onChange={(age) => set({ rows: rows.with(i, { ...row, age: age as Schemas["LeafAge"] }) })}
              />
            ) : (
              <Pick
                label={`Line ${i + 1} was got out by`}
                value={row.method ?? "same"}
                options={[{ value: "same", name: "the sheet’s way" }, ...methods]}
                onChange={(m) =>
                  set({ rows: rows.with(i, { ...row, method: m === "same" ? null : (m as Schemas["Extraction"]) }) })
                }
              />
            )}
            <WrongHere name={`rows[${i}].method`} />
          </div>
        ))}
        <Button
          kind="plain"
          className="self-start"
          onClick={() =>
            set({
              rows: [
                ...rows,
                {
                  of: "",
                  value: "",
                  unit: r.for === "sap" ? "mg/L" : r.for === "leaf" ? "%" : "mg/kg",
                  method: null,
                  age: null,
                },
              ],
            })
          }
        >
          one more line
        </Button>
        <WrongHere name="rows" />
      </Fold>
    </>
  );
}
