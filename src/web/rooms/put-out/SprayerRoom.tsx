import { useState } from "react";
import { useSearchParams } from "react-router-dom";
import { client, type Schemas, useRead, useWrite } from "../../api/client";
import { AmountField } from "../../parts/AmountField";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { Wrong } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { PutOutNav } from "./PutOutNav";

const pasts = [
  { value: "biology", name: "kept for biology" },
  { value: "new", name: "new" },
  { value: "fertiliser", name: "held feeds" },
  { value: "poison", name: "held weed-killer or pesticide" },
  { value: "unknown", name: "not known" },
] as const;

const kinds = ["knapsack", "can", "boom", "injector", "other"] as const;

/** Sprayers: what they ever held, what they hold back, what they put on, and whether they are washed up. */
export function SprayerRoom() {
  const clock = useClock();
  const [search, setSearch] = useSearchParams();
  const list = useRead(["sprayers"], () => client.GET("/api/put-out/sprayers"));
  const [edit, setEdit] = useState<Schemas["SprayerView"] | "new" | null>(null);
  const open = list.data?.find((s) => String(s.id) === search.get("sprayer")) ?? list.data?.[0];
  return (
    <Room
      title="Sprayers and cans"
      under="A living brew is carried only by what is clean, coarse and measured."
      peek={open?.ruling.value?.verdict.sentence}
      bench={
        <>
          <PutOutNav />
          {list.data?.length === 0 && (
            <p className="text-lg">
              None is kept yet. Add the knapsack or can you use: what it holds, what it ever held, its finest filter.
            </p>
          )}
          <ul>
            {list.data?.map((s) => (
              <li key={s.id} className={`border-l-8 py-2 pl-4 ${s.id === open?.id ? "border-clay" : "border-line"}`}>
                <p className="flex flex-wrap items-center justify-between gap-x-4">
                  <button
                    type="button"
                    className="min-h-11 text-left font-head text-lg font-bold"
                    aria-pressed={s.id === open?.id}
                    onClick={() => setSearch({ sprayer: String(s.id) })}
                  >
                    {s.name}
                  </button>
                  <Button kind="plain" aria-label={`change ${s.name}`} onClick={() => setEdit(s)}>
                    change
                  </Button>
                </p>
                <p className="figures">
                  {s.tankShown}, {pasts.find((p) => p.value === s.past)?.name}
                  {s.meshUm && `, ${Math.round(s.meshUm)} µm`}
                  {s.pressureBar !== null && `, ${s.pressureBar} bar`}
                  {s.ratio && `, 1:${s.ratio}`}
                  {s.calibrations[0] && `; ${s.calibrations[0].rateShown}`}
                </p>
                {s.toWash && <p className="font-bold text-straw">▲ not washed up since {clock.when(s.usedAt!)}</p>}
                {s.ruling.value && !s.ruling.value.allowed && (
                  <p className="font-bold text-plum">■ {s.ruling.value.verdict.sentence}</p>
                )}
              </li>
            ))}
          </ul>
          <Button className="mt-3" onClick={() => setEdit("new")}>
            Add a sprayer or can
          </Button>
          {edit && (
            <SprayerForm
              key={edit === "new" ? 0 : edit.id}
              old={edit === "new" ? null : edit}
              done={() => setEdit(null)}
            />
          )}
        </>
      }
      slate={open ? <Slate sprayer={open} /> : null}
    />
  );
}

function Slate({ sprayer }: { sprayer: Schemas["SprayerView"] }) {
  const clock = useClock();
  const r = sprayer.ruling;
  const wash = useWrite((_: null, headers) =>
    client.POST("/api/put-out/sprayers/{id}/wash", {
      params: { path: { id: sprayer.id } },
      body: { applicationId: null, note: null, at: null },
      headers,
    }),
  );
  return (
    <>
      {r.value && <Verdict verdict={r.value.verdict} />}
      {r.value && r.value.minds.length > 1 && (
        <ul>
          {r.value.minds.slice(1).map((m) => (
            <li key={m}>▲ {m}</li>
          ))}
        </ul>
      )}
      {sprayer.clearedWhy && <p>Cleared: {sprayer.clearedWhy}</p>}
      <Sum working={r.working} sure={r.sure} of="this ruling" />
      <section aria-label="Washing up">
        <h2 className="text-xl">Washing up</h2>
        <p>
          {sprayer.usedAt ? `Last used ${clock.when(sprayer.usedAt)}` : "Never used by the book"}
          {sprayer.washedAt && `, washed ${clock.when(sprayer.washedAt)}`}.
        </p>
        <Button
          kind={sprayer.toWash ? "filled" : "drawn"}
          className="mt-2"
          disabled={wash.isPending}
          onClick={() => wash.mutate(null)}
        >
          It is washed up
        </Button>
        <Wrong problem={wash.error} />
      </section>
      {sprayer.kind === "can" ? <Can sprayer={sprayer} /> : <Calibrate key={sprayer.id} sprayer={sprayer} />}
    </>
  );
}

