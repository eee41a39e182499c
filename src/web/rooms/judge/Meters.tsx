import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useFieldWrite } from "../../parts/outbox";
import { useRead, useWrite } from "../../api/data";
import { Form, Refusals } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Tick } from "../../parts/Tick";
import { WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

/** Meters, each with when it was last zeroed. */
export function Meters() {
  const meters = useRead("/api/judge/meters");
  const [r, setR] = useState({ name: "", kind: "optical", corrects: false });
  const add = useWrite(
    "/api/judge/meters",
    (body: Schemas["MeterRequest"]) => ({ body }),
    () => setR({ name: "", kind: "optical", corrects: false }),
  );
  return (
    <section className="mt-8">
      <h2 className="text-xl">Meters</h2>
      <ul>
        {meters.map((m) => (
          <Meter key={m.id} meter={m} />
        ))}
      </ul>
      <details>
        <summary className="min-h-11 cursor-pointer content-center text-clay">another meter</summary>
        <Form problem={add.error} className="max-w-md" onSend={() => add.mutate(r)}>
          <Field label="Meter" value={r.name} onChange={(name) => setR({ ...r, name })} name="name" />
          <Tick
            on={r.corrects}
            onToggle={() => setR({ ...r, corrects: !r.corrects })}
            label="It corrects for temperature itself"
          />
          <Button type="submit">Keep the meter</Button>
          <WrongElse />
        </Form>
      </details>
    </section>
  );
}

function Meter({ meter: m }: { meter: Schemas["MeterView"] }) {
  const clock = useClock();
  const [showed, setShowed] = useState<string | null>(null);
  const zero = useFieldWrite(
    "/api/judge/meters/{id}/zero",
    (v: string) => ({
      params: { path: { id: m.id } },
      body: { showed: v, note: null },
    }),
    (v) => `zeroed ${m.name}, it showed ${v || "0"}`,
    () => setShowed(null),
  );
  return (
    <Refusals problem={zero.error}>
      {" "}
      <li className="border-t border-line py-2">
        <p className="flex flex-wrap items-center justify-between gap-3">
          <span>
            <b>{m.name}</b>, {m.says}
          </span>
          {showed === null && (
            <Button onClick={() => setShowed("0")} aria-label={`Zeroed now: ${m.name}`}>
              Zeroed now
            </Button>
          )}
        </p>
        {showed !== null && (
          <Form className="flex flex-wrap items-end gap-3" onSend={() => zero.mutate(showed)}>
            <Field
              label="On clean water it showed, before it was set"
              value={showed}
              onChange={setShowed}
              name="showed"
              hint="°Bx"
            />
            <Button type="submit" className="mb-7">
              Keep
            </Button>
          </Form>
        )}
        <WrongElse />
        {m.zeroes.length > 0 && (
          <p className="text-ash">{m.zeroes.map((z) => `${clock.date(z.at)}: ${z.showed.toFixed(1)}`).join(" · ")}</p>
        )}
      </li>
    </Refusals>
  );
}
