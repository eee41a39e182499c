import { createContext, useContext } from "react";
import type { Schemas } from "../api/client";

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
  const zone = useContext(Holding)?.zone ?? "UTC";
  const format = (o: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat("en-GB", { timeZone: zone, ...o });
  const hm = format({ hour: "2-digit", minute: "2-digit", hourCycle: "h23" });
  const day = format({ weekday: "short", day: "numeric", month: "short" });
  const full = format({ day: "numeric", month: "short", year: "numeric" });
  return {
    zone,
    time: (at: string | Date) => hm.format(new Date(at)),
    day: (at: string | Date) => short(day.format(new Date(at))),
    date: (at: string | Date) => short(full.format(new Date(at))),
    /** "07:10", or "Tue 3 May 07:10" where it is another day than now. */
    when: (at: string | Date) => {
      const there = new Date(at);
      const today = day.format(new Date()) === day.format(there);
      return today ? hm.format(there) : `${day.format(there)} ${hm.format(there)}`;
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
