import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Refusals } from "../../parts/Form";
import { useUnitWords } from "../../api/units";
import { useRead, useWorkOut, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Sum, Sure } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { WrongElse } from "../../parts/Wrong";

/** May these be together? Every pair with its reason, and rules from the grower's own labels. */
export function MixRoom() {
  const words = useUnitWords();
  const rules = useRead("/api/put-out/mixing");
  const classes = rules.classes ?? [];
  const [tank, setTank] = useState(["brew", "seaweed"]);
  const [lately, setLately] = useState<{ kind: string; days: string }>({ kind: "", days: "3" });
  const [held, setHeld] = useState("");
  const [meter, setMeter] = useState({ ph: "", salts: "", warmth: "", strip: "" });
  const [strength, setStrength] = useState("");
  const name = (id: string) => classes.find((c) => c.id === id)?.name ?? id;
  const item = (id: string) => ({
    name: name(id),
    class: id,
    daysAgo: null,
    bed: null,
    ph: null,
    mgPerL: id === "chlorine" ? strength : null,
  });
  const body = {
    tank: tank.map(item),
    lately: lately.kind ? [{ ...item(lately.kind), daysAgo: lately.days, bed: "the bed" }] : [],
    heldLast: held ? [item(held)] : [],
    ph: meter.ph,
    saltsMsPerCm: meter.salts,
    temperatureC: meter.warmth,
    chlorineMgPerL: meter.strip,
  };
  const worked = useWorkOut("/api/put-out/mixing/work-out", classes.length > 0 ? { body } : null);
  const v = worked.data?.value;
  const set = (k: keyof typeof meter) => (t: string) => setMeter({ ...meter, [k]: t });
  return (
    <Refusals problem={worked.problem}>
      {" "}
      <Room
        title="May they be together?"
        under="In the tank, and on a bed that got something lately."
        peek={v?.verdict.sentence}
        bench={
          <div className="flex flex-col gap-3">
            {tank.map((t, i) => (
              <div key={i} className="grid items-start gap-x-4 sm:grid-cols-[1fr_auto]">
                <Pick
                  label={`In the tank, ${i + 1}`}
                  value={t}
                  options={classes.map((c) => ({ value: c.id, name: c.name }))}
                  onChange={(id) => setTank(tank.map((x, n) => (n === i ? id : x)))}
                />
                {tank.length > 1 && (
                  <Button
                    kind="plain"
                    className="sm:mt-7"
                    aria-label={`leave out ${name(t)}`}
                    onClick={() => setTank(tank.filter((_, n) => n !== i))}
                  >
                    leave out
                  </Button>
                )}
              </div>
            ))}
            {tank.length < 12 && (
              <Button kind="plain" className="self-start" onClick={() => setTank([...tank, "humic"])}>
                add another
              </Button>
            )}
            <div className="grid gap-x-4 sm:grid-cols-[1fr_9rem]">
              <Pick
                label="The bed got lately"
                value={lately.kind}
                options={[{ value: "", name: "nothing" }, ...classes.map((c) => ({ value: c.id, name: c.name }))]}
                onChange={(kind) => setLately({ ...lately, kind })}
              />
              {lately.kind && (
                <Field
                  label="Days ago"
                  inputMode="decimal"
                  value={lately.days}
                  onChange={(days) => setLately({ ...lately, days })}
                  name="lately[0].daysAgo"
                />
              )}
            </div>
            <Pick
              label="The sprayer held last, not washed since"
              value={held}
              options={[
                { value: "", name: "nothing, or it was washed" },
                ...classes.map((c) => ({ value: c.id, name: c.name })),
              ]}
              onChange={setHeld}
            />
            {[...tank, held, lately.kind].includes("chlorine") && (
              <Field
                label="Strength of the chlorine as it goes in, mg/L"
                inputMode="decimal"
                value={strength}
                hint="to 10 it is tap water, above that bleach; empty is taken for bleach"
                onChange={setStrength}
                wrong={worked.problem?.fields.find((f) => f.field.endsWith(".mgPerL"))?.wrong}
              />
            )}
            <div className="grid gap-x-4 sm:grid-cols-4">
              <Field label="pH" inputMode="decimal" value={meter.ph} onChange={set("ph")} name="ph" />
              <Field
                label="Salts, mS/cm"
                inputMode="decimal"
                value={meter.salts}
                onChange={set("salts")}
                name="saltsMsPerCm"
              />
              <Field
                label={`Warmth, ${words.warmth}`}
                inputMode="decimal"
                value={meter.warmth}
                onChange={set("warmth")}
                name="temperatureC"
              />
              <Field
                label="Strip, mg/L"
                inputMode="decimal"
                value={meter.strip}
                onChange={set("strip")}
                name="chlorineMgPerL"
              />
            </div>
            <WrongElse />
            {rules && <OwnRules view={rules} />}
          </div>
        }
        slate={
          <>
            {v && worked.data && (
              <>
                <Verdict verdict={v.verdict} />
                <ul>
                  {v.pairs.map((p, i) => (
                    <li key={i} className="border-t border-line py-2">
                      <b className={p.says === "fine" ? "text-moss" : p.says === "never" ? "text-plum" : "text-straw"}>
                        {p.gas
                          ? "■ never: gas or heat"
                          : p.says === "fine"
                            ? "✓ fine"
                            : p.says === "wait"
                              ? `▲ wait ${Math.ceil(p.waitDays)} days`
                              : p.says === "jar"
                                ? "▲ a jar first"
                                : "■ never"}
                      </b>
                      : {p.a} and {p.b}, {p.where}. {p.why}{" "}
                      <span className="text-ash">
                        {p.own ? (
                          "A rule of your own."
                        ) : (
                          <>
                            {p.source && `From ${p.source}. `}
                            <Sure sure={p.sure} />
                          </>
                        )}
                      </span>
                    </li>
                  ))}
                </ul>
                {v.tank.map((t) => (
                  <p key={t}>▲ {t}</p>
                ))}
                <Sum working={worked.data.working} sure={worked.data.sure} of="this ruling" />
              </>
            )}
            <details>
              <summary className="min-h-11 cursor-pointer text-clay underline underline-offset-4">
                all the rules for what is in the tank
              </summary>
              <ul>
                {rules.rules
                  .filter((r) => r.says !== "jar" && (r.own || tank.includes(r.a) || tank.includes(r.b)))
                  .map((r, i) => (
                    <li key={i} className="border-t border-line py-1">
                      <b>
                        {r.aName} and {r.bName}
                      </b>
                      : {r.says === "fine" ? "fine together" : r.gas ? "never: gas or heat" : "never in one tank"}
                      {r.waitDays > 0 && `, ${r.waitDays} days apart`}. {r.why} {r.own && <b>Your own.</b>}
                    </li>
                  ))}
              </ul>
            </details>
          </>
        }
      />
    </Refusals>
  );
}

