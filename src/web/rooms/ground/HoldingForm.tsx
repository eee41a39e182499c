import { useContext, useState } from "react";
import type { Schemas } from "../../api/client";
import { useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { PlaceFields } from "../../parts/PlaceFields";
import { WrongElse } from "../../parts/Wrong";
import { Holding } from "../../parts/clock";

type View = Schemas["HoldingView"];
type Units = NonNullable<Schemas["UnitSystem"]>;

const units: Record<Units, string> = {
  metric: "litres, metres, °C",
  usCustomary: "US gallons, feet, °F",
  metricUsGallons: "metric, and US gallons",
  metricImperialGallons: "metric, and imperial gallons",
};

const lies = (h: View) => (h.placeKnown ? `${h.latitude}, ${h.longitude}` : "");

/** The holding in a line: what it is called, where it lies, how it writes. */
export function HoldingLine({ open }: { open: () => void }) {
  const h = useContext(Holding)!;
  return (
    <p className="figures flex flex-wrap items-baseline gap-x-4">
      <b>{h.name}</b>
      {h.placeKnown ? <span>{lies(h)}</span> : <span className="text-straw">▲ the sun is off: place not said</span>}
      <span>{h.zone}</span>
      <span>
        {units[h.units as Units]}, {h.monthFirst ? "Jun 10" : "10 Jun"}, {h.hours12 ? "7:30 pm" : "19:30"}
        {h.currency && `, ${h.currency}`}
      </span>
      <Button kind="plain" onClick={open}>
        change the holding
      </Button>
    </p>
  );
}

/** Its name and place, and how it writes amounts, days, hours and money. */
export function HoldingForm({ done }: { done: () => void }) {
  const h = useContext(Holding)!;
  const [at, setAt] = useState({ name: h.name, place: lies(h), altitude: h.altitude ?? "", zone: h.zone });
  const [writes, setWrites] = useState({
    units: h.units,
    monthFirst: h.monthFirst ?? false,
    hours12: h.hours12 ?? false,
    currency: h.currency ?? "",
  });
  const place = useWrite("/api/holding/place", (body: typeof at) => ({ body }), done);
  const writing = useWrite("/api/holding/writing", (body: typeof writes) => ({ body }), done);
  return (
    <>
      <Form problem={writing.error} className="flex flex-col gap-3" onSend={() => writing.mutate(writes)}>
        <h2 className="text-2xl">How it writes</h2>
        <Choice
          label="Units"
          value={writes.units as Units}
          options={(Object.keys(units) as Units[]).map((u) => ({ value: u, name: units[u] }))}
          onChange={(u) => setWrites({ ...writes, units: u })}
        />
        <Choice
          label="Days"
          value={writes.monthFirst ? "month" : "day"}
          options={[
            { value: "day", name: "10 Jun 2026" },
            { value: "month", name: "Jun 10 2026" },
          ]}
          onChange={(v) => setWrites({ ...writes, monthFirst: v === "month" })}
        />
        <Choice
          label="Hours"
          value={writes.hours12 ? "12" : "24"}
          options={[
            { value: "24", name: "19:30" },
            { value: "12", name: "7:30 pm" },
          ]}
          onChange={(v) => setWrites({ ...writes, hours12: v === "12" })}
        />
        <Field
          label="Money is called"
          value={writes.currency}
          name="currency"
          hint="a sign or a word, as £ or crowns; empty for none"
          onChange={(v) => setWrites({ ...writes, currency: v })}
        />
        <WrongElse />
        <p className="flex gap-4">
          <Button type="submit" kind="filled" disabled={writing.isPending}>
            Write it so
          </Button>
          <Button onClick={done}>Leave it</Button>
        </p>
      </Form>
      <Form problem={place.error} className="flex flex-col gap-3" onSend={() => place.mutate(at)}>
        <h2 className="text-2xl">Name and place</h2>
        <Field label="Name" value={at.name} name="name" onChange={(v) => setAt({ ...at, name: v })} />
        <PlaceFields place={at.place} onPlace={(v) => setAt({ ...at, place: v })} />
        <Field
          label="Height above the sea"
          value={at.altitude}
          name="altitude"
          onChange={(v) => setAt({ ...at, altitude: v })}
        />
        <Field label="Your clock" value={at.zone} name="zone" onChange={(v) => setAt({ ...at, zone: v })} />
        <WrongElse />
        <p>
          <Button type="submit" kind="filled" disabled={place.isPending}>
            It lies there
          </Button>
        </p>
      </Form>
    </>
  );
}
