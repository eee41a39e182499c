import { createContext, useContext } from "react";
import type { Schemas } from "../api/client";
import { hourSaid, written } from "./dates";

/** The holding that is open; times are shown in its own zone. */
export const Holding = createContext<Schemas["HoldingView"] | null>(null);

/** Three letters for every month, as the server writes them. */
const short = (date: string) => date.replace("Sept", "Sep");

/** A length of time: "45 min", "1 h 05 min"; rounded to the minute first, so that no hour has sixty of them. */
export const span = (minutes: number) => {
  const whole = Math.round(minutes);
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, "0")} min`;
};

/** Words for times in the holding's zone. */
export function useClock() {
  const holding = useContext(Holding);
  const zone = holding?.zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone;
  const { monthFirst = false, hours12 = false } = holding ?? {};
  const format = (o: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat("en-GB", { timeZone: zone, ...o });
  const hm = format({ hour: "2-digit", minute: "2-digit", hourCycle: "h23" });
  const day = format({ weekday: "short", day: "numeric", month: "short" });
  const full = format({ day: "numeric", month: "short", year: "numeric" });
  const hour = (at: Date) => hourSaid(hm.format(at), hours12);
  const words = (f: Intl.DateTimeFormat, at: Date) => {
    const p = Object.fromEntries(f.formatToParts(at).map((x) => [x.type, x.value]));
    const on = monthFirst ? `${p.month} ${p.day}` : `${p.day} ${p.month}`;
    return short([p.weekday, on, p.year].filter(Boolean).join(" "));
  };
  return {
    zone,
    monthFirst,
    hours12,
    time: (at: string | Date) => hour(new Date(at)),
    /** For an axis: the hour there, 0 to 23, and how it is written short: "06", or "6 am". */
    hour: (at: string | Date) => {
      const h = Number(hm.format(new Date(at)).slice(0, 2));
      return { h, text: hours12 ? `${h % 12 || 12} ${h < 12 ? "am" : "pm"}` : String(h).padStart(2, "0") };
    },
    day: (at: string | Date) => words(day, new Date(at)),
    /** For an axis: "Wed 10". */
    weekday: (at: string | Date) => format({ weekday: "short", day: "numeric" }).format(new Date(at)),
    /** Without its weekday: "10 Jun". */
    date: (at: string | Date) => words(full, new Date(at)),
    /** A day in ISO form without a zone, as it is written: "10 Jun 2026". */
    sayDate: (iso: string) => written(iso, monthFirst, hours12),
    /** "07:10", or "Tue 3 May 07:10" where it is another day than now. */
    when: (at: string | Date) => {
      const there = new Date(at);
      const today = words(day, new Date()) === words(day, there);
      return today ? hour(there) : `${words(day, there)} ${hour(there)}`;
    },
    /** For a datetime-local field, in the holding's zone. */
    toField: (at: Date) => {
      const p = Object.fromEntries(
        format({
          year: "numeric",
          month: "2-digit",
          day: "2-digit",
          hour: "2-digit",
          minute: "2-digit",
          hourCycle: "h23",
        })
          .formatToParts(at)
          .map((x) => [x.type, x.value]),
      );
      return `${p.year}-${p.month}-${p.day}T${p.hour}:${p.minute}`;
    },
    /** From a datetime-local field: the instant whose wall clock in the zone reads so. */
    fromField: (text: string) => {
      const guess = new Date(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/.test(text) ? text + "Z" : NaN);
      if (Number.isNaN(guess.getTime())) return null;
      const seen = new Date(
        format({
          year: "numeric",
          month: "2-digit",
          day: "2-digit",
          hour: "2-digit",
          minute: "2-digit",
          second: "2-digit",
          hourCycle: "h23",
        })
          .format(guess)
          .replace(/(\d+)\/(\d+)\/(\d+), (.*)/, "$3-$2-$1T$4Z"),
      );
      return new Date(guess.getTime() - (seen.getTime() - guess.getTime()));
    },
  };
}
