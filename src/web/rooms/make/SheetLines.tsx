import { useId } from "react";
import type { Schemas } from "../../api/client";
import { DayField } from "../../parts/DayField";
import { looks } from "../../parts/tone";

type Nutrient = Schemas["SheetNutrientView"];

interface Props {
  nutrients: readonly Nutrient[];
  onChoose?: (id: string, choice: NonNullable<Schemas["ShortfallChoice"]>) => void;
  /** The day on which a choice comes back; null for never. */
  onBack?: (id: string, back: string | null) => void;
}

const choices: readonly { value: NonNullable<Schemas["ShortfallChoice"]>; name: string }[] = [
  { value: "leafNow", name: "leaf now" },
  { value: "nextPlanting", name: "next planting" },
  { value: "leave", name: "leave it" },
];

/** Each nutrient on its own line against its band: what was found, and what it comes to with what is put on. */
export function SheetLines({ nutrients, onChoose, onBack }: Props) {
  const id = useId();
  return (
    <>
      <svg width="0" height="0" className="absolute" aria-hidden>
        <pattern id={`${id}-band`} width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V8" className="stroke-moss" strokeWidth="2.2" opacity="0.55" />
        </pattern>
      </svg>
      <ul>
        {nutrients.map((n) => (
          <li key={`${n.id} ${n.age ?? ""}`} className="border-t border-line py-1.5">
            <div className="grid grid-cols-[7.5rem_1fr_9rem] items-center gap-x-3 max-sm:grid-cols-[6rem_1fr]">
              <span className="leading-tight">
                <b className="first-letter:uppercase">{n.name}</b>
                <span className="figures block text-ash">{n.shown}</span>
              </span>
              {n.at !== null || n.lowAt !== null ? (
                <Line n={n} band={`url(#${id}-band)`} />
              ) : (
                <span className="text-ash">{n.flag}</span>
              )}
              <span className="figures text-right leading-tight max-sm:col-start-2">
                {n.shortShown ? (
                  <b className={looks.mind.colour}>
                    {looks.mind.mark} {n.shortShown}
                  </b>
                ) : (
                  n.bandShown && <span className="text-ash">{n.bandShown}</span>
                )}
              </span>
            </div>
            {n.flag && n.at !== null && <p className="text-ash">{n.flag}</p>}
            {n.labBand && <p className="figures text-ash">the lab’s own band: {n.labBand}</p>}
            {n.shortShown && (
              <div className="flex flex-wrap items-center gap-x-3">
                <span className="text-ash">{n.why}</span>
                {!onChoose && n.choice && <b>{choices.find((c) => c.value === n.choice)?.name}</b>}
                {onChoose && (
                  <span role="group" aria-label={`What to do about ${n.name}`} className="flex flex-wrap gap-2">
                    {choices.map((c) => (
                      <button
                        key={c.value}
                        type="button"
                        aria-pressed={n.choice === c.value}
                        className={`min-h-11 rounded-full border-2 px-3 ${n.choice === c.value ? "border-clay font-bold text-clay" : "border-line"}`}
                        onClick={() => onChoose(n.id, c.value)}
                      >
                        {n.choice === c.value ? "● " : "○ "}
                        {c.name}
                      </button>
                    ))}
                  </span>
                )}
                {n.choice && n.backShown && !onBack && (
                  <span className="text-ash">to be looked at again on {n.backShown}</span>
                )}
                {n.choice && onBack && (
                  <DayField
                    key={n.back ?? "none"}
                    label={`Look again at ${n.name} on`}
                    value={n.back ?? ""}
                    onChange={(day) => (day === "" || /^\d{4}-\d\d-\d\d$/.test(day)) && onBack(n.id, day || null)}
                    hint={n.back ? undefined : "by itself once it is kept; empty: never"}
                  />
                )}
              </div>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}

function Line({ n, band }: { n: Nutrient; band: string }) {
  const x = (at: number) => 6 + 288 * at;
  return (
    <svg
      viewBox="0 0 300 34"
      className="block w-full"
      role="img"
      aria-label={`${n.name}: ${n.shown}${n.bandShown ? `, enough is ${n.bandShown}` : ""}${n.shortShown ? `, ${n.shortShown} afterwards` : ""}`}
    >
      {n.lowAt !== null && n.highAt !== null && (
        <rect x={x(n.lowAt)} y="7" width={x(n.highAt) - x(n.lowAt)} height="20" fill={band} />
      )}
      <path d="M6 27H294" className="stroke-ink" strokeWidth="1.6" />
      {n.at !== null && n.allAt !== null && n.allAt > n.at && (
        <path d={`M${x(n.at)} 17H${x(n.allAt)}`} className="stroke-clay" strokeWidth="2" strokeDasharray="4 4" />
      )}
      {n.at !== null && n.afterAt !== null && n.afterAt > n.at && (
        <path
          d={`M${x(n.at)} 17H${x(n.afterAt)}m-7 -5l7 5l-7 5`}
          fill="none"
          className="stroke-clay"
          strokeWidth="3"
          strokeLinejoin="round"
        />
      )}
      {n.at !== null && <circle cx={x(n.at)} cy="17" r="6" className="fill-ink" />}
    </svg>
  );
}
