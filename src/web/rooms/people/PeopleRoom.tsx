import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { useClock } from "../../parts/clock";
import { Fold } from "../../parts/Fold";
import { Part } from "../../parts/Ready";
import { Room } from "../../parts/Room";
import { Copies } from "./Copies";
import { FirstOwner } from "./FirstOwner";
import { LetIn } from "./LetIn";
import { OwnPhone } from "./OwnPhone";
import { DevicePage, PersonPage } from "./PersonPage";
import { Yard } from "./Yard";

export const may = { nobody: "nothing", visitor: "reads", hand: "reads and writes", owner: "everything" };

export type Chosen = { kind: "person" | "device"; id: number } | { kind: "new" } | null;

/** People and copies: who comes in, by what, and what happened at the door. */
export function PeopleRoom() {
  const me = useRead("/api/me");
  if (me.role !== "owner") return <OwnPhone me={me} />;
  return me.closed ? <Owners me={me} /> : <FirstOwner />;
}

function Owners({ me }: { me: Schemas["MeView"] }) {
  const read = useRead("/api/people");
  const [chosen, choose] = useState<Chosen>(null);
  const person =
    chosen?.kind === "person"
      ? read.people.find((p) => p.id === chosen.id)
      : chosen?.kind === "device"
        ? read.people.find((p) => p.devices.some((d) => d.id === chosen.id))
        : undefined;
  const device = chosen?.kind === "device" ? person?.devices.find((d) => d.id === chosen.id) : undefined;
  return (
    <Room
      title={me.atBox ? "Who keeps the box" : "People and copies"}
      under="Who comes in, and by what. Touch a person or a phone."
      peek={device?.name ?? person?.name ?? "The yard"}
      bench={
        <>
          <ul className="flex flex-col">
            {read.people.map((p) => (
              <li key={p.id} className="flex flex-wrap items-end gap-x-4 gap-y-2 border-t border-line py-2">
                <button
                  type="button"
                  aria-pressed={person?.id === p.id && !device}
                  onClick={() => choose({ kind: "person", id: p.id })}
                  className="min-h-12 min-w-44 text-left"
                >
                  <b className={`block font-head text-xl ${person?.id === p.id ? "text-clay" : ""}`}>
                    {p.name}
                    {p.name === me.name && " (you)"}
                  </b>
                  <span>
                    {p.role}: {may[p.role]}
                  </span>
                </button>
                {p.devices.map((d) => (
                  <Phone
                    key={d.id}
                    device={d}
                    chosen={device?.id === d.id}
                    onClick={() => choose({ kind: "device", id: d.id })}
                  />
                ))}
                {p.devices.length === 0 && <span className="text-ash">no phone, nobody at a desk</span>}
              </li>
            ))}
          </ul>
          {!me.atBox && (
            <Part>
              <Copies />
            </Part>
          )}
          <Happened read={read} />
          {!me.atBox && (
            <Fold line="What was written, and by whom">
              <Part>
                <Written />
              </Part>
            </Fold>
          )}
        </>
      }
      slate={
        <>
          {device && person ? (
            <DevicePage key={device.id} device={device} person={person} done={() => choose(null)} />
          ) : person ? (
            <PersonPage key={person.id} person={person} me={me} done={() => choose(null)} />
          ) : (
            <LetIn box={me.atBox} asks={me.hasPassword} />
          )}
          <Part>
            <Yard />
          </Part>
        </>
      }
    />
  );
}

/** A phone that stays is drawn upright, a sitting as a screen on a table: the words beside say the same. */
function Phone({ device, chosen, onClick }: { device: Schemas["DeviceView"]; chosen: boolean; onClick: () => void }) {
  const clock = useClock();
  const line = chosen ? "fill-paper stroke-clay" : "fill-paper stroke-ink";
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={onClick}
      className={`flex min-h-14 items-center gap-2 rounded-xl border-2 px-3 text-left ${chosen ? "border-clay" : "border-line"}`}
    >
      <svg viewBox="0 0 26 34" className="h-9 w-7 shrink-0" aria-hidden>
        {device.stays ? (
          <>
            <rect x="5" y="2" width="16" height="30" rx="3" strokeWidth="2" className={line} />
            <path d="M10 28h6" strokeWidth="2" strokeLinecap="round" className={line} />
          </>
        ) : (
          <>
            <rect x="1.5" y="7" width="23" height="16" rx="2" strokeWidth="2" className={line} />
            <path d="M1 30h24M13 23v7" strokeWidth="2" strokeLinecap="round" className={line} />
          </>
        )}
      </svg>
      <span>
        <b className="block">
          {device.name}
          {device.here && " (this one)"}
        </b>
        <span className="text-ash">in hand {clock.when(device.seen)}</span>
      </span>
    </button>
  );
}

function Happened({ read }: { read: Schemas["PeopleView"] }) {
  const clock = useClock();
  const [all, setAll] = useState(false);
  const shown = all ? read.happened : read.happened.slice(0, 6);
  return (
    <section className="mt-6">
      <h2 className="text-xl">What happened at the door</h2>
      <ol className="figures">
        {shown.map((h, i) => (
          <li key={i} className="flex gap-4 border-t border-line py-1">
            <time dateTime={h.at} className="w-32 shrink-0 text-ash">
              {clock.when(h.at)}
            </time>
            <span className={h.mind ? "font-bold text-straw" : ""}>
              {h.mind && <span aria-hidden>▲ </span>}
              {h.says}
            </span>
          </li>
        ))}
      </ol>
      {read.happened.length > 6 && (
        <button type="button" onClick={() => setAll(!all)} className="min-h-12 text-clay underline underline-offset-4">
          {all
            ? "the newest six"
            : `${read.happened.length - 6} more${read.more > 0 ? `, of ${read.more + read.happened.length}` : ""}`}
        </button>
      )}
    </section>
  );
}

function Written() {
  const clock = useClock();
  const [page, setPage] = useState(0);
  const read = useRead("/api/people/written", { params: { query: { page } } });
  return (
    <>
      <ol className="figures">
        {read.lines.map((w) => (
          <li key={w.id} className="flex flex-wrap gap-x-4 border-t border-line py-1">
            <time dateTime={w.at} className="w-32 shrink-0 text-ash">
              {clock.when(w.at)}
            </time>
            <b>{w.by ?? "at the machine"}</b>
            <span>
              {w.says}
              {w.device && <span className="text-ash"> {w.device}</span>}
            </span>
          </li>
        ))}
      </ol>
      {read.lines.length === 0 && <p>Nothing yet since this was kept.</p>}
      <p className="flex gap-4">
        {page > 0 && (
          <button
            type="button"
            className="min-h-12 text-clay underline underline-offset-4"
            onClick={() => setPage(page - 1)}
          >
            newer
          </button>
        )}
        {read.more && (
          <button
            type="button"
            className="min-h-12 text-clay underline underline-offset-4"
            onClick={() => setPage(page + 1)}
          >
            older
          </button>
        )}
      </p>
    </>
  );
}
