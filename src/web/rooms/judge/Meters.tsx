import { useState } from "react";
import { client, type Schemas, useRead, useWrite } from "../../api/client";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Tick } from "../../parts/Tick";
import { Wrong } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

/** Meters, each with when it was last zeroed. */
export function Meters() {
  const meters = useRead(["meters"], () => client.GET("/api/judge/meters"));
  const [r, setR] = useState({ name: "", kind: "optical", corrects: false });
  const add = useWrite(
    (body: Schemas["MeterRequest"], headers) => client.POST("/api/judge/meters", { body, headers }),
    () => setR({ name: "", kind: "optical", corrects: false }),
  );
  return (
    <section className="mt-8">
      <h2 className="text-xl">Meters</h2>
      <ul>
        {meters.data?.map((m) => (
          <Meter key={m.id} meter={m} />
        ))}
      </ul>
      <details>
        <summary className="min-h-11 cursor-pointer content-center text-clay">another meter</summary>
        <form
          className="max-w-md"
          onSubmit={(e) => {
            e.preventDefault();
            add.mutate(r);
          }}
        >
          <Field label="Meter" value={r.name} onChange={(name) => setR({ ...r, name })} wrong={add.error?.of("name")} />
          <Tick
            on={r.corrects}
            onToggle={() => setR({ ...r, corrects: !r.corrects })}
            label="It corrects for temperature itself"
          />
          <Button type="submit">Keep the meter</Button>
        </form>
      </details>
    </section>
  );
}

function Meter({ meter: m }: { meter: Schemas["MeterView"] }) {
  const clock = useClock();
  const [showed, setShowed] = useState<string | null>(null);
  const zero = useWrite(
    (v: string, headers) =>
      client.POST("/api/judge/meters/{id}/zero", {
        params: { path: { id: m.id } },
        body: { showed: v, note: null },
        headers,
      }),
    () => setShowed(null),
  );
  return (
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
        <form
          className="flex flex-wrap items-end gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            zero.mutate(showed);
          }}
        >
          <Field
            label="On clean water it showed, before it was set"
            value={showed}
            onChange={setShowed}
            wrong={zero.error?.of("showed")}
            hint="°Bx"
          />
          <Button type="submit" className="mb-7">
            Keep
          </Button>
        </form>
      )}
      <Wrong problem={zero.error} shown={["showed"]} />
      {m.zeroes.length > 0 && (
        <p className="text-ash">{m.zeroes.map((z) => `${clock.date(z.at)}: ${z.showed.toFixed(1)}`).join(" · ")}</p>
      )}
    </li>
  );
}