function OwnRules({ view }: { view: Schemas["MixRulesView"] }) {
  const options = view.classes.map((c) => ({ value: c.id, name: c.name }));
  const [r, setR] = useState({ a: "brew", b: "fungicide", together: false, waitDays: "7", why: "" });
  const keep = useWrite(
    "/api/put-out/mixing/rules",
    () => ({ body: r }),
    () => setR({ ...r, why: "" }),
  );
  const end = useWrite("/api/put-out/mixing/rules/{id}/end", (id: number) => ({ params: { path: { id } } }));
  const own = view.rules.filter((x) => x.own);
  return (
    <Refusals problem={[keep.error, end.error]}>
      {" "}
      <section aria-label="Rules from labels">
        <h2 className="text-xl">Rules from your labels</h2>
        <ul>
          {own.map((x) => (
            <li key={x.id} className="flex flex-wrap justify-between gap-x-4 border-t border-line py-1">
              <span>
                {x.aName} and {x.bName}: {x.together ? "fine" : `never together, ${x.waitDays} days apart`}. {x.why}
              </span>
              <Button
                kind="plain"
                aria-label={`take back: ${x.aName} and ${x.bName}`}
                onClick={() => end.mutate(x.id!)}
              >
                take back
              </Button>
            </li>
          ))}
        </ul>
        <details>
          <summary className="min-h-11 cursor-pointer text-clay underline underline-offset-4">add a rule</summary>
          <div className="grid gap-x-4 sm:grid-cols-2">
            <Pick label="This" value={r.a} options={options} onChange={(a) => setR({ ...r, a })} />
            <Pick label="and this" value={r.b} options={options} onChange={(b) => setR({ ...r, b })} />
          </div>
          <Choice
            label="In one tank"
            value={r.together ? "fine" : "never"}
            options={[
              { value: "fine", name: "fine" },
              { value: "never", name: "never" },
            ]}
            onChange={(t) => setR({ ...r, together: t === "fine" })}
          />
          <div className="grid gap-x-4 sm:grid-cols-[9rem_1fr]">
            <Field
              label="Days apart"
              inputMode="decimal"
              value={r.waitDays}
              onChange={(waitDays) => setR({ ...r, waitDays })}
              name="waitDays"
            />
            <Field label="Which label says so" value={r.why} onChange={(why) => setR({ ...r, why })} name="why" />
          </div>
          <Button disabled={keep.isPending} onClick={() => keep.mutate(null)}>
            Keep the rule
          </Button>
          <WrongElse />
        </details>
      </section>
    </Refusals>
  );
}
