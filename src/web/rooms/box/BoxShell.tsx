import { type ReactNode } from "react";
import { NavLink, Navigate, Route, Routes } from "react-router-dom";
import { useRead } from "../../api/data";
import { Coming, Ready } from "../../parts/Ready";
import { leave } from "../../parts/SignIn";
import { PeopleRoom } from "../people/PeopleRoom";
import { BoxRoom } from "./BoxRoom";

/** The own page of a co-operative's box: which holdings are on it, and who keeps it. No record is read here. */
export function BoxShell() {
  const me = useRead("/api/me");
  const links = (
    <>
      <Place to="/">Holdings</Place>
      {me.role === "owner" && <Place to="/keep/people">Who keeps the box</Place>}
    </>
  );
  return (
    <>
      <header className="no-print mx-auto flex max-w-[88rem] flex-wrap items-center justify-between gap-x-6 px-4 pt-2 wide:px-7">
        <p className="flex items-center gap-2">
          <img src="/mark.svg" alt="" className="h-9 w-9" />
          <b className="font-head text-xl">Mud Pie</b>
          <span className="hidden text-ash wide:inline">one box for several holdings</span>
        </p>
        <nav aria-label="The box" className="hidden gap-6 wide:flex">
          {links}
        </nav>
        {me.name && (
          <button type="button" onClick={leave} className="min-h-12 text-clay underline underline-offset-4">
            Sign out: {me.name}
          </button>
        )}
      </header>
      <Ready coming={<Coming />} around={(failed) => <main className="p-7">{failed}</main>}>
        <Routes>
          <Route path="/" element={<BoxRoom me={me} />} />
          <Route path="/keep/people" element={<PeopleRoom />} />
          <Route path="*" element={<Navigate to="/" replace />} />
        </Routes>
      </Ready>
      <nav
        aria-label="The box on the phone"
        className="no-print fixed inset-x-0 bottom-0 z-30 flex h-14 items-center justify-around border-t border-line bg-paper wide:hidden"
      >
        {links}
      </nav>
    </>
  );
}

function Place({ to, children }: { to: string; children: ReactNode }) {
  return (
    <NavLink
      to={to}
      className={({ isActive }) =>
        `min-h-12 content-center font-head text-lg ${isActive ? "font-bold text-clay underline underline-offset-8" : ""}`
      }
    >
      {children}
    </NavLink>
  );
}
