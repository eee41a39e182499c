import { useState } from "react";
import { useNavigate } from "react-router-dom";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { Room } from "../../parts/Room";
import { WrongElse } from "../../parts/Wrong";
import { WorkLines } from "./WorkLines";

/** By-products in a line each; one is set up beside them. */
export function ByproductRoom() {
  const { lines, start } = useRead("/api/works/byproducts");
  const [asked, change] = useState(start);
  const go = useNavigate();
  const keep = useWrite(
    "/api/works/byproducts",
    () => ({ body: { id: null, version: null, asked } }),
    ({ id }) => void go(`/make/byproduct/${id}`),
  );
  const set = (part: Partial<typeof asked>) => {
    keep.reset();
    change({ ...asked, ...part });
  };
  return (
    <Room
      title="By-products"
      under="Ground kitchen waste, spent grain, mill waste: run by run, pooled, tested, started small."
      peek={lines[0] ? `${lines[0].name}: ${lines[0].figure}` : "None yet"}
      bench={
        <>
          <WorkLines lines={lines} />
          {lines.length === 0 && (
            <p className="text-lg">
              Two runs of kitchen scraps, 2 and 3 kg, pooled to 4 L: shares of 40 and 60 %. One test then says something
              of both; one part to ten of a mix is where it starts.
            </p>
          )}
        </>
      }
      slate={
        <Form problem={keep.error} onSend={() => keep.mutate(null)} label="Set one up" className="flex flex-col gap-2">
          <h2 className="text-xl">Set one up</h2>
          <Field label="What makes it" value={asked.name ?? ""} onChange={(name) => set({ name })} name="name" />
          <Field label="What comes of it" value={asked.what ?? ""} onChange={(what) => set({ what })} name="what" />
          <Field
            label="What usually goes in"
            value={asked.feedstock ?? ""}
            onChange={(feedstock) => set({ feedstock })}
            name="feedstock"
          />
          <Field
            label="How it is usually set"
            value={asked.setting ?? ""}
            onChange={(setting) => set({ setting })}
            name="setting"
          />
          <Field
            label="A litre of it weighs, kg"
            value={asked.density ?? ""}
            onChange={(density) => set({ density: density || null })}
            name="density"
            inputMode="decimal"
            hint="empty: the usual, 0.45"
          />
          <Button type="submit" kind="filled" className="self-start" disabled={keep.isPending}>
            Set it up
          </Button>
          <WrongElse />
        </Form>
      }
    />
  );
}
