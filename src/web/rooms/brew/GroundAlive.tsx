import { useState } from "react";
import { client, type Schemas, useRead, useWrite } from "../../api/client";
import { useUnitWords } from "../../api/units";
import { Button } from "../../parts/Button";
import { Pick } from "../../parts/Pick";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { Wrong } from "../../parts/Wrong";
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
export function GroundAlive() {
  const clock = useClock();
  const ground = useRead(["ground"], () => client.GET("/api/ground"));
  const checks = useRead(["ground-checks"], () => client.GET("/api/brew/ground-checks"));
  const [kind, setKind] = useState("cotton");
  const [bed, setBed] = useState<number | null>(null);
  const [weeks, setWeeks] = useState("7");
  const [buried, setBuried] = useState("");
  const [gone, setGone] = useState("0.5");
  const [burst, setBurst] = useState("");
  const words = useUnitWords();
  const keep = useWrite((body: Schemas["GroundCheckRequest"], headers) =>
    client.POST("/api/brew/ground-checks", { body, headers }),
  );
  const bedId = bed ?? ground.data?.beds[0]?.id ?? 0;
  return (
    <section aria-label="Is this ground alive already?" className="mt-8 border-t-2 border-ink pt-3">
      <h2 className="text-xl">Is this ground alive already?</h2>
      <p>
        Poor ground may gain from a brew; living ground gains little. Bury a strip of cotton, {words.hand} down, for six
        to eight weeks; dig it up and look. Or have a lab wet a dried sample and measure a day’s carbon dioxide.
      </p>
      <form
        className="mt-3 flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          keep.mutate({
            bedId,
            kind,
            weeks: kind === "cotton" && !buried ? number(weeks) : null,
            buriedAt: kind === "cotton" && buried ? (clock.fromField(`${buried}T12:00`)?.toISOString() ?? null) : null,
            figure: number(kind === "cotton" ? gone : burst),
            at: null,
          });
        }}
      >
        <Pick
          label="Bed"
          value={String(bedId)}
          options={ground.data?.beds.map((b) => ({ value: String(b.id), name: b.name })) ?? []}
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
            <Field
              label="Buried on"
              type="date"
              value={buried}
              onChange={setBuried}
              wrong={keep.error?.of("buriedAt")}
              hint="the weeks are counted from it"
            />
            {!buried && (
              <Field
                label="Or weeks it lay"
                inputMode="decimal"
                value={weeks}
                onChange={setWeeks}
                wrong={keep.error?.of("weeks")}
              />
            )}
            <Choice
              label="What is gone of it"
              value={gone}
              options={eyes.map(([value, name]) => ({ value, name }))}
              onChange={setGone}
              wrong={keep.error?.of("figure")}
            />
          </>
        ) : (
          <Field
            label="mg of CO₂-C per kg in a day"
            inputMode="decimal"
            value={burst}
            onChange={setBurst}
            wrong={keep.error?.of("figure")}
          />
        )}
        <Wrong problem={keep.error} shown={["weeks", "figure", "buriedAt"]} />
        <Button type="submit" className="self-start" disabled={keep.isPending}>
          Keep this check
        </Button>
      </form>
      <ul className="figures mt-3">
        {(checks.data ?? []).map((c) => (
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
    </section>
  );
}
