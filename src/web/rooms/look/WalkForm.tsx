import { useState } from "react";
import { useNavigate, useParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { Room } from "../../parts/Room";
import { Tick } from "../../parts/Tick";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { months } from "./WalkRoom";

const usual: Schemas["CheckKind"][] = ["block", "worms", "crumbs", "roots"];

export function WalkNew() {
  const data = useRead("/api/look/walk");
  const plan = { kinds: usual, pegs: data.pegs.map((p) => p.id), months: [4, 10], photo: true };
  return (
    <WalkForm data={data} first={{ id: null, version: null, name: "spring and autumn round", hungOn: "", plan }} />
  );
}

export function WalkChange() {
  const id = Number(useParams().id);
  const data = useRead("/api/look/walk");
  const walk = data.walks.find((w) => w.id === id);
  return walk && <WalkForm data={data} first={{ ...walk, hungOn: walk.hungOn ?? "" }} />;
}

interface Props {
  data: Schemas["WalkDataView"];
  first: {
    id: number | null;
    version: string | null;
    name: string;
    hungOn: string;
    plan: Schemas["WalkPlan"];
  };
}

/** A walk is planned: which pegs in which order, what is looked at, when, and on which trip it hangs. */
function WalkForm({ data, first }: Props) {
  const [w, change] = useState(first);
  const go = useNavigate();
  const keep = useWrite(
    "/api/look/walks",
    () => ({ body: { id: w.id, version: w.version, name: w.name, hungOn: w.hungOn || null, plan: w.plan } }),
    ({ id }) => void go(`/look/walk/${id}`),
  );
  const end = useWrite(
    "/api/look/walks/{id}/end",
    () => ({ params: { path: { id: w.id ?? 0 } } }),
    () => void go("/look/walk"),
  );
  const set = (part: Partial<Schemas["WalkPlan"]>) => {
    keep.reset();
    change({ ...w, plan: { ...w.plan, ...part } });
  };
  const flip = <T,>(list: readonly T[], x: T) => (list.includes(x) ? list.filter((y) => y !== x) : [...list, x]);
  const speaks = data.hows.filter((h) => h.speaks && w.plan.kinds!.includes(h.kind)).map((h) => h.name.toLowerCase());
  return (
    <Room
      title={w.id === null ? "Plan a walk" : "Change this walk"}
      under="Three kinds of check that speak of life, at the least: then the dose can step down."
      peek={`${w.plan.pegs!.length} pegs, ${w.plan.kinds!.length} checks`}
      bench={
        <Form problem={keep.error ?? end.error} onSend={() => keep.mutate(null)} className="flex flex-col gap-2">
          <div className="grid items-start gap-x-4 sm:grid-cols-2">
            <Field label="What you call it" value={w.name} onChange={(name) => change({ ...w, name })} name="name" />
            <Field
              label="On which trip"
              value={w.hungOn}
              onChange={(hungOn) => change({ ...w, hungOn })}
              name="hungOn"
              hint="when the moisture is probed before sowing"
            />
          </div>
          <fieldset>
            <legend className="font-head text-xl font-bold">What is looked at</legend>
            <div className="grid gap-x-4 sm:grid-cols-2">
              {data.hows.map((h) => (
                <Tick
                  key={h.kind}
                  on={w.plan.kinds!.includes(h.kind)}
                  onToggle={() => set({ kinds: flip(w.plan.kinds!, h.kind) })}
                  label={h.name}
                  under={[h.term && `(${h.term})`, h.speaks && "· speaks of life"].filter(Boolean).join(" ")}
                />
              ))}
              <Tick
                on={w.plan.photo === true}
                onToggle={() => set({ photo: !w.plan.photo })}
                label="A photo at each peg"
              />
            </div>
            <WrongHere name="kinds" />
          </fieldset>
          <fieldset>
            <legend className="font-head text-xl font-bold">In which months</legend>
            <div className="flex flex-wrap gap-x-5">
              {months.map((m, i) => (
                <Tick
                  key={m}
                  on={w.plan.months!.includes(i + 1)}
                  onToggle={() => set({ months: flip(w.plan.months!, i + 1) })}
                  label={m}
                />
              ))}
            </div>
            <WrongHere name="months" />
          </fieldset>
          <p className="flex flex-wrap gap-3">
            <Button type="submit" kind="filled" disabled={keep.isPending}>
              Keep this walk
            </Button>
            {w.id !== null && (
              <Button kind="plain" onClick={() => end.mutate(null)}>
                walk it no more
              </Button>
            )}
          </p>
          <WrongElse />
        </Form>
      }
      slate={
        <>
          <h2 className="text-2xl">Pegs, in walking order</h2>
          <ol>
            {w.plan.pegs!.map((id, i) => (
              <li key={id} className="flex min-h-12 items-center gap-3 border-t border-line">
                <b className="figures w-6">{i + 1}</b>
                <span className="grow">{data.pegs.find((p) => p.id === id)?.called}</span>
                <Button
                  kind="plain"
                  disabled={i === 0}
                  aria-label={`${data.pegs.find((p) => p.id === id)?.called} sooner`}
                  onClick={() => set({ pegs: w.plan.pegs!.toSpliced(i, 1).toSpliced(i - 1, 0, id) })}
                >
                  sooner
                </Button>
                <Button kind="plain" onClick={() => set({ pegs: flip(w.plan.pegs!, id) })}>
                  leave out
                </Button>
              </li>
            ))}
          </ol>
          {data.pegs
            .filter((p) => !w.plan.pegs!.includes(p.id))
            .map((p) => (
              <Tick
                key={p.id}
                on={false}
                onToggle={() => set({ pegs: [...w.plan.pegs!, p.id] })}
                label={p.called}
                under="not on this walk"
              />
            ))}
          <p>
            {speaks.length === 0 ? "None of these checks speaks" : `Of these, ${speaks.join(", ")} speak`} of life;
            three kinds are needed for a word on the ground, and a cotton strip and a CO₂ burst are one kind.
          </p>
        </>
      }
    />
  );
}
