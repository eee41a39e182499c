import { useEffect, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWorkOut } from "../../api/data";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { useClock } from "../../parts/clock";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Form } from "../../parts/Form";
import { useFieldWrite, useOutbox, type Waiting } from "../../parts/outbox";
import { WrongElse } from "../../parts/Wrong";
import { Camera } from "./Camera";
import { type Asked, blank } from "./tools/asked";
import { CheckSays } from "./tools/CheckSays";
import { Tool } from "./tools/Tool";

type Peg = Schemas["PegView"];
type Kind = Schemas["CheckKind"];
const checks = "/api/look/checks";
const pictures = "/api/look/pegs/{id}/photos";

const asked = (w: Waiting) => w.init.body as Schemas["CheckRequest"];

/** How it was on this walk: asked once, and it goes with every check. */
interface Weather {
  wet: Schemas["Wetness"] | null;
  rainHours: string;
  rain: string;
  who: string;
}

/** A walk, peg by peg: only what is chosen is asked; last time's figure is shown once this one is there. Needs no signal. */
export function WalkPage() {
  const id = Number(useParams().id);
  const data = useRead("/api/look/walk");
  const walk = data.walks.find((w) => w.id === id) ?? data.walks[0];
  if (!walk)
    return (
      <main id="room" className="p-4">
        <h1 className="text-2xl">That walk is walked no more.</h1>
        <Link to="/look/walk" className="text-clay underline">
          walks and pegs
        </Link>
      </main>
    );
  return <Round data={data} walk={walk} />;
}

function Round({ data, walk }: { data: Schemas["WalkDataView"]; walk: Schemas["WalkView"] }) {
  const [search, setSearch] = useSearchParams();
  const box = useOutbox();
  const [weather, setWeather] = useState<Weather>({
    wet: null,
    rainHours: data.rain ? String(data.rain.hours) : "",
    rain: data.rain ? String(data.rain.mm) : "",
    who: "",
  });
  const pegs = walk.plan.pegs!.map((p) => data.pegs.find((x) => x.id === p)).filter((p) => p !== undefined);
  // What is framed by is fetched before the signal goes.
  const last = pegs.map((p) => p.lastPhotoId).join();
  useEffect(() => {
    for (const id of last.split(",").filter(Boolean)) void fetch(`/api/look/photos/${id}/small`).catch(() => undefined);
  }, [last]);
  const open = (p: Peg) =>
    walk.plan.kinds!.filter((k) => !done(p, k, walk) && !box.list.some((w) => waits(w, p, k))).length;
  const first = pegs.findIndex((p) => open(p) > 0);
  const [begun] = useState(Math.max(0, first));
  const chosen = pegs.findIndex((p) => p.id === Number(search.get("peg")));
  const i = chosen < 0 ? begun : chosen;
  const peg = pegs[i];
  const unsent = box.list.filter((w) => w.refused === null && (w.path === checks || w.path === pictures)).length;
  const refused = box.list.filter((w) => w.refused !== null && (w.path === checks || w.path === pictures));
  const go = (to: number) => setSearch({ peg: String(pegs[(to + pegs.length) % pegs.length]!.id) }, { replace: true });
  if (!peg) return null;
  return (
    <main id="room" className="mx-auto max-w-xl px-4 pb-28 pt-4">
      <p className="text-ash">
        <Link className="underline" to="/look/walk">
          {walk.name}
        </Link>{" "}
        · peg {i + 1} of {pegs.length}
      </p>
      <h1 className="text-2xl leading-tight">{peg.called}</h1>
      <p className="text-ash">{[peg.crop, peg.zone && `${peg.zone} zone`, peg.paces].filter(Boolean).join(" · ")}</p>
      <nav aria-label="Pegs of this walk" className="my-2 flex flex-wrap gap-1.5">
        {pegs.map((p, j) => (
          <button
            key={p.id}
            type="button"
            aria-label={open(p) === 0 ? `✓ ${p.called}, done` : `${j + 1} ${p.called}`}
            aria-current={j === i ? "step" : undefined}
            onClick={() => go(j)}
            className={`h-11 min-w-11 rounded-full border-2 px-2 font-bold ${j === i ? "border-clay bg-clay text-paper" : open(p) === 0 ? "border-moss text-moss" : "border-line"}`}
          >
            {open(p) === 0 ? "✓" : j + 1}
          </button>
        ))}
      </nav>
      <p role="status" className={`min-h-7 font-bold ${unsent > 0 || !box.reached ? "text-straw" : "text-moss"}`}>
        {!box.reached && unsent > 0
          ? `▲ No signal: ${unsent} kept on this phone, sent later and once.`
          : unsent > 0
            ? `${unsent} on their way`
            : ""}
      </p>
      {refused.length > 0 && (
        <p role="alert" className="font-bold text-plum">
          ✕ {refused.length} not taken: {refused[0]!.says}. {refused[0]!.refused!.message} Look under what waits.
        </p>
      )}
      <HowItIs weather={weather} set={setWeather} />
      {walk.plan.kinds!.map((kind) => (
        <One key={`${peg.id}-${kind}`} {...{ peg, kind, walk, data, weather }} />
      ))}
      {walk.plan.photo && (
        <Fold line="A picture from here" open={false}>
          <Camera key={peg.id} peg={peg} />
        </Fold>
      )}
      <p className="mt-4 flex justify-between">
        <Button onClick={() => go(i - 1)}>← back</Button>
        <Link to={`/look/pegs/${peg.id}`} className="inline-flex min-h-12 items-center text-clay underline">
          its page
        </Link>
        <Button kind="filled" onClick={() => go(i + 1)}>
          Next peg →
        </Button>
      </p>
    </main>
  );
}

