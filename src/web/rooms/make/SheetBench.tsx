import { useRef, useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWorkOut, useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Field } from "../../parts/Field";
import { Form, Refusals } from "../../parts/Form";
import { ForkMark } from "../../parts/ForkMark";
import { Mind } from "../../parts/Mind";
import { useFieldWrite } from "../../parts/outbox";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Verdict } from "../../parts/Verdict";
import { WrongElse } from "../../parts/Wrong";
import { SheetLines } from "./SheetLines";
import { SheetBeyond } from "./SheetBeyond";
import { SheetAbout, SheetBandsAsked, SheetInputs, SheetLabBands, ofPlant } from "./SheetParts";
import { SheetRows } from "./SheetRows";
import { nothing } from "./WormSteps";
import { type Striking, YardLog } from "./YardLog";

type Asked = Schemas["SheetAsked"];
type View = Schemas["LabSheetView"];

/** A new sheet: of a bed, a field, or a lot of mix. */
export function SheetNew() {
  const [params] = useSearchParams();
  const number = (name: string) => (params.get(name) ? Number(params.get(name)) : undefined);
  const { start } = useRead("/api/sheets", {
    params: {
      query: { lot: number("lot"), bed: number("bed"), zone: number("zone"), of: params.get("of") ?? undefined },
    },
  });
  return <Bench start={start} view={null} />;
}

/** A sheet that was begun. */
export function SheetPage() {
  const id = Number(useParams().id);
  const view = useRead("/api/sheets/{id}", { params: { path: { id } } });
  return <Bench start={view.asked} view={view} />;
}

