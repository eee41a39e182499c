import { useState } from "react";
import { useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { useFieldWrite } from "../../parts/outbox";
import { Form } from "../../parts/Form";
import { useUnitWords } from "../../api/units";
import { Button } from "../../parts/Button";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";
import { Choice } from "../../parts/Choice";
import { DayField } from "../../parts/DayField";
import { Field } from "../../parts/Field";
import { WrongElse } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { typed as number } from "../../api/typed";

const eyes = [
  ["0.05", "as it went in"],
  ["0.25", "holes in it"],
  ["0.5", "half of it"],
  ["0.75", "rags"],
  ["0.95", "hem and seams only"],
] as const;

/** Is this ground alive already? A buried cotton strip, or a burst of carbon dioxide from a lab. */
export function ChecksRoom() {
  const [search] = useSearchParams();
  const clock = useClock();
  const ground = useRead("/api/ground");
  const checks = useRead("/api/brew/ground-checks");
  const [kind, setKind] = useState("cotton");
  const [bed, setBed] = useState<number | null>(Number(search.get("bed")) || null);
  const [weeks, setWeeks] = useState("7");
  const [buried, setBuried] = useState("");
  const [gone, setGone] = useState("0.5");
  const [burst, setBurst] = useState("");
  const words = useUnitWords();
  const keep = useFieldWrite(
    "/api/brew/ground-checks",
    (body: Schemas["GroundCheckRequest"]) => ({ body }),
    () => "a check of the ground",
  );
  const bedId = bed ?? ground.beds[0]?.id ?? 0;
  return (
    <Room
      title="Is this ground alive already?"
      under="Poor ground may gain from a brew; living ground gains little."
      peek={checks[0] ? `${checks[0].bed}: ${checks[0].life}` : "No check yet"}
      bench={
        <>
          <p>
            Bury a strip of cotton, {words.hand} down, for six to eight weeks; dig it up and look. Or have a lab wet a
            dried sample and measure a day’s carbon dioxide.
          </p>
          <Form
            problem={keep.error}
            className="mt-3 flex flex-col gap-3"
            onSend={() =>
              keep.mutate({
                bedId,
                kind,
                weeks: kind === "cotton" && !buried ? number(weeks) : null,
                buriedAt:
                  kind === "cotton" && buried ? (clock.fromField(`${buried}T12:00`)?.toISOString() ?? buried) : null,
                figure: number(kind === "cotton" ? gone : burst),
                at: null,
              })
            }
          >
            <Pick
              label="Bed"
              value={String(bedId)}
              options={ground.beds.map((b) => ({ value: String(b.id), name: b.name })) ?? []}
              onChange={(v) => setBed(Number(v))}
            />
            <Choice
              label="By"
              value={kind}
              options={[
                { value: "cotton", name: "a cotton strip" },
                { value: "co2", name: "a CO₂ burst" },
              ]}
              onChange={setKind}
            />
            {kind === "cotton" ? (
              <>
                <DayField
                  label="Buried on"
                  value={buried}
                  onChange={setBuried}
                  name="buriedAt"
                  hint="the weeks are counted from it"
                />
                {!buried && (
                  <Field label="Or weeks it lay" inputMode="decimal" value={weeks} onChange={setWeeks} name="weeks" />
                )}
                <Choice
                  label="What is gone of it"
                  value={gone}
                  options={eyes.map(([value, name]) => ({ value, name }))}
                  onChange={setGone}
                  name="figure"
                />
              </>
            ) : (
              <Field
                label="mg of CO₂-C per kg in a day"
                inputMode="decimal"
                value={burst}
                onChange={setBurst}
                name="figure"
              />
            )}
            <WrongElse />
            <Button type="submit" className="self-start" disabled={keep.isPending}>
              Keep this check
            </Button>
          </Form>
        </>
      }
      slate={
        <>
          <h2 className="text-xl">Checks so far</h2>
          {checks.length === 0 && (
            <p>None yet. What a plan gives is stepped down where a check says that the ground is alive.</p>
          )}
          <ul className="figures mt-3">
            {checks.map((c) => (
              <li key={c.id} className="border-t border-line py-1.5">
                <b>{c.bed}</b> {clock.date(c.at)}: <b>{c.life}</b>.{" "}
                <span className="text-ash">
                  {c.says}{" "}
                  {c.kind === "cotton"
                    ? `${Math.round(c.figure * 100)} % gone in ${c.weeks} weeks`
                    : `${c.figure} mg/kg in a day`}
                </span>
              </li>
            ))}
          </ul>
        </>
      }
    />
  );
}
