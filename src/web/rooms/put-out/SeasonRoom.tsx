import { useState } from "react";
import { useNavigate, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { Refusals } from "../../parts/Form";
import { useRead, useWrite } from "../../api/data";
import { useUnitWords } from "../../api/units";
import { Button } from "../../parts/Button";
import { DayField } from "../../parts/DayField";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Sum, Sure } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { WrongElse } from "../../parts/Wrong";
import { SeasonCalendar } from "./SeasonCalendar";

type Programme = Schemas["ProgrammeView"];

/** A season's programme on a bed: laid by stage, dragged by the week, looked at for what it misses. */
export function SeasonRoom() {
  const view = useRead("/api/put-out/programmes");
  const ground = useRead("/api/ground");
  const [search, setSearch] = useSearchParams();
  const all = view.programmes ?? [];
  // The one that misses something is opened first, and stays open when it no longer does.
  const [first, setFirst] = useState<number | null>(null);
  if (first === null && all.length > 0) setFirst((all.find((p) => p.misses.length > 0) ?? all[0]!).id);
  const open = all.find((p) => String(p.id) === (search.get("season") ?? String(first)));
  return (
    <Room
      title="The season, laid out"
      under={open ? `${open.bed}, ${open.crop}, ${open.areaShown}` : "Timed to the stage of the crop."}
      peek={open?.worked.value?.verdict.sentence}
      bench={
        <div className="flex flex-col gap-4">
          {all.length > 1 && open && (
            <Pick
              label="Which bed's season?"
              value={String(open.id)}
              options={all.map((p) => ({ value: String(p.id), name: `${p.bed}, ${p.crop}` }))}
              onChange={(id) => setSearch({ season: id })}
            />
          )}
          {open && <SeasonCalendar key={open.id} programme={open} />}
          {open && <Stages key={`stages-${open.id}`} programme={open} />}
          {open && view && <Lay programme={open} kinds={view.kinds} />}
          {ground && <NewSeason beds={ground.beds} opened={(id) => setSearch({ season: String(id) })} />}
        </div>
      }
      slate={
        <>
          {open && <Slate programme={open} />}
          <Kinds kinds={view.kinds ?? []} />
          <DriedOrLiquid />
        </>
      }
    />
  );
}

function Slate({ programme }: { programme: Programme }) {
  const go = useNavigate();
  const w = programme.worked;
  const next = programme.givings.find((g) => !g.done && g.fit !== "wasted");
  return (
    <>
      {w.value && <Verdict verdict={w.value.verdict} />}
      {programme.needs.length > 0 && (
        <p className="figures">
          In all: {programme.needs.join(", ")}. It brings {programme.potassiumShown} to the bed.
        </p>
      )}
      {next && (
        <p>
          Next: {next.name}, {next.amountShown} ({next.amountInTools}), {next.thinned}; {next.hour}. The rate is by{" "}
          {next.whose}.{" "}
          <Button kind="plain" onClick={() => go(`/put-out/tank?giving=${next.id}`)}>
            fill the tank for it
          </Button>
        </p>
      )}
      <Sum working={w.working} sure={w.sure} of="this season" />
    </>
  );
}

/** When its stages begin: the crop's own calendar, or as they were seen on the bed. */
function Stages({ programme }: { programme: Programme }) {
  const [typed, setTyped] = useState<Record<string, string>>({});
  const keep = useWrite(
    "/api/put-out/programmes/{id}/stages",
    (stages: Schemas["StageFrom"][]) => ({
      params: { path: { id: programme.id } },
      body: { stages },
    }),
    () => setTyped({}),
  );
  return (
    <Refusals problem={keep.error}>
      <details>
        <summary className="min-h-11 cursor-pointer py-2 text-clay underline underline-offset-4">
          {programme.dated ? "stages by your own dates" : `stages by ${programme.calendar}`}: put in your own
        </summary>
        <div className="grid gap-x-4 sm:grid-cols-3">
          {programme.stages.map((s, i) => (
            <DayField
              key={s.id}
              label={`${s.name}, from`}
              value={typed[s.id] ?? s.from}
              onChange={(on) => setTyped({ ...typed, [s.id]: on })}
              name={`stages[${i}]`}
            />
          ))}
        </div>
        <p className="flex flex-wrap gap-3">
          <Button
            disabled={keep.isPending}
            onClick={() =>
              keep.mutate(programme.stages.map((s) => ({ id: s.id, name: s.name, from: typed[s.id] ?? s.from })))
            }
          >
            Keep these dates
          </Button>
          {programme.dated && (
            <Button kind="plain" onClick={() => keep.mutate([])}>
              back to the crop’s calendar
            </Button>
          )}
        </p>
        <WrongElse />
      </details>
    </Refusals>
  );
}

