import type { Schemas } from "../../api/client";
import { useClock } from "../../parts/clock";
import { Fold } from "../../parts/Fold";
import { looks } from "../../parts/tone";
import { ChargeDrawn } from "./Pots";
import { NitrogenLine } from "./NitrogenLine";

type Bench = Schemas["MixBenchView"];

/** What is fetched, one line a part. */
export function ToFetch({ bench }: { bench: Bench }) {
  return (
    <section aria-label="To fetch">
      <h2 className="text-xl">To fetch</h2>
      <ul>
        {bench.fetch.map((f) => (
          <li key={f.name} className="border-t border-line py-1.5">
            <p className="flex justify-between gap-4 text-lg">
              <b>{f.name}</b>
              <b className="figures whitespace-nowrap">{f.shown}</b>
            </p>
            <p className="figures flex justify-between gap-4 text-ash">
              <span className={f.short ? `font-bold ${looks.mind.colour}` : undefined}>
                {f.short && `${looks.mind.mark} `}
                {f.says}
              </span>
              {f.costShown && <span className="whitespace-nowrap">{f.costShown}</span>}
            </p>
          </li>
        ))}
      </ul>
      <p className="border-t border-line pt-1.5">{bench.costSays}</p>
    </section>
  );
}

/** Nitrogen of each mix: the sentence, and the weeks behind it. */
export function WillDo({ bench }: { bench: Bench }) {
  const known = bench.each.filter((m) => m.nitrogen);
  const sour = bench.each.filter((m) => m.buffer);
  if (known.length === 0 && sour.length === 0) return null;
  return (
    <section aria-label="What the mix will do">
      <h2 className="text-xl">What the mix will do</h2>
      {sour.map((m) => (
        <p key={m.name} className={m.buffer!.tone === "go" ? undefined : `font-bold ${looks[m.buffer!.tone].colour}`}>
          {m.buffer!.tone !== "go" && `${looks[m.buffer!.tone].mark} `}
          {m.name}: {m.buffer!.sentence}
        </p>
      ))}
      {known.map((m) => (
        <Fold
          key={m.name}
          line={
            <>
              <b>{m.name}</b>: {m.nitrogen!.value!.sentence}
            </>
          }
        >
          <NitrogenLine outlook={m.nitrogen!.value!} name={m.name} />
          {m.unknown.length > 0 && <p className="text-ash">Nothing is known of {m.unknown.join(", ")}: left out.</p>}
        </Fold>
      ))}
      <p className="text-ash">
        A model, at 20 °C and moist; sources differ by a third either way, and so does the band. Test the mix before you
        sow.
      </p>
    </section>
  );
}

/** The charge: drawn, with its amounts and its days. */
export function TheCharge({ charge, children }: { charge: Schemas["MixCharge"]; children?: React.ReactNode }) {
  const clock = useClock();
  return (
    <section aria-label="Charge it first" className="mt-5 border-t-2 border-line pt-3">
      <h2 className="text-xl">
        Charge the {charge.of} first{children}
      </h2>
      <div className="mt-2 flex flex-wrap items-center gap-5">
        <ChargeDrawn charge={charge} />
        <div className="min-w-0 flex-1 basis-72">
          <p className="text-lg">
            <b className="figures">
              {charge.ofShown} {charge.of}, damp
            </b>
            <br />
            <b className="figures">
              {charge.withShown} {charge.with}
            </b>
          </p>
          <p>{charge.ratioSays}.</p>
          {charge.containersSays && <p className="figures">{charge.containersSays}.</p>}
          <p className="figures">
            Wet as a wrung-out sponge. Look again{" "}
            {charge.lookOn
              .slice(0, 4)
              .map((d) => clock.sayDate(d))
              .join(", ")}
            {charge.lookOn.length > 4 && " and weekly"}.
          </p>
        </div>
      </div>
    </section>
  );
}
