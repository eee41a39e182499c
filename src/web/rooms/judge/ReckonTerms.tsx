import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { WrongElse } from "../../parts/Wrong";

type Terms = Schemas["TermsView"];

/** Usual minutes and prices, said once for the whole reckoning. */
export function ReckonTerms({ terms: t }: { terms: Terms }) {
  const [hourly, setHourly] = useState(t.hourly);
  const [water, setWater] = useState(t.water);
  const [trip, setTrip] = useState(t.trip);
  const [hours, setHours] = useState(t.hoursAWeek);
  const [crops, setCrops] = useState<Record<string, string>>(Object.fromEntries(t.crops.map((c) => [c.crop, c.price])));
  const [minutes, setMinutes] = useState<Record<string, string>>(
    Object.fromEntries(t.steps.filter((s) => s.own).map((s) => [s.id, String(s.minutes)])),
  );
  const keep = useWrite("/api/judge/reckoning/terms", () => ({
    body: { change: t.change, hourly, water, trip, hoursAWeek: hours, crops, minutes },
  }));
  const groups = [...new Set(t.steps.map((s) => s.of))];
  return (
    <Fold
      line={t.hourly === "" ? "Say what an hour of yours is worth, and prices" : "Prices, usual minutes, your hour"}
    >
      <Form problem={keep.error} onSend={() => keep.mutate(null)} label="Prices and usual minutes">
        <div className="grid grid-cols-2 gap-x-4">
          <Field label="An hour of yours" name="hourly" value={hourly} onChange={setHourly} hint="empty: not counted" />
          <Field label="Hours a week there are" name="hoursAWeek" value={hours} onChange={setHours} />
          <Field
            label={`Water, a ${t.waterBy}`}
            name="water"
            value={water}
            onChange={setWater}
            hint="empty: not counted"
          />
          <Field label="Driving, a job" name="trip" value={trip} onChange={setTrip} hint="empty: not counted" />
        </div>
        <h4 className="font-bold">What a {t.pricedBy} sells for</h4>
        <div className="grid grid-cols-2 gap-x-4 wide:grid-cols-3">
          {t.crops.map((c) => (
            <Field
              key={c.crop}
              label={c.crop}
              name={`crops.${c.crop}`}
              value={crops[c.crop] ?? ""}
              onChange={(v) => setCrops({ ...crops, [c.crop]: v })}
              hint={(crops[c.crop] ?? "") === "" ? "no price" : undefined}
            />
          ))}
        </div>
        <h4 className="font-bold">Minutes that a step usually takes, where nobody wrote them down</h4>
        {groups.map((g) => (
          <Fold key={g} line={g}>
            <div className="grid grid-cols-2 gap-x-4">
              {t.steps
                .filter((s) => s.of === g)
                .map((s) => (
                  <Field
                    key={s.id}
                    label={s.name}
                    name={`minutes.${s.id}`}
                    value={minutes[s.id] ?? ""}
                    onChange={(v) => setMinutes({ ...minutes, [s.id]: v })}
                    hint={`usually ${s.house} min`}
                  />
                ))}
            </div>
          </Fold>
        ))}
        <p className="mt-2">
          <Button type="submit" disabled={keep.isPending}>
            Keep these
          </Button>
        </p>
        <WrongElse />
      </Form>
    </Fold>
  );
}
