import { useEffect, useState } from "react";
import { Button } from "../../parts/Button";

const turnS = 60;

/** Since when it is stirred, kept on this device: a phone that locks loses nothing. */
function useBegun(key: string): [number | null, (at: number | null) => void] {
  const [at, setAt] = useState<number | null>(() => Number(localStorage.getItem(key)) || null);
  return [
    at,
    (next) => {
      if (next) localStorage.setItem(key, String(next));
      else localStorage.removeItem(key);
      setAt(next);
    },
  ];
}

const clock = (s: number) => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, "0")}`;

/** An hour of stirring, turn by turn: one way until the whirl reaches the bottom, then the other. */
export function StirTimer({ id, minutes, onDone }: { id: number; minutes: number; onDone: (hours: string) => void }) {
  const [begun, setBegun] = useBegun(`stir-${id}`);
  const [now, setNow] = useState(() => begun ?? 0);
  useEffect(() => {
    if (begun === null) return;
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, [begun]);
  const gone = begun === null ? 0 : Math.max(0, (now - begun) / 1000);
  const turn = Math.floor(gone / turnS);
  const left = Math.max(0, minutes * 60 - gone);
  const way = turn % 2 === 0 ? "with the sun" : "the other way";
  const done = Math.min(1, gone / (minutes * 60));
  const angle = done * 2 * Math.PI;
  const [ex, ey] = [60 + 48 * Math.sin(angle), 60 - 48 * Math.cos(angle)];
  if (begun === null) {
    return (
      <Button className="self-start" onClick={() => setBegun(Date.now())}>
        Stir now: begin the hour
      </Button>
    );
  }
  return (
    <div className="flex items-center gap-4" role="timer" aria-label="Stirring">
      <svg viewBox="0 0 120 120" className="h-28 w-28 shrink-0" aria-hidden>
        <circle cx="60" cy="60" r="48" className="fill-shade stroke-ink" strokeWidth="3" />
        {done > 0 && done < 1 && (
          <path
            d={`M60 60V12A48 48 0 ${done > 0.5 ? 1 : 0} 1 ${ex} ${ey}Z`}
            className="fill-brew stroke-ink"
            strokeWidth="2"
          />
        )}
        {done >= 1 && <circle cx="60" cy="60" r="48" className="fill-brew stroke-ink" strokeWidth="3" />}
        <path
          d="M60 60q10 -14 20 0t-14 22t-34 -8t4 -40t46 -4"
          transform={turn % 2 === 0 ? undefined : "matrix(-1 0 0 1 120 0)"}
          fill="none"
          className="stroke-river"
          strokeWidth="3.5"
          strokeLinecap="round"
        />
      </svg>
      <div>
        <p className="figures font-head text-2xl font-bold">{left > 0 ? `${clock(left)} left` : "The hour is full"}</p>
        {left > 0 && (
          <p>
            turn {turn + 1}: <b>{way}</b>, until the whirl reaches the bottom
          </p>
        )}
        <p className="flex flex-wrap gap-x-4">
          <Button
            kind="plain"
            onClick={() => {
              onDone(gone < 60 ? "" : (gone / 3600).toFixed(2)); // less than a minute is no stirring
              setBegun(null);
            }}
          >
            that is enough
          </Button>
          <Button kind="plain" onClick={() => setBegun(null)}>
            leave it
          </Button>
        </p>
      </div>
    </div>
  );
}
