import { useId } from "react";
import type { Schemas } from "../../api/client";
import { useRefusal } from "../../parts/Form";
import { WrongHere } from "../../parts/Wrong";
import type { Asked } from "./asked";
import { Pot } from "./Pots";

interface Props {
  at: number;
  asked: Asked;
  names: readonly string[];
  drawn: Schemas["MixDrawn"] | undefined;
  onChange: (mix: Schemas["MixWanted"]) => void;
  onDrop?: () => void;
}

/** One mix: its pot cut open, and under it what it is called, how many of them, and its parts. */
export function MixColumn({ at, asked, names, drawn, onChange, onDrop }: Props) {
  const mix = asked.mixes[at]!;
  const name = mix.name || `mix ${at + 1}`;
  const share = (part: number, value: string) => {
    const shares = names.map((_, i) => mix.shares?.[i] ?? "");
    return { ...mix, shares: shares.with(part, value) };
  };
  // Taken hold of: what one part gives the other gets, in whole per cent.
  const move = (lower: number, upper: number, percent: number) => {
    const [l, u] = [lower, upper].map((i) => parseFloat(mix.shares?.[i] ?? "") || 0) as [number, number];
    const by = Math.max(-u, Math.min(l, percent));
    if (by === 0) return;
    const shares = names.map((_, i) => mix.shares?.[i] ?? "");
    onChange({ ...mix, shares: shares.with(lower, String(l - by)).with(upper, String(u + by)) });
  };
  return (
    <section
      aria-label={name}
      className={`min-w-0 flex-1 ${asked.mixes.length === 1 ? "basis-full wide:grid wide:grid-cols-[13rem_minmax(0,22rem)] wide:gap-8" : "basis-44 wide:max-w-56"}`}
    >
      {drawn && (
        <div className="mx-auto max-w-44">
          <Pot
            layers={drawn.layers}
            name={name}
            onMove={asked.inBuckets ? undefined : (l, u, by) => move(l.part, u.part, by)}
          />
          <p className="figures text-center text-ash">
            {drawn.fills}
            {drawn.overShown && ` + ${drawn.overShown}`}
          </p>
        </div>
      )}
      <div className={asked.mixes.length === 1 ? "wide:pt-8" : undefined}>
        <div className="mt-1 flex gap-2">
          <Small
            label={`Name of mix ${at + 1}`}
            value={mix.name ?? ""}
            onChange={(n) => onChange({ ...mix, name: n })}
            name={`mixes[${at}].name`}
            wide
          />
          {asked.into !== "bed" && (
            <Small
              label={`${asked.into === "pots" ? "Pots" : "Trays"} of ${name}`}
              value={mix.count ?? ""}
              onChange={(count) => onChange({ ...mix, count })}
              name={`mixes[${at}].count`}
              unit="×"
            />
          )}
        </div>
        {names.map((part, i) => (
          <Small
            key={i}
            label={`${part || "a part"} in ${name}, ${asked.inBuckets ? "buckets" : "per cent"}`}
            says={part || "a part"}
            value={mix.shares?.[i] ?? ""}
            onChange={(v) => onChange(share(i, v))}
            name={`mixes[${at}].shares[${i}]`}
            unit={asked.inBuckets ? "" : "%"}
          />
        ))}
        <WrongHere name={`mixes[${at}].shares`} />
        {onDrop && (
          <button type="button" className="min-h-11 text-clay underline underline-offset-4" onClick={onDrop}>
            leave {name} out
          </button>
        )}
      </div>
    </section>
  );
}

interface SmallProps {
  label: string;
  says?: string;
  value: string;
  onChange: (value: string) => void;
  name: string;
  unit?: string;
  wide?: boolean;
}

/** A small field in a column: its label before it, or read out where the place says it. */
function Small({ label, says, value, onChange, name, unit, wide = false }: SmallProps) {
  const id = useId();
  const wrong = useRefusal(name);
  return (
    <div className={says ? "mt-1" : wide ? "min-w-0 flex-1" : "w-20 shrink-0"}>
      <div className="flex items-center gap-1">
        {says && (
          <label htmlFor={id} className="min-w-0 flex-1 py-1 leading-tight">
            {says}
          </label>
        )}
        {unit === "×" && <span aria-hidden>{unit}</span>}
        <input
          id={id}
          aria-label={label}
          value={value}
          autoComplete="off"
          inputMode={wide ? "text" : "decimal"}
          aria-invalid={wrong ? true : undefined}
          aria-describedby={wrong ? id + "-w" : undefined}
          className={`figures h-11 border-b-2 bg-paper px-2 text-lg ${says ? "w-16 text-right" : "w-full min-w-0"} ${wrong ? "border-plum" : "border-line"}`}
          onChange={(e) => onChange(e.target.value)}
        />
        {unit === "%" && <span aria-hidden>%</span>}
      </div>
      {wrong && (
        <p id={id + "-w"} role="alert" className="font-medium text-plum">
          ✕ {wrong}
        </p>
      )}
    </div>
  );
}
