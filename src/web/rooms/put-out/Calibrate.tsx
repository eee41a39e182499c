import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useUnitWords } from "../../api/units";
import { useFieldWrite } from "../../parts/outbox";
import { Refusals } from "../../parts/Form";
import { useWrite } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Sum } from "../../parts/Sum";
import { WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

/** By a measured square, or by nozzle, speed and spacing; kept with its date. */
export function Calibrate({ sprayer }: { sprayer: Schemas["SprayerView"] }) {
  const clock = useClock();
  const [way, setWay] = useState<"square" | "nozzle">(sprayer.kind === "boom" ? "nozzle" : "square");
  const words = useUnitWords();
  const [r, setR] = useState<Record<string, string>>({ square: words.square5 });
  const body =
    way === "square"
      ? { used: r.used ?? "", square: r.square ?? "" }
      : { nozzle: r.nozzle ?? "", speed: r.speed ?? "", spacing: r.spacing ?? "" };
  const work = useWrite("/api/put-out/sprayers/calibrate/work-out", (b: typeof body) => ({ body: b }));
  const keep = useFieldWrite(
    "/api/put-out/sprayers/{id}/calibrate",
    (b: typeof body) => ({ params: { path: { id: sprayer.id } }, body: b }),
    () => `calibration of ${sprayer.name}`,
    () => setR({ square: words.square5 }),
  );
  const v = work.data?.value;
  const set = (k: string) => (t: string) => setR({ ...r, [k]: t });
  return (
    <Refusals problem={[work.error, keep.error]}>
      {" "}
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
                name="used"
              />
              <AmountField
                label="The square"
                dimension="area"
                value={r.square ?? ""}
                onChange={set("square")}
                name="square"
              />
            </>
          ) : (
            <>
              <AmountField
                label="One nozzle, caught for a minute"
                dimension="flow"
                value={r.nozzle ?? ""}
                onChange={set("nozzle")}
                name="nozzle"
              />
              <Field
                label="Speed, km/h"
                inputMode="decimal"
                value={r.speed ?? ""}
                onChange={set("speed")}
                name="speed"
                hint="walking is 4 to 5"
              />
              <AmountField
                label="Between nozzles"
                dimension="length"
                value={r.spacing ?? ""}
                onChange={set("spacing")}
                name="spacing"
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
        <WrongElse />
        <ul className="figures mt-2">
          {sprayer.calibrations.map((c) => (
            <li key={c.at} className="border-t border-line py-1">
              {clock.date(c.at)}: <b>{c.rateShown}</b>, {c.by}
            </li>
          ))}
        </ul>
      </section>
    </Refusals>
  );
}

/** A watering can by the clock. */
export function Can({ sprayer }: { sprayer: Schemas["SprayerView"] }) {
  const words = useUnitWords();
  const [r, setR] = useState({ can: sprayer.tankTyped, seconds: "", wanted: words.onBed });
  const work = useWrite("/api/put-out/can/work-out", (b: typeof r) => ({ body: b }));
  return (
    <Refusals problem={work.error}>
      {" "}
      <section aria-label="By the clock">
        <h2 className="text-xl">By the clock</h2>
        <div className="grid gap-x-4 sm:grid-cols-2">
          <AmountField
            label="The can holds"
            dimension="volume"
            value={r.can}
            onChange={(can) => setR({ ...r, can })}
            name="can"
          />
          <Field
            label="A full one runs out in, s"
            inputMode="decimal"
            value={r.seconds}
            onChange={(seconds) => setR({ ...r, seconds })}
            name="seconds"
          />
          <AmountField
            label="Wanted on the bed"
            dimension="volume"
            value={r.wanted}
            onChange={(wanted) => setR({ ...r, wanted })}
            name="wanted"
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
        <WrongElse />
      </section>
    </Refusals>
  );
}
