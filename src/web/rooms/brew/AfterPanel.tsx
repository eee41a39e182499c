import { useEffect, useState } from "react";
import type { Schemas } from "../../api/client";
import { span } from "../../parts/clock";

const said = (m: number | null) => (m === null ? "two days and more" : span(m));

/** Once the pump stops: minutes to 6 and to 2, the battery pump, each school's rule, and a clock that runs. */
export function AfterPanel({ after, endsAt }: { after: Schemas["AfterAirAnswer"]; endsAt: Date | null }) {
  return (
    <section aria-label="After the pump stops">
      <h2 className="text-xl">{endsAt ? "The air is off" : "If the pump stops now"}</h2>
      {endsAt && <Countdown to={endsAt} />}
      <p>{after.sentence}</p>
      <dl className="figures">
        {(
          [
            ["to 6 mg/L", said(after.minutesTo6)],
            ["to 2 mg/L", said(after.minutesTo2)],
            ["it uses", `${after.useMgPerLPerH.toFixed(1)} mg/L per h`],
            ...(after.withBatteryTo6 !== null || after.batteryHolds
              ? [["with the battery pump", after.batteryHolds ? "holds while it lasts" : said(after.withBatteryTo6)]]
              : []),
          ] as [string, string][]
        ).map(([what, value]) => (
          <div key={what} className="flex justify-between border-t border-line py-1.5">
            <dt>{what}</dt>
            <dd className="font-bold">{value}</dd>
          </div>
        ))}
      </dl>
      <ul>
        {after.rules.map((r) => (
          <li key={r.id} className="border-t border-line py-1.5">
            <b>
              {r.id === "oxygen" ? "● " : "○ "}
              {r.name}
            </b>
            : {r.says}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Countdown({ to }: { to: Date }) {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, []);
  const left = Math.max(0, Math.floor((to.getTime() - now) / 1000));
  const two = (n: number) => String(n).padStart(2, "0");
  return (
    <p role="timer" className={`figures font-head text-4xl font-bold ${left < 1800 ? "text-plum" : "text-straw"}`}>
      {Math.floor(left / 3600)}:{two(Math.floor(left / 60) % 60)}:{two(left % 60)}
      <span className="ml-2 text-base">{left === 0 ? "the hold is over" : "left"}</span>
    </p>
  );
}
