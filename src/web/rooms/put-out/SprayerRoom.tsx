import { useState } from "react";
import { useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { useFieldWrite } from "../../parts/outbox";
import { Button } from "../../parts/Button";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { Wrong } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { Calibrate, Can } from "./Calibrate";
import { pasts, SprayerForm } from "./SprayerForm";

/** Sprayers: what they ever held, what they hold back, what they put on, and whether they are washed up. */
export function SprayerRoom() {
  const clock = useClock();
  const [search, setSearch] = useSearchParams();
  const list = useRead("/api/put-out/sprayers");
  const [edit, setEdit] = useState<Schemas["SprayerView"] | "new" | null>(null);
  const open = list.find((s) => String(s.id) === search.get("sprayer")) ?? list[0];
  return (
    <Room
      title="Sprayers and cans"
      under="A living brew is carried only by what is clean, coarse and measured."
      peek={open?.ruling.value?.verdict.sentence}
      bench={
        <>
          {list.length === 0 && (
            <p className="text-lg">
              None is kept yet. Add the knapsack or can you use: what it holds, what it ever held, its finest filter.
            </p>
          )}
          <ul>
            {list.map((s) => (
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
  const wash = useFieldWrite(
    "/api/put-out/sprayers/{id}/wash",
    () => ({
      params: { path: { id: sprayer.id } },
      body: { applicationId: null, note: null, at: null },
    }),
    () => `${sprayer.name} washed up`,
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
