import { useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useReadIf, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { GroundMap } from "../../parts/GroundMap";
import { Mind } from "../../parts/Mind";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Tick } from "../../parts/Tick";
import { WrongElse, WrongHere } from "../../parts/Wrong";

type Asked = Schemas["PrepAsked"];

/** A preparation is begun: which, into what, and where it lies, touched on the plan. */
export function PrepNew() {
  const kind = useSearchParams()[0].get("kind") ?? "500";
  return (
    <PrepForm
      title="Begin a preparation"
      first={{ name: "", kind, of: null, sheath: null, replaced: false, count: null, place: null }}
      of={null}
    />
  );
}

/** One is set up anew: its marks, its words. */
export function PrepChange() {
  const id = Number(useParams().id);
  const view = useReadIf(true, "/api/works/preparations/{id}", { params: { path: { id } } });
  return view && <PrepForm title={`Change ${view.asked.name}`} first={view.asked} of={view} />;
}

function PrepForm({ title, first, of }: { title: string; first: Asked; of: Schemas["PrepView"] | null }) {
  const { kinds, contested } = useRead("/api/works/preparations");
  const plan = useRead("/api/ground/plan");
  const [asked, change] = useState(first);
  const [point, setPoint] = useState<{ x: number; y: number } | null>(null);
  const go = useNavigate();
  const keep = useWrite(
    "/api/works/preparations",
    () => ({
      body: { id: of?.id ?? null, version: of?.version ?? null, asked, x: point?.x ?? null, y: point?.y ?? null },
    }),
    ({ id }) => void go(`/make/prep/${id}`),
  );
  const set = (part: Partial<Asked>) => {
    keep.reset();
    change({ ...asked, ...part });
  };
  const kind = kinds.find((k) => k.kind.id === asked.kind) ?? kinds[0]!;
  return (
    <Room
      title={title}
      under={
        kind.when
          ? `${kind.begin} ${kind.when}.`
          : "Say where the holding lies under Ground and kit, and its dates follow."
      }
      peek={kind.called}
      bench={
        <Form problem={keep.error} onSend={() => keep.mutate(null)} className="flex flex-col gap-2">
          <div className="grid items-start gap-x-4 sm:grid-cols-2">
            <Pick
              label="Which"
              value={kind.kind.id}
              options={kinds.map((k) => ({ value: k.kind.id, name: k.called }))}
              onChange={(id) => set({ kind: id })}
            />
            <WrongHere name="kind" />
            <Field
              label="What you call it"
              value={asked.name ?? ""}
              onChange={(name) => set({ name })}
              name="name"
              hint="horns by the gate"
            />
            <Field
              label={kind.kind.liquid ? "Bottles" : "Horns or pots"}
              value={asked.count ?? ""}
              onChange={(count) => set({ count: count || null })}
              name="count"
              inputMode="numeric"
              hint="12; empty where nobody counts"
            />
            <Field
              label="Into what"
              value={asked.sheath ?? ""}
              onChange={(sheath) => set({ sheath: sheath || null })}
              name="sheath"
              hint={asked.replaced ? (kind.kind.instead ?? kind.kind.sheath) : kind.kind.sheath}
            />
            <Field
              label="Of what"
              value={asked.of ?? ""}
              onChange={(o) => set({ of: o || null })}
              name="of"
              hint={kind.kind.part}
            />
            <Field
              label="Where, in paces"
              value={asked.place ?? ""}
              onChange={(place) => set({ place: place || null })}
              name="place"
              hint="4 paces from the post"
            />
          </div>
          {kind.kind.instead && (
            <Tick
              on={asked.replaced === true}
              onToggle={() => set({ replaced: !asked.replaced })}
              label="Another container replaces the sheath"
              under={`by law here, or by my own rule: ${kind.kind.instead}`}
            />
          )}
          <h2 className="mt-2 text-xl">Touch the plan where it lies</h2>
          <GroundMap
            plan={plan}
            many={false}
            label="The ground: touch where it lies"
            chosen={[]}
            onToggle={() => undefined}
            point={point}
            onPoint={setPoint}
          />
          <WrongHere name="x" />
          <Button type="submit" kind="filled" className="self-start" disabled={keep.isPending}>
            {of ? "Keep it so" : "Set it up"}
          </Button>
          <WrongElse />
        </Form>
      }
      slate={
        <>
          <h2 className="text-2xl">{kind.called}</h2>
          <p>
            {kind.kind.part}; {kind.kind.sheath}. Said to be for {kind.kind.saidFor}: contested.
          </p>
          <ol className="list-decimal pl-6">
            {kind.kind.steps.map((s) => (
              <li key={s} className="border-t border-line py-1.5">
                {s}
              </li>
            ))}
          </ol>
          <Mind cautions={asked.replaced ? kind.cautions.filter((c) => c.id !== "animal-parts") : kind.cautions} />
          <p className="text-ash">{contested}</p>
        </>
      }
    />
  );
}
