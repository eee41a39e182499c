import { useId } from "react";
import type { Schemas } from "../../api/client";
import { PartPatterns } from "./Pots";

interface Drawn {
  name: string;
  /** Under its name: its state, or what it holds. */
  word: string;
  fill: number;
  state: Schemas["TrayState"];
}

interface Props {
  trays: readonly Drawn[];
  name: string;
  /** The tray that is taken hold of, and what is done with another one; left out where they are only to be seen. */
  held?: string;
  onHold?: (name: string) => void;
}

const looks: Record<Schemas["TrayState"], string | null> = {
  waiting: null,
  filling: "waves",
  working: "dots",
  ready: "grain",
  drained: "grain",
};

/** A stack of trays cut open, the blind one beneath that catches the drips. A tray is a button where it can be taken hold of. */
export function TraysDrawn({ trays, name, held, onHold }: Props) {
  const id = useId();
  const tall = Math.max(30, Math.min(66, 300 / trays.length));
  return (
    <div role="group" aria-label={name} className="mx-auto max-w-xl">
      <p aria-hidden className="mb-1 ml-1 h-3 w-44 border-b-4 border-ink sm:w-60" />
      {trays.map((t, i) => {
        const inner = (
          <>
            <svg
              viewBox={`0 0 240 ${tall}`}
              className="block w-44 shrink-0 sm:w-60"
              aria-hidden
              preserveAspectRatio="none"
            >
              <PartPatterns id={`${id}-${i}`} />
              <clipPath id={`${id}-${i}-in`}>
                <path d={`M4 3L16 ${tall - 5}H224L236 3Z`} />
              </clipPath>
              <g clipPath={`url(#${id}-${i}-in)`}>
                <rect
                  x="0"
                  y={(1 - t.fill) * (tall - 8) + 4}
                  width="240"
                  height={tall}
                  className={t.state === "ready" || t.state === "drained" ? "fill-brew" : "fill-paper"}
                />
                {looks[t.state] && (
                  <rect
                    x="0"
                    y={(1 - t.fill) * (tall - 8) + 4}
                    width="240"
                    height={tall}
                    fill={`url(#${id}-${i}-${looks[t.state]})`}
                  />
                )}
              </g>
              <path
                d={`M4 3L16 ${tall - 5}H224L236 3`}
                fill="none"
                className="stroke-ink"
                strokeWidth={held === t.name ? 5 : 3.5}
                strokeDasharray={t.state === "waiting" ? "8 5" : undefined}
                strokeLinejoin="round"
                strokeLinecap="round"
              />
            </svg>
            <span className="min-w-0 text-left leading-tight">
              <b className={`block ${held === t.name ? "text-clay" : ""}`}>
                {held === t.name && "● "}
                {t.name}
              </b>
              <span className="figures text-ash">{t.word}</span>
            </span>
          </>
        );
        return onHold ? (
          <button
            key={t.name}
            type="button"
            aria-pressed={held === t.name}
            className="flex min-h-11 w-full items-center gap-4 py-0.5"
            onClick={() => onHold(t.name)}
          >
            {inner}
          </button>
        ) : (
          <p key={t.name} className="flex items-center gap-4 py-0.5">
            {inner}
          </p>
        );
      })}
      <p className="flex items-center gap-4 py-0.5">
        <svg viewBox="0 0 240 26" className="block w-44 shrink-0 sm:w-60" aria-hidden preserveAspectRatio="none">
          <path d="M16 4H224L236 22H4Z" className="fill-shade stroke-river" strokeWidth="3" strokeLinejoin="round" />
        </svg>
        <span className="text-ash">catches the drips</span>
      </p>
    </div>
  );
}