function Bench({ start, view }: { start: Asked; view: View | null }) {
  useRead("/api/ground"); // read before anything is typed: a part that comes later must not draw the page anew
  useRead("/api/sheets", {});
  const [r, change] = useState<Asked>(start);
  const [kept, setKept] = useState<Asked>(start); // as it was last kept: what is typed stays, whatever another window does
  const sent = useRef(start);
  const [seen, setSeen] = useState(view?.version);
  if (view && view.version !== seen && r === kept) {
    // kept since: the days on which choices come back are the server's
    setSeen(view.version);
    change(view.asked);
    setKept(view.asked);
  }
  const go = useNavigate();
  const worked = useWorkOut("/api/sheets/work-out", { params: { query: { id: view?.id } }, body: r });
  const keep = useWrite(
    "/api/sheets",
    () => ({ body: { id: view?.id ?? null, version: view?.version ?? null, asked: r } }),
    ({ id }) => {
      setKept(sent.current);
      void go(`/make/sheet/${id}`);
    },
  );
  const changed = view === null || r !== kept;
  const set = (part: Partial<Asked>) => {
    keep.reset();
    change((old) => ({ ...old, ...part }));
  };
  const v = worked.last?.value;
  const choose = (of: string, choice: NonNullable<Schemas["ShortfallChoice"]>) =>
    set({ choices: [...(r.choices ?? []).filter((c) => c.of !== of), { of, choice, on: null, back: null }] });
  const bringBack = (of: string, back: string | null) =>
    set({ choices: (r.choices ?? []).map((c) => (c.of === of ? { ...c, back } : c)) });
  return (
    <Refusals problem={[worked.problem, keep.error]}>
      {" "}
      <Room
        title={r.name || "A sheet"}
        under={
          view
            ? `${view.of ? `Of ${view.of}: ` : ""}${view.word}.`
            : "What it is of, what it says, and what there is to put on."
        }
        peek={view?.putOn ? view.word : v?.verdict.sentence}
        bench={
          <>
            {v && v.nutrients.length > 0 && (
              <>
                {v.properties && <p className="figures mb-1">{v.properties}</p>}
                <SheetLines
                  nutrients={v.nutrients.filter((n) => !v.pairs.some((p) => n.name === `${p.name}, old leaves`))}
                  onChoose={choose}
                  onBack={bringBack}
                />
              </>
            )}
            <div className="mt-4">
              {v?.nutrients.length === 0 && <SheetAbout r={r} set={set} />}
              <SheetRows r={r} set={set} />
              {v && v.nutrients.length > 0 && (
                <>
                  <details className="border-t border-line">
                    <summary className="min-h-11 cursor-pointer py-2.5">
                      <span className="underline decoration-line underline-offset-4">
                        {ofPlant(r.for)
                          ? "What it is of, its stage and its lab"
                          : "What it is of, how it was got out, and by what it is judged"}
                      </span>
                    </summary>
                    <SheetAbout r={r} set={set} />
                  </details>
                  <SheetBandsAsked r={r} set={set} nutrients={v.nutrients} />
                  <SheetLabBands r={r} set={set} nutrients={v.nutrients} />
                </>
              )}
              <SheetInputs r={r} set={set} />
            </div>
            {view && <Log view={view} />}
          </>
        }
        slate={
          <>
            {v && worked.last ? (
              <>
                {view?.putOn ? (
                  <Verdict
                    verdict={{
                      tone: "go",
                      sentence: `It is ${r.for === "mix" ? "mixed in" : "put on"}: ${view.putOn}.`,
                      why: "As it was worked out then; strike that to work by this sheet anew.",
                    }}
                  />
                ) : (
                  <>
                    <Verdict verdict={v.verdict} />
                    {v.nutrients.length > 0 && !ofPlant(r.for) && <Amounts v={v} />}
                  </>
                )}
                {view?.again && (
                  <p className="border-l-4 border-clay pl-3">
                    <b>{view.again}</b>
                  </p>
                )}
                <SheetBeyond v={v} r={r} id={view?.id ?? null} />
                {v.lime && (
                  <p>
                    <b>Lime:</b> {v.lime} {v.limeInAll && <b className="figures">{v.limeInAll} there.</b>}
                  </p>
                )}
                {v.advice.length > 0 && (
                  <section aria-label="The lab’s advice">
                    <h3 className="text-lg">The lab itself advises</h3>
                    <ul className="figures">
                      {v.advice.map((a) => (
                        <li key={a.name} className="flex justify-between gap-4 border-t border-line py-1">
                          <span>
                            {a.name}: {a.shown}
                          </span>
                          <b>{a.costShown}</b>
                        </li>
                      ))}
                    </ul>
                  </section>
                )}
                <p className="flex flex-wrap items-center gap-3">
                  {changed && (
                    <Button
                      kind="filled"
                      disabled={keep.isPending || worked.problem !== null}
                      onClick={() => {
                        sent.current = r;
                        keep.mutate(null);
                      }}
                    >
                      {view === null ? "Keep the sheet" : "Keep the change"}
                    </Button>
                  )}
                  <Sum working={worked.last.working} sure={worked.last.sure} of="the sheet" />
                  {worked.last.forks[0] && (
                    <ForkMark
                      fork={worked.last.forks[0]}
                      onChoose={(_, school) => set({ school: school as Schemas["SheetSchool"] })}
                    />
                  )}
                </p>
              </>
            ) : (
              <h2 className="text-2xl">{worked.problem ? "Something is refused." : "What does the sheet say?"}</h2>
            )}
            <WrongElse />
            {view && !changed && <Way view={view} />}
            {v && v.nutrients.length > 0 && !ofPlant(r.for) && (
              <p className="text-ash">
                What is said to be there afterwards is a balance of mass and no forecast of the next sheet: soils fix
                phosphorus and potassium, often several times over. Caps are what is usual; local rules may want less.
              </p>
            )}
            {worked.last && <Mind cautions={worked.last.cautions} />}
          </>
        }
      />
    </Refusals>
  );
}

