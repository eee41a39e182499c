/** What was read of a day or a moment as it was typed: its ISO form without a zone, or what is wrong with it. */
export type ReadDate = { iso: string } | { wrong: string };

const months = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];
const near: Record<string, number> = { yesterday: -1, today: 0, tomorrow: 1 };
const two = (n: number) => String(n).padStart(2, "0");

const askDay = "Write it as 10 Jun 2026.";

function whole(y: number, m: number, d: number): ReadDate {
  const at = new Date(Date.UTC(y, m - 1, d));
  const real = at.getUTCFullYear() === y && at.getUTCMonth() === m - 1 && at.getUTCDate() === d;
  if (!real || y < 1900 || y > 2200) return { wrong: `There is no such day. ${askDay}` };
  return { iso: `${y}-${two(m)}-${two(d)}` };
}

/** The year that was meant where none was typed: the one that brings the day nearest. */
function yearOf(m: number, d: number, today: string) {
  const now = Date.parse(today);
  const y = Number(today.slice(0, 4));
  return [y, y - 1, y + 1].reduce((a, b) =>
    Math.abs(Date.UTC(b, m - 1, d) - now) < Math.abs(Date.UTC(a, m - 1, d) - now) ? b : a,
  );
}

const longYear = (y: string) => (y.length === 2 ? 2000 + Number(y) : Number(y));

/**
 * A day as people write it: "10 Jun", "June 10 2026", "10/6", "2026-06-10", "tomorrow". `today` is its ISO form; figures alone
 * are read day first, or month first where the holding writes so.
 */
export function readDay(text: string, today: string, monthFirst = false): ReadDate {
  const clean = text
    .trim()
    .toLowerCase()
    .replace(/^(mon|tue|wed|thu|fri|sat|sun)[a-z]*\.?,?\s+/, "")
    .replace(/(\d)(st|nd|rd|th)\b/, "$1");
  if (clean === "") return { wrong: askDay };
  const by = near[clean];
  if (by !== undefined) return { iso: new Date(Date.parse(today) + by * 86_400_000).toISOString().slice(0, 10) };
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(clean);
  if (iso) return whole(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const named = /^(?:(\d{1,2})[ .-]*([a-z]{3,9})|([a-z]{3,9})[ .]*(\d{1,2}))\.?,?[ .-]*(\d{4}|\d{2})?$/.exec(clean);
  if (named) {
    const m = months.indexOf((named[2] ?? named[3])!.slice(0, 3)) + 1;
    const d = Number(named[1] ?? named[4]);
    if (m === 0) return { wrong: `“${named[2] ?? named[3]}” is no month. ${askDay}` };
    return whole(named[5] ? longYear(named[5]) : yearOf(m, d, today), m, d);
  }
  const figures = /^(\d{1,2})([./-])(\d{1,2})[./-]?(\d{4}|\d{2})?\.?$/.exec(clean);
  if (!figures) return { wrong: `That can’t be read as a day. ${askDay}` };
  const [a, b] = [Number(figures[1]), Number(figures[3])];
  const turned = b > 12 || (monthFirst && figures[2] !== "." && a <= 12);
  const [d, m] = turned ? [b, a] : [a, b];
  return whole(figures[4] ? longYear(figures[4]) : yearOf(m, d, today), m, d);
}

/** A moment as people write it: a day and an hour, or the hour alone for today: "10 Jun 7:30", "tomorrow 6 am", "07:30". */
export function readMoment(text: string, today: string, monthFirst = false): ReadDate {
  const time = /(?:^|[\s,]|t(?=\d))(?:at\s+)?(\d{1,2})(?:[:.h](\d{2}))?(?::\d{2})?\s*(am|pm|a\.m\.|p\.m\.)?\s*$/i.exec(
    text.trim(),
  );
  if (!time || (time[2] === undefined && time[3] === undefined))
    return { wrong: "There is no hour in it. Write it as 10 Jun 2026, 07:30." };
  const half = time[3]?.[0]?.toLowerCase();
  const typed = Number(time[1]);
  const hour = half === undefined ? typed : (typed % 12) + (half === "p" ? 12 : 0);
  const minute = Number(time[2] ?? 0);
  if (hour > 23 || minute > 59 || (half !== undefined && (typed < 1 || typed > 12)))
    return { wrong: "There is no such hour. Write it as 07:30." };
  const before = text.trim().slice(0, time.index).replace(/,\s*$/, "");
  const day = before.trim() === "" ? { iso: today } : readDay(before, today, monthFirst);
  return "wrong" in day ? day : { iso: `${day.iso}T${two(hour)}:${two(minute)}` };
}

/** An hour of the clock as the holding writes it: "19:30", or "7:30 pm". */
export const hourSaid = (hhmm: string, hours12: boolean) =>
  hours12
    ? `${Number(hhmm.slice(0, 2)) % 12 || 12}${hhmm.slice(2)} ${Number(hhmm.slice(0, 2)) < 12 ? "am" : "pm"}`
    : hhmm;

/** As it stands in a field before it is changed. */
export function written(iso: string, monthFirst = false, hours12 = false): string {
  const [, y, m, d, time] = /^(\d{4})-(\d{2})-(\d{2})(?:T(\d{2}:\d{2}))?/.exec(iso) ?? [];
  if (!y) return "";
  const name = months[Number(m) - 1]!;
  const month = name[0]!.toUpperCase() + name.slice(1);
  const day = monthFirst ? `${month} ${Number(d)} ${y}` : `${Number(d)} ${month} ${y}`;
  return time ? `${day}, ${hourSaid(time, hours12)}` : day;
}
