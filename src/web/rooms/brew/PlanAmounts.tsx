import { useState } from "react";
import type { Schemas } from "../../api/client";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Fold } from "../../parts/Fold";
import { Drag } from "../../parts/Drag";
import { ForkMark } from "../../parts/ForkMark";
import { Vessel } from "../../parts/Vessel";

type Plan = Schemas["PlanRequest"];

interface Props {
  view: Schemas["PlanView"];
  plan: Plan;
  setPlan: (plan: Plan) => void;
  fork: (id: string) => Schemas["Fork"] | undefined;
  choose: (fork: string, school: string) => void;
  ground: Schemas["GroundView"];
  stale: boolean;
}

/** The vessel with what goes in it; each amount can be taken hold of, or typed. */
export function PlanAmounts({ view, plan, setPlan, fork, choose, ground, stale }: Props) {
  const p = view.plan;
  const vessel = ground.vessels.find((v) => v.id === view.vesselId);
  const diffuser = ground.diffusers.find((d) => d.id === view.diffuserId);
  const asked = p.foods.map((f) => ({ kind: f.kind, litres: f.litres, atH: f.atH }));
  const setFood = (kind: string, litres: number, atH = 0) =>
    setPlan({
      ...plan,
      foods: [...asked.filter((f) => f.kind !== kind || f.atH !== atH), { kind, litres, atH }].sort(
        (a, b) => order(view, a.kind, a.atH) - order(view, b.kind, b.atH),
      ),
    });
  const others = (kind: string) =>
    view.moreSources.filter((s) => s.kind !== kind).map((s) => ({ kind: s.kind, litres: s.litres }));
  const setSources = (moreSources: Schemas["SourceAmount"][]) => setPlan({ ...plan, moreSources });
  const split = (food: Schemas["AmountView"]) =>
    setPlan({
      ...plan,
      foods: asked.flatMap((f): Schemas["FoodAsked"][] => (f.kind === food.kind ? food.inParts : [f])),
    });
  const effect = (kind: string) => {
    const e = p.effects.find((x) => x.kind === kind);
    return e?.says ? ` · ${e.says}` : "";
  };
  const mark = (id: string) => <ForkMark fork={fork(id)} onChoose={choose} />;
  const tea = p.making === "tea";
  return (
    <section
      aria-label="What goes in"
      className={`mt-5 gap-6 sm:grid sm:grid-cols-[minmax(9rem,15rem)_1fr] ${stale ? "opacity-60" : ""}`}
    >
      <div>
        <div className="max-sm:mx-auto max-sm:max-w-28">
          <Vessel
            shape={vessel?.shape ?? "bucket"}
            fill={p.brewL / (vessel?.totalL ?? p.brewL)}
            air={p.air.atDepthLpm / Math.max(p.air.lightLpm, 0.1)}
            diffuser={p.making === "extract" || p.making === "steep" ? null : (diffuser?.kind ?? "")}
            hasBag
            name={vessel?.name ?? "the vessel"}
          />
        </div>
        <Fold line={`why ${p.making}, and what it is best for`}>
          <p>
            {p.makingWhy} {mark("root-brew")}
          </p>
          <p className="text-ash">
            Best for {view.makingIs.bestUse}. It keeps {view.makingIs.hold}. Its gate: {view.makingIs.gate}.
          </p>
          <p className="text-ash">
            The ground asks for {view.wantedShown}; {view.brewShown} covers {view.coversShown}. {mark("bias")} {p.bias}
          </p>
        </Fold>
      </div>
      <div className="flex flex-col">
        <AmountRow
          name={p.making === "tea" ? "brew" : "extract"}
          shown={view.brewShown}
          litres={p.brewL}
          most={vessel?.workingL ?? p.brewL}
          least={1}
          onSet={(v) => setPlan({ ...plan, brewL: v, sourceL: null, foods: null })}
        />
        <AmountRow
          name={view.source.name}
          shown={view.source.shown}
          tools={view.source}
          litres={p.source.litres}
          most={p.source.mostL}
          onSet={(v) => setPlan({ ...plan, sourceL: v })}
          ofSource={view.source.kind}
          after={mark("order")}
        />
        {view.moreSources.map((s) => (
          <AmountRow
            key={s.kind}
            name={s.name}
            shown={s.shown}
            tools={s}
            litres={s.litres}
            most={s.mostL}
            onSet={(v) => setSources([...others(s.kind), { kind: s.kind, litres: v }])}
            ofSource={s.kind}
            after={
              <Button kind="plain" aria-label={`leave out ${s.name}`} onClick={() => setSources(others(s.kind))}>
                leave out
              </Button>
            }
          />
        ))}
        {view.foods.map((f) => (
          <AmountRow
            key={f.kind + f.atH}
            name={f.atH > 0 ? `${f.name} at ${f.atH} h` : f.name}
            shown={f.shown}
            tools={f}
            also={effect(f.kind)}
            litres={f.litres}
            most={f.mostL}
            onSet={(v) => setFood(f.kind, v, f.atH)}
            after={
              <>
                {mark("food")}
                {view.foods.filter((x) => x.kind === f.kind).length === 1 && (
                  <Button kind="plain" aria-label={`in parts: ${f.name}`} onClick={() => split(f)}>
                    in parts
                  </Button>
                )}
              </>
            }
            short={!f.onShelf}
            marks={marksOf(view, f)}
          />
        ))}
        {tea && p.foodSays && (
          <p className="border-t border-line py-2">
            {p.foodSays} {view.foods.length === 0 && mark("food")}
          </p>
        )}
        {tea && plan.foods && (
          <p className="border-t border-line py-2">
            <Button kind="plain" onClick={() => setPlan({ ...plan, foods: null })}>
              back to what the air carries
            </Button>
          </p>
        )}
        {(view.addableSources.length > 0 || (tea && p.addable.length > 0)) && (
          <Fold line="+ something else in it">
            <p>
              {view.addableSources.map((s) => (
                <Button
                  key={s.kind}
                  kind="plain"
                  className="mr-4"
                  onClick={() => setSources([...others(s.kind), { kind: s.kind, litres: s.litres }])}
                >
                  + {s.name}
                </Button>
              ))}
              {tea &&
                p.addable.map((f) => (
                  <Button key={f.kind} kind="plain" className="mr-4" onClick={() => setFood(f.kind, f.litres)}>
                    + {f.name}
                  </Button>
                ))}
            </p>
          </Fold>
        )}
        {tea && (
          <>
            <Slide
              name="air at this depth"
              shown={view.airShown}
              under={`the box says ${view.boxShown}; ${view.leastAirShown}`}
              after={mark("air")}
            >
              <Drag
                label="air at this depth"
                value={p.air.atDepthLpm}
                min={0}
                max={p.air.heavyLpm * 1.5}
                step={p.air.heavyLpm / 200}
                says={view.airShown}
                onChange={(v) => setPlan({ ...plan, airLpm: v })}
              />
            </Slide>
            <Slide
              name="warmth of the brew"
              shown={view.warmthShown}
              under={`swinging ${view.swingShown} either way over the day`}
              after={mark("brew-time")}
            >
              <Drag
                label="warmth of the brew, degrees"
                value={plan.warmthC ?? 18}
                min={5}
                max={38}
                step={0.5}
                says={view.warmthShown}
                onChange={(v) => setPlan({ ...plan, warmthC: v })}
              />
              <Drag
                label="daily swing, degrees either way"
                value={plan.swingC ?? 0}
                min={0}
                max={10}
                step={0.5}
                says={`${view.swingShown} either way`}
                onChange={(v) => setPlan({ ...plan, swingC: v })}
              />
            </Slide>
          </>
        )}
        <p className="border-t border-line py-2">
          <b>{ground.waters.find((w) => w.id === view.waterSourceId)?.name}</b> {mark("clear-chlorine")}
          <br />
          {view.waterSays}
          {p.water.assumedMgPerL !== null && <b className="text-straw"> ▲ no strip read: 2 mg/L assumed</b>}
        </p>
      </div>
    </section>
  );
}