/** By a measured square, or by nozzle, speed and spacing; kept with its date. */
function Calibrate({ sprayer }: { sprayer: Schemas["SprayerView"] }) {
  const clock = useClock();
  const [way, setWay] = useState<"square" | "nozzle">(sprayer.kind === "boom" ? "nozzle" : "square");
  const [r, setR] = useState<Record<string, string>>({ square: "25 m²" });
  const body =
    way === "square"
      ? { used: r.used ?? "", square: r.square ?? "" }
      : { nozzle: r.nozzle ?? "", speed: r.speed ?? "", spacing: r.spacing ?? "" };
  const work = useWrite((b: typeof body, headers) =>
    client.POST("/api/put-out/sprayers/calibrate/work-out", { body: b, headers }),
  );
  const keep = useWrite(
    (b: typeof body, headers) =>
      client.POST("/api/put-out/sprayers/{id}/calibrate", { params: { path: { id: sprayer.id } }, body: b, headers }),
    () => setR({ square: "25 m²" }),
  );
  const wrong = (f: string) => work.error?.of(f) ?? keep.error?.of(f);
  const v = work.data?.value;
  const set = (k: string) => (t: string) => setR({ ...r, [k]: t });
  return (
    <section aria-label="Calibration">
      <h2 className="text-xl">Calibration</h2>
      {sprayer.calibrationDue && (
        <p className={new Date(sprayer.calibrationDue) < new Date() ? "font-bold text-straw" : ""}>
          {new Date(sprayer.calibrationDue) < new Date() ? "▲ It has been due since " : "Due again on "}
          {clock.date(sprayer.calibrationDue)}.
        </p>
      )}
      <Choice
        label="Measured"
        value={way}
        options={[
          { value: "square", name: "by a square" },
          { value: "nozzle", name: "by a nozzle" },
        ]}
        onChange={setWay}
      />
      <div className="mt-2 grid gap-x-4 sm:grid-cols-2">
        {way === "square" ? (
          <>
            <AmountField
              label="Litres that refilled it"
              dimension="volume"
              value={r.used ?? ""}
              onChange={set("used")}
              wrong={wrong("used")}
            />
            <AmountField
              label="The square"
              dimension="area"
              value={r.square ?? ""}
              onChange={set("square")}
              wrong={wrong("square")}
            />
          </>
        ) : (
          <>
            <AmountField
              label="One nozzle, caught for a minute"
              dimension="flow"
              value={r.nozzle ?? ""}
              onChange={set("nozzle")}
              wrong={wrong("nozzle")}
            />
            <Field
              label="Speed, km/h"
              inputMode="decimal"
              value={r.speed ?? ""}
              onChange={set("speed")}
              wrong={wrong("speed")}
              hint="walking is 4 to 5"
            />
            <AmountField
              label="Between nozzles"
              dimension="length"
              value={r.spacing ?? ""}
              onChange={set("spacing")}
              wrong={wrong("spacing")}
            />
          </>
        )}
      </div>
      <p className="flex flex-wrap gap-3">
        <Button onClick={() => work.mutate(body)}>Work it out</Button>
        <Button kind="filled" disabled={keep.isPending} onClick={() => keep.mutate(body)}>
          Keep it
        </Button>
      </p>
      {v && work.data && (
        <div aria-live="polite">
          <p className="figures text-lg font-bold">{v.sentence}</p>
          <Sum working={work.data.working} sure={work.data.sure} of="this rate" />
        </div>
      )}
      {keep.data && <p role="status">✓ Kept with its date.</p>}
      <Wrong problem={work.error ?? keep.error} shown={["used", "square", "nozzle", "speed", "spacing"]} />
      <ul className="figures mt-2">
        {sprayer.calibrations.map((c) => (
          <li key={c.at} className="border-t border-line py-1">
            {clock.date(c.at)}: <b>{c.rateShown}</b>, {c.by}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Can({ sprayer }: { sprayer: Schemas["SprayerView"] }) {
  const [r, setR] = useState({ can: sprayer.tankShown, seconds: "", wanted: "25 L" });
  const work = useWrite((b: typeof r, headers) => client.POST("/api/put-out/can/work-out", { body: b, headers }));
  return (
    <section aria-label="By the clock">
      <h2 className="text-xl">By the clock</h2>
      <div className="grid gap-x-4 sm:grid-cols-2">
        <AmountField
          label="The can holds"
          dimension="volume"
          value={r.can}
          onChange={(can) => setR({ ...r, can })}
          wrong={work.error?.of("can")}
        />
        <Field
          label="A full one runs out in, s"
          inputMode="decimal"
          value={r.seconds}
          onChange={(seconds) => setR({ ...r, seconds })}
          wrong={work.error?.of("seconds")}
        />
        <AmountField
          label="Wanted on the bed"
          dimension="volume"
          value={r.wanted}
          onChange={(wanted) => setR({ ...r, wanted })}
          wrong={work.error?.of("wanted")}
        />
        <Button className="self-center" onClick={() => work.mutate(r)}>
          Work it out
        </Button>
      </div>
      {work.data?.value && (
        <div aria-live="polite">
          <p className="figures text-lg font-bold">{work.data.value.sentence}</p>
          <Sum working={work.data.working} sure={work.data.sure} of="these seconds" />
        </div>
      )}
      <Wrong problem={work.error} shown={["can", "seconds", "wanted"]} />
    </section>
  );
}

function SprayerForm({ old, done }: { old: Schemas["SprayerView"] | null; done: () => void }) {
  const [r, setR] = useState<Schemas["SprayerRequest"]>({
    id: old?.id ?? null,
    version: old?.version ?? null,
    name: old?.name ?? "",
    kind: old?.kind ?? "knapsack",
    tank: old?.tankShown ?? "15 L",
    past: old?.past ?? "biology",
    clearedWhy: old?.clearedWhy ?? "",
    mesh: old?.meshUm ? `${Math.round(old.meshUm)} µm` : "",
    pressure: old?.pressureBar === null || old?.pressureBar === undefined ? "" : String(old.pressureBar),
    ratio: old?.ratio ? `1:${old.ratio}` : "",
  });
  const keep = useWrite((_: null, headers) => client.POST("/api/put-out/sprayers", { body: r, headers }), done);
  const wrong = (f: string) => keep.error?.of(f);
  const set = (part: Partial<typeof r>) => setR({ ...r, ...part });
  return (
    <form
      className="mt-4 border-t-2 border-line pt-3"
      onSubmit={(e) => {
        e.preventDefault();
        keep.mutate(null);
      }}
    >
      <h2 className="text-xl">{old ? `Change ${old.name}` : "Add a sprayer or can"}</h2>
      <div className="grid gap-x-6 sm:grid-cols-2">
        <Field label="Name" value={r.name ?? ""} onChange={(name) => set({ name })} wrong={wrong("name")} autoFocus />
        <Pick
          label="Kind"
          value={r.kind ?? "knapsack"}
          options={kinds.map((k) => ({ value: k, name: k }))}
          onChange={(kind) => set({ kind })}
        />
        <AmountField
          label="It holds"
          dimension="volume"
          value={r.tank ?? ""}
          onChange={(tank) => set({ tank })}
          wrong={wrong("tank")}
        />
        <Field
          label="Finest filter"
          value={r.mesh ?? ""}
          onChange={(mesh) => set({ mesh })}
          wrong={wrong("mesh")}
          hint="300 µm, or 50 mesh"
        />
        <Field
          label="Pressure, bar"
          inputMode="decimal"
          value={r.pressure ?? ""}
          onChange={(pressure) => set({ pressure })}
          wrong={wrong("pressure")}
        />
        {r.kind === "injector" && (
          <Field
            label="Its ratio"
            value={r.ratio ?? ""}
            onChange={(ratio) => set({ ratio })}
            wrong={wrong("ratio")}
            hint="1:100"
          />
        )}
      </div>
      <Choice
        label="What was ever in it"
        value={(r.past ?? "unknown") as (typeof pasts)[number]["value"]}
        options={pasts}
        onChange={(past) => set({ past })}
        wrong={wrong("past")}
      />
      {(r.past === "poison" || r.past === "unknown") && (
        <Field
          label="Which local rule or lab clears it?"
          value={r.clearedWhy ?? ""}
          onChange={(clearedWhy) => set({ clearedWhy })}
          wrong={wrong("clearedWhy")}
          hint="empty: it is refused for anything that lives; a reason is kept with its date"
        />
      )}
      <p className="mt-3 flex gap-3">
        <Button type="submit" kind="filled" disabled={keep.isPending}>
          Keep it
        </Button>
        <Button kind="plain" onClick={done}>
          leave it
        </Button>
      </p>
      <Wrong problem={keep.error} shown={["name", "tank", "mesh", "pressure", "ratio", "past", "clearedWhy"]} />
    </form>
  );
}
