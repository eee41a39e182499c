import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { DayField } from "../../parts/DayField";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { Pick } from "../../parts/Pick";
import { WrongElse } from "../../parts/Wrong";
import { eatenHow } from "../book/WaitsPanel";
import { PlantingLink } from "./PlantingsRoom";

const growings = ["annual", "grass", "perennial", "tree"];

/** A bed's plantings: what stood when, how it is eaten; each leads to what hangs on it. */
export function PlantingForm({ bed }: { bed: Schemas["PlantedBed"] }) {
  const clock = useClock();
  return (
    <section>
      <h2 className="text-xl">Plantings of {bed.bed}</h2>
      <ul>
        {bed.plantings.toReversed().map((p) => (
          <li key={p.id} className="border-t border-line py-1">
            <b>
              <PlantingLink id={p.id}>
                {p.crop}
                {p.variety && `, ${p.variety}`}
              </PlantingLink>
            </b>{" "}
            <span className="text-ash">
              {p.from ? `since ${clock.date(p.from)}` : "since before it was written down"}
              {p.to && `, until ${clock.date(p.to)}`}
            </span>
            <Fold line="change it">
              <One key={p.version} bed={bed} p={p} />
            </Fold>
          </li>
        ))}
      </ul>
      <Fold line="Write down an earlier one">
        <One bed={bed} p={null} />
      </Fold>
    </section>
  );
}

function One({ bed, p }: { bed: Schemas["PlantedBed"]; p: Schemas["PlantingView"] | null }) {
  const clock = useClock();
  const day = (at: string | null | undefined) => (at ? clock.toField(new Date(at)).slice(0, 10) : "");
  const [crop, setCrop] = useState(p?.crop ?? "");
  const [variety, setVariety] = useState(p?.variety ?? "");
  const [from, setFrom] = useState(day(p?.from));
  const [to, setTo] = useState(day(p?.to));
  const [growing, setGrowing] = useState(p?.growing ?? "annual");
  const [eaten, setEaten] = useState<Schemas["Eaten"]>(p?.eaten ?? "touches");
  const at = (d: string, was: string | null | undefined) =>
    d === "" ? null : d === day(was) ? (was ?? null) : (clock.fromField(`${d}T12:00`)?.toISOString() ?? d);
  const keep = useWrite("/api/look/plantings", () => ({
    body: {
      id: p?.id ?? null,
      version: p?.version ?? null,
      bedId: bed.bedId,
      crop,
      variety: variety || null,
      from: at(from, p?.from),
      to: at(to, p?.to),
      growing,
      eaten,
    },
  }));
  return (
    <Form
      problem={keep.error}
      label={p ? `Change ${p.crop}` : "An earlier planting"}
      onSend={() => keep.mutate(null)}
      className="grid items-start gap-x-4 sm:grid-cols-2"
    >
      <Field label="Crop" value={crop} onChange={setCrop} name="crop" />
      <Field label="Variety" value={variety} onChange={setVariety} name="variety" />
      <DayField label="Since" value={from} onChange={setFrom} name="from" hint="empty: not known" />
      <DayField label="Until" value={to} onChange={setTo} name="to" hint="empty: it stands" />
      <Pick
        label="It is"
        value={growing}
        options={growings.map((value) => ({ value, name: value }))}
        onChange={setGrowing}
      />
      <Pick label="Eaten" value={eaten} options={eatenHow} onChange={setEaten} />
      <div className="sm:col-span-2">
        <Button type="submit" disabled={keep.isPending}>
          Keep it so
        </Button>
        <WrongElse />
      </div>
    </Form>
  );
}
