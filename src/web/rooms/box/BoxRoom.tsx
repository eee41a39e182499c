import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRead } from "../../api/data";
import { Field } from "../../parts/Field";
import { Fold } from "../../parts/Fold";
import { Part } from "../../parts/Ready";
import { Room } from "../../parts/Room";
import { FirstOwner } from "../people/FirstOwner";
import { NewPassword } from "../people/OwnPhone";
import { Yard } from "../people/Yard";
import { HoldingPage, NewHolding } from "./HoldingPage";

/** The holdings on the box: one's own, and for whoever keeps it all of them. */
export function BoxRoom({ me }: { me: Schemas["MeView"] }) {
  if (!me.closed) return <FirstOwner box />;
  return <Holdings me={me} />;
}

function Holdings({ me }: { me: Schemas["MeView"] }) {
  const [find, setFind] = useState("");
  const [chosen, choose] = useState<string | null>(null);
  const read = useRead("/api/box", { params: { query: { find } } });
  const picked = read.all?.find((h) => h.name === chosen);
  return (
    <Room
      title={read.all ? "Holdings on this box" : "Your holdings on this box"}
      under={
        read.all
          ? `${read.says}. What is written in them, their own people see and nobody else.`
          : "Each is a page of its own, at an address of its own."
      }
      peek={picked?.name ?? (read.all ? "A new holding" : "Your password")}
      bench={
        <>
          <Mine mine={read.mine} alone={!read.all} />
          {read.all && (
            <>
              <div className="max-w-sm">
                <Field label="Find one by its name" value={find} onChange={setFind} />
              </div>
              <ul aria-label="All holdings" className="figures mt-3">
                {read.all.map((h) => (
                  <Line key={h.name} holding={h} chosen={h.name === chosen} onClick={() => choose(h.name)} />
                ))}
              </ul>
              {read.all.length === 0 && <p>{find ? "None is called so." : "There is none yet."}</p>}
              {read.all.length === 100 && (
                <p className="text-ash">The first hundred; find the others by their names.</p>
              )}
            </>
          )}
        </>
      }
      slate={
        <>
          {picked && <HoldingPage key={picked.name} holding={picked} done={() => choose(null)} />}
          {!picked && read.all && <NewHolding />}
          {me.name && (
            <Fold line="A new password for yourself">
              <NewPassword />
            </Fold>
          )}
          {read.all && (
            <Part>
              <Yard />
            </Part>
          )}
        </>
      }
    />
  );
}

function Mine({ mine, alone }: { mine: Schemas["BoxMine"][]; alone: boolean }) {
  if (mine.length === 0)
    return alone ? (
      <p className="text-lg">You come to none any more. Ask its owner, or whoever keeps the box.</p>
    ) : null;
  return (
    <ul aria-label="Your holdings" className="mb-5 flex flex-wrap gap-4">
      {mine.map((h) => (
        <li key={h.name}>
          <a
            href={h.address}
            className="block min-w-56 rounded-2xl border-2 border-line bg-paper px-4 py-3 hover:border-clay"
          >
            <b className="block font-head text-xl text-clay underline underline-offset-4">{h.title ?? h.name}</b>
            <span>
              {h.role}
              {h.title && <span className="text-ash">, {h.name}</span>}
            </span>
          </a>
        </li>
      ))}
    </ul>
  );
}

const stands = { open: "somebody is there, or something goes on", closed: "at rest", archived: "put away" };

/** A lid that is up, down, or tied: the words beside say the same. */
function Line({ holding, chosen, onClick }: { holding: Schemas["BoxHolding"]; chosen: boolean; onClick: () => void }) {
  const line = chosen ? "stroke-clay" : "stroke-ink";
  return (
    <li className="border-t border-line">
      <button
        type="button"
        aria-pressed={chosen}
        onClick={onClick}
        className="flex min-h-14 w-full items-center gap-4 py-1 text-left"
      >
        <svg viewBox="0 0 44 36" className="h-9 w-11 shrink-0" aria-hidden>
          <path d="M6 16h32v17H6z" fill="none" strokeWidth="2.5" strokeLinejoin="round" className={line} />
          <path
            d={holding.heldAs === "open" ? "M6 14 14 2h26l-4 10" : "M4 11h36v5H4z"}
            fill="none"
            strokeWidth="2.5"
            strokeLinejoin="round"
            className={line}
          />
          {holding.heldAs === "archived" && <path d="M22 11v22M6 24h32" strokeWidth="2.5" className={line} />}
        </svg>
        <span className="min-w-0">
          <b className={`block font-head text-lg ${chosen ? "text-clay" : ""}`}>{holding.name}</b>
          <span className={holding.old ? "font-bold text-straw" : "text-ash"}>
            {holding.old && <span aria-hidden>▲ </span>}
            {stands[holding.heldAs]}; {holding.says}
          </span>
        </span>
      </button>
    </li>
  );
}
