import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useFieldWrite } from "../../parts/outbox";
import { Form } from "../../parts/Form";
import { useUnitWords } from "../../api/units";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { WrongElse } from "../../parts/Wrong";

export type KitKind = "beds" | "waters" | "vessels" | "pumps" | "diffusers" | "inputs";

interface FormField {
  name: string;
  label: string;
  options?: { value: string; name: string }[];
  start?: string;
}

const one: Record<KitKind, string> = {
  beds: "bed",
  waters: "water",
  vessels: "vessel",
  pumps: "pump",
  diffusers: "diffuser",
  inputs: "thing on the shelf",
};

function fieldsOf(kind: KitKind, ground: Schemas["GroundView"], words: ReturnType<typeof useUnitWords>): FormField[] {
  const kinds = (list: Schemas["KindView"][]) => list.map((k) => ({ value: k.kind, name: k.name }));
  const plain = (values: string[]) => values.map((v) => ({ value: v, name: v }));
  switch (kind) {
    case "beds":
      return [
        { name: "name", label: "Name" },
        { name: "area", label: "Area (36 m², 1.4 ha, 400 sq ft)" },
        { name: "crop", label: "Crop" },
        { name: "growing", label: "It is", options: plain(["annual", "grass", "perennial", "tree"]), start: "annual" },
        { name: "soilPh", label: "Soil pH (leave empty if unknown)" },
      ];
    case "waters":
      return [
        { name: "name", label: "Name" },
        {
          name: "kind",
          label: "Kind",
          options: [
            ...plain(["mains", "rain", "well"]),
            { value: "ro", name: "reverse osmosis" },
            { value: "surface", name: "river, pond, ditch" },
          ],
          start: "mains",
        },
        { name: "strip", label: "A strip read now, mg/L (leave empty if none)" },
      ];
    case "vessels":
      return [
        { name: "name", label: "Name" },
        { name: "shape", label: "Shape", options: plain(["bucket", "barrel", "tank"]), start: "bucket" },
        { name: "total", label: "Holds, to the brim" },
        { name: "working", label: "Works with (leave empty for 85 %)" },
        { name: "depth", label: "Depth of the outlet under water" },
      ];
    case "pumps":
      return [
        { name: "name", label: "Name" },
        { name: "openFlow", label: "Open flow, on the box" },
        { name: "shutOff", label: "Greatest pressure, on the box" },
        { name: "battery", label: "Hours on its battery (leave empty on the mains)" },
      ];
    case "diffusers":
      return [
        { name: "name", label: "Name" },
        { name: "kind", label: "Kind", options: kinds(ground.diffuserKinds), start: "airStone" },
        { name: "loss", label: "Pressure it takes (leave empty for the usual)" },
      ];
    default:
      return [
        { name: "name", label: "Name" },
        {
          name: "kind",
          label: "Kind",
          options: kinds([...ground.sources, ...ground.foods, ...ground.clearers]),
          start: "compost",
        },
        { name: "lot", label: "Lot (if it has a mark)" },
        {
          name: "price",
          label: `Price of a ${words.volume}, or of a ${words.mass} of powder (leave empty if unknown)`,
        },
        { name: "unfitWhy", label: "Not to be used, because (leave empty if it is sound)" },
      ];
  }
}

/** What is said of it while it waits: "crop beetroot". */
const changed = (fields: FormField[], old: Record<string, unknown> | undefined, now: Record<string, unknown>) => {
  const differ = fields.filter((f) => f.name !== "name" && now[f.name] && now[f.name] !== old?.[f.name]);
  const says = differ.map((f) => `${f.label.replace(/ \(.*/, "").toLowerCase()} ${String(now[f.name])}`);
  return says.length > 0 ? [says.join(", ")] : [];
};

interface Props {
  kind: KitKind;
  old?: Record<string, unknown>;
  ground: Schemas["GroundView"];
  done: () => void;
}

/** New or changed ground and kit, as typed; what Mud Pie makes of it stands beside it once kept. */
export function KitForm({ kind, old, ground, done }: Props) {
  const fields = fieldsOf(kind, ground, useUnitWords());
  const [values, setValues] = useState<Record<string, unknown>>(
    old ?? Object.fromEntries(fields.map((f) => [f.name, f.start ?? ""])),
  );
  // One address of six, alike in all but what is asked for: the server says what is missing of each.
  const keep = useFieldWrite(
    `/api/ground/${kind}` as "/api/ground/waters",
    (body: Record<string, unknown>) => ({ body: { chloramine: false, ...body } as never }),
    (body) => [String(body.name ?? one[kind]), ...changed(fields, old, body)].join(": "),
    done,
  );
  return (
    <Form problem={keep.error} className="flex flex-col gap-3" onSend={() => keep.mutate(values)}>
      <h2 className="text-xl">{old ? `Change ${String(old.name)}` : `A new ${one[kind]}`}</h2>
      {fields.map((f) =>
        f.options ? (
          <Choice
            key={f.name}
            label={f.label}
            options={f.options}
            value={String(values[f.name] ?? "")}
            onChange={(v) => setValues({ ...values, [f.name]: v })}
            name={f.name}
          />
        ) : (
          <Field
            key={f.name}
            label={f.label}
            value={String(values[f.name] ?? "")}
            onChange={(v) => setValues({ ...values, [f.name]: v })}
            name={f.name}
          />
        ),
      )}
      {kind === "waters" && (
        <Choice
          label="Chloramine"
          value={values.chloramine ? "yes" : "no"}
          options={[
            { value: "no", name: "no, or not known" },
            { value: "yes", name: "may be in it" },
          ]}
          onChange={(v) => setValues({ ...values, chloramine: v === "yes" })}
        />
      )}
      <WrongElse />
      <p className="flex gap-4">
        <Button type="submit" kind="filled" disabled={keep.isPending}>
          Keep it
        </Button>
        <Button onClick={done}>Leave it</Button>
      </p>
    </Form>
  );
}
