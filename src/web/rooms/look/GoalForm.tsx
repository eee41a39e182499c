import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { DayField } from "../../parts/DayField";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { Pick } from "../../parts/Pick";
import { WrongElse, WrongHere } from "../../parts/Wrong";

interface Props {
  data: Schemas["GoalsView"];
  ground: Schemas["GroundView"];
  goal: Schemas["GoalView"] | null;
  onKept: (id: number) => void;
}

/** A goal: its measure, where, where it was and where it is to be, what counts as met and what follows if it is missed. */
export function GoalForm({ data, ground, goal: g, onKept }: Props) {
  const [r, setR] = useState({
    name: g?.name ?? "",
    measure: g?.measure ?? ("boughtNitrogen" as Schemas["GoalMeasure"]),
    check: g?.check ?? ("worms" as Schemas["CheckKind"]),
    inputId: g?.inputId ?? ground.inputs[0]?.id ?? null,
    bedId: g?.bedId ?? null,
    baselineOn: g?.baseline.on ?? "",
    baseline: g ? String(g.baseline.value) : "",
    baselineFrom: g?.baselineFrom ?? "",
    targetOn: g?.target.on ?? "",
    target: g ? String(g.target.value) : "",
    met: g?.met ?? "",
    ifMissed: g?.ifMissed ?? "",
  });
  const keep = useWrite(
    "/api/look/goals",
    () => ({
      body: {
        id: g?.id ?? null,
        version: g?.version ?? null,
        ...r,
        check: r.measure === "check" ? r.check : null,
        inputId: r.measure === "uses" ? r.inputId : null,
        baselineOn: r.baselineOn || null,
        targetOn: r.targetOn || null,
        baselineFrom: r.baselineFrom || null,
        met: r.met || null,
        ifMissed: r.ifMissed || null,
      },
    }),
    ({ id }) => onKept(id),
  );
  const end = useWrite("/api/look/goals/{id}/end", () => ({ params: { path: { id: g?.id ?? 0 } } }));
  const set = (part: Partial<typeof r>) => {
    keep.reset();
    setR({ ...r, ...part });
  };
  const unit = data.measures.find((m) => m.measure === r.measure)?.unit;
  return (
    <Form
      problem={keep.error ?? end.error}
      label={g ? `Change ${g.name}` : "A new goal"}
      onSend={() => keep.mutate(null)}
      className="grid items-start gap-x-4 sm:grid-cols-2"
    >
      <Field
        label="What you call it"
        value={r.name}
        onChange={(name) => set({ name })}
        name="name"
        hint="softer ground"
      />
      <Pick
        label="Measured by"
        value={r.measure ?? ""}
        options={data.measures.map((m) => ({ value: m.measure ?? "", name: m.name }))}
        onChange={(v) => set({ measure: v as Schemas["GoalMeasure"] })}
      />
      {r.measure === "check" && (
        <Pick
          label="Which check"
          value={r.check ?? ""}
          options={data.checks.map((c) => ({ value: c.kind ?? "", name: c.measured }))}
          onChange={(v) => set({ check: v as Schemas["CheckKind"] })}
        />
      )}
      {r.measure === "uses" && (
        <Pick
          label="Of what"
          value={String(r.inputId ?? "")}
          options={ground.inputs.map((i) => ({ value: String(i.id), name: i.name }))}
          onChange={(v) => set({ inputId: Number(v) })}
        />
      )}
      <Pick
        label="Where"
        value={String(r.bedId ?? "")}
        options={[
          { value: "", name: "the whole holding" },
          ...ground.beds.map((b) => ({ value: String(b.id), name: b.name })),
        ]}
        onChange={(v) => set({ bedId: Number(v) || null })}
      />
      <WrongHere name="bedId" />
      <Field
        label={`It was${unit ? `, ${unit}` : ""}`}
        inputMode="decimal"
        value={r.baseline}
        onChange={(baseline) => set({ baseline })}
        name="baseline"
        hint="before you began"
      />
      <DayField label="On" value={r.baselineOn} onChange={(baselineOn) => set({ baselineOn })} name="baselineOn" />
      <Field
        label={`It is to be${unit ? `, ${unit}` : ""}`}
        inputMode="decimal"
        value={r.target}
        onChange={(target) => set({ target })}
        name="target"
      />
      <DayField label="By" value={r.targetOn} onChange={(targetOn) => set({ targetOn })} name="targetOn" />
      <Field
        label="Where the first figure is from"
        value={r.baselineFrom}
        onChange={(baselineFrom) => set({ baselineFrom })}
        name="baselineFrom"
        hint="an old notebook"
      />
      <Field label="Met when" value={r.met} onChange={(met) => set({ met })} name="met" hint="three visits above 11" />
      <Field
        label="If it is missed"
        value={r.ifMissed}
        onChange={(ifMissed) => set({ ifMissed })}
        name="ifMissed"
        hint="what follows"
      />
      <p className="flex flex-wrap gap-3 sm:col-span-2">
        <Button type="submit" kind="filled" disabled={keep.isPending}>
          {g ? "Keep it so" : "Set this goal"}
        </Button>
        {g && (
          <Button kind="plain" onClick={() => end.mutate(null)}>
            let it go
          </Button>
        )}
      </p>
      <div className="sm:col-span-2">
        <WrongElse />
      </div>
    </Form>
  );
}
