import { useEffect, useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead, useWorkOut } from "../../api/data";
import { Button } from "../../parts/Button";
import { Curves } from "../../parts/Curves";
import { Room } from "../../parts/Room";
import { Verdict } from "../../parts/Verdict";
import { Vessel } from "../../parts/Vessel";
import { Wrong } from "../../parts/Wrong";
import { span } from "../../parts/clock";

type Deed = Schemas["PracticeDeed"];

const looks = ["oxygen", "warmth", "smell", "foam", "bubbles"] as const;
const deeds: [string, string][] = [
  ["secondPump", "hang in a second pump"],
  ["mendPump", "look to the pump and plug"],
  ["cool", "move it 5 °C cooler"],
  ["airOff", "stop the air"],
];
// 24 hours in about three minutes.
const hoursPerTick = 24 / 180 / 2;

const hm = (h: number) => span(h * 60);

/** The trainer: a hidden brew at high speed. No points: a plain account at the end. */
export function PracticeRoom() {
  const situations = useRead("/api/brew/practice");
  const [play, setPlay] = useState<{ id: string; seed: number } | null>(null);
  return play ? (
    <Playing
      key={play.id + play.seed}
      {...play}
      again={() => setPlay({ ...play, seed: play.seed + 1 })}
      leave={() => setPlay(null)}
    />
  ) : (
    <Room
      title="Practice"
      under="A hidden brew runs at high speed. Read it, feed it, give it air, use it or send it to the heap; then see what really went on."
      peek="Choose a situation"
      bench={
        <>
          <ul className="grid gap-x-6 sm:grid-cols-2">
            {situations.map((s) => (
              <li key={s.id} className="border-t border-line">
                <button
                  type="button"
                  onClick={() => setPlay({ id: s.id, seed: 1 })}
                  className="grid min-h-11 w-full grid-cols-[4.5rem_1fr] items-center gap-3 py-3 text-left"
                >
                  <svg viewBox="0 0 60 64" className="h-16" aria-hidden>
                    <path d="M9 22H51L48 60H12z" className="fill-brew" />
                    <path d="M6 12L12 60H48L54 12z" fill="none" className="stroke-ink" strokeWidth="2.5" />
                    <path d="M6 12Q30-8 54 12" fill="none" className="stroke-ink" strokeWidth="2" />
                    <path d="M40 4V54" className="stroke-river" strokeWidth="2.5" />
                    <path
                      d="M20 36q1-7 7-7t6 7q0 4-6 7v4M27 53v1"
                      fill="none"
                      className="stroke-paper"
                      strokeWidth="3.5"
                      strokeLinecap="round"
                    />
                  </svg>
                  <span>
                    <span className="font-head text-xl font-bold text-clay underline underline-offset-4">{s.name}</span>
                    <br />
                    {s.story}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </>
      }
      slate={
        <p className="text-lg">
          Each is about one mistake that everybody makes once. Nothing is kept, and nothing is scored: made-up brews, by
          the model.
        </p>
      }
    />
  );
}

function Playing({ id, seed, again, leave }: { id: string; seed: number; again: () => void; leave: () => void }) {
  const [now, setNow] = useState(0);
  const [running, setRunning] = useState(false);
  const [done, setDone] = useState<Deed[]>([]);
  const asked = { situation: id, seed, nowH: Math.round(now * 100) / 100, deeds: done };
  // The picture follows the deeds; between them only the clock moves.
  const brew = useWorkOut("/api/brew/practice", { body: asked });
  const p = brew.data?.value;
  const over = p?.over ?? false;
  useEffect(() => {
    if (!running || over) return;
    const timer = setInterval(() => setNow((n) => Math.min(48, n + hoursPerTick)), 500);
    return () => clearInterval(timer);
  }, [running, over]);
  const act = (kind: string, more?: Partial<Deed>) =>
    setDone([...done, { atH: Math.round(now * 100) / 100, kind, food: null, ml: null, ...more }]);
  const step = (h: number) => setNow(Math.min(48, now + h));
  const stopped = done.some((d) => d.kind === "airOff");
  return (
    <Room
      title={p?.situation ?? "Practice"}
      under={p?.story}
      peek={over ? p?.end?.verdict.sentence : `${hm(now)} in`}
      bench={
        <>
          <p className="flex flex-wrap items-center gap-3">
            <b className="figures font-head text-3xl" aria-live="off">
              {hm(now)}
            </b>
            <span className="text-ash">meant to go out at {p ? hm(p.useAtH) : ""}</span>
          </p>
          {!over && (
            <>
              <p className="mt-2 flex flex-wrap gap-3">
                <Button kind="filled" onClick={() => setRunning(!running)}>
                  {running ? "Hold the clock" : "Let it run"}
                </Button>
                <Button onClick={() => step(1)}>An hour on</Button>
                <Button onClick={() => step(4)}>Four hours on</Button>
                <Button kind="plain" onClick={leave}>
                  leave
                </Button>
              </p>
              <h2 className="mt-4 text-xl">Look</h2>
              <p className="flex flex-wrap gap-2">
                {looks.map((k) => (
                  <Button key={k} onClick={() => act(k)}>
                    {k}
                  </Button>
                ))}
              </p>
              <h2 className="mt-4 text-xl">Do</h2>
              <p className="flex flex-wrap gap-2">
                <Button onClick={() => act("feed", { food: "fishHydrolysate", ml: 5 })}>feed a spoon of fish</Button>
                <Button onClick={() => act("feed", { food: "molasses", ml: 5 })}>feed a spoon of molasses</Button>
                {deeds
                  .filter(([k]) => k !== "airOff" || !stopped)
                  .map(([k, name]) => (
                    <Button key={k} onClick={() => act(k)}>
                      {name}
                    </Button>
                  ))}
                <Button onClick={() => act("use")}>put it out</Button>
                <Button onClick={() => act("heap")}>send it to the heap</Button>
              </p>
            </>
          )}
          <Wrong problem={brew.problem} />
          <div className="mt-4 grid grid-cols-[minmax(7rem,0.6fr)_1fr] gap-5">
            <Vessel shape="bucket" fill={0.85} air={0} diffuser="airStone" hasBag name="the Blue Bucket" />
            <ol className="figures" aria-label="What you saw and did">
              {[...(p?.looks ?? []).map((l) => ({ h: l.atH, text: `${l.kind}: ${l.shown}` }))]
                .sort((a, b) => b.h - a.h)
                .map((l, i) => (
                  <li key={i} className="border-t border-line py-1">
                    <b>{hm(l.h)}</b> {l.text}
                  </li>
                ))}
              {p?.deeds.map((d, i) => (
                <li key={"d" + i} className="border-t border-line py-1 text-clay">
                  {d}
                </li>
              ))}
            </ol>
          </div>
        </>
      }
      slate={
        p &&
        (over && p.end ? (
          <>
            <Verdict verdict={p.end.verdict} />
            <Curves
              title="What really went on"
              curves={[
                { name: "the truth", points: p.end.truth },
                { name: "the forecast with your readings", points: p.end.forecast.median },
                {
                  name: "your readings",
                  points: p.looks.filter((l) => l.mgPerL !== null).map((l) => ({ h: l.atH, mgPerL: l.mgPerL! })),
                  dots: true,
                },
              ]}
              endH={48}
              nowH={now}
              useAtH={p.useAtH}
            />
            <ul className="list-inside list-disc">
              {p.end.account.map((a, i) => (
                <li key={i} className="py-1">
                  {a}
                </li>
              ))}
            </ul>
            <p className="text-lg font-bold">{p.end.lesson}</p>
            <p className="flex flex-wrap gap-3">
              <Button kind="filled" onClick={again}>
                Again, another day
              </Button>
              <Button onClick={leave}>Another situation</Button>
            </p>
          </>
        ) : (
          <>
            <h2 className="text-xl">What you know</h2>
            <Curves
              title="The forecast with your readings"
              curves={[
                { name: "forecast, middle", points: p.forecast.median },
                {
                  name: "your readings",
                  points: p.looks.filter((l) => l.mgPerL !== null).map((l) => ({ h: l.atH, mgPerL: l.mgPerL! })),
                  dots: true,
                },
              ]}
              endH={48}
              nowH={now}
              useAtH={p.useAtH}
            />
            <p>
              In it: {p.brew.sources?.map((s) => `${s.litres} L ${s.kind}`).join(", ")};{" "}
              {p.brew.foods
                ?.map(
                  (f) =>
                    `${f.ml} mL ${f.kind === "fishHydrolysate" ? "fish" : f.kind === "kelpLiquid" ? "kelp" : f.kind}`,
                )
                .join(", ")}
              . Air {p.brew.airLpm} L/min. A model, not a measurement.
            </p>
          </>
        ))
      }
    />
  );
}
