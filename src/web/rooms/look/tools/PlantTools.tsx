import { useState } from "react";
import { typed } from "../../../api/typed";
import { Button } from "../../../parts/Button";
import { Choice } from "../../../parts/Choice";
import { Field } from "../../../parts/Field";
import { Tick } from "../../../parts/Tick";
import { at, type Asked, type ToolProps } from "./asked";

/** One more, one less. */
function Count({
  label,
  n,
  most = 999,
  onChange,
}: {
  label: string;
  n: number;
  most?: number;
  onChange: (n: number) => void;
}) {
  return (
    <p className="flex items-center gap-3">
      <span className="min-w-40">{label}</span>
      <Button aria-label={`${label}: one less`} disabled={n <= 0} onClick={() => onChange(n - 1)}>
        −
      </Button>
      <b className="figures min-w-10 text-center text-2xl">{n}</b>
      <Button aria-label={`${label}: one more`} disabled={n >= most} onClick={() => onChange(n + 1)}>
        +
      </Button>
    </p>
  );
}

/** Roots of so many plants: touched where they turn aside. */
export function RootsTool({ asked, set }: ToolProps) {
  const plants = asked.plants ?? 12;
  const [turned, turn] = useState<readonly number[]>(() => Array.from({ length: asked.turned ?? 0 }, (_, i) => i));
  const [deep, setDeep] = useState((asked.deepestCm ?? []).join(" "));
  const put = (list: readonly number[], n = plants) => {
    const within = list.filter((i) => i < n);
    turn(within);
    set({ plants: n, turned: within.length });
  };
  return (
    <>
      <svg
        viewBox={`0 0 ${Math.max(12, plants) * 30} 150`}
        className="w-full max-w-xl select-none"
        role="group"
        aria-label="Plants: touch those whose roots turn aside"
      >
        <path d={`M0 40H${Math.max(12, plants) * 30}`} className="stroke-ink" />
        {Array.from({ length: plants }, (_, i) => {
          const [x, aside] = [15 + i * 30, turned.includes(i)];
          const flip = () => put(aside ? turned.filter((t) => t !== i) : [...turned, i]);
          return (
            <g
              key={i}
              role="checkbox"
              aria-checked={aside}
              aria-label={`plant ${i + 1} turns aside`}
              tabIndex={0}
              className="cursor-pointer"
              onClick={flip}
              onKeyDown={(e) => {
                if (e.key !== "Enter" && e.key !== " ") return;
                e.preventDefault();
                flip();
              }}
            >
              <rect x={x - 15} y="0" width="30" height="150" fill="transparent" />
              <path d={`M${x} 40V18M${x} 26l-8 -8M${x} 30l8 -10`} className="stroke-moss" strokeWidth="3" fill="none" />
              <path
                d={aside ? `M${x} 40q4 20 0 42q2 6 13 7` : `M${x} 40q5 24 0 48t0 52`}
                className={`fill-none ${aside ? "stroke-plum" : "stroke-bag"}`}
                strokeWidth="3.5"
                strokeLinecap="round"
              />
              {aside && (
                <text x={x} y="120" textAnchor="middle" fontSize="17" fontWeight="700" className="fill-plum">
                  ↳
                </text>
              )}
            </g>
          );
        })}
      </svg>
      <p className="figures font-bold">
        {turned.length} of {plants} turn aside
      </p>
      <Count label="Plants" n={plants} most={30} onChange={(n) => put(turned, Math.max(1, n))} />
      <div className="grid gap-x-4 sm:grid-cols-2">
        <Field
          label="At which depth, cm"
          inputMode="decimal"
          value={asked.turnedAtCm == null ? "" : String(asked.turnedAtCm)}
          onChange={(v) => set({ turnedAtCm: typed(v) })}
          name="check.turnedAtCm"
          hint="18"
        />
        <Field
          label="How deep each goes, cm"
          value={deep}
          onChange={(v) => {
            setDeep(v);
            const list = v
              .split(/[\s;]+/)
              .filter(Boolean)
              .map(typed);
            set({ deepestCm: list.length > 0 ? (list as number[]) : null });
          }}
          name="check.deepestCm"
          hint="22 31 18; may be left out"
        />
      </div>
      <Choice
        label="Sheathed in soil"
        value={asked.sheathed ?? ""}
        options={[
          { value: "none", name: "none" },
          { value: "some", name: "some" },
          { value: "most", name: "most" },
        ]}
        onChange={(v) => set({ sheathed: v as Asked["sheathed"] })}
      />
      <Tick
        on={asked.stone === true}
        onToggle={() => set({ stone: !asked.stone })}
        label="A second hole showed a stone there, and no pan"
      />
    </>
  );
}

