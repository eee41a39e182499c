import { useContext, useState } from "react";
import { Link, useNavigate } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useReadIf, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Mind } from "../../parts/Mind";
import { RacePanel } from "../../parts/RacePanel";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Short, Verdict } from "../../parts/Verdict";
import { Wrong } from "../../parts/Wrong";
import { Holding, useClock } from "../../parts/clock";
import { HalfHours } from "./HalfHours";

type Purpose = "leaf" | "root";

/** The coming three days by the half hour: when it can go out, and what spoils the rest. */
export function Windows() {
  const [purpose, setPurpose] = useState<Purpose>("leaf");
  const [at, setAt] = useState<string | null>(null);
  const view = useRead("/api/put-out/windows", { params: { query: { purpose } } });
  const weather = useRead("/api/weather");
  const v = view.value;
  const windows = v?.windows ?? [];
  const chosen = v?.hours.find((h) => h.at === at) ?? v?.hours.find((h) => h.at === windows[0]?.best) ?? v?.hours[0];
  return (
    <Room
      title="When can it go out?"
      under={weather.says}
      peek={v?.verdict.sentence}
      bench={
        <>
          <Choice
            label="For"
            value={purpose}
            options={[
              { value: "leaf", name: "leaves" },
              { value: "root", name: "roots" },
            ]}
            onChange={setPurpose}
          />
          {v && chosen && <HalfHours hours={v.hours} chosen={chosen.at} choose={setAt} />}
          {chosen && <Hour hour={chosen} />}
          <SunThere />
          <BringWeather />
        </>
      }
      slate={
        v && view ? (
          <>
            <Verdict verdict={v.verdict} />
            <ol className="figures">
              {windows.map((w) => (
                <OneWindow key={w.from} w={w} purpose={purpose} show={() => setAt(w.best)} />
              ))}
            </ol>
            <Brews purpose={purpose} windows={windows} />
            <Sum working={view.working} sure={view.sure} of="these windows" />
            <Mind cautions={view.cautions} />
          </>
        ) : null
      }
    />
  );
}

function OneWindow({ w, purpose, show }: { w: Schemas["SprayWindow"]; purpose: Purpose; show: () => void }) {
  const clock = useClock();
  const go = useNavigate();
  return (
    <li className="border-t border-line py-2">
      <p className="font-head text-lg font-bold">
        {clock.when(w.from)} to {clock.time(w.to)}
      </p>
      <p>
        {Math.round(w.score * 100)} of 100 at its best: {w.sentence}
      </p>
      <p className="flex flex-wrap gap-x-4">
        <Button
          kind="plain"
          aria-label={`plan a brew for it, ${clock.when(w.best)}`}
          onClick={() => go(`/brew/plan?purpose=${purpose}&at=${encodeURIComponent(w.best)}`)}
        >
          plan a brew for it
        </Button>
        <Button
          kind="plain"
          aria-label={`fill a tank for it, ${clock.when(w.best)}`}
          onClick={() => go(`/put-out/tank?purpose=${purpose}&at=${encodeURIComponent(w.best)}`)}
        >
          fill a tank for it
        </Button>
        <Button kind="plain" aria-label={`show its best half hour, ${clock.when(w.best)}`} onClick={show}>
          show its best half hour
        </Button>
      </p>
    </li>
  );
}