/** Proposes a kind in its times, or lays one giving on a day. */
function Lay({ programme, kinds }: { programme: Programme; kinds: Schemas["BiostimulantView"][] }) {
  const [kind, setKind] = useState("seaweed");
  const [on, setOn] = useState("");
  const path = { params: { path: { id: programme.id } } };
  const propose = useWrite("/api/put-out/programmes/{id}/propose", () => ({ ...path, body: { kind } }));
  const lay = useWrite(
    "/api/put-out/programmes/{id}/givings",
    () => ({
      ...path,
      body: { kind, on: on || null, purpose: "leaf" as const, oneIn: null },
    }),
    () => setOn(""),
  );
  return (
    <Refusals problem={[propose.error, lay.error]}>
      {" "}
      <section aria-label="Lay something">
        <div className="grid items-start gap-x-4 sm:grid-cols-[1fr_auto_1fr_auto]">
          <Pick
            label="Of what"
            value={kind}
            options={kinds.map((k) => ({ value: k.kind, name: k.name }))}
            onChange={setKind}
          />
          <Button className="sm:mt-7" disabled={propose.isPending} onClick={() => propose.mutate(null)}>
            Propose its days
          </Button>
          <DayField label="or on" value={on} onChange={setOn} name="on" />
          <Button className="sm:mt-7" disabled={lay.isPending} onClick={() => lay.mutate(null)}>
            Lay it
          </Button>
        </div>
        <WrongElse />
      </section>
    </Refusals>
  );
}

function NewSeason({ beds, opened }: { beds: Schemas["BedView"][]; opened: (id: number) => void }) {
  const [bedId, setBed] = useState(beds[0]?.id ?? 0);
  const [start, setStart] = useState("");
  const [harvest, setHarvest] = useState("");
  const keep = useWrite(
    "/api/put-out/programmes",
    () => ({
      body: { bedId, start: start || null, harvest: harvest || null },
    }),
    (k) => opened(k.id),
  );
  return (
    <Refusals problem={keep.error}>
      {" "}
      <details>
        <summary className="min-h-11 cursor-pointer text-clay underline underline-offset-4">
          a season for another bed
        </summary>
        <div className="grid items-start gap-x-4 sm:grid-cols-[1fr_1fr_1fr_auto]">
          <Pick
            label="Bed"
            value={String(bedId)}
            options={beds.map((b) => ({ value: String(b.id), name: `${b.name}, ${b.crop}` }))}
            onChange={(id) => setBed(Number(id))}
          />
          <DayField label="Sown or planted" value={start} onChange={setStart} name="start" />
          <DayField label="First harvest" value={harvest} onChange={setHarvest} name="harvest" />
          <Button className="sm:mt-7" disabled={keep.isPending} onClick={() => keep.mutate(null)}>
            Open it
          </Button>
        </div>
        <WrongElse />
      </details>
    </Refusals>
  );
}

function Kinds({ kinds }: { kinds: Schemas["BiostimulantView"][] }) {
  const words = { right: "right", late: "too late", wasted: "wasted" } as Record<string, string>;
  return (
    <section aria-label="What is known of each">
      <h2 className="text-xl">What is known of each</h2>
      {kinds.map((k) => (
        <details key={k.kind} className="border-t border-line">
          <summary className="min-h-11 cursor-pointer py-2 font-bold">{k.name}</summary>
          <p className="figures">
            Leaf {k.leaf}; root {k.root}; {k.perHa}, every {k.every}. {k.hour}. It brings {k.brings}. The label comes
            first. How sure: <Sure sure={k.sure} />.
          </p>
          <ul className="mb-2">
            {k.stages.map((s) => (
              <li key={s.stage}>
                {s.stage === "start"
                  ? "sowing or transplant"
                  : s.stage === "root"
                    ? "root growth"
                    : s.stage === "leaf"
                      ? "before flower"
                      : s.stage === "set"
                        ? "flower and set"
                        : "filling"}
                : <b>{words[s.fit]}</b>. {s.why}
              </li>
            ))}
          </ul>
        </details>
      ))}
    </section>
  );
}

/** Seaweed by the money on a hectare. */
function DriedOrLiquid() {
  const words = useUnitWords();
  const [r, setR] = useState({
    liquidPerHa: "2",
    times: "4",
    liquidPrice: "9.40",
    driedPerHa: "150",
    driedPrice: "1.80",
    wet: true,
  });
  const ask = useWrite("/api/put-out/dried-or-liquid/work-out", (body: typeof r) => ({ body }));
  const field = (key: Exclude<keyof typeof r, "wet">, label: string) => (
    <Field label={label} inputMode="decimal" value={r[key]} onChange={(t) => setR({ ...r, [key]: t })} name={key} />
  );
  const v = ask.data?.value;
  return (
    <Refusals problem={ask.error}>
      <details>
        <summary className="min-h-11 cursor-pointer text-clay underline underline-offset-4">
          seaweed: dried or liquid?
        </summary>
        <div className="grid gap-x-4 sm:grid-cols-2">
          {field("liquidPerHa", `Liquid, ${words.volume}s ${words.large}`)}
          {field("times", "Times a season")}
          {field("liquidPrice", `Price of a ${words.volume}`)}
          {field("driedPerHa", `Dried, ${words.mass}s ${words.large}`)}
          {field("driedPrice", `Price of a ${words.mass}`)}
          <Button className="self-center" onClick={() => ask.mutate(r)}>
            Compare
          </Button>
        </div>
        <WrongElse />
        {v && (
          <p>
            <b>{v.verdict.sentence}</b> {v.verdict.why}
          </p>
        )}
      </details>
    </Refusals>
  );
}
