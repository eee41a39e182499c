import { NavLink, useLocation } from "react-router-dom";
import { benchOf, roomOf } from "./places";

/** The benches of the room that one is in, in one line; on a phone they take two, and none is out of sight. */
export function Benches() {
  const { pathname } = useLocation();
  const room = roomOf(pathname);
  if (!room || room.benches.length === 0) return null;
  const here = benchOf(room, pathname);
  return (
    <nav
      aria-label={`Benches of ${room.name}`}
      className="no-print mx-auto flex max-w-[88rem] flex-wrap gap-x-5 px-4 wide:px-7"
    >
      {room.benches.map((b) => (
        <NavLink
          key={b[0]}
          to={b[0]}
          aria-current={b === here ? "page" : undefined}
          className={`flex min-h-11 items-center whitespace-nowrap text-base ${b === here ? "font-bold text-clay underline decoration-4 underline-offset-8" : ""}`}
        >
          {b[1]}
        </NavLink>
      ))}
    </nav>
  );
}
