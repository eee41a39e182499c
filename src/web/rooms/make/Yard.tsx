import { useId } from "react";
import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { looks } from "../../parts/tone";
import { PartPatterns } from "./Pots";

/** Outlines of vessels on their own ground line: x from −1 to 1 of half their width, y from 0 (ground) to 1 (brim). */
const outline: Record<string, string> = {
  bucket: "M-1 1L-0.84 0H0.84L1 1",
  barrel: "M-0.9 1Q-1.08 0.5 -0.86 0H0.86Q1.08 0.5 0.9 1",
  tank: "M-1 1V0.36L-0.26 0H0.26L1 0.36V1",
};

/** What stands in the yard, on its lines of ground: each thing with its name, its state in a word and a figure, and its door. */
export function Drawn({ yard }: { yard: Schemas["YardView"] }) {
  const most = Math.max(...yard.vessels.map((v) => v.totalL), 1);
  const two = yard.behind.length > 0;
  const ground = "flex flex-wrap items-end gap-x-2 gap-y-6 border-b-2 border-ink pt-2 max-wide:border-b-0";
  return (
    <>
      <div role="group" aria-label="The brewhouse" className={ground}>
        {yard.vessels.map((v) => (
          <Door key={v.id} to={v.link} name={v.name} says={v.says} large>
            <VesselDrawn vessel={v} most={most} low={two} />
          </Door>
        ))}
        {yard.things.map((t) => (
          <Door key={t.id} to={t.link} name={t.name} says={t.says}>
            <span className={two ? "block wide:[&>svg]:h-20" : undefined}>
              <Thing kind={t.kind} />
            </span>
          </Door>
        ))}
      </div>
      {two && (
        <div role="group" aria-label="The ground behind" className={`${ground} mt-3`}>
          {yard.behind.map((t) => (
            <Door key={t.id} to={t.link} name={t.name} says={t.says} large>
              <Behind kind={t.kind} />
            </Door>
          ))}
        </div>
      )}
    </>
  );
}

/** What is made on the ground behind: a heap of mix on its tarp, char in what charges it. */
function Behind({ kind }: { kind: string }) {
  const id = useId();
  return (
    <svg viewBox="0 0 170 84" className="mx-auto h-20 max-w-full max-wide:h-16" aria-hidden>
      <PartPatterns id={id} />
      {kind === "charge" ? (
        <g className="stroke-ink" strokeWidth="3.5" strokeLinejoin="round">
          <path d="M28 20H142L162 82H8Z" fill={`url(#${id}-dots)`} />
          <path d="M44 28H126L134 50H36Z" fill={`url(#${id}-lumps)`} strokeWidth="1.6" />
        </g>
      ) : kind === "worms" ? (
        <g className="stroke-ink" strokeLinejoin="round" strokeWidth="3">
          <path d="M42 4H128L122 24H48Z" fill={`url(#${id}-waves)`} />
          <path d="M42 29H128L122 49H48Z" fill={`url(#${id}-dots)`} />
          <path d="M42 54H128L122 74H48Z" fill={`url(#${id}-grain)`} />
          <path d="M46 79H124L128 83H42Z" className="fill-shade stroke-river" strokeWidth="2" />
        </g>
      ) : kind === "sheet" ? (
        <g strokeLinejoin="round" strokeLinecap="round">
          <path d="M22 66H124L140 80H6Z" className="fill-shade stroke-river" strokeWidth="2.5" />
          <path
            d="M32 66Q52 28 74 28Q96 28 114 66Z"
            fill={`url(#${id}-waves)`}
            className="stroke-ink"
            strokeWidth="3.5"
          />
          <path d="M116 4H158V48H116Z" className="fill-paper stroke-ink" strokeWidth="3" />
          <path d="M124 16H150M124 26H150M124 36H140" fill="none" className="stroke-ink" strokeWidth="2" />
        </g>
      ) : kind === "byproduct" ? (
        <g className="stroke-ink" strokeWidth="3" strokeLinejoin="round" strokeLinecap="round">
          <path d="M50 14H120V82H50Z" className="fill-paper" />
          <path d="M56 44H114V76H56Z" fill={`url(#${id}-dots)`} strokeWidth="1.6" />
          <path d="M44 14H126M70 14V4H100V14" fill="none" />
          <path d="M120 30H140V20" fill="none" />
        </g>
      ) : kind === "buried" ? (
        <g strokeLinejoin="round" strokeLinecap="round">
          <path d="M20 34H150V82H20Z" className="fill-bag" />
          <path d="M4 34H166" className="stroke-ink" strokeWidth="3.5" />
          <path d="M142 34V6" className="stroke-clay" strokeWidth="4" />
          <circle cx="142" cy="6" r="5" className="fill-paper stroke-clay" strokeWidth="3" />
          {[38, 68, 98].map((x) => (
            <path
              key={x}
              d={`M${x} 50q2 20 22 24q-6 -12 -6 -26q-8 -4 -16 2z`}
              className="fill-paper stroke-ink"
              strokeWidth="2.4"
            />
          ))}
        </g>
      ) : kind === "pit" ? (
        <g strokeLinejoin="round" strokeLinecap="round">
          <path d="M46 44L85 82L124 44Z" fill={`url(#${id}-lumps)`} />
          <path d="M4 40H42L85 82L128 40H166" fill="none" className="stroke-ink" strokeWidth="3.5" />
          <path
            d="M70 32q-10 -14 0 -26M90 32q-10 -14 0 -26M110 32q-10 -14 0 -26"
            fill="none"
            className="stroke-river"
            strokeWidth="2.5"
          />
        </g>
      ) : kind === "heap" || kind === "hotHeap" ? (
        <g strokeLinejoin="round">
          <path
            d="M6 80Q46 22 85 22Q124 22 164 80Z"
            className={`stroke-ink ${kind === "heap" ? "fill-bag" : "fill-brew"}`}
            strokeWidth="3.5"
          />
          {kind === "hotHeap" && (
            <g fill="none" className="stroke-ink" strokeWidth="3">
              <path d="M85 52V16" />
              <circle cx="85" cy="9" r="6" className="fill-paper" />
            </g>
          )}
        </g>
      ) : (
        <g strokeLinejoin="round">
          <path d="M22 66H148L166 80H4Z" className="fill-shade stroke-river" strokeWidth="2.5" />
          <path
            d="M34 66Q60 18 86 18Q112 18 136 66Z"
            fill={`url(#${id}-waves)`}
            className="stroke-ink"
            strokeWidth="3.5"
          />
        </g>
      )}
    </svg>
  );
}