/** Nodules counted, and some of them cut open: pink, or not. */
export function NoduleTool({ asked, set }: ToolProps) {
  const [pink, cut] = [asked.pink ?? 0, asked.cut ?? 0];
  const start = { plants: asked.plants ?? 10, nodules: asked.nodules ?? 0, cut, pink };
  return (
    <>
      <Count label="Plants" n={start.plants} onChange={(plants) => set({ ...start, plants: Math.max(1, plants) })} />
      <Count label="Nodules on all" n={start.nodules} onChange={(nodules) => set({ ...start, nodules })} />
      <p className="flex flex-wrap gap-3">
        {[5, 20].map((n) => (
          <Button key={n} onClick={() => set({ ...start, nodules: start.nodules + n })}>
            {n} more
          </Button>
        ))}
      </p>
      <svg
        viewBox="0 0 320 84"
        className="w-full max-w-md"
        role="img"
        aria-label={`${pink} of ${cut} cut open are pink`}
      >
        {Array.from({ length: Math.min(cut, 20) }, (_, i) => (
          <g key={i}>
            <circle
              cx={18 + (i % 10) * 31}
              cy={22 + Math.floor(i / 10) * 38}
              r="14"
              className={`stroke-ink ${i < pink ? "fill-clay" : "fill-paper"}`}
              strokeWidth="2"
            />
            <text
              x={18 + (i % 10) * 31}
              y={27 + Math.floor(i / 10) * 38}
              textAnchor="middle"
              fontSize="14"
              className={i < pink ? "fill-paper" : "fill-ink"}
            >
              {i < pink ? "p" : "–"}
            </text>
          </g>
        ))}
      </svg>
      <p className="flex flex-wrap gap-3">
        <Button
          onClick={() => set({ ...start, nodules: Math.max(start.nodules, cut + 1), cut: cut + 1, pink: pink + 1 })}
        >
          Cut: pink
        </Button>
        <Button onClick={() => set({ ...start, nodules: Math.max(start.nodules, cut + 1), cut: cut + 1 })}>
          Cut: white or green
        </Button>
        <Button
          kind="plain"
          disabled={cut === 0}
          onClick={() => set({ ...start, cut: cut - 1, pink: Math.min(pink, cut - 1) })}
        >
          one less
        </Button>
      </p>
    </>
  );
}

const greens = [0.16, 0.32, 0.48, 0.64, 0.82, 1];

/** The colour card, and how the stand looks. */
export function LeafTool({ asked, set }: ToolProps) {
  const [stand, setStand] = useState((asked.stand ?? []).join(" "));
  return (
    <>
      <div role="radiogroup" aria-label="Colour on the card" className="grid max-w-md grid-cols-6 gap-1">
        {greens.map((g, i) => (
          <button
            key={g}
            type="button"
            role="radio"
            aria-checked={asked.card === i + 1}
            aria-label={`${i + 1}`}
            onClick={() => set({ card: i + 1 })}
            className={`min-h-24 border-2 ${asked.card === i + 1 ? "border-clay" : "border-line"}`}
          >
            <svg viewBox="0 0 40 60" className="h-16 w-full" aria-hidden>
              <path
                d="M20 58V30M20 44C4 40 2 16 20 2C38 16 36 40 20 44Z"
                className="fill-moss stroke-ink"
                fillOpacity={g}
                strokeWidth="1.5"
              />
            </svg>
            <b>{i + 1}</b>
          </button>
        ))}
      </div>
      <Choice
        label="Leaves are"
        value={asked.shape ?? ""}
        options={["flat", "curled", "mottled"].map((value) => ({ value, name: value }))}
        onChange={(shape) => set({ shape })}
      />
      <div className="grid gap-x-4 sm:grid-cols-2">
        <Tick
          on={asked.oldYellow === true}
          onToggle={() => set({ oldYellow: !asked.oldYellow })}
          label="The old ones are yellow"
        />
        <Tick
          on={asked.youngYellow === true}
          onToggle={() => set({ youngYellow: !asked.youngYellow })}
          label="The young ones are yellow"
        />
        <Field
          label="Plants in each metre of row"
          value={stand}
          onChange={(v) => {
            setStand(v);
            const list = v
              .split(/[\s,;]+/)
              .filter(Boolean)
              .map(typed);
            set({ stand: list.length > 0 ? (list as number[]) : null });
          }}
          name="check.stand"
          hint="12 14 9 …; may be left out"
        />
      </div>
    </>
  );
}

