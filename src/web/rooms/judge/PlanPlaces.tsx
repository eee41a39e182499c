import type { Schemas } from "../../api/client";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { useUs } from "../../api/units";
import type { Plan } from "./trialForm";

interface Props {
  plan: Plan;
  set: (part: Partial<Plan>) => void;
  beds: Schemas["BedView"][];
}

/** Where it lies: beds, a bench or a field, each with its sizes; blocks are dealt out over them. */
export function Places({ plan: p, set, beds }: Props) {
  const us = useUs();
  const places = p.places ?? [];
  const change = (i: number, part: Partial<Schemas["PlaceRequest"]>) =>
    set({ places: places.map((x, k) => (k === i ? { ...x, ...part } : x)) });
  const last = places.at(-1);
  const next = beds.find((b) => !places.some((x) => x.name === b.name))?.name ?? "";
  return (
    <>
      <datalist id="trial-beds">
        {beds.map((b) => (
          <option key={b.id} value={b.name} />
        ))}
      </datalist>
      <ul>
        {places.map((x, i) => (
          <li key={i} className="grid gap-x-4 border-t border-line pt-1 sm:grid-cols-[1.4fr_1fr_1fr]">
            <Field
              label={p.kind === "pots" ? "Bench" : p.kind === "strips" ? "Field" : `Bed ${i + 1}`}
              value={x.name ?? ""}
              list="trial-beds"
              onChange={(name) => change(i, { name })}
              name={`places[${i}].name`}
            />
            <Field
              label="Long"
              value={x.length ?? ""}
              onChange={(length) => change(i, { length })}
              name={`places[${i}].length`}
            />
            <Field
              label="Wide"
              value={x.width ?? ""}
              onChange={(width) => change(i, { width })}
              name={`places[${i}].width`}
            />
          </li>
        ))}
      </ul>
      {p.kind !== "pots" && (
        <p className="flex flex-wrap gap-3">
          <Button
            onClick={() =>
              set({
                places: [
                  ...places,
                  {
                    name: next,
                    length: last?.length ?? (us ? "100 ft" : "30 m"),
                    width: last?.width ?? (us ? "4 ft" : "1.2 m"),
                  },
                ],
              })
            }
          >
            One more bed
          </Button>
          {places.length > 1 && (
            <Button kind="plain" onClick={() => set({ places: places.slice(0, -1) })}>
              one fewer
            </Button>
          )}
        </p>
      )}
    </>
  );
}