/** Brews meant for these days: what each one's own page says, and its race, which knows the window that it runs in. */
function Brews({ purpose, windows }: { purpose: Purpose; windows: Schemas["SprayWindow"][] }) {
  const clock = useClock();
  const brews = useRead("/api/put-out/windows/brews", { params: { query: { purpose } } });
  if (brews.length === 0) return null;
  const inside = (at: string) => windows.find((w) => new Date(w.from) <= new Date(at) && new Date(at) < new Date(w.to));
  return (
    <section aria-label="Brews for it" className="flex flex-col gap-4">
      <h2 className="text-xl">Brews for it</h2>
      {brews.map((b) => {
        const window = inside(b.useAt);
        return (
          <article key={b.batchId} aria-label={b.name} className="border-l-8 border-clay pl-4">
            <h3 className="text-lg">
              <Link to={`/brew/${b.batchId}`} className="text-clay underline underline-offset-4">
                {b.name}
              </Link>
              , {b.brewShown} at {clock.when(b.useAt)}
            </h3>
            <p className="text-ash">
              {window
                ? `in the window of ${clock.when(window.from)} to ${clock.time(window.to)}`
                : "in none of these windows"}
            </p>
            {b.verdict && <Short verdict={b.verdict} />}
            {b.race && (
              <details>
                <summary className="min-h-11 cursor-pointer py-2">
                  <Short verdict={b.race.verdict} inline />
                </summary>
                <RacePanel race={b.race} />
              </details>
            )}
          </article>
        );
      })}
    </section>
  );
}

function Hour({ hour }: { hour: Schemas["HourScore"] }) {
  const clock = useClock();
  return (
    <section aria-label="The half hour" aria-live="polite" className="mt-3 border-l-8 border-clay pl-4">
      <h2 className="text-xl">
        {clock.when(hour.at)}:{" "}
        {hour.spoils.length > 0 ? (
          <span className="text-plum">✕ not then</span>
        ) : (
          <span className="text-moss">✓ {Math.round(hour.score * 100)} of 100</span>
        )}
      </h2>
      <ul>
        {hour.spoils.map((s) => (
          <li key={s}>✕ {s}</li>
        ))}
        {hour.minds.map((s) => (
          <li key={s}>▲ {s}</li>
        ))}
      </ul>
      <p className="figures text-ash">
        {hour.sunDeg === null ? "the sun is off" : `sun at ${hour.sunDeg.toFixed(0).replace("-", "−")}°`};{" "}
        {hour.weatherShown}
      </p>
    </section>
  );
}

/** When the sun rises and sets there next. */
function SunThere() {
  const clock = useClock();
  const there = useContext(Holding)?.placeKnown ?? true;
  const sun = useReadIf(there, "/api/put-out/sun");
  if (!there)
    return (
      <p className="mt-4 border-l-4 border-straw pl-3">
        ▲ The sun is off: hours are judged by wind, rain and warmth alone.{" "}
        <Link to="/ground?say=place" className="text-clay underline underline-offset-4">
          Say where your ground lies
        </Link>
      </p>
    );
  const s = sun?.value;
  if (!s || !sun) return null;
  const says =
    s.state === "polarDay"
      ? "The sun does not set."
      : s.state === "polarNight"
        ? "The sun does not rise."
        : `The sun is next up at ${s.nextRise ? clock.time(s.nextRise) : "—"} and down at ${s.nextSet ? clock.time(s.nextSet) : "—"}`;
  return (
    <div className="mt-4 flex flex-wrap items-center gap-x-4">
      <p className="figures">
        {says} · {s.noonElevationDeg.toFixed(0)}° at its highest
      </p>
      <Sum working={sun.working} sure={sun.sure} of="the sun’s hours" />
    </div>
  );
}

/** The grower's own weather by the hour. */
function BringWeather() {
  const bring = useWrite("/api/weather/file", (csv: string) => ({ body: { csv } }));
  return (
    <section aria-label="Weather of your own" className="mt-5">
      <h2 className="text-xl">Weather of your own</h2>
      <p>
        A CSV by the hour: time, °C, wind m/s (or km/h), rain mm; cloud %, humidity %, gusts m/s and leaf wet (1 or 0)
        if it has them.
      </p>
      <label className="inline-flex min-h-12 cursor-pointer items-center text-clay underline underline-offset-4">
        bring a weather file
        <input
          type="file"
          accept=".csv,text/csv,text/plain"
          className="sr-only"
          onChange={async (e) => {
            const file = e.target.files?.[0];
            if (file) bring.mutate(await file.text());
          }}
        />
      </label>
      {bring.data && <p role="status">✓ {bring.data.id} hours kept.</p>}
      <Wrong problem={bring.error} />
    </section>
  );
}
