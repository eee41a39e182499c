import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Checkbox } from "radix-ui";
import { useState } from "react";
import { useNavigate, useParams } from "react-router-dom";
import { client, must, type Problem, type Schemas, useRead, useWrite } from "../../api/client";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { ForkMark } from "../../parts/ForkMark";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { WhenField } from "../../parts/WhenField";
import { Wrong } from "../../parts/Wrong";

export function PutOut() {
  const id = Number(useParams().id);
  const batch = useRead(["batch", id], () => client.GET("/api/brew/batches/{id}", { params: { path: { id } } }));
  const ground = useRead(["ground"], () => client.GET("/api/ground"));
  if (!batch.data || !ground.data) {
    return (
      <main id="room" className="p-7">
        <h1 className="text-2xl">Put out</h1>
        <Wrong problem={batch.error} />
      </main>
    );
  }
  return <Spread batch={batch.data} ground={ground.data} />;
}

const tones: Record<Schemas["Fitness"], Schemas["Tone"]> = { fit: "go", unseen: "mind", notFit: "stop", feed: "mind" };

/** Strain, dilute, share out, and say by what; refused for a failed batch unless the grower says why. */
function Spread({ batch, ground }: { batch: Schemas["BatchView"]; ground: Schemas["GroundView"] }) {
  const go = useNavigate();
  const [r, setR] = useState<Schemas["PutOutRequest"]>({
    dilution: batch.purpose === "leaf" ? "1:5" : "1:1",
    bedIds: batch.beds.map((b) => b.id),
    brew: batch.brewShown,
    tool: batch.vessel.brewL > 60 ? "boom" : "knapsack, kept for biology",
    tank: batch.vessel.brewL > 60 ? "400 L" : "15 L",
    overrideWhy: "",
    cautionsSeen: [],
  });
  const path = { params: { path: { batchId: batch.id } } };
  const asked = { ...r, cautionsSeen: [], overrideWhy: null };
  const worked = useQuery<Schemas["WorkedOfSpreadView"], Problem>({
    queryKey: ["spread", batch.id, asked],
    queryFn: () => must(client.POST("/api/put-out/{batchId}/work-out", { ...path, body: asked })),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const keep = useWrite(
    (body: Schemas["PutOutRequest"], headers) => client.POST("/api/put-out/{batchId}", { ...path, body, headers }),
    () => go("/judge/brix"),
  );
  const v = worked.data?.value;
  const wrong = (f: string) => worked.error?.of(f) ?? keep.error?.of(f);
  const seen = r.cautionsSeen ?? [];
  const tick = (id: string) =>
    setR({ ...r, cautionsSeen: seen.includes(id) ? seen.filter((x) => x !== id) : [...seen, id] });
  const toggle = (id: number) => {
    const ids = r.bedIds ?? [];
    setR({ ...r, bedIds: ids.includes(id) ? ids.filter((x) => x !== id) : [...ids, id] });
  };
  const failed = v?.gate.fitness === "notFit";
  const unticked = worked.data?.cautions.filter((c) => !seen.includes(c.id)).length ?? 0;
  return (
    <Room
      title={`Put out ${batch.vessel.name}`}
      under={`${batch.brewShown} of ${batch.making}, ${batch.purpose === "leaf" ? "for leaves" : "for roots"}`}
      peek={v?.gate.sentence}
      bench={
        <div className="flex flex-col gap-4">
          {v && (
            <Verdict
              verdict={{ tone: tones[v.gate.fitness], sentence: v.gate.sentence, why: v.gate.reasons.join(" ") }}
            />
          )}
          <div className="grid gap-x-6 sm:grid-cols-2">
            <AmountField
              label="Strained brew"
              dimension="volume"
              value={r.brew ?? ""}
              onChange={(brew) => setR({ ...r, brew })}
              wrong={wrong("brew")}
            />
            <Field
              label="Thinned"
              value={r.dilution ?? ""}
              onChange={(dilution) => setR({ ...r, dilution })}
              wrong={wrong("dilution")}
              hint={v?.spread.dilution}
            />
            <Field
              label="By what"
              value={r.tool ?? ""}
              onChange={(tool) => setR({ ...r, tool })}
              wrong={wrong("tool")}
              hint="never one that held weed-killer or pesticide"
            />
            <AmountField
              label="It holds"
              dimension="volume"
              value={r.tank ?? ""}
              onChange={(tank) => setR({ ...r, tank })}
              wrong={wrong("tank")}
            />
          </div>
          <p>
            {worked.data?.forks.map((f) => (
              <span key={f.id}>
                <ForkMark fork={f} /> {f.question}
              </span>
            ))}
          </p>
          <fieldset>
            <legend className="font-medium">On which beds?</legend>
            <div className="mt-1 flex flex-wrap gap-2">
              {ground.beds.map((b) => (
                <Tick
                  key={b.id}
                  on={r.bedIds?.includes(b.id) ?? false}
                  onToggle={() => toggle(b.id)}
                  label={`${b.name}, ${b.areaShown}`}
                />
              ))}
            </div>
            {wrong("beds") && (
              <p role="alert" className="font-medium text-plum">
                ✕ {wrong("beds")}
              </p>
            )}
          </fieldset>
          <Wrong problem={worked.error} shown={["brew", "dilution", "tank", "beds"]} />
        </div>
      }
      slate={
        v && worked.data ? (
          <>
            <h2 className="text-2xl">
              {v.totalShown} in {v.spread.loads} {v.spread.loads === 1 ? "fill" : "fills"}
            </h2>
            <p className="figures text-lg">
              {v.teaShown} of brew + {v.waterShown} of water ({v.waterInTools}). Each full fill: {v.loadTeaShown} of
              brew, made up to {v.loadTotalShown}; the last is {v.lastLoadShown}. {v.howToCover}
            </p>
            <table className="w-full text-lg">
              <caption className="text-left text-ash">What each bed gets</caption>
              <thead>
                <tr className="text-left">
                  <th scope="col">bed</th>
                  <th scope="col">brew</th>
                  <th scope="col">in all</th>
                </tr>
              </thead>
              <tbody>
                {v.shares.map((s) => (
                  <tr key={s.name} className="border-t border-line">
                    <td>
                      {s.name} <span className="text-ash">{s.areaShown}</span>
                    </td>
                    <td>{s.teaShown}</td>
                    <td>{s.totalShown}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            <Sum working={worked.data.working} sure={worked.data.sure} of="these litres" />
            <fieldset>
              <legend className="font-head text-xl font-bold">Before you go: tick each</legend>
              <ul>
                {worked.data.cautions.map((c) => (
                  <li key={c.id} className="border-t border-line py-1">
                    <Tick on={seen.includes(c.id)} onToggle={() => tick(c.id)} label={c.text} under={c.localRule} />
                  </li>
                ))}
              </ul>
            </fieldset>
            {failed && (
              <Field
                label="This brew failed. Heap it; or say in words why it goes out all the same"
                value={r.overrideWhy ?? ""}
                onChange={(overrideWhy) => setR({ ...r, overrideWhy })}
                wrong={keep.error?.of("overrideWhy")}
                hint="the record keeps it"
              />
            )}
            {keep.error?.of("cautionsSeen") && (
              <p role="alert" className="font-medium text-plum">
                ✕ {keep.error.of("cautionsSeen")}
              </p>
            )}
            <Wrong
              problem={keep.error}
              shown={["overrideWhy", "cautionsSeen", "at", "tool", "brew", "tank", "dilution", "beds"]}
            />
            <WhenField onChange={(at) => setR({ ...r, at })} wrong={keep.error?.of("at")} />
            <Button kind="filled" disabled={keep.isPending} onClick={() => keep.mutate(r)}>
              It is out{unticked > 0 ? ` (${unticked} to tick)` : ""}
            </Button>
          </>
        ) : (
          <Wrong problem={worked.error} />
        )
      }
    />
  );
}

function Tick({ on, onToggle, label, under }: { on: boolean; onToggle: () => void; label: string; under?: string }) {
  return (
    <label className="flex min-h-12 cursor-pointer items-center gap-3 py-1">
      <Checkbox.Root
        checked={on}
        onCheckedChange={onToggle}
        aria-label={label}
        className="flex h-7 w-7 shrink-0 items-center justify-center border-2 border-ink bg-paper font-bold text-clay"
      >
        <Checkbox.Indicator>✓</Checkbox.Indicator>
      </Checkbox.Root>
      <span className={on ? "font-bold" : ""}>
        {label} {under && <span className="font-normal text-ash">{under}</span>}
      </span>
    </label>
  );
}