/** Weeds kind by kind: a frame is touched once for each plant of the kind that is held. */
export function WeedsTool({ asked, set }: ToolProps) {
  const weeds = asked.weeds ?? [];
  const [held, hold] = useState(0);
  const [name, setName] = useState("");
  const weed = weeds[held];
  const add = () => {
    if (!name.trim()) return;
    set({ weeds: [...weeds, { kind: name.trim(), counts: [0, 0, 0] }] });
    hold(weeds.length);
    setName("");
  };
  const put = (frame: number, by: number) =>
    set({
      weeds: at(weeds, held, {
        ...weed!,
        counts: at(weed!.counts ?? [0, 0, 0], frame, Math.max(0, (weed!.counts?.[frame] ?? 0) + by)),
      }),
    });
  return (
    <>
      <div className="flex flex-wrap items-end gap-3">
        <div className="min-w-48 grow">
          <Field
            label="A kind of weed"
            value={name}
            onChange={setName}
            name="check.weeds"
            hint="fat hen, dock, bindweed"
          />
        </div>
        <Button className="mb-7" onClick={add}>
          Count it
        </Button>
      </div>
      {weeds.length > 0 && (
        <Choice
          label="Counting"
          value={String(held)}
          options={weeds.map((w, i) => ({
            value: String(i),
            name: `${w.kind}: ${(w.counts ?? []).reduce((a, b) => a + b, 0)}`,
          }))}
          onChange={(v) => hold(Number(v))}
        />
      )}
      {weed && (
        <div className="grid max-w-md grid-cols-3 gap-3">
          {(weed.counts ?? [0, 0, 0]).map((n, f) => (
            <div key={f} className="text-center">
              <button
                type="button"
                aria-label={`frame ${f + 1}: one more ${weed.kind}, ${n} so far`}
                onClick={() => put(f, 1)}
                className="block w-full touch-manipulation"
              >
                <svg viewBox="0 0 100 100" className="w-full" aria-hidden>
                  <rect x="4" y="4" width="92" height="92" className="fill-paper stroke-ink" strokeWidth="4" />
                  {Array.from({ length: Math.min(n, 25) }, (_, j) => {
                    const [x, y] = [16 + ((j * 31) % 70), 22 + ((j * 47) % 66)];
                    return (
                      <path
                        key={j}
                        d={`M${x} ${y}v-9M${x} ${y - 4}l-6 -5M${x} ${y - 4}l6 -5`}
                        className="fill-none stroke-moss"
                        strokeWidth="2.5"
                      />
                    );
                  })}
                  <text x="50" y="60" textAnchor="middle" fontSize="32" fontWeight="700" className="fill-ink halo">
                    {n}
                  </text>
                </svg>
              </button>
              <Button
                kind="plain"
                disabled={n === 0}
                aria-label={`frame ${f + 1}: one less`}
                onClick={() => put(f, -1)}
              >
                one less
              </Button>
            </div>
          ))}
        </div>
      )}
    </>
  );
}

const holes: readonly (readonly [value: number, name: string])[] = [
  [0.05, "as it went in"],
  [0.25, "holes in it"],
  [0.5, "half of it"],
  [0.75, "rags"],
  [0.95, "hem and seams only"],
];

/** A strip of cotton: laid in, or dug up and looked at. */
export function CottonTool({ asked, set }: ToolProps) {
  const gone = asked.gone ?? 0;
  return (
    <>
      <Choice
        label="Today"
        value={asked.buried ? "in" : "up"}
        options={[
          { value: "in", name: "it is laid in" },
          { value: "up", name: "it is dug up" },
        ]}
        onChange={(v) => set({ buried: v === "in", gone: null })}
      />
      {!asked.buried && (
        <>
          <svg viewBox="0 0 320 60" className="w-full max-w-md" role="img" aria-label="The strip as it came up">
            <rect x="4" y="8" width="312" height="44" className="fill-paper stroke-ink" strokeWidth="1.5" />
            {Array.from({ length: Math.round(gone * 40) }, (_, i) => (
              <circle
                key={i}
                cx={14 + ((i * 83) % 292)}
                cy={14 + ((i * 37) % 34)}
                r={7 + gone * 7}
                className="fill-slip stroke-line"
              />
            ))}
          </svg>
          <Choice
            label="What is gone of it"
            value={asked.gone == null ? "" : String(asked.gone)}
            options={holes.map(([value, name]) => ({ value: String(value), name }))}
            onChange={(v) => set({ gone: Number(v) })}
            name="check.gone"
          />
          <Field
            label="Weeks it lay"
            inputMode="decimal"
            value={asked.weeks == null ? "" : String(asked.weeks)}
            onChange={(v) => set({ weeks: typed(v) })}
            name="check.weeks"
            hint="empty where it was laid in at this peg: counted from then"
          />
        </>
      )}
    </>
  );
}
