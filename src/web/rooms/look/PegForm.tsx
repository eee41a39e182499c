import { useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { GroundMap } from "../../parts/GroundMap";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { Camera } from "./Camera";

export function PegNew() {
  const bed = Number(useSearchParams()[0].get("bed")) || null;
  return <PegForm first={null} bed={bed} />;
}

export function PegChange() {
  const id = Number(useParams().id);
  const { pegs } = useRead("/api/look/walk");
  const peg = pegs.find((p) => p.id === id);
  return peg && <PegForm first={peg} bed={peg.bedId} />;
}

/** A peg is set: touched on the plan, told in paces, shown by a picture of the way; and what it is a pair with. */
function PegForm({ first, bed }: { first: Schemas["PegView"] | null; bed: number | null }) {
  const data = useRead("/api/look/walk");
  const plan = useRead("/api/ground/plan");
  const [p, change] = useState({
    name: first?.name ?? "",
    paces: first?.paces ?? "",
    zoneId: first?.zoneId ?? null,
    besideId: first?.besideId ?? null,
    differs: first?.differs ?? "",
  });
  const [bedId, setBed] = useState(bed ?? plan.beds[0]?.id ?? 0);
  const [point, setPoint] = useState<{ x: number; y: number } | null>(null);
  const go = useNavigate();
  const keep = useWrite(
    "/api/look/pegs",
    () => ({
      body: {
        id: first?.id ?? null,
        version: first?.version ?? null,
        ...p,
        bedId,
        x: point?.x ?? null,
        y: point?.y ?? null,
        paces: p.paces || null,
        differs: p.differs || null,
      },
    }),
    ({ id }) => void go(`/look/pegs/${id}`),
  );
  const end = useWrite(
    "/api/look/pegs/{id}/end",
    () => ({ params: { path: { id: first?.id ?? 0 } } }),
    () => void go("/look/walk"),
  );
  const set = (part: Partial<typeof p>) => {
    keep.reset();
    change({ ...p, ...part });
  };
  const zones = data.zones.filter((z) => z.bedId === bedId);
  return (
    <Room
      title={first ? `Change ${first.called}` : "Set a peg"}
      under="A place to come back to: touch the plan, and say how to find it."
      peek={plan.beds.find((b) => b.id === bedId)?.name ?? ""}
      bench={
        <Form problem={keep.error ?? end.error} onSend={() => keep.mutate(null)} className="flex flex-col gap-2">
          <GroundMap
            plan={plan}
            many={false}
            label="The ground: touch where it stands"
            marked={first ? `peg-${first.id}` : "peg"}
            chosen={[]}
            zones={data.zones}
            onToggle={() => undefined}
            point={point}
            onPoint={(at, on) => {
              setPoint(at);
              if (on) setBed(on);
            }}
          />
          <WrongHere name="x" />
          <div className="grid items-start gap-x-4 sm:grid-cols-2">
            <Field
              label="What you call it"
              value={p.name}
              onChange={(name) => set({ name })}
              name="name"
              hint="low corner"
            />
            <Pick
              label="Bed"
              value={String(bedId)}
              options={plan.beds.map((b) => ({ value: String(b.id), name: b.name }))}
              onChange={(v) => {
                setBed(Number(v));
                setPoint(null);
              }}
            />
            <Field
              label="How to find it, in paces"
              value={p.paces}
              onChange={(paces) => set({ paces })}
              name="paces"
              hint="31 paces from the gate post, toward the oak"
            />
            <Pick
              label="It stands for the zone"
              value={String(p.zoneId ?? "")}
              options={[
                { value: "", name: "the whole bed" },
                ...zones.map((z) => ({ value: String(z.id), name: z.name })),
              ]}
              onChange={(v) => set({ zoneId: Number(v) || null })}
            />
            <Pick
              label="A pair with"
              value={String(p.besideId ?? "")}
              options={[
                { value: "", name: "none" },
                ...data.pegs.filter((x) => x.id !== first?.id).map((x) => ({ value: String(x.id), name: x.called })),
              ]}
              onChange={(v) => set({ besideId: Number(v) || null })}
            />
            <Field
              label="What differs, on this side"
              value={p.differs}
              onChange={(differs) => set({ differs })}
              name="differs"
              hint="not wheeled; crimped; treated"
            />
          </div>
          <p className="flex flex-wrap gap-3">
            <Button type="submit" kind="filled" disabled={keep.isPending}>
              {first ? "Keep it so" : "Set it"}
            </Button>
            {first && (
              <Button kind="plain" onClick={() => end.mutate(null)}>
                pull it out
              </Button>
            )}
          </p>
          <WrongElse />
        </Form>
      }
      slate={
        first ? (
          <>
            <h2 className="text-2xl">The way there</h2>
            <Camera peg={first} way />
          </>
        ) : (
          <>
            <h2 className="text-2xl">Where a peg stands well</h2>
            <p className="text-lg">
              One in the good part and one in the poor part of a bed, away from gates, hedges and old heaps. Where
              wheels go, set a second one beside it and make them a pair.
            </p>
            <p className="text-ash">
              Where a yield map shows parts that yield alike, it sets the pegs: <b>Zones</b> on the page before.
            </p>
          </>
        )
      }
    />
  );
}
