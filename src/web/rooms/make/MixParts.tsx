import { useState } from "react";
import type { Schemas } from "../../api/client";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Pick } from "../../parts/Pick";
import { WrongHere } from "../../parts/Wrong";
import type { Asked } from "./asked";

interface Props {
  asked: Asked;
  names: readonly string[];
  known: Schemas["MixesView"];
  set: (part: Partial<Asked>) => void;
}

/** The parts of all mixes: taken from the shelf or named, loosened from bales and bricks, or left out. */
export function MixParts({ asked, names, known, set }: Props) {
  const [own, setOwn] = useState("");
  const [chosen, setChosen] = useState("");
  const add = (part: Schemas["MixPartAsked"]) =>
    set({
      parts: [...asked.parts, part],
      mixes: asked.mixes.map((m) => ({ ...m, shares: [...names.map((_, i) => m.shares?.[i] ?? ""), ""] })),
    });
  const drop = (at: number) => {
    const { charge } = asked;
    const moved = (i: number | null | undefined) => (i === null || i === undefined || i < at ? i : i - 1);
    set({
      parts: asked.parts.toSpliced(at, 1),
      mixes: asked.mixes.map((m) => ({ ...m, shares: names.map((_, i) => m.shares?.[i] ?? "").toSpliced(at, 1) })),
      charge:
        charge && charge.of !== at && charge.with !== at
          ? { ...charge, of: moved(charge.of), with: moved(charge.with) }
          : null,
    });
  };
  const left = known.shelf.filter((s) => !asked.parts.some((p) => p.inputId === s.inputId));
  return (
    <Fold line={`Parts: ${names.join(", ") || "none yet"}`} open={names.length === 0}>
      {asked.parts.map((p, i) => (
        <div key={i} className="grid grid-cols-[1fr_1fr_auto] items-start gap-x-4 border-t border-line pt-2">
          <p className="pt-2">
            <b>{names[i]}</b>
            <span className="figures block text-ash">
              {p.inputId
                ? `on the shelf: ${known.shelf.find((s) => s.inputId === p.inputId)?.leftShown ?? "gone"}`
                : "not on the shelf"}
            </span>
            <WrongHere name={`parts[${i}]`} />
          </p>
          <AmountField
            label={`A bale, bag or brick of ${names[i]}, loosened`}
            dimension="volume"
            value={p.pack ?? ""}
            onChange={(pack) => set({ parts: asked.parts.with(i, { ...p, pack }) })}
            name={`parts[${i}].pack`}
            hint="empty where it comes loose"
          />
          <Button kind="plain" onClick={() => drop(i)} aria-label={`Leave ${names[i]} out`}>
            leave out
          </Button>
        </div>
      ))}
      <div className="grid items-start gap-x-4 sm:grid-cols-2">
        <div className="flex items-start gap-3">
          <div className="min-w-0 flex-1">
            <Pick
              label="Add from the shelf"
              value={chosen}
              options={[
                { value: "", name: "choose …" },
                ...left.map((s) => ({ value: String(s.inputId), name: `${s.name} (${s.leftShown})` })),
              ]}
              onChange={setChosen}
            />
          </div>
          <Button
            className="mt-6"
            disabled={chosen === ""}
            aria-label="Add it from the shelf"
            onClick={() => {
              add({ inputId: Number(chosen), name: null, pack: null });
              setChosen("");
            }}
          >
            Add
          </Button>
        </div>
        <div className="flex items-start gap-3">
          <div className="flex-1">
            <Field
              label="Or something else"
              value={own}
              onChange={setOwn}
              hint="perlite, bark, soil; of an unknown bag: woody, or dark and crumbly"
            />
          </div>
          <Button
            className="mt-7"
            disabled={own.trim() === ""}
            onClick={() => {
              add({ inputId: null, name: own.trim(), pack: null });
              setOwn("");
            }}
          >
            Add
          </Button>
        </div>
      </div>
      <WrongHere name="parts" />
    </Fold>
  );
}

interface ChargingProps {
  asked: Asked;
  names: readonly string[];
  raw: boolean;
  set: (part: Partial<Asked>) => void;
}

/** What is charged before it goes in, and with what; or why raw char goes in all the same. */
export function MixCharging({ asked, names, raw, set }: ChargingProps) {
  const options = [{ value: "", name: "nothing" }, ...names.map((n, i) => ({ value: String(i), name: n }))];
  const { charge } = asked;
  const char = names.findIndex((n) => n.includes("char") && !n.includes("charged"));
  const living = names.findIndex((n) => /castings|compost/.test(n));
  if (char < 0 && !charge) return null;
  return (
    <Fold
      key={`${raw}`} // raw char in a mix opens it

      line={charge ? `Charged first: ${names[charge.of ?? -1] ?? "nothing yet"}` : "The char goes in raw"}
      open={raw || (charge != null && charge.with == null)}
    >
      <div className="grid grid-cols-2 gap-x-4 wide:grid-cols-4">
        <Pick
          label="Charge first"
          value={String(charge?.of ?? "")}
          options={options}
          onChange={(of) =>
            set({
              charge:
                of === "" ? null : { ...charge, of: Number(of), with: charge?.with ?? (living < 0 ? null : living) },
            })
          }
        />
        {charge && (
          <>
            <Pick
              label="With"
              value={String(charge.with ?? "")}
              options={options}
              onChange={(w) => set({ charge: { ...charge, with: w === "" ? null : Number(w) } })}
            />
            <Field
              label="Parts of that to one"
              value={charge.ratio ?? ""}
              onChange={(ratio) => set({ charge: { ...charge, ratio } })}
              name="charge.ratio"
              inputMode="decimal"
              hint="empty: the most that every mix bears"
            />
            <AmountField
              label="It lies in"
              dimension="volume"
              value={charge.container ?? ""}
              onChange={(container) => set({ charge: { ...charge, container } })}
              name="charge.container"
              hint="your own container; empty for a heap"
            />
          </>
        )}
      </div>
      <WrongHere name="charge.with" />
      {!charge && (
        <>
          <p>
            <Button
              onClick={() =>
                set({ charge: { of: char, with: living < 0 ? null : living, ratio: null, container: null } })
              }
            >
              Charge it first
            </Button>
          </p>
          <Field
            label="Or why it goes in raw"
            value={asked.rawWhy ?? ""}
            onChange={(rawWhy) => set({ rawWhy })}
            name="rawWhy"
            hint="kept with the job: raw char takes up nitrogen for months"
          />
        </>
      )}
    </Fold>
  );
}
