import { useRef, useState } from "react";
import { useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useReadIf, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { Mind } from "../../parts/Mind";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { SaveChart } from "../../parts/SaveChart";
import { Sum } from "../../parts/Sum";
import { Wrong, WrongElse } from "../../parts/Wrong";
import { Forest } from "./Forest";
import { LeaveOut } from "./LeaveOut";
import { ProtocolSlate } from "./ProtocolSlate";
import { VerdictWord } from "./VerdictWord";

type Protocol = Schemas["ProtocolView"];

/** One question tried in several gardens: the protocol goes out, results come back, and all are put together. */
export function TogetherRoom() {
  const all = useRead("/api/judge/together");
  const [search, setSearch] = useSearchParams();
  const [by, setBy] = useState<string | null>(null);
  const wanted = Number(search.get("of")) || null;
  const kept = all.protocols.filter((p) => p.id !== null); // others are only offered yet
  const picked = kept.find((p) => p.id === wanted) ?? kept[0];
  const choose = (id: number) => {
    setBy(null);
    setSearch({ of: String(id) }, { replace: true });
  };
  const protocol = useReadIf(picked !== undefined, "/api/judge/together/{id}", {
    params: { path: { id: picked?.id ?? 0 }, query: { by: by ?? undefined } },
  });
  const take = useWrite(
    "/api/judge/together/take",
    (mark: string) => ({ body: { mark } }),
    (kept) => choose(kept.id),
  );
  return (
    <Room
      title="Gardens together"
      under="One garden’s trial seldom settles anything; twelve gardens’ with four plots each do."
      peek={picked?.question ?? "Ask others what you ask"}
      bench={
        <>
          {all.protocols.length === 0 && (
            <p className="text-lg">
              Nothing yet. Ask others what a trial of yours asks, or bring in a protocol that somebody sent you.
            </p>
          )}
          <ul aria-label="Protocols">
            {all.protocols.map((p) => (
              <li key={p.mark} className="flex flex-wrap items-center justify-between gap-2 border-t border-line py-2">
                {p.id === null ? (
                  <>
                    <Line protocol={p} on={false} />
                    <Button
                      onClick={() => take.mutate(p.mark)}
                      disabled={take.isPending}
                      aria-label={`look at it: ${p.question}`}
                    >
                      Look at it
                    </Button>
                  </>
                ) : (
                  <button
                    type="button"
                    aria-pressed={p === picked}
                    onClick={() => choose(p.id!)}
                    className="block min-h-12 w-full text-left"
                  >
                    <Line protocol={p} on={p === picked} />
                  </button>
                )}
              </li>
            ))}
          </ul>
          <Wrong problem={take.error} />
          {protocol && <Found key={protocol.id} protocol={protocol} setBy={setBy} />}
          <Begin askable={all.askable} done={choose} />
        </>
      }
      slate={protocol ? <ProtocolSlate key={protocol.id} protocol={protocol} /> : null}
    />
  );
}

function Line({ protocol: p, on }: { protocol: Schemas["ProtocolLine"]; on: boolean }) {
  return (
    <span>
      <b className={`font-head text-lg ${on ? "text-clay" : ""}`}>{p.question}</b>
      <span className="block text-ash">
        {p.ours ? "asked by you" : `asked by ${p.from}`}; {p.says}
      </span>
    </span>
  );
}

/** What all gardens say of each arm, and each garden by its own name for itself. */
function Found({ protocol: p, setBy }: { protocol: Protocol; setBy: (by: string) => void }) {
  const fork = p.pooled.forks[0];
  return (
    <section className="mt-4" aria-label="What the gardens found">
      <Mind cautions={[...p.cautions, ...p.pooled.cautions]} />
      {fork && p.gardens.length > 1 && (
        <p className="flex flex-wrap items-center gap-2">
          {fork.schools.map((s) => (
            <Button
              key={s.id}
              kind={s.id === fork.chosen ? "drawn" : "plain"}
              aria-pressed={s.id === fork.chosen}
              onClick={() => setBy(s.id)}
            >
              by {s.name}
            </Button>
          ))}
          <span className="text-ash">{fork.why}</span>
        </p>
      )}
      {p.pooled.value!.arms.map((a) => (
        <Arm key={a.arm} arm={a} protocol={p} />
      ))}
      {p.gardens.length > 0 && (
        <>
          <h2 className="mt-4 text-xl">Each garden</h2>
          <ul aria-label="Gardens" className="figures">
            {p.gardens.map((g) => (
              <Garden key={g.label + g.source + (g.id ?? "")} garden={g} />
            ))}
          </ul>
          <p>
            <a href={`/api/judge/together/${p.id}/results.csv`} className="text-clay underline" download>
              all of it as CSV
            </a>
          </p>
        </>
      )}
    </section>
  );
}

function Arm({ arm, protocol: p }: { arm: Schemas["PooledArm"]; protocol: Protocol }) {
  const svg = useRef<SVGSVGElement>(null);
  const told = arm.together?.value;
  return (
    <section className="mt-3" aria-label={arm.arm}>
      <h2 className="text-xl">
        {arm.arm} <span className="text-base font-normal text-ash">against {p.reference}</span>
      </h2>
      {told ? (
        <>
          <VerdictWord word={told.verdict} />
          <p className="text-lg">{told.sentence}</p>
          <figure>
            <Forest
              answer={told}
              unit={arm.unit}
              worth={p.pooled.value!.by === "difference" ? (p.told.worthHaving ?? null) : null}
              svg={svg}
            />
            <SaveChart svg={svg} name={`gardens-${arm.arm}`} />
          </figure>
          <Sum working={arm.together!.working} sure={arm.together!.sure} of={`the gardens together, ${arm.arm}`} />
        </>
      ) : (
        <p>{arm.wants}</p>
      )}
    </section>
  );
}

function Garden({ garden: g }: { garden: Schemas["GardenView"] }) {
  const out = useWrite("/api/judge/together/results/{id}/out", (why: string) => ({
    params: { path: { id: g.id ?? 0 } },
    body: { why },
  }));
  return (
    <li className="border-t border-line py-2">
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <span className={g.outWhy ? "line-through" : ""}>
          <b>{g.label}</b>{" "}
          <span className="text-ash">
            · {g.source}; {g.strength}
          </span>
          {g.arms.map((a) => (
            <span key={a.name} className="block">
              {a.name}: {a.says}
            </span>
          ))}
        </span>
        {g.id !== null && !g.outWhy && <LeaveOut of={g.label} out={out} />}
      </div>
      {g.outWhy && <p className="text-ash">left out: {g.outWhy}</p>}
    </li>
  );
}

/** A question of one's own for others, or what somebody sent. */
function Begin({ askable, done }: { askable: Schemas["AskableView"][]; done: (id: number) => void }) {
  const [trial, setTrial] = useState("");
  const [days, setDays] = useState("");
  const ask = useWrite(
    "/api/judge/together/ask",
    () => ({ body: { trialId: Number(trial), days } }),
    (kept) => {
      setTrial("");
      setDays("");
      done(kept.id);
    },
  );
  const bring = useWrite(
    "/api/judge/together/bring",
    (json: string) => ({ body: { json } }),
    (kept) => done(kept.id),
  );
  return (
    <section className="mt-6 space-y-2">
      {askable.length > 0 && (
        <Fold line="Ask others what a trial of yours asks">
          <Form problem={ask.error} onSend={() => ask.mutate(undefined)} label="Ask others">
            <div className="grid gap-x-4 sm:grid-cols-2">
              <Pick
                label="Trial"
                value={trial}
                options={[
                  { value: "", name: "choose" },
                  ...askable.map((t) => ({ value: String(t.id), name: t.question })),
                ]}
                onChange={setTrial}
              />
              <Field
                label="Measured, days after it begins"
                value={days}
                onChange={setDays}
                name="days"
                hint="60, 90; or leave it to each"
              />
            </div>
            <p className="text-ash">
              The protocol says the question, arms, layout, measures and what is worth having: nothing else of you but
              your holding’s name.
            </p>
            <Button type="submit" kind="filled" disabled={!trial || ask.isPending}>
              Make it a protocol
            </Button>
            <WrongElse />
          </Form>
        </Fold>
      )}
      <label className="block">
        Bring in what somebody sent: a protocol, or a garden’s result
        <input
          type="file"
          accept=".json,application/json"
          className="mt-1 block min-h-12"
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (file) void file.text().then((json) => bring.mutate(json));
            e.target.value = "";
          }}
        />
      </label>
      <Wrong problem={bring.error} />
    </section>
  );
}
