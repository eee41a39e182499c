import { useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { type Init, useRead } from "../../api/data";
import { asFile } from "../../api/files";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { DayField } from "../../parts/DayField";
import { Field } from "../../parts/Field";
import { Wrong } from "../../parts/Wrong";
import { Wrote } from "../../parts/Wrote";
import { useClock } from "../../parts/clock";
import { drop, put, useOutbox, type Waiting, useFieldWrite } from "../../parts/outbox";

const readings = "/api/judge/trials/{id}/readings";

/** A figure of this trial that waits to be sent, or was refused. */
type Figure = Pick<Waiting, "key" | "refused"> & { body: Schemas["TrialReadingRequest"] };

const figuresOf = (list: readonly Waiting[], trial: number): Figure[] =>
  list
    .filter((w) => w.path === readings && (w.init as Init<"post", typeof readings>).params.path.id === trial)
    .map((w) => ({ key: w.key, refused: w.refused, body: (w.init as Init<"post", typeof readings>).body }));

/** The sheet for the phone: one plot after another in walking order, by number and code; works without a signal and sends later, once. */
export function Sheet() {
  const id = Number(useParams().id);
  const clock = useClock();
  const [search, setSearch] = useSearchParams();
  const s = useRead("/api/judge/trials/{id}/sheet", { params: { path: { id } } });
  const box = useOutbox();
  const queries = useQueryClient();
  const [on, setOn] = useState(() => clock.toField(new Date()).slice(0, 10));
  const measure = s.measures.find((m) => m.id === Number(search.get("measure"))) ?? s.measures[0]!;
  const at = Math.max(
    0,
    s.plots.findIndex((p) => p.id === Number(search.get("plot"))),
  );
  const plot = s.plots[at]!;
  const go = (i: number, m = measure.id) => {
    const next = s.plots[(i + s.plots.length) % s.plots.length]!;
    setSearch({ plot: String(next.id), measure: String(m) }, { replace: true });
  };
  const day = `${on}T00:00:00Z`;
  const stands = (p: Schemas["SheetPlot"]) =>
    s.readings.find((r) => r.plotId === p.id && r.measureId === measure.id && r.on.slice(0, 10) === on);
  const waiting = useMemo(() => figuresOf(box.list, id), [box.list, id]);
  const waits = (p: Schemas["SheetPlot"]) =>
    waiting.find((w) => w.body.plotId === p.id && w.body.measureId === measure.id && w.body.on?.slice(0, 10) === on);
  const done = s.plots.filter((p) => stands(p) ?? waits(p)).length;
  const unsent = box.list.filter((w) => w.refused === null).length; // photos too
  return (
    <main id="room" className="mx-auto max-w-xl px-4 pb-28 pt-4">
      <h1 className="text-xl leading-tight">{s.question}</h1>
      <p className="text-ash">
        {done} of {s.plots.length} plots ·{" "}
        <Link className="underline" to={`/judge/trials/${id}`}>
          the trial
        </Link>
      </p>
      <p role="status" className={`min-h-7 font-bold ${unsent > 0 || !box.reached ? "text-straw" : "text-moss"}`}>
        {!box.reached
          ? `▲ No signal: ${unsent} kept on this phone, sent later and once.`
          : unsent > 0
            ? `${unsent} on their way`
            : done > 0
              ? "✓ All sent."
              : ""}
      </p>
      {s.measures.length > 1 && (
        <p className="flex flex-wrap gap-2">
          {s.measures.map((m) => (
            <Button
              key={m.id}
              kind={m.id === measure.id ? "drawn" : "plain"}
              aria-pressed={m.id === measure.id}
              onClick={() => go(at, m.id)}
            >
              {m.name}
            </Button>
          ))}
        </p>
      )}
      <section aria-label="This plot" className="my-3 rounded-3xl border-2 border-ink bg-paper p-4">
        <p className="flex items-baseline justify-between gap-3">
          <b className="font-head text-4xl">{plot.code}</b>
          <span className="text-lg">
            plot {plot.number} · {plot.place}
            {plot.block && ` · block ${plot.block}`}
          </span>
        </p>
        <One
          key={`${plot.id}-${measure.id}-${on}-${waits(plot)?.refused ? "refused" : ""}`}
          measure={measure}
          stands={stands(plot)}
          waits={waits(plot)}
          put={(body, next) => {
            const whole = { ...body, plotId: plot.id, measureId: measure.id, on: day };
            const says = `${body.value || "missing"}: ${measure.name}, plot ${plot.code}`;
            void put(queries, readings, { params: { path: { id } }, body: whole }, says);
            if (next) go(at + 1);
          }}
          drop={(key) => void drop(key)}
        />
        <p className="mt-3 flex justify-between">
          <Button onClick={() => go(at - 1)}>← back</Button>
          <Button onClick={() => go(at + 1)}>on →</Button>
        </p>
        <PlotPhoto key={plot.id} trial={id} plot={plot.id} code={plot.code} />
      </section>
      <DayField label="Measured on" value={on} onChange={setOn} />
      <h2 className="text-xl">In walking order</h2>
      <ol className="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
        {s.plots.map((p, i) => {
          const [there, coming] = [stands(p), waits(p)];
          return (
            <li key={p.id} className="border-t border-line">
              <button
                type="button"
                className={`min-h-11 w-full text-left ${i === at ? "font-bold text-clay" : ""}`}
                onClick={() => go(i)}
              >
                {p.number} · {p.code}:{" "}
                {coming ? (
                  <span className="text-straw">
                    {coming.refused ? "✕ not taken" : `${coming.body.value ?? "missing"} waits`}
                  </span>
                ) : there ? (
                  there.value === null ? (
                    "missing"
                  ) : (
                    there.shown
                  )
                ) : (
                  "…"
                )}
              </button>
            </li>
          );
        })}
      </ol>
    </main>
  );
}

interface OneProps {
  measure: Schemas["MeasureView"];
  stands: Schemas["SheetReading"] | undefined;
  waits: Figure | undefined;
  put: (body: Schemas["TrialReadingRequest"], next: boolean) => void;
  drop: (key: string) => void;
}

/** One figure on one plot: typed, kept anyway, missing for a reason, or put right. */
function One({ measure: m, stands, waits, put, drop }: OneProps) {
  const refused = waits?.refused ?? null;
  const [value, setValue] = useState(refused ? (waits!.body.value ?? "") : "");
  const [why, setWhy] = useState(refused ? (waits!.body.correctionWhy ?? "") : "");
  const [gone, setGone] = useState<string | null>(null);
  const outside = refused?.fields.some((f) => f.field === "keepAnyway") ?? false;
  const standing = refused?.fields.some((f) => f.field === "correctionWhy") ?? false;
  const said = refused?.fields.map((f) => `${f.wrong} ${f.wayOut}`).join(" ");
  const keep = (anyway: boolean) => {
    if (waits?.refused) drop(waits.key);
    put(
      {
        value: gone === null ? value : "",
        missingWhy: gone,
        keepAnyway: anyway || (waits?.body.keepAnyway ?? false),
        correctionWhy: why || null,
      },
      !stands,
    );
  };
  return (
    <Form label="One figure" onSend={() => keep(false)}>
      {stands && (
        <p className="text-lg">
          <b>{stands.shown}</b> stands{stands.keptAnyway && ", kept though unlikely"}
          <Wrote wrote={stands.wrote} />.
          {stands.before.map((b) => (
            <span key={b} className="block text-ash">
              before: {b}
            </span>
          ))}
        </p>
      )}
      {waits && !refused && <p className="text-lg text-straw">▲ {waits.body.value || "missing"} waits to be sent.</p>}
      {gone === null ? (
        <Field
          label={`${m.name}${m.unit && `, ${m.unit}`}${m.kind === "count" ? ` of ${m.outOf}` : ""}`}
          inputMode={m.kind === "count" ? "numeric" : "decimal"}
          autoFocus
          value={value}
          onChange={setValue}
          wrong={said}
          hint={m.kind === "count" ? "44, or 44/48 where another number was sown" : `likely ${m.low} to ${m.high}`}
        />
      ) : (
        <Field label="Why is it missing?" value={gone} onChange={setGone} wrong={said} hint="slugs took it" />
      )}
      {(stands || standing) && (
        <Field
          label="What was wrong with the figure that stands?"
          value={why}
          onChange={setWhy}
          hint="kept beside it"
        />
      )}
      <p className="flex flex-wrap gap-3">
        <Button type="submit" kind="filled" className="grow">
          {stands ? "Record the correction" : "Keep, and on"}
        </Button>
        {outside && <Button onClick={() => keep(true)}>Keep it anyway</Button>}
        <Button kind="plain" onClick={() => setGone(gone === null ? "" : null)}>
          {gone === null ? "plot is missing" : "it is there"}
        </Button>
        {waits?.refused && (
          <Button kind="plain" onClick={() => drop(waits.key)}>
            leave it out
          </Button>
        )}
      </p>
    </Form>
  );
}

/** A photo of the plot. */
function PlotPhoto({ trial, plot, code }: { trial: number; plot: number; code: string }) {
  const send = useFieldWrite(
    "/api/judge/trials/{id}/plots/{plot}/photos",
    (file: File) => ({ params: { path: { id: trial, plot } }, ...asFile(file) }),
    () => `photo, plot ${code}`,
  );
  const waits = useOutbox().list.some((w) => w.path === "/api/judge/trials/{id}/plots/{plot}/photos");
  return (
    <>
      <label className="mt-3 inline-flex min-h-12 cursor-pointer items-center text-clay underline underline-offset-4 focus-within:outline focus-within:outline-3 focus-within:outline-river">
        photo of this plot
        <input
          type="file"
          accept="image/jpeg,image/png"
          capture="environment"
          className="sr-only"
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (file) send.mutate(file);
            e.target.value = "";
          }}
        />
      </label>
      <span role="status">
        {send.isPending
          ? " sending …"
          : !send.isSuccess
            ? ""
            : send.data || !waits
              ? " ✓ kept"
              : " ▲ kept on this device"}
      </span>
      <Wrong problem={send.error} />
    </>
  );
}