/** What to put on: by the spoon, in all, by the hectare. */
function Amounts({ v }: { v: Schemas["SheetBenchView"] }) {
  const wanted = v.given.filter((g) => g.wanted);
  const not = v.given.filter((g) => !g.wanted);
  return (
    <section aria-label="What to put on">
      <h3 className="text-lg">
        On {v.sizeShown}, {v.costShown} in all
      </h3>
      {v.testCostShown && <p className="text-ash">The test itself cost {v.testCostShown}.</p>}
      <ul className="figures">
        {wanted.map((g) => (
          <li key={g.name} className="border-t border-line py-1.5">
            <p className="flex justify-between gap-4">
              <b>{g.name}</b> <b className="text-right">{g.inAll}</b>
            </p>
            <p className="flex justify-between gap-4">
              <span>{g.small}</span> <span className="text-right text-ash">{g.aHectare}</span>
            </p>
            <p className="text-ash">
              Costs {g.costShown}; {g.label ? `${g.label} = ` : ""}
              {g.holds} %. Why not more: {g.whyNotMore}.
            </p>
          </li>
        ))}
      </ul>
      {not.length > 0 && (
        <details className="border-t border-line">
          <summary className="min-h-11 cursor-pointer py-2.5">
            <span className="underline decoration-line underline-offset-4">
              Not wanted: {not.map((g) => g.name).join(", ")}
            </span>
          </summary>
          <ul className="pb-2">
            {not.map((g) => (
              <li key={g.name}>
                {g.name} ({g.holds} %): {g.whyNotMore}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

const steps: Partial<Record<Schemas["WorkStep"], { done: string; todo: string }>> = {
  sampled: { done: "sampled", todo: "It is sampled" },
  sent: { done: "sent", todo: "It is sent" },
  result: { done: "result", todo: "" },
  corrected: { done: "corrected", todo: "It is put on" },
  ready: { done: "ready", todo: "It is ready" },
  seen: { done: "seen", todo: "Write it down" },
};

/** From sampled to ready, with each date; what comes next is a button. */
function Way({ view }: { view: View }) {
  const clock = useClock();
  const [note, setNote] = useState("");
  const write = useFieldWrite(
    "/api/sheets/{id}/steps",
    (step: Schemas["WorkStep"]) => ({
      params: { path: { id: view.id } },
      body: { did: { ...nothing, step, note: note || null }, at: null },
    }),
    (step) => `${view.asked.name ?? "the sheet"}: ${steps[step]?.done ?? step}`,
    () => setNote(""),
  );
  const mix = view.asked.for === "mix";
  const todo = (s: Schemas["WorkStep"]) =>
    s === "ready" && ofPlant(view.asked.for)
      ? "I am done with it"
      : s === "corrected" && mix
        ? "It is mixed in"
        : (steps[s]?.todo ?? s);
  return (
    <Form
      problem={write.error}
      onSend={() => view.next[0] && write.mutate(view.next[0])}
      label="Its way"
      className="flex flex-col gap-2"
    >
      <ol className="figures flex flex-wrap gap-x-4">
        {view.way.map((w) => (
          <li key={w.step} className={w.at ? "font-bold" : "text-ash"}>
            {w.at ? "● " : "○ "}
            {steps[w.step]?.done}
            {w.at && <span className="block font-normal">{clock.date(w.at)}</span>}
          </li>
        ))}
      </ol>
      {view.how.length > 0 && (
        <ol className="list-decimal pl-6">
          {view.how.map((h) => (
            <li key={h}>{h}</li>
          ))}
        </ol>
      )}
      <Field label="In your own words" value={note} onChange={setNote} name="note" />
      <p className="flex flex-wrap gap-3">
        {view.next.map((s, i) => (
          <Button
            key={s}
            type={i === 0 ? "submit" : "button"}
            kind={i === 0 && s !== "seen" ? "filled" : undefined}
            disabled={write.isPending}
            onClick={i === 0 ? undefined : () => write.mutate(s)}
          >
            {todo(s)}
          </Button>
        ))}
      </p>
      <WrongElse />
    </Form>
  );
}

function Log({ view }: { view: View }) {
  const strike = useFieldWrite(
    "/api/works/{id}/steps/{entry}/strike",
    (a: Striking) => ({ params: { path: { id: view.id, entry: a.id } }, body: { why: a.why, at: null } }),
    () => `${view.asked.name ?? "the sheet"}: an entry struck`,
  );
  return <YardLog entries={view.log} strike={strike} first={5} />;
}
