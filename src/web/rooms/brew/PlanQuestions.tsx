import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Choice } from "../../parts/Choice";
import { MomentField } from "../../parts/DayField";
import { GroundMap } from "../../parts/GroundMap";
import { useRead } from "../../api/data";
import { WrongHere } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { PlanChoices } from "./PlanChoices";

interface Props {
  plan: Schemas["PlanRequest"];
  /** The kit in force: what was chosen, and what Mud Pie proposes for the rest. */
  kit: Schemas["PlanView"] | null;
  setPlan: (plan: Schemas["PlanRequest"]) => void;
  ground: Schemas["GroundView"];
}

/** Which ground, leaf or root, when, and with what kit. */
export function PlanQuestions({ plan, kit, setPlan, ground }: Props) {
  const clock = useClock();
  const map = useRead("/api/ground/plan");
  const [when, setWhen] = useState(() => (plan.useAt ? clock.toField(new Date(plan.useAt)) : ""));
  const toggle = (id: number) => {
    const ids = plan.bedIds ?? [];
    setPlan({ ...plan, bedIds: ids.includes(id) ? ids.filter((x) => x !== id) : [...ids, id] });
  };
  const vesselId = plan.vesselId ?? kit?.vesselId;
  const pumpId = plan.pumpId ?? kit?.pumpId;
  const diffuserId = plan.diffuserId ?? kit?.diffuserId;
  const waterId = plan.waterSourceId ?? kit?.waterSourceId;
  const name = (list: { id: number; name: string }[], id?: number) => list.find((x) => x.id === id)?.name;
  // Another vessel asks for another pump and outlet: they are proposed anew.
  const takeVessel = (id: string) =>
    setPlan({
      ...plan,
      vesselId: Number(id),
      pumpId: null,
      diffuserId: null,
      brewL: null,
      sourceL: null,
      foods: null,
      airLpm: null,
    });
  const options = (list: { id: number; name: string }[]) => list.map((x) => ({ value: String(x.id), name: x.name }));
  return (
    <div className="grid gap-x-6 gap-y-3 lg:grid-cols-[1.25fr_1fr]">
      <div>
        <GroundMap plan={map} label="Which beds?" chosen={plan.bedIds ?? []} onToggle={toggle} />
        <Choice
          label="For"
          value={plan.purpose === "root" ? "root" : "leaf"}
          options={[
            { value: "leaf", name: "leaves" },
            { value: "root", name: "roots" },
          ]}
          onChange={(purpose) =>
            setPlan({ ...plan, purpose, making: null, recipe: null, brewL: null, sourceL: null, foods: null })
          }
        />
        <WrongHere name="beds" />
        <WrongHere name="bedIds" />
      </div>
      <div className="flex flex-col gap-2">
        <Choice
          label="When?"
          value={plan.startNow ? "now" : "then"}
          options={[
            { value: "now", name: "I am starting now" },
            { value: "then", name: "for an hour" },
          ]}
          onChange={(v) => setPlan({ ...plan, startNow: v === "now" })}
        />
        {plan.startNow ? (
          kit && (
            <p>
              To go out <b className="figures">{clock.when(kit.plan.useAt)}</b>
            </p>
          )
        ) : (
          <MomentField
            label="To put out at"
            value={when}
            name="useAt"
            hint={`the time in ${clock.zone}`}
            onChange={(v) => {
              setWhen(v);
              setPlan({ ...plan, useAt: clock.fromField(v)?.toISOString() ?? (v || null) });
            }}
          />
        )}
        <PlanChoices plan={plan} kit={kit} setPlan={setPlan} />
        <details className="border-y border-line py-2">
          <summary className="min-h-11 cursor-pointer py-2 text-base">
            <b>{vesselId ? `In ${name(ground.vessels, vesselId)}` : "With what Mud Pie proposes"}</b>
            {[name(ground.pumps, pumpId), name(ground.diffusers, diffuserId), name(ground.waters, waterId)]
              .filter(Boolean)
              .map((part) => `, ${part}`)}{" "}
            <span className="text-clay underline">change</span>
          </summary>
          <div className="flex flex-col gap-3 pb-3">
            <Choice label="Vessel" value={String(vesselId)} options={options(ground.vessels)} onChange={takeVessel} />
            <Choice
              label="Pump"
              value={String(pumpId)}
              options={options(ground.pumps)}
              onChange={(v) => setPlan({ ...plan, pumpId: Number(v), airLpm: null })}
              name="pump"
            />
            <Choice
              label="Diffuser"
              value={String(diffuserId)}
              options={options(ground.diffusers)}
              onChange={(v) => setPlan({ ...plan, diffuserId: Number(v), airLpm: null })}
            />
            <Choice
              label="Water"
              value={String(waterId)}
              options={options(ground.waters)}
              onChange={(v) => setPlan({ ...plan, waterSourceId: Number(v) })}
              name="waterSourceId"
            />
          </div>
        </details>
      </div>
    </div>
  );
}
