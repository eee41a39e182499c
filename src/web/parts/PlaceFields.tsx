import { lazy, Suspense } from "react";
import { Field } from "./Field";
import type { Point } from "./Globe";

const Globe = lazy(() => import("./Globe").then((m) => ({ default: m.Globe })));

/** What a typed place says, where it can be read at a glance; the server reads it for good. */
export function pointOf(text: string): Point | null {
  const [a, b, more] = [...text.toUpperCase().matchAll(/(-?\d{1,3}(?:\.\d+)?)\s*°?\s*([NSEW]?)/g)];
  if (!a || !b || more) return null;
  const read = (m: RegExpMatchArray) => Number(m[1]) * (m[2] === "S" || m[2] === "W" ? -1 : 1);
  const at = { lat: read(a), lon: read(b) };
  return Math.abs(at.lat) <= 90 && Math.abs(at.lon) <= 180 ? at : null;
}

/** Degrees east that a clock's offset points to. */
export const facing = () => -new Date(2026, 0, 15).getTimezoneOffset() / 4;

interface Props {
  place: string;
  onPlace: (place: string) => void;
  wrong?: string;
}

/** Where ground lies: touched on a globe, or typed; left empty, the sun is off. */
export function PlaceFields({ place, onPlace, wrong }: Props) {
  return (
    <div className="grid items-center gap-5 sm:grid-cols-[minmax(0,18rem)_1fr]">
      <Suspense fallback={<div className="aspect-square w-full max-w-72" />}>
        <Globe at={pointOf(place)} facing={facing()} onChange={(p) => onPlace(`${p.lat}, ${p.lon}`)} />
      </Suspense>
      <Field
        label="Latitude, longitude"
        value={place}
        name="place"
        wrong={wrong}
        hint="Touch the globe, or type a town’s: 52.5, 0.0. Empty: later; the sun is off until then."
        onChange={onPlace}
      />
    </div>
  );
}