const waits = (w: Waiting, p: Peg, k: Kind) =>
  w.path === checks && asked(w).pegId === p.id && asked(w).check?.kind === k && w.refused === null;

/** What was found there on this walk. */
const done = (p: Peg, k: Kind, walk: Schemas["WalkView"]) =>
  p.last.find((l) => l.kind === k && l.at.slice(0, 10) >= walk.stands.from);

function HowItIs({ weather, set }: { weather: Weather; set: (w: Weather) => void }) {
  return (
    <Fold
      line={
        weather.wet
          ? `The ground is ${weather.wet}${weather.who && `, ${weather.who} looks`}`
          : "How is the ground? Once for this walk"
      }
      open={weather.wet === null}
    >
      <Form problem={null} onSend={() => undefined}>
        <Choice
          label="The ground is"
          value={weather.wet ?? ""}
          options={[
            { value: "dry", name: "dry" },
            { value: "moist", name: "moist" },
            { value: "wet", name: "wet" },
          ]}
          onChange={(v) => set({ ...weather, wet: v as Weather["wet"] })}
        />
        <div className="grid grid-cols-3 gap-3">
          <Field
            label="Rain, h ago"
            inputMode="numeric"
            value={weather.rainHours}
            onChange={(rainHours) => set({ ...weather, rainHours })}
          />
          <Field
            label="How much"
            value={weather.rain}
            onChange={(rain) => set({ ...weather, rain })}
            hint="12 mm, 0.5 in"
          />
          <Field label="Who looks" value={weather.who} onChange={(who) => set({ ...weather, who })} hint="field hand" />
        </div>
      </Form>
    </Fold>
  );
}

interface OneProps {
  peg: Peg;
  kind: Kind;
  walk: Schemas["WalkView"];
  data: Schemas["WalkDataView"];
  weather: Weather;
}

/** One check at one peg. */
function One({ peg, kind, walk, data, weather }: OneProps) {
  const clock = useClock();
  const how = data.hows.find((h) => h.kind === kind)!;
  const box = useOutbox();
  const [check, setCheck] = useState<Asked>(() => blank(kind));
  const [open, setOpen] = useState(false);
  const [touched, touch] = useState(false);
  const [warmth, setWarmth] = useState("");
  const [before] = useState(() => peg.last.find((l) => l.kind === kind && !done(peg, kind, walk)));
  const there = done(peg, kind, walk);
  const coming = box.list.find((w) => waits(w, peg, kind));
  const read = useWorkOut(
    "/api/look/checks/read",
    open && touched
      ? {
          body: {
            pegId: peg.id,
            check,
            wet: null,
            rainHours: null,
            rain: null,
            warmth: warmth || null,
            who: null,
            correctsId: null,
            why: null,
          },
        }
      : null,
  );
  const keep = useFieldWrite(
    checks,
    (c: Asked) => ({
      body: {
        pegId: peg.id,
        check: c,
        wet: weather.wet,
        rainHours: weather.rainHours || null,
        rain: weather.rain || null,
        warmth: warmth || null,
        who: weather.who || null,
        correctsId: null,
        why: null,
      },
    }),
    () => `${how.name.toLowerCase()}, ${peg.called}`,
    () => setOpen(false),
  );
  const set = (part: Partial<Asked>) => {
    keep.reset();
    touch(true);
    setCheck({ ...check, ...part });
  };
  const last = there
    ? there.before && there.beforeAt && { shown: there.before, at: there.beforeAt }
    : before && { shown: before.shown, at: before.at };
  return (
    <section aria-label={how.name} className="border-t border-line py-2">
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="flex min-h-12 w-full flex-wrap items-center justify-between gap-x-3 text-left"
      >
        <b className="text-lg underline decoration-line underline-offset-4">
          {there || coming ? "✓ " : ""}
          {how.name}
        </b>
        <span className={coming ? "text-straw" : "text-ash"}>
          {coming ? "waits to be sent" : there ? there.shown : open ? "" : "to do"}
        </span>
      </button>
      {(there ?? coming) && last && (
        <p className="figures text-ash">
          last time, {clock.date(last.at)}: {last.shown}
        </p>
      )}
      {open && (
        <Form problem={keep.error} label={how.name} className="flex flex-col gap-2" onSend={() => keep.mutate(check)}>
          <p className="text-ash">{how.how}</p>
          <Tool asked={check} {...{ set, warmth, setWarmth }} bands={data.crumbBands} />
          <CheckSays says={read.problem ? null : read.data?.value} />
          <Button type="submit" kind="filled" disabled={keep.isPending || !touched} className="self-start">
            Keep it
          </Button>
          <WrongElse />
        </Form>
      )}
    </section>
  );
}
