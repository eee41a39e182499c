import { Slider } from "radix-ui";
import { useState } from "react";
import type { Schemas } from "../../../api/client";
import { Button } from "../../../parts/Button";
import { Choice } from "../../../parts/Choice";
import { Field } from "../../../parts/Field";
import { Tick } from "../../../parts/Tick";
import { ProfileDrawn } from "../ProfileDrawn";
import { at, type ToolProps } from "./asked";

type Layer = Schemas["LayerAsked"];

const fresh = (toCm: number): Layer => ({
  toCm,
  score: null,
  colour: null,
  mottled: false,
  threads: false,
  smell: null,
  says: null,
});

const scores = [
  ["1", "1 friable"],
  ["2", "2 intact"],
  ["3", "3 firm"],
  ["4", "4 compact"],
  ["5", "5 very compact"],
] as const;

/** The pit: lines between layers are taken hold of; each layer is scored by touching it. */
export function PitTool({ asked, set }: ToolProps) {
  const layers = asked.layers ?? [fresh(30)];
  const [held, hold] = useState(0);
  const i = Math.min(held, layers.length - 1);
  const layer = layers[i]!;
  const deep = 45;
  const put = (part: Partial<Layer>) => set({ layers: at(layers, i, { ...layer, ...part }) });
  const cut = () => {
    const from = i === 0 ? 0 : layers[i - 1]!.toCm!;
    const middle = Math.round((from + layer.toCm!) / 2);
    if (middle > from && middle < layer.toCm!)
      set({ layers: [...layers.slice(0, i), { ...layer, toCm: middle }, layer, ...layers.slice(i + 1)] });
  };
  const away = () => {
    const rest = layers.toSpliced(i, 1);
    set({ layers: i === layers.length - 1 ? at(rest, rest.length - 1, { ...rest.at(-1)!, toCm: layer.toCm }) : rest });
    hold(Math.max(0, i - 1));
  };
  return (
    <div className="grid grid-cols-[8.5rem_minmax(0,1fr)] gap-4">
      <div className="relative h-[22rem]">
        <ProfileDrawn layers={layers} deep={deep} held={i} onHold={hold} />
        <Slider.Root
          orientation="vertical"
          inverted
          className="pointer-events-none absolute inset-y-0 right-0 flex w-12 touch-none select-none justify-center"
          value={layers.map((l) => l.toCm ?? 0)}
          min={0}
          max={deep}
          step={1}
          minStepsBetweenThumbs={1}
          onValueChange={(v) => set({ layers: layers.map((l, j) => ({ ...l, toCm: v[j]! })) })}
        >
          <Slider.Track className="h-full w-0" />
          {layers.map((l, j) => (
            <Slider.Thumb
              key={j}
              aria-label={`Layer ${j + 1} ends at`}
              aria-valuetext={`${l.toCm} cm`}
              className="pointer-events-auto flex h-9 w-12 items-center justify-center rounded-full border-2 border-clay bg-paper text-base font-bold text-clay"
            >
              {l.toCm}
            </Slider.Thumb>
          ))}
        </Slider.Root>
      </div>
      <div className="flex min-w-0 flex-col gap-2">
        <p className="font-bold">
          Layer {i + 1} of {layers.length}, to {layer.toCm} cm
        </p>
        <Choice
          label="Structure"
          value={String(layer.score ?? "")}
          options={scores.map(([value, name]) => ({ value, name }))}
          onChange={(v) => put({ score: Number(v) })}
        />
        <p className="flex flex-wrap gap-3">
          <Button onClick={cut}>Cut it in two</Button>
          {layers.length > 1 && (
            <Button kind="plain" onClick={away}>
              no layer of its own
            </Button>
          )}
        </p>
      </div>
      <div className="col-span-2 grid gap-x-4 sm:grid-cols-2">
        <Tick
          on={layer.mottled === true}
          onToggle={() => put({ mottled: !layer.mottled })}
          label="Rust or grey spots"
        />
        <Tick
          on={layer.threads === true}
          onToggle={() => put({ threads: !layer.threads })}
          label="Threads of fungi"
          under="(hyphae)"
        />
        <Choice
          label="Smell"
          value={layer.smell ?? ""}
          options={[
            { value: "earthy", name: "earth" },
            { value: "none", name: "nothing" },
            { value: "sour", name: "sour" },
            { value: "rottenEgg", name: "rotten egg" },
          ]}
          onChange={(v) => put({ smell: v as Schemas["GroundSmell"] })}
        />
        <Field
          label="Colour, and what it is like"
          value={layer.says ?? ""}
          onChange={(says) => put({ says: says || null })}
          hint="dark crumbs; plates; 10YR 3/2"
        />
      </div>
    </div>
  );
}
