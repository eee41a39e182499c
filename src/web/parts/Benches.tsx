import { useEffect, useRef } from "react";
import { NavLink, useLocation } from "react-router-dom";

interface Props {
  label: string;
  room: string;
  benches: readonly (readonly [string, string])[];
}

/** The benches of a room. */
export function Benches({ label, room, benches }: Props) {
  const nav = useRef<HTMLElement>(null);
  const place = useLocation();
  // On a phone the benches run off the side: the one that is open is brought into sight.
  useEffect(() => {
    const here = nav.current?.querySelector<HTMLElement>("[aria-current=page]");
    if (nav.current && here) nav.current.scrollLeft = here.offsetLeft - nav.current.clientWidth / 2;
  }, [place.pathname]);
  return (
    <nav ref={nav} aria-label={label} className="no-print mb-4 flex gap-x-5 overflow-x-auto wide:flex-wrap">
      {benches.map(([to, name]) => (
        <NavLink
          key={to}
          end
          to={`${room}${to && "/" + to}`}
          className={({ isActive }) =>
            `flex min-h-11 items-center whitespace-nowrap border-b-4 text-base ${isActive ? "border-clay font-bold text-clay" : "border-transparent"}`
          }
        >
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
