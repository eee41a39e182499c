import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useUnitWords } from "../../api/units";
import { Refusals } from "../../parts/Form";
import { useFieldWrite } from "../../parts/outbox";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { WhenField } from "../../parts/WhenField";
import { WrongElse } from "../../parts/Wrong";

/** A harvest or a thing seen, written down by hand. */
export function Enter({ beds }: { beds: Schemas["BedView"][] }) {
  const words = useUnitWords();
  const [bed, setBed] = useState("");
  const [weight, setWeight] = useState("");
  const [text, setText] = useState("");
  const [at, setAt] = useState<string | null>(null);
  const bedId = Number(bed) || beds[0]?.id || null;
  const harvest = useFieldWrite(
    "/api/book/harvests",
    () => ({ body: { bedId, weight, note: text, at, correctsId: null } }),
    () => `harvested ${weight}`,
    () => {
      setWeight("");
      setText("");
    },
  );
  const seen = useFieldWrite(
    "/api/book/seen",
    () => ({ body: { bedId, text, at, correctsId: null } }),
    () => `seen: ${text}`,
    () => setText(""),
  );
  const wait = beds.find((b) => b.id === bedId)?.wait;
  return (
    <Refusals problem={[harvest.error, seen.error]}>
      {" "}
      <section aria-label="Write it down">
        <h2 className="text-xl">Write it down</h2>
        <Pick
          label="Bed"
          value={String(bedId ?? "")}
          options={beds.map((b) => ({ value: String(b.id), name: `${b.name}, ${b.crop}` }))}
          onChange={setBed}
        />
        {wait && <p className="text-straw">▲ {wait}</p>}
        <div className="grid gap-x-4 sm:grid-cols-2">
          <Field label="Harvested, weight" value={weight} onChange={setWeight} name="weight" hint={words.harvest} />
          <Field label="Seen, or a note" value={text} onChange={setText} name="text" />
        </div>
        <WhenField onChange={setAt} />
        <p className="mt-2 flex flex-wrap gap-3">
          <Button disabled={harvest.isPending} onClick={() => harvest.mutate(null)}>
            Keep the harvest
          </Button>
          <Button disabled={seen.isPending} onClick={() => seen.mutate(null)}>
            Keep what was seen
          </Button>
        </p>
        <WrongElse />
      </section>
    </Refusals>
  );
}
