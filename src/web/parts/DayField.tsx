import { useState } from "react";
import { useUs } from "../api/units";
import { useClock } from "./clock";
import { type ReadDate, readDay, readMoment, written } from "./dates";
import { Field } from "./Field";

interface Props {
  label: string;
  /** In ISO form without a zone; empty for none. */
  value: string;
  /** What was read; what can't be read goes on as it was typed, and is refused at its field. */
  onChange: (iso: string) => void;
  name?: string;
  hint?: string;
}

type Read = (text: string, today: string, monthFirst: boolean) => ReadDate;

/** A day or a moment as people write it; what was understood, with its weekday, stands under it. */
function Written({
  label,
  value,
  onChange,
  name,
  hint,
  read,
  says,
}: Props & { read: Read; says: (iso: string) => string }) {
  const clock = useClock();
  const monthFirst = useUs();
  const [text, setText] = useState(() => written(value, monthFirst));
  const [told, setTold] = useState(value);
  if (value !== told) {
    // set from elsewhere: a proposal was taken, or the field was emptied after it was kept
    setTold(value);
    setText(written(value, monthFirst));
  }
  const today = clock.toField(new Date()).slice(0, 10);
  const now = text.trim() === "" ? null : read(text, today, monthFirst);
  return (
    <Field
      label={label}
      value={text}
      name={name}
      wrong={now && "wrong" in now ? now.wrong : undefined}
      hint={now && "iso" in now ? `= ${says(now.iso)}` : hint}
      onChange={(t) => {
        setText(t);
        const got = t.trim() === "" ? { iso: "" } : read(t, today, monthFirst);
        const iso = "iso" in got ? got.iso : t;
        setTold(iso);
        onChange(iso);
      }}
    />
  );
}

const utc = (o: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat("en-GB", { timeZone: "UTC", ...o });
const dayWords = utc({ weekday: "short", day: "numeric", month: "short", year: "numeric" });
const sayDay = (iso: string) =>
  dayWords
    .format(new Date(`${iso.slice(0, 10)}T12:00Z`))
    .replace("Sept", "Sep")
    .replace(",", "");

/** A day. */
export const DayField = (props: Props) => <Written hint="10 Jun 2026" {...props} read={readDay} says={sayDay} />;

/** A day and an hour, in the holding's zone. */
export const MomentField = (props: Props) => (
  <Written hint="10 Jun 2026, 07:30" {...props} read={readMoment} says={(iso) => `${sayDay(iso)}, ${iso.slice(11)}`} />
);
