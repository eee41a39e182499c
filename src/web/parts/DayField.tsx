import { useState } from "react";
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
function Written({ label, value, onChange, name, hint, read, example }: Props & { read: Read; example: string }) {
  const clock = useClock();
  const { monthFirst, hours12 } = clock;
  const [text, setText] = useState(() => written(value, monthFirst, hours12));
  const [told, setTold] = useState(value);
  if (value !== told) {
    // set from elsewhere: a proposal was taken, or the field was emptied after it was kept
    setTold(value);
    setText(written(value, monthFirst, hours12));
  }
  const today = clock.toField(new Date()).slice(0, 10);
  const now = text.trim() === "" ? null : read(text, today, monthFirst);
  // its examples as the holding would write them
  const own = (says: string) =>
    says
      .replace("10 Jun 2026, 07:30", clock.sayDate("2026-06-10T07:30"))
      .replace("10 Jun 2026", clock.sayDate("2026-06-10"));
  return (
    <Field
      label={label}
      value={text}
      name={name}
      wrong={now && "wrong" in now ? own(now.wrong) : undefined}
      hint={now && "iso" in now ? `= ${weekday(now.iso)} ${clock.sayDate(now.iso)}` : (hint ?? clock.sayDate(example))}
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

const days = new Intl.DateTimeFormat("en-GB", { timeZone: "UTC", weekday: "short" });
const weekday = (iso: string) => days.format(new Date(`${iso.slice(0, 10)}T12:00Z`));

/** A day. */
export const DayField = (props: Props) => <Written {...props} example="2026-06-10" read={readDay} />;

/** A day and an hour, in the holding's zone. */
export const MomentField = (props: Props) => <Written {...props} example="2026-06-10T07:30" read={readMoment} />;