interface DoorProps {
  to: string;
  name: string;
  says: Schemas["ThingSays"];
  large?: boolean;
  children: React.ReactNode;
}

function Door({ to, name, says, large = false, children }: DoorProps) {
  const look = looks[says.tone];
  const plain = says.tone === "go";
  return (
    <Link
      to={to}
      className={`flex min-w-24 ${large ? "grow-[1.5]" : "grow"} basis-0 flex-col items-center text-center max-wide:basis-full max-wide:flex-row max-wide:items-center max-wide:gap-4 max-wide:border-b max-wide:border-line max-wide:pb-2 max-wide:text-left`}
    >
      <span className="wide:order-none max-wide:order-2 max-wide:grow">
        <b className="block font-head text-lg leading-tight first-letter:uppercase">{name}</b>
        <span className={`figures block ${plain ? "" : `font-bold ${look.colour}`}`}>
          {!plain && `${look.mark} `}
          {says.word}
        </span>
        <span className="figures block text-ash">{says.figure}</span>
      </span>
      <span aria-hidden className="mt-2 block max-wide:order-1 max-wide:mt-0 max-wide:w-24">
        {children}
      </span>
    </Link>
  );
}

/** A vessel, as tall as what it holds makes it beside the others. */
function VesselDrawn({ vessel: v, most, low }: { vessel: Schemas["YardVessel"]; most: number; low: boolean }) {
  const tall = (96 + 150 * Math.cbrt(v.totalL / most)) * (low ? 0.62 : 1);
  const half = tall * (v.shape === "bucket" ? 0.46 : v.shape === "tank" ? 0.36 : 0.38);
  const shape = outline[v.shape] ?? outline.barrel!;
  const scaled = `scale(${half} ${-tall})`;
  const clip = `yard-${v.id}`;
  const level = v.fill * tall;
  const bubbles = Math.min(30, Math.round(v.air * 14));
  return (
    <svg
      viewBox={`${-half - 6} ${-tall - 6} ${2 * half + 12} ${tall + 10}`}
      preserveAspectRatio="xMidYMax meet"
      style={{ height: tall + 10 }}
      className="mx-auto block max-w-full max-wide:h-24!"
    >
      <clipPath id={clip}>
        <path d={`${shape}Z`} transform={scaled} />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        <rect
          x={-half - 4}
          y={-level}
          width={2 * half + 8}
          height={level}
          className="fill-brew"
          opacity={v.planned ? 0.5 : 1}
        />
        {Array.from({ length: bubbles }, (_, i) => (
          <circle
            key={i}
            className="bubble fill-none stroke-river"
            style={{ animationDelay: `${-(i % 13) * 0.2}s` }}
            cx={(((i * 0.618034) % 1) - 0.5) * half * 1.5}
            cy={-8 - ((i * 0.754878) % 1) * Math.max(level - 16, 4)}
            r={2.4 + (i % 3)}
            strokeWidth="1.4"
          />
        ))}
      </g>
      <path
        d={shape}
        transform={scaled}
        fill="none"
        className="stroke-ink"
        strokeWidth="3.5"
        strokeDasharray={v.planned ? "7 5" : undefined}
        strokeLinejoin="round"
        strokeLinecap="round"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}

function Thing({ kind }: { kind: string }) {
  if (kind === "microscope") {
    return (
      <svg viewBox="0 0 70 90" className="mx-auto h-28 max-wide:h-24" aria-hidden>
        <g className="fill-none stroke-ink" strokeWidth="4" strokeLinejoin="round" strokeLinecap="round">
          <path d="M8 88H56M14 88V64H34V88" />
          <path d="M34 58L46 10L62 14L50 62Z" />
        </g>
      </svg>
    );
  }
  return kind === "butt" ? (
    <svg viewBox="0 0 80 107" className="mx-auto h-36 max-wide:h-24" aria-hidden>
      <path d="M10 24H70V104H10Z" className="fill-none stroke-ink" strokeWidth="4" strokeLinejoin="round" />
      <path d="M12 56q14 -6 28 0t28 0V102H12Z" className="fill-shade stroke-river" strokeWidth="2.5" />
      <path d="M40 2c9 12 8 18 0 18s-9 -6 0 -18z" className="fill-none stroke-river" strokeWidth="2.5" />
    </svg>
  ) : (
    <svg viewBox="0 0 80 107" className="mx-auto h-36 max-wide:h-24" aria-hidden>
      <path d="M44 106V22M20 22H60M22 22V38" fill="none" className="stroke-river" strokeWidth="7" />
      <path d="M22 46c8 12 7 18 0 18s-8 -6 0 -18z" className="fill-none stroke-river" strokeWidth="2.5" />
    </svg>
  );
}
