import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useWorkOut, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Field } from "../../parts/Field";
import { Form } from "../../parts/Form";
import { useFieldWrite } from "../../parts/outbox";
import { WrongElse } from "../../parts/Wrong";
import { Wrote } from "../../parts/Wrote";
import { StrikeForm } from "./StrikeForm";
import type { Asked } from "./tools/asked";
import { CheckSays } from "./tools/CheckSays";
import { Tool } from "./tools/Tool";

interface Props {
  line: Schemas["CheckLine"];
  peg: Schemas["PegView"];
  bands: readonly Schemas["CrumbBand"][];
}

/** A check in the list of all that was found at a peg. It can be put right or struck; what stood there stays readable. */
export function CheckEntry({ line, peg, bands }: Props) {
  const clock = useClock();
  const [doing, setDoing] = useState<"right" | "strike" | "waits" | null>(null);
  return (
    <li className="border-t border-line py-1.5" aria-label={`${line.name}, ${clock.date(line.at)}`}>
      <span className={line.stands ? "" : "text-ash line-through"}>
        {clock.date(line.at)} <b>{line.name}</b>: {line.shown}
      </span>{" "}
      <span className="text-ash">{[line.minding, line.gone].filter(Boolean).join(" ")}</span>
      <Wrote wrote={line.wrote} />
      {line.stands && doing === null && (
        <span className="inline-flex flex-wrap gap-x-3">
          <Button kind="plain" onClick={() => setDoing("right")}>
            put it right
          </Button>
          <Button kind="plain" onClick={() => setDoing("strike")}>
            strike it
          </Button>
        </span>
      )}
      {doing === "waits" && (
        <span className="font-bold text-straw"> ▲ put right on this device, sent later and once</span>
      )}
      {line.stands && doing === "right" && <PutRight {...{ line, peg, bands, setDoing }} />}
      {line.stands && doing === "strike" && <Strike line={line} done={() => setDoing(null)} />}
    </li>
  );
}

/** The same instrument again, as it was tapped: what is kept is a new entry of the same hour, and says why. */
function PutRight({ line, peg, bands, setDoing }: Props & { setDoing: (to: "waits" | null) => void }) {
  const [check, setCheck] = useState<Asked>({ ...line.asked, soilC: null });
  const [warmth, setWarmth] = useState(line.warmth ?? "");
  const [why, setWhy] = useState("");
  const body = {
    pegId: peg.id,
    check,
    at: line.at,
    wet: null,
    rainHours: null,
    rain: null,
    warmth: warmth || null,
    who: null,
    correctsId: line.id,
    why,
  };
  const read = useWorkOut("/api/look/checks/read", { body });
  const keep = useFieldWrite(
    "/api/look/checks",
    () => ({ body }),
    () => `${line.name.toLowerCase()} put right, ${peg.called}`,
    (kept) => setDoing(kept ? null : "waits"),
  );
  return (
    <Form
      problem={keep.error}
      label={`Put right: ${line.name}`}
      onSend={() => keep.mutate(null)}
      className="flex flex-col gap-2"
    >
      <Tool asked={check} set={(part) => setCheck({ ...check, ...part })} {...{ warmth, setWarmth, bands }} />
      <CheckSays says={read.problem ? null : read.data?.value} />
      <Field label="What was wrong" value={why} onChange={setWhy} name="why" hint="a slip of the thumb" />
      <p className="flex gap-3">
        <Button type="submit" kind="filled" disabled={keep.isPending}>
          Keep it as put right
        </Button>
        <Button kind="plain" onClick={() => setDoing(null)}>
          leave it as it was
        </Button>
      </p>
      <WrongElse />
    </Form>
  );
}

function Strike({ line, done }: { line: Schemas["CheckLine"]; done: () => void }) {
  const strike = useWrite(
    "/api/look/checks/{id}/strike",
    (why: string) => ({ params: { path: { id: line.id } }, body: { why } }),
    done,
  );
  return <StrikeForm problem={strike.error} hint="the wrong peg" onStrike={strike.mutate} />;
}
