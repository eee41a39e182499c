import { useState } from "react";
import { client, type Schemas, useWrite } from "../../api/client";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Sum } from "../../parts/Sum";
import { Wrong } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

/** By a measured square, or by nozzle, speed and spacing; kept with its date. */
export function Calibrate({ sprayer }: { sprayer: Schemas["SprayerView"] }) {
  const clock = useClock();
  const [way, setWay] = useState<"square" | "nozzle">(sprayer.kind === "boom" ? "nozzle" : "square");
  const [r, setR] = useState<Record<string, string>>({ square: "25 m²" });
  const body =
    way === "square"
      ? { used: r.used ?? "", square: r.square ?? "" }
      : { nozzle: r.nozzle ?? "", speed: r.speed ?? "", spacing: r.spacing ?? "" };
  const work = useWrite((b: typeof body, headers) =>
    client.POST("/api/put-out/sprayers/calibrate/work-out", { body: b, headers }),
  );
  const keep = useWrite(
    (b: typeof body, headers) =>
      client.POST("/api/put-out/sprayers/{id}/calibrate", { params: { path: { id: sprayer.id } }, body: b, headers }),
    () => setR({ square: "25 m²" }),
  );
  const wrong = (f: string) => work.error?.of(f) ?? keep.error?.of(f);
  const v = work.data?.value;
  const set = (k: string) => (t: string) => setR({ ...r, [k]: t });
  return (
    <section aria-label="Calibration">
      <h2 className="text-xl">Calibration</h2>
      {sprayer.calibrationDue && (
        <p className={new Date(sprayer.calibrationDue) < new Date() ? "font-bold text-straw" : ""}>
          {new Date(sprayer.calibrationDue) < new Date() ? "▲ It has been due since " : "Due again on "}
          {clock.date(sprayer.calibrationDue)}.
        </p>
      )}
      <Choice
        label="Measured"
        value={way}
        options={[
          { value: "square", name: "by a square" },
          { value: "nozzle", name: "by a nozzle" },
        ]}
        onChange={setWay}
      />
      <div className="mt-2 grid gap-x-4 sm:grid-cols-2">
        {way === "square" ? (
          <>
            <AmountField
              label="Litres that refilled it"
              dimension="volume"
              value={r.used ?? ""}
              onChange={set("used")}
              wrong={wrong("used")}
            />
            <AmountField
              label="The square"
              dimension="area"
              value={r.square ?? ""}
              onChange={set("square")}
              wrong={wrong("square")}
            />
          </>
        ) : (
          <>
            <AmountField
              label="One nozzle, caught for a minute"
              dimension="flow"
              value={r.nozzle ?? ""}
              onChange={set("nozzle")}
              wrong={wrong("nozzle")}
            />
            <Field
              label="Speed, km/h"
              inputMode="decimal"
              value={r.speed ?? ""}
              onChange={set("speed")}
              wrong={wrong("speed")}
              hint="walking is 4 to 5"
            />
            <AmountField
              label="Between nozzles"
              dimension="length"
              value={r.spacing ?? ""}
              onChange={set("spacing")}
              wrong={wrong("spacing")}
            />
          </>
        )}
      </div>
      <p className="flex flex-wrap gap-3">
        <Button onClick={() => work.mutate(body)}>Work it out</Button>
        <Button kind="filled" disabled={keep.isPending} onClick={() => keep.mutate(body)}>
          Keep it
        </Button>
      </p>
      {v && work.data && (
        <div aria-live="polite">
          <p className="figures text-lg font-bold">{v.sentence}</p>
          <Sum working={work.data.working} sure={work.data.sure} of="this rate" />
        </div>
      )}
      {keep.data && <p role="status">✓ Kept with its date.</p>}
      <Wrong problem={work.error ?? keep.error} shown={["used", "square", "nozzle", "speed", "spacing"]} />
      <ul className="figures mt-2">
        {sprayer.calibrations.map((c) => (
          <li key={c.at} className="border-t border-line py-1">
            {clock.date(c.at)}: <b>{c.rateShown}</b>, {c.by}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A watering can by the clock. */
export function Can({ sprayer }: { sprayer: Schemas["SprayerView"] }) {
  const [r, setR] = useState({ can: sprayer.tankShown, seconds: "", wanted: "25 L" });
  const work = useWrite((b: typeof r, headers) => client.POST("/api/put-out/can/work-out", { body: b, headers }));
  return (
    <section aria-label="By the clock">
      <h2 className="text-xl">By the clock</h2>
      <div className="grid gap-x-4 sm:grid-cols-2">
        <AmountField
          label="The can holds"
          dimension="volume"
          value={r.can}
          onChange={(can) => setR({ ...r, can })}
          wrong={work.error?.of("can")}
        />
        <Field
          label="A full one runs out in, s"
          inputMode="decimal"
          value={r.seconds}
          onChange={(seconds) => setR({ ...r, seconds })}
          wrong={work.error?.of("seconds")}
        />
        <AmountField
          label="Wanted on the bed"
          dimension="volume"
          value={r.wanted}
          onChange={(wanted) => setR({ ...r, wanted })}
          wrong={work.error?.of("wanted")}
        />
        <Button className="self-center" onClick={() => work.mutate(r)}>
          Work it out
        </Button>
      </div>
      {work.data?.value && (
        <div aria-live="polite">
          <p className="figures text-lg font-bold">{work.data.value.sentence}</p>
          <Sum working={work.data.working} sure={work.data.sure} of="these seconds" />
        </div>
      )}
      <Wrong problem={work.error} shown={["can", "seconds", "wanted"]} />
    </section>
  );
}
