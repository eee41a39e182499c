import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWorkOut, useWrite } from "../../api/data";
import { asFile } from "../../api/files";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Tick } from "../../parts/Tick";
import { Wrong, WrongElse } from "../../parts/Wrong";

/** A trial from a file: the zip that Mud Pie gives out, or any tidy table with its columns named. */
export function BringTrial({ done }: { done: (id: number) => void }) {
  const [csv, setCsv] = useState<string | null>(null);
  const zip = useWrite(
    "/api/judge/trials/file",
    (file: File) => asFile(file, "application/zip"),
    (kept) => done(kept.id),
  );
  return (
    <section className="mt-3 border-l-4 border-clay pl-4" aria-label="Bring a trial">
      <label className="block">
        A trial’s zip, or a table as CSV (a header, a row a plot, NA where nothing was measured)
        <input
          type="file"
          accept=".zip,.csv,text/csv,application/zip"
          className="mt-1 block min-h-12"
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (!file) return;
            if (file.name.toLowerCase().endsWith(".zip")) {
              setCsv(null);
              zip.mutate(file);
            } else void file.text().then(setCsv);
          }}
        />
      </label>
      <Wrong problem={zip.error} />
      {csv !== null && <Columns key={csv} csv={csv} done={done} />}
    </section>
  );
}

/** The columns of a table, named by the grower. */
function Columns({ csv, done }: { csv: string; done: (id: number) => void }) {
  const look = useWorkOut("/api/judge/trials/csv/preview", { body: { csv } });
  const [r, setR] = useState<Schemas["CsvTrialRequest"]>({
    csv,
    question: "",
    crop: "",
    season: "",
    design: "blocks",
    responses: [],
    factors: [],
    block: null,
    wholePlot: null,
    control: null,
    outOf: null,
    unit: "",
    worthHaving: null,
    lowerIsBetter: false,
    byLot: true,
    blind: false,
  });
  const keep = useWrite(
    "/api/judge/trials/csv",
    (body: Schemas["CsvTrialRequest"]) => ({ body }),
    (kept) => done(kept.id),
  );
  if (!look.data) return <Wrong problem={look.problem} />;
  const columns = look.data.columns;
  const toggle = (list: string[], name: string) =>
    list.includes(name) ? list.filter((x) => x !== name) : [...list, name];
  const one = (label: string, key: "block" | "wholePlot" | "outOf") => (
    <Pick
      label={label}
      value={r[key] ?? ""}
      options={[{ value: "", name: "none" }, ...columns.map((c) => ({ value: c.name, name: c.name }))]}
      onChange={(v) => setR({ ...r, [key]: v || null })}
    />
  );
  const levels = columns.find((c) => c.name === r.factors?.[0])?.levels ?? [];
  return (
    <Form problem={keep.error} className="mt-3 flex flex-col gap-3" onSend={() => keep.mutate(r)}>
      <p className="font-bold">
        {look.data.rows} rows, {columns.length} columns
      </p>
      <fieldset>
        <legend className="font-medium">Measured (the first is the main one)</legend>
        {columns
          .filter((c) => c.figures)
          .map((c) => (
            <Tick
              key={c.name}
              on={r.responses?.includes(c.name) ?? false}
              onToggle={() => setR({ ...r, responses: toggle(r.responses ?? [], c.name) })}
              label={c.name}
              under={c.missing > 0 ? `${c.missing} missing` : undefined}
            />
          ))}
      </fieldset>
      <fieldset>
        <legend className="font-medium">What was done</legend>
        {columns.map((c) => (
          <Tick
            key={c.name}
            on={r.factors?.includes(c.name) ?? false}
            onToggle={() => setR({ ...r, factors: toggle(r.factors ?? [], c.name), control: null })}
            label={c.name}
            under={c.levels.slice(0, 5).join(", ")}
          />
        ))}
      </fieldset>
      <Pick
        label="Design"
        value={r.design ?? "blocks"}
        options={(["random", "blocks", "factorial", "split-plot", "paired"] as const).map((v) => ({
          value: v,
          name: v,
        }))}
        onChange={(design) => setR({ ...r, design })}
      />
      <div className="grid gap-x-4 sm:grid-cols-2">
        {one("Block, or pair", "block")}
        {one("Whole plot", "wholePlot")}
        {one("Out of (counts)", "outOf")}
        {r.factors?.length === 1 && (
          <Pick
            label="Control"
            value={r.control ?? ""}
            options={[{ value: "", name: "the first" }, ...levels.map((l) => ({ value: l, name: l }))]}
            onChange={(v) => setR({ ...r, control: v || null })}
          />
        )}
        <Field
          label="The question"
          value={r.question ?? ""}
          onChange={(question) => setR({ ...r, question })}
          name="question"
        />
        <Field label="Crop" value={r.crop ?? ""} onChange={(crop) => setR({ ...r, crop })} />
        <Field label="Unit" value={r.unit ?? ""} onChange={(unit) => setR({ ...r, unit })} />
      </div>
      <Tick on={r.byLot ?? true} onToggle={() => setR({ ...r, byLot: !r.byLot })} label="It was laid out by lot" />
      <Tick on={r.blind ?? false} onToggle={() => setR({ ...r, blind: !r.blind })} label="It was measured blind" />
      <WrongElse />
      <Button type="submit" kind="filled" className="self-start">
        Bring it in
      </Button>
    </Form>
  );
}
