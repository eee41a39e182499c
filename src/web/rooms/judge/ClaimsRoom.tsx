import { useState } from "react";
import { Link, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { Go } from "../../parts/Go";
import { Pick } from "../../parts/Pick";
import { Field } from "../../parts/Field";
import { Room } from "../../parts/Room";
import { WrongElse, WrongHere } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";
import { ClaimForm } from "./ClaimForm";
import { ReckonWord } from "./ReckonRow";
import { grades, uses } from "./claimWords";

type View = Schemas["ClaimView"];

const says: Record<Schemas["FoundSays"], { mark: string; name: string; colour: string }> = {
  for: { mark: "✓", name: "for it", colour: "text-moss" },
  against: { mark: "▲", name: "against", colour: "text-straw" },
  cannotTell: { mark: "·", name: "can’t tell", colour: "text-ash" },
};

/** What people say, how sure it is, and what was found here. */
export function ClaimsRoom() {
  const claims = useRead("/api/judge/claims");
  const [search, setSearch] = useSearchParams();
  const [use, setUse] = useState("");
  const [grade, setGrade] = useState("");
  const chosen = search.get("claim") ?? "";
  const shown = claims.filter(
    (c) => (!use || c.card.uses.includes(use as Schemas["ClaimUse"])) && (!grade || c.card.grade === grade),
  );
  const open = claims.find((c) => c.card.key === chosen) ?? null;
  const [fresh, setFresh] = useState(false);
  const choose = (key: string) => {
    setFresh(false);
    setSearch(key ? { claim: key } : {}, { replace: true });
  };
  return (
    <Room
      title="Claims"
      under="What people say, for which use, how sure, and what was found here. A thing may fail one use and pass another."
      peek={open ? open.sum : `${claims.length} claims`}
      bench={
        <>
          <div className="grid grid-cols-2 gap-4">
            <Pick
              label="For which use"
              value={use}
              options={[{ value: "", name: "all uses" }, ...uses]}
              onChange={setUse}
            />
            <Pick
              label="How sure"
              value={grade}
              options={[{ value: "", name: "all grades" }, ...grades]}
              onChange={setGrade}
            />
          </div>
          <ul className="mt-2">
            {shown.map((c) => (
              <li key={c.card.key} className="border-t border-line">
                <button
                  type="button"
                  aria-pressed={c.card.key === chosen}
                  onClick={() => choose(c.card.key === chosen ? "" : c.card.key)}
                  className={`block min-h-11 w-full py-1.5 text-left ${c.card.key === chosen ? "border-l-4 border-clay pl-3" : ""}`}
                >
                  <b className="block">{c.card.claim}</b>
                  <span className="text-ash">
                    {grades.find((g) => g.value === c.card.grade)?.name}
                    {c.found.length > 0 && ` · ${c.sum}`}
                    {!c.house && " · your own card"}
                  </span>
                </button>
              </li>
            ))}
          </ul>
          {shown.length === 0 && <p>None of them.</p>}
          <p className="mt-3">
            <Button
              kind="filled"
              onClick={() => {
                choose("");
                setFresh(true);
              }}
            >
              Write a claim down
            </Button>
          </p>
          <Neighbours />
        </>
      }
      slate={
        fresh ? (
          <ClaimForm claim={null} done={() => setFresh(false)} />
        ) : open ? (
          <Card key={`${open.card.key} ${open.change ?? ""}`} claim={open} />
        ) : (
          <>
            <h2 className="text-2xl">What people say, and what is so</h2>
            <p>
              Each card: the claim, who says so, for which use, how large, how sure, its limits, what was found here,
              and the cheapest test that would tell more. Tap one.
            </p>
            <Newest claims={claims} choose={choose} />
          </>
        )
      }
    />
  );
}

/** What was laid in last. */
function Newest({ claims, choose }: { claims: readonly View[]; choose: (key: string) => void }) {
  const clock = useClock();
  const newest = claims
    .flatMap((c) => c.found.map((f) => ({ c, f })))
    .sort((a, b) => b.f.on.localeCompare(a.f.on))
    .slice(0, 6);
  return newest.length === 0 ? (
    <p className="text-ash">Nothing was found here yet: trials, square metres and sheets lay themselves in.</p>
  ) : (
    <section aria-label="Laid in last">
      <h3 className="text-lg">Laid in last</h3>
      <ul>
        {newest.map(({ c, f }, i) => (
          <li key={i} className="border-t border-line">
            <button type="button" className="block min-h-11 w-full py-1 text-left" onClick={() => choose(c.card.key)}>
              <b className="underline decoration-line underline-offset-4">{c.card.claim}</b>{" "}
              <span className={says[f.says].colour}>
                {says[f.says].mark} {says[f.says].name}
              </span>{" "}
              <span className="figures text-ash">{clock.sayDate(f.on)}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Card({ claim: c }: { claim: View }) {
  const clock = useClock();
  const [edit, setEdit] = useState(false);
  const away = useWrite("/api/judge/claims/away", () => ({ body: { key: c.card.key, change: c.change } }));
  if (edit) return <ClaimForm claim={c} done={() => setEdit(false)} />;
  return (
    <>
      <h2 className="text-2xl">{c.card.claim}</h2>
      <p>
        Said by {c.card.saying}. For these uses:{" "}
        {c.card.uses.map((u) => uses.find((x) => x.value === u)?.name).join(", ")}. {c.card.fits}.
      </p>
      <dl>
        <Line term="How large" text={c.card.size} />
        <Line term="How sure" text={grades.find((g) => g.value === c.card.grade)?.name ?? ""} />
        <Line term="Its limits" text={c.card.limits} />
        <Line term="What would change our mind" text={c.card.mindChange} />
        <Line term="The cheapest next test" text={c.card.nextTest} />
      </dl>
      <section aria-label="What was found">
        <h3 className="text-lg">{c.sum}</h3>
        <ul>
          {c.found.map((f, i) => (
            <li key={i} className="border-t border-line py-1">
              <span className={says[f.says].colour}>
                {says[f.says].mark} {says[f.says].name}
              </span>{" "}
              <span className="figures text-ash">
                {f.of}, {clock.sayDate(f.on)}
              </span>
              <span className="block">
                {f.link ? (
                  <Link to={f.link} className="underline decoration-line underline-offset-4">
                    {f.text}
                  </Link>
                ) : (
                  f.text
                )}
              </span>
            </li>
          ))}
        </ul>
        <Reckoned claim={c.card.key} />
        {c.found.length === 0 && (c.card.words ?? []).length > 0 && (
          <p className="text-ash">
            A trial or a square metre that names {(c.card.words ?? []).join(", ")} is laid in here by itself.
          </p>
        )}
      </section>
      <p className="flex flex-wrap gap-3">
        {c.card.template && <Go to={`/judge/new?template=${c.card.template}`}>Plan that trial</Go>}
        <Button onClick={() => setEdit(true)}>Change the card</Button>
        {!c.house && (
          <Button kind="plain" disabled={away.isPending} onClick={() => away.mutate(null)}>
            {c.known ? "go back to the house’s card" : "put it away"}
          </Button>
        )}
      </p>
      <Form problem={away.error} onSend={() => undefined} label="Put the card away">
        <WrongElse />
      </Form>
    </>
  );
}

/** What the reckoning says of practices that the claim speaks of: the same rows, and no others. */
function Reckoned({ claim }: { claim: string }) {
  const rows = useRead("/api/judge/reckoning").rows.filter((r) => r.claims.includes(claim));
  return rows.length === 0 ? null : (
    <>
      <h3 className="mt-2 text-lg">What it was worth here this year</h3>
      <ul aria-label="In the reckoning">
        {rows.map((r) => (
          <li key={r.key} className="flex flex-wrap justify-between gap-x-4 border-t border-line py-1">
            <span>
              <Link to="/judge/reckoning" className="underline decoration-line underline-offset-4">
                {r.name}
              </Link>{" "}
              <span className="figures text-ash">
                {r.says}; {r.evidence}
              </span>
            </span>
            <ReckonWord word={r.word} />
          </li>
        ))}
      </ul>
    </>
  );
}

function Line({ term, text }: { term: string; text: string }) {
  return (
    <div className="border-t border-line py-1">
      <dt className="text-ash">{term}</dt>
      <dd>{text}</dd>
    </div>
  );
}

/** Own cards and results out as a file, and a neighbour's in. */
function Neighbours() {
  const [from, setFrom] = useState("");
  const bring = useWrite("/api/judge/claims/file", (json: string) => ({ body: { json, from: from || null } }));
  return (
    <Fold line="Neighbours: send what you found, lay in what they did">
      <p>
        <a
          href="/api/judge/claims/file"
          download="claims.json"
          className="inline-flex min-h-11 items-center text-clay underline underline-offset-4"
        >
          Your own cards and results as a file
        </a>
      </p>
      <Form problem={bring.error} onSend={() => undefined} label="A neighbour’s file" className="flex flex-col gap-2">
        <Field label="Who sent it?" value={from} onChange={setFrom} name="from" hint="empty: as the file says" />
        <label className="block">
          Their file
          <input
            type="file"
            accept=".json,application/json"
            className="mt-1 block min-h-12"
            onChange={(e) => {
              const f = e.target.files?.[0];
              if (f) void f.text().then((json) => bring.mutate(json));
              e.target.value = "";
            }}
          />
        </label>
        <WrongHere name="json" />
        {bring.isSuccess && <p role="status">It is laid in beside the claims.</p>}
        <WrongElse />
      </Form>
    </Fold>
  );
}
