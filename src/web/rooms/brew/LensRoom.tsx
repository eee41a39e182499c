import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Form, Refusals } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Pick } from "../../parts/Pick";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Wrong, WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { emptyField, TallyPad } from "./TallyPad";
import { Through } from "./Through";
import { typed as number } from "../../api/typed";
import { useRead, useWorkOut } from "../../api/data";
import { useFieldWrite } from "../../parts/outbox";

const many = (n: number) =>
  n === 0 ? "0" : n >= 1000 ? Number(n.toPrecision(3)).toLocaleString("en") : n.toPrecision(3);

/** Under the microscope: a tally for eyes that stay at the lens, and what it comes to. */
export function LensRoom() {
  const [fields, setFields] = useState<Schemas["TallyField"][]>([emptyField()]);
  const [optics, setOptics] = useState({
    fieldNumberMm: "18",
    objective: "40",
    coverSlipMm2: "324",
    dropMl: "0.05",
    dilution: "1",
    bacteriaShare: "1",
    bacteriumUm3: "0.3",
  });
  const tally: Schemas["TallyQuestion"] = {
    ...Object.fromEntries(Object.entries(optics).map(([k, v]) => [k, number(v)])),
    fields,
  };
  const worked = useWorkOut("/api/brew/tally/work-out", { body: tally });
  const a = worked.data?.value;
  const optic = (key: keyof typeof optics, label: string, hint?: string) => (
    <Field
      key={key}
      label={label}
      inputMode="decimal"
      value={optics[key]}
      hint={hint}
      onChange={(v) => setOptics({ ...optics, [key]: v })}
      name={key}
    />
  );
  return (
    <Refusals problem={worked.problem}>
      {" "}
      <Room
        title="Under the microscope"
        under="Twenty fields is usual. Keep your eye at it: each key answers with a sound of its own."
        peek={a?.groups.every((g) => g.counted === 0) ? "Nothing counted yet" : a?.sentence}
        bench={
          <>
            <TallyPad fields={fields} onChange={setFields} />
            <details className="mt-4 border-y border-line py-2">
              <summary className="min-h-11 cursor-pointer py-2">
                <b>Looked through</b> {optics.objective}×, field number {optics.fieldNumberMm}, drop {optics.dropMl} mL,
                1 in {optics.dilution} <span className="text-clay underline">change</span>
              </summary>
              <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
                {optic("fieldNumberMm", "Field number, mm", "on the eyepiece")}
                {optic("objective", "Objective, ×")}
                {optic("coverSlipMm2", "Cover slip, mm²", "18 by 18 is 324")}
                {optic("dropMl", "Drop, mL")}
                {optic("dilution", "Thinned to 1 in")}
                {optic("bacteriaShare", "Share for bacteria", "0.1 counts a tenth of the field")}
                {optic("bacteriumUm3", "A bacterium, µm³", "0.3 unless sized")}
              </div>
            </details>
            <Through />
          </>
        }
        slate={
          <>
            <WrongElse />
            {a && worked.data && (
              <>
                <h2 className="text-2xl leading-tight">
                  {a.groups.every((g) => g.counted === 0) ? "Nothing counted yet." : a.sentence}
                </h2>
                <table className="figures w-full text-left">
                  <caption className="sr-only">Per mL, with 95 % intervals</caption>
                  <thead>
                    <tr>
                      <th scope="col">per mL</th>
                      <th scope="col">middle</th>
                      <th scope="col">95 %</th>
                    </tr>
                  </thead>
                  <tbody>
                    {a.groups.map((g) => (
                      <tr key={g.id} className="border-t border-line align-top">
                        <th scope="row" className="py-1.5 font-bold">
                          {g.name}
                          {g.clumped && <span className="font-normal text-straw"> clumped</span>}
                        </th>
                        <td className="py-1.5 pr-4">{many(g.perMl)}</td>
                        <td className="py-1.5">
                          {many(g.low95)} to {many(g.high95)}
                          <br />
                          <span className="text-ash">
                            {g.moreFieldsToHalve === null ? "none seen" : `${g.moreFieldsToHalve} more fields halve it`}
                            {g.withFive !== null && `; five would leave ± ${many(g.withFive)}`}
                          </span>
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
                <p className="figures">
                  Bacteria {a.bacteriaUgPerMl.toPrecision(3)} µg and fungi {a.fungiUgPerMl.toPrecision(3)} µg dry per
                  mL; {a.hyphaeMPerMl.toPrecision(3)} m of thread.
                </p>
                <Sum working={worked.data.working} sure={worked.data.sure} of="this tally" />
                <KeepTally tally={tally} kept={() => setFields([emptyField()])} />
              </>
            )}
            <Kept />
          </>
        }
      />
    </Refusals>
  );
}

const stages = [
  ["source", "the source"],
  ["extracted", "just extracted"],
  ["end", "at the end"],
  ["beforePump", "before the pump"],
  ["afterPump", "after the pump"],
  ["nozzle", "out of the nozzle"],
  ["soil", "in the soil"],
] as const;

function KeepTally({ tally, kept }: { tally: Schemas["TallyQuestion"]; kept: () => void }) {
  const batches = useRead("/api/brew/batches");
  const sources = useRead("/api/brew/sources");
  const [stage, setStage] = useState("extracted");
  const sprayers = useRead("/api/put-out/sprayers");
  const ground = useRead("/api/ground");
  const [of, setOf] = useState("");
  const [through, setThrough] = useState("");
  const machine = ["beforePump", "afterPump", "nozzle", "soil"].includes(stage);
  const keep = useFieldWrite(
    "/api/brew/tallies",
    (body: Schemas["TallyRequest"]) => ({ body }),
    () => "a count at the microscope",
    kept,
  );
  const options =
    stage === "source"
      ? (sources ?? []).map((s) => ({ id: s.id, name: `${s.name}${s.lot ? `, ${s.lot}` : ""}` }))
      : stage === "soil"
        ? ground.beds.map((b) => ({ id: b.id, name: b.name }))
        : (batches ?? []).slice(0, 12).map((b) => ({ id: b.id, name: `${b.vessel}: ${b.name}` }));
  const id = options.find((o) => String(o.id) === of)?.id ?? options[0]?.id ?? null;
  return (
    <Form
      problem={keep.error}
      className="flex flex-col gap-3 border-t-2 border-ink pt-3"
      onSend={() =>
        keep.mutate({
          tally,
          stage,
          batchId: stage === "source" || stage === "soil" ? null : id,
          inputId: stage === "source" ? id : null,
          bedId: stage === "soil" ? id : null,
          sprayerId: (machine && Number(through)) || null,
          at: null,
        })
      }
    >
      <Choice
        label="Counted"
        value={stage}
        options={stages.map(([value, name]) => ({ value, name }))}
        onChange={setStage}
      />
      <Pick
        label="Of"
        value={String(id ?? "")}
        options={options.map((o) => ({ value: String(o.id), name: o.name }))}
        onChange={setOf}
      />
      {machine && (
        <Pick
          label="Through which machine"
          value={through}
          options={[{ value: "", name: "not said" }, ...sprayers.map((s) => ({ value: String(s.id), name: s.name }))]}
          onChange={setThrough}
        />
      )}
      <Wrong problem={keep.error} />
      <Button type="submit" kind="filled" className="self-start" disabled={keep.isPending}>
        Keep this tally
      </Button>
    </Form>
  );
}

function Kept() {
  const clock = useClock();
  const all = useRead("/api/brew/tallies");
  const word = (stage: string) => stages.find(([s]) => s === stage)?.[1] ?? stage;
  return (
    <section aria-label="Tallies kept">
      {all.growth.map((g) => (
        <p key={g.of} className="font-bold">
          {g.sentence}
        </p>
      ))}
      <ul className="figures">
        {all.tallies.map((t) => (
          <li key={t.id} className="border-t border-line py-1.5">
            {clock.when(t.at)} <b>{t.of}</b>, {word(t.stage)}: {t.answer.value?.sentence}
          </li>
        ))}
      </ul>
    </section>
  );
}
