import { Link } from "react-router-dom";
import { useRead } from "../api/data";
import { brewhouse } from "./places";

/** What belongs to the brewhouse, each a door. */
export function Brewhouse() {
  const me = useRead("/api/me");
  const doors = me.box ? [...brewhouse, ["/brew/shared", "shared vessels"] as const] : brewhouse;
  return (
    <nav aria-label="The brewhouse" className="flex flex-wrap gap-x-5">
      {doors.map(([to, name]) => (
        <Link key={to} to={to} className="inline-flex min-h-11 items-center text-clay underline underline-offset-4">
          {name}
        </Link>
      ))}
    </nav>
  );
}