/** How much of a food is carried, and where its edge is: on the slider itself. */
function marksOf(view: Schemas["PlanView"], f: Schemas["AmountView"]) {
  const m = view.foodMarks.find((x) => x.kind === f.kind && x.atH === f.atH);
  const near = m?.carriedL != null && m.edgeL != null && Math.abs(m.edgeL - m.carriedL) < f.mostL / 8;
  return [
    ...(m?.carriedL != null && !near ? [{ at: m.carriedL, name: "nine in ten", look: "go" as const }] : []),
    ...(m?.edgeL != null
      ? [{ at: m.edgeL, name: near ? "the edge, just above" : "the edge", look: "stop" as const }]
      : []),
  ];
}

const order = (view: Schemas["PlanView"], kind: string, atH: number) => {
  const at = view.foods.findIndex((f) => f.kind === kind);
  return (at < 0 ? 99 : at) + atH / 100;
};

function Slide({
  name,
  shown,
  under,
  after,
  children,
}: {
  name: string;
  shown: string;
  under?: string;
  after?: React.ReactNode;
  children: React.ReactNode;
}) {
  return (
    <div className="border-t border-line py-1">
      <p className="flex items-center justify-between gap-2">
        <span>
          <b>{name}</b> {after}
        </span>
        <b className="figures text-lg">{shown}</b>
      </p>
      {children}
      {under && <p className="-mt-1 text-ash">{under}</p>}
    </div>
  );
}

interface RowProps {
  name: string;
  shown: string;
  litres: number;
  most: number;
  least?: number;
  tools?: Schemas["AmountView"];
  also?: string;
  short?: boolean;
  after?: React.ReactNode;
  /** A kind of source, which may be typed in grams or kilos too. */
  ofSource?: string;
  onSet: (litres: number) => void;
  marks?: React.ComponentProps<typeof Drag>["marks"];
}

/** One amount: in units, in tools with the error of rounding, on a slider, or typed as it is said. */
function AmountRow({
  name,
  shown,
  litres,
  most,
  least = 0,
  tools,
  also = "",
  short,
  after,
  ofSource,
  onSet,
  marks,
}: RowProps) {
  const [typing, setTyping] = useState<string | null>(null);
  return (
    <Slide
      name={name}
      shown={shown}
      after={
        <>
          {after}
          <Button
            kind="plain"
            aria-label={typing === null ? `type ${name}` : `done typing ${name}`}
            onClick={() => setTyping(typing === null ? shown : null)}
          >
            {typing === null ? "type" : "done"}
          </Button>
          {short && <span className="text-straw"> ▲ not on the shelf</span>}
        </>
      }
      under={tools && `${tools.inTools} · ${tools.toolError}${also}`}
    >
      {typing === null ? (
        <Drag
          label={name}
          value={litres}
          min={least}
          max={Math.max(most, litres)}
          step={Math.max(most, litres) / 200}
          says={shown}
          onChange={onSet}
          marks={marks}
        />
      ) : (
        <AmountField
          label={`${name}, as you would say it`}
          value={typing}
          dimension="volume"
          ofSource={ofSource}
          autoFocus
          onChange={setTyping}
          onRead={onSet}
        />
      )}
    </Slide>
  );
}
