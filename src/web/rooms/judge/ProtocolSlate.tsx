import { useState } from "react";
import { Link, useNavigate } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Tick } from "../../parts/Tick";
import { Wrong } from "../../parts/Wrong";

type Protocol = Schemas["ProtocolView"];

/** What a protocol says, with which of its arms it is joined, and what goes out. */
export function ProtocolSlate({ protocol: p }: { protocol: Protocol }) {
  const go = useNavigate();
  const [out, setOut] = useState<string[]>([]);
  const arms = p.told.arms ?? [];
  const offer = useWrite("/api/judge/together/{id}/offer", (on: boolean) => ({
    params: { path: { id: p.id } },
    body: { on },
  }));
  const plan = () => {
    const wanted = arms.filter((a) => !out.includes(a.name)).map((a) => ["arms", a.name]);
    go(`/judge/new?${new URLSearchParams([["protocol", String(p.id)], ...wanted]).toString()}`);
  };
  return (
    <>
      <h2 className="text-2xl">{p.told.question}</h2>
      <p>
        Asked by {p.ours ? "you" : p.told.from}. {p.told.replicates} of each,{" "}
        {p.told.blind ? "measured blind" : "not blind"}.
        {(p.told.days ?? []).length > 0 && ` Measured ${p.told.days!.join(", ")} days after it begins.`}
        {p.told.displaces && ` ${p.told.displaces}`}
      </p>
      <h3 className="mt-4 text-xl">Join it with</h3>
      <ul aria-label="Arms">
        {arms.map((a) => (
          <li key={a.name}>
            <Tick
              on={!out.includes(a.name)}
              onToggle={() => setOut(out.includes(a.name) ? out.filter((n) => n !== a.name) : [...out, a.name])}
              label={a.name}
              under={[a.rate, a.name === p.reference && "what all is set against"].filter(Boolean).join("; ")}
            />
          </li>
        ))}
      </ul>
      <p className="text-ash">
        Fewer arms will do, and your own crop. Your ground and the number of plots are asked next.
      </p>
      <Button kind={p.own.length === 0 ? "filled" : "drawn"} onClick={plan}>
        {p.own.length === 0 ? "Plan it here" : "Plan another season of it"}
      </Button>
      {p.own.length > 0 && (
        <>
          <h3 className="mt-5 text-xl">Here</h3>
          <ul aria-label="Own trials">
            {p.own.map((t) => (
              <OwnTrial key={t.id} own={t} atBox={p.atBox} />
            ))}
          </ul>
        </>
      )}
      <h3 className="mt-5 text-xl">To others</h3>
      {p.atBox && (
        <>
          <Tick
            on={p.offered}
            onToggle={() => offer.mutate(!p.offered)}
            label="Under this roof"
            under="the other holdings of this box may join it"
          />
          <Wrong problem={offer.error} />
        </>
      )}
      <p>
        <a
          href={`/api/judge/together/${p.id}/protocol.json`}
          className="inline-block min-h-11 content-center text-clay underline"
          download
        >
          the protocol as a file
        </a>
      </p>
    </>
  );
}

function OwnTrial({ own: t, atBox }: { own: Schemas["OwnGarden"]; atBox: boolean }) {
  const give = useWrite("/api/judge/together/trials/{id}/give", (on: boolean) => ({
    params: { path: { id: t.id } },
    body: { on },
  }));
  return (
    <li className="border-t border-line py-2">
      <Link to={`/judge/trials/${t.id}`} className="font-bold underline underline-offset-4">
        {t.label}
      </Link>
      <p>{t.says}</p>
      {t.ready && (
        <p className="flex flex-wrap items-center gap-3">
          <a
            href={`/api/judge/together/trials/${t.id}/result.json`}
            className="min-h-11 content-center text-clay underline"
            download
          >
            its result as a file
          </a>
          {atBox && (
            <Button disabled={give.isPending} onClick={() => give.mutate(true)}>
              {t.sent ? "Give it anew" : "Give it to the others here"}
            </Button>
          )}
          {atBox && t.sent && (
            <Button kind="plain" disabled={give.isPending} onClick={() => give.mutate(false)}>
              take it back
            </Button>
          )}
        </p>
      )}
      <Wrong problem={give.error} />
    </li>
  );
}
