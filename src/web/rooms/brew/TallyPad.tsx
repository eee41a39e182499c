import { useLayoutEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../parts/Button";
import { Field } from "../../parts/Field";
import { typed as number } from "../../api/typed";

type TallyField = Schemas["TallyField"];
type Counted = Exclude<keyof TallyField, "hyphae">;

/** A field in which nothing has been seen yet. */
export const emptyField = (): TallyField => ({
  bacteria: 0,
  hyphae: [],
  flagellates: 0,
  amoebae: 0,
  ciliates: 0,
  nematodesBacterial: 0,
  nematodesFungal: 0,
  nematodesPredatory: 0,
  nematodesRoot: 0,
});

// A hand on the middle row finds each without looking; each has its own note.
const keys: { key: string; of: Counted; name: string; note: number }[] = [
  { key: "j", of: "bacteria", name: "bacterium", note: 392 },
  { key: "f", of: "flagellates", name: "flagellate", note: 523 },
  { key: "d", of: "amoebae", name: "amoeba", note: 587 },
  { key: "s", of: "ciliates", name: "ciliate", note: 659 },
  { key: "u", of: "nematodesBacterial", name: "nematode on bacteria", note: 698 },
  { key: "i", of: "nematodesFungal", name: "nematode on fungi", note: 740 },
  { key: "o", of: "nematodesPredatory", name: "nematode that hunts", note: 784 },
  { key: "p", of: "nematodesRoot", name: "nematode on roots", note: 830 },
];

interface Props {
  fields: TallyField[];
  /** Of what stands by then, what stands next: keys may come faster than the page is drawn, and each counts. */
  onChange: (next: (fields: TallyField[]) => TallyField[]) => void;
}

/** Big keys for one field after another; by keyboard without looking, answered by sound or, on the phone, a buzz. */
export function TallyPad({ fields, onChange }: Props) {
  const [length, setLength] = useState("100");
  const [width, setWidth] = useState("2.5");
  const [sound, setSound] = useState(true);
  const audio = useRef<AudioContext | null>(null);
  const now = fields[fields.length - 1]!;
  const answer = (note: number, long = false) => {
    if (!sound) return;
    navigator.vibrate?.(long ? 60 : 20);
    audio.current ??= new AudioContext();
    const tone = audio.current.createOscillator();
    const loud = audio.current.createGain();
    tone.frequency.value = note;
    loud.gain.value = 0.08;
    tone.connect(loud).connect(audio.current.destination);
    tone.start();
    tone.stop(audio.current.currentTime + (long ? 0.25 : 0.07));
  };
  const put = (next: (field: TallyField) => TallyField) =>
    onChange((all) => [...all.slice(0, -1), next(all[all.length - 1]!)]);
  const count = (of: Counted, by: number) => put((f) => ({ ...f, [of]: Math.max(0, (f[of] as number) + by) }));
  const thread = () =>
    put((f) => ({
      ...f,
      hyphae: [...(f.hyphae ?? []), { lengthUm: number(length), widthUm: number(width) }],
    }));
  const next = () => onChange((all) => [...all, emptyField()]);

  // Listened to from the moment it is seen.
  useLayoutEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.target instanceof HTMLElement && e.target.closest("input, select, textarea, [role=dialog]")) return;
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      const key = keys.find((k) => k.key === e.key);
      if (key) {
        count(key.of, 1);
        answer(key.note);
      } else if (e.key === "k") {
        thread();
        answer(294);
      } else if (e.key === "Backspace") {
        onChange((all) =>
          all.length > 1 && untouched(all[all.length - 1]!) ? all.slice(0, -1) : [...all.slice(0, -1), emptyField()],
        );
        answer(196, true);
      } else if (e.key === " ") {
        next();
        answer(440, true);
      } else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  });

  const key = (k: (typeof keys)[number]) => (
    <button
      key={k.of}
      type="button"
      className={`flex min-h-20 flex-col-reverse items-center justify-center rounded-3xl border-2 px-2 text-base ${k.of === "bacteria" ? "col-span-2 border-clay" : "border-line"}`}
      onClick={() => {
        count(k.of, 1);
        answer(k.note);
      }}
    >
      <span>
        {k.name} <kbd className="font-bold text-ash">{k.key}</kbd>
      </span>
      <span className="figures font-head text-2xl font-bold">{now[k.of] as number}</span>
    </button>
  );

  return (
    <section aria-label="Tally">
      <p className="flex flex-wrap items-center justify-between gap-3">
        <b className="font-head text-2xl" aria-live="polite">
          Field {fields.length}
        </b>
        <Button kind="plain" aria-pressed={sound} onClick={() => setSound(!sound)}>
          {sound ? "sound and buzz on" : "silent"}
        </Button>
      </p>
      <div className="mt-2 grid grid-cols-2 gap-2 sm:grid-cols-4">
        {keys.slice(0, 1).map(key)}
        <button
          type="button"
          className="col-span-2 flex min-h-20 flex-col-reverse items-center justify-center rounded-3xl border-2 border-clay px-2"
          onClick={() => {
            thread();
            answer(294);
          }}
        >
          <span>
            thread of fungi, {length} by {width} µm <kbd className="font-bold text-ash">k</kbd>
          </span>
          <span className="figures font-head text-2xl font-bold">{now.hyphae?.length ?? 0}</span>
        </button>
        {keys.slice(1).map(key)}
      </div>
      <div className="mt-2 grid grid-cols-2 gap-4 sm:max-w-md">
        <Field label="Next thread, µm long" inputMode="decimal" value={length} onChange={setLength} />
        <Field label="and wide" inputMode="decimal" value={width} onChange={setWidth} />
      </div>
      <p className="flex flex-wrap gap-3">
        <Button
          kind="filled"
          onClick={() => {
            next();
            answer(440, true);
          }}
        >
          Next field (space)
        </Button>
        <Button onClick={() => put(emptyField)}>Clear this field</Button>
        {fields.length > 1 && <Button onClick={() => onChange((all) => all.slice(0, -1))}>Back a field</Button>}
      </p>
    </section>
  );
}

const untouched = (f: TallyField) => keys.every((k) => f[k.of] === 0) && (f.hyphae?.length ?? 0) === 0;
