import { useState } from "react";
import { useNavigate, useParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { TraysDrawn } from "./TraysDrawn";

type Asked = Schemas["WormsAsked"];

/** A new bin, or worms fed where they live. */
export function WormNew() {
  const { start } = useRead("/api/works/worms");
  return <Setting start={start} id={null} version={null} />;
}

/** A bin as it was set up, to be changed. */
export function WormChange() {
  const id = Number(useParams().id);
  const bin = useRead("/api/works/worms/{id}", { params: { path: { id } } });
  return <Setting start={bin.asked} id={id} version={bin.version} />;
}

function Setting({ start, id, version }: { start: Asked; id: number | null; version: string | null }) {
  const [r, change] = useState<Asked>(start);
  const ground = useRead("/api/ground");
  const go = useNavigate();
  const keep = useWrite(
    "/api/works/worms",
    () => ({ body: { id, version, asked: r, begunAt: null } }),
    (kept) => void go(`/make/worms/${kept.id}`),
  );
  const set = (part: Partial<Asked>) => {
    keep.reset();
    change({ ...r, ...part });
  };
  const trays = r.trays ?? [];
  return (
    <Room
      title={id === null ? "Set up worms" : `Change ${start.name ?? "the bin"}`}
      under="A bin of trays that stand on each other, or worms fed under the mulch where they live."
      bench={
        <>
          <Choice
            label="How"
            value={r.inPlace ? "place" : "bin"}
            options={[
              { value: "bin", name: "in a bin", says: "quicker; castings to harvest" },
              { value: "place", name: "in place", says: "under the mulch; nothing to harvest" },
            ]}
            onChange={(how) => set({ inPlace: how === "place" })}
          />
          {!r.inPlace && (
            <TraysDrawn
              trays={trays.map((t, i) => ({
                name: t.name ?? "",
                word: t.holds ?? "",
                fill: 0,
                state: i === 0 ? "filling" : "waiting",
              }))}
              name={r.name || "the bin"}
            />
          )}
        </>
      }
      slate={
        <Form problem={keep.error} onSend={() => keep.mutate(null)} className="flex flex-col gap-2" label="The bin">
          <Field label="Called" value={r.name ?? ""} onChange={(name) => set({ name })} name="name" />
          {r.inPlace ? (
            <Pick
              label="On"
              value={String(r.bedId ?? "")}
              options={[
                { value: "", name: "no bed of the plan" },
                ...ground.beds.map((b) => ({ value: String(b.id), name: b.name })),
              ]}
              onChange={(bed) => set({ bedId: bed ? Number(bed) : null })}
            />
          ) : (
            <>
              <Field label="Where" value={r.place ?? ""} onChange={(place) => set({ place })} name="place" />
              <AmountField
                label="Worms, by weight"
                dimension="mass"
                value={r.worms ?? ""}
                onChange={(worms) => set({ worms })}
                name="worms"
                hint="empty where nobody knows"
              />
              {trays.map((t, i) => (
                <div key={i} className="flex items-start gap-3">
                  <div className="flex-1">
                    <Field
                      label={i === 0 ? "Trays" : `Tray ${i + 1}`}
                      value={t.name ?? ""}
                      onChange={(name) => set({ trays: trays.with(i, { ...t, name }) })}
                      name={`trays[${i}].name`}
                    />
                  </div>
                  <div className="w-28">
                    <Field
                      label="holds"
                      value={t.holds ?? ""}
                      onChange={(holds) => set({ trays: trays.with(i, { ...t, holds }) })}
                      name={`trays[${i}].holds`}
                    />
                  </div>
                  {trays.length > 1 && (
                    <Button
                      kind="plain"
                      className="mt-7"
                      aria-label={`Leave ${t.name} out`}
                      onClick={() => set({ trays: trays.toSpliced(i, 1) })}
                    >
                      ✕
                    </Button>
                  )}
                </div>
              ))}
              <WrongHere name="trays" />
              <Button
                kind="plain"
                className="self-start"
                onClick={() =>
                  set({ trays: [...trays, { name: `tray ${trays.length + 1}`, holds: trays.at(-1)?.holds ?? "" }] })
                }
              >
                one more tray
              </Button>
            </>
          )}
          <WrongElse />
          {id === null && !r.inPlace && (
            <p className="text-ash">
              Compost worms, no deep burrowers. Damp bedding, browns with the greens, food under the cover, a damp sheet
              on top; 15 to 25 °C, out of frost and sun, drained into a blind tray.
            </p>
          )}
          <Button type="submit" kind="filled" className="self-start" disabled={keep.isPending}>
            {id === null ? "It is set up" : "Keep the change"}
          </Button>
        </Form>
      }
    />
  );
}
