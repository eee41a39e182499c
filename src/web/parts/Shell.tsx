import { Dialog, DropdownMenu } from "radix-ui";
import { type ReactNode, useEffect, useState } from "react";
import { NavLink, useLocation, useNavigate } from "react-router-dom";
import type { Schemas } from "../api/client";
import { useRead, useWrite } from "../api/data";
import { Answering } from "./Answering";
import { Benches } from "./Benches";
import { Button } from "./Button";
import { DayLine } from "./DayLine";
import { useCarrying } from "./field";
import { useLive } from "./live";
import { NoteIt } from "./NoteIt";
import { Notices } from "./Notices";
import { isHere, useSending } from "./outbox";
import { roomOf, rooms } from "./places";
import { Ready } from "./Ready";
import { leave } from "./SignIn";

type Light = "day" | "night";

/** The light the screen is read in, kept on this device. */
function useLight(): [Light, (l: Light) => void] {
  const [light, setLight] = useState<Light>(() => (localStorage.getItem("light") === "night" ? "night" : "day"));
  useEffect(() => {
    document.documentElement.dataset.light = light;
    localStorage.setItem("light", light);
  }, [light]);
  return [light, setLight];
}

/** Day line, rooms, and what every room shares. */
export function Shell({ holding, children }: { holding: Schemas["HoldingView"]; children: ReactNode }) {
  const [light, setLight] = useLight();
  const [keys, setKeys] = useState(false);
  const [note, setNote] = useState(false);
  useLive();
  const go = useNavigate();
  const place = useLocation();
  const units = useWrite("/api/holding/units", (u: Schemas["UnitSystem"]) => ({ body: { units: u } }));

  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const typing =
        e.target instanceof HTMLElement &&
        e.target.closest("input, textarea, select, [role=radio], [role=slider], [role=dialog]");
      if (typing || e.ctrlKey || e.metaKey || e.altKey) return;
      const room = rooms[Number(e.key) - 1];
      if (room) go(room.to);
      else if (e.key === "w") window.dispatchEvent(new CustomEvent("mudpie-key", { detail: "sum" }));
      else if (e.key === ".") go("/");
      else if (e.key === "?") setKeys(true);
      else if (e.key === "n") {
        e.preventDefault(); // or the n would be the first letter of the note
        setNote(true);
      } else if (e.key === "l") setLight(light === "day" ? "night" : "day");
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  });

  useEffect(() => {
    window.scrollTo(0, 0);
  }, [place.pathname]);

  const here = roomOf(place.pathname);
  const links = (phone: boolean) =>
    rooms.map((r) => (
      <NavLink
        key={r.to}
        to={r.to}
        aria-current={r === here ? "page" : undefined}
        className={`relative flex min-h-12 items-center justify-center font-head text-base ${phone ? "min-h-14 min-w-0 grow basis-0 whitespace-nowrap tracking-tight" : "px-1 wide:text-xl"} ${r === here ? "font-bold text-clay" : ""}`}
      >
        {r.name}
        {r === here && (
          <svg
            viewBox="0 0 60 8"
            preserveAspectRatio="none"
            className="absolute inset-x-1 bottom-1 h-2 w-[calc(100%-0.5rem)]"
            aria-hidden
          >
            <path d="M2 2q26 7 56 1" fill="none" className="stroke-clay" strokeWidth="3" strokeLinecap="round" />
          </svg>
        )}
      </NavLink>
    ));

  return (
    <>
      <a href="#room" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-paper focus:p-3">
        Skip to the room
      </a>
      <Ready coming={null} around={() => <SendsForAll own={holding.own} />}>
        <Sends own={holding.own} />
      </Ready>
      <header className="no-print">
        <Ready
          coming={<div aria-busy className="h-14 bg-paper wide:aspect-[1280/112] wide:h-auto" />}
          around={(failed) => <div className="bg-paper px-4 py-2 wide:px-7">{failed}</div>}
        >
          <DayLine />
        </Ready>
        <Ready coming={null} around={() => null /* its room says what failed */}>
          <Notices />
        </Ready>
        <div className="mx-auto flex max-w-[88rem] items-center justify-between gap-4 px-4 pt-1 wide:px-7 wide:pt-2">
          <nav aria-label="Rooms" className="hidden gap-6 wide:flex">
            {links(false)}
          </nav>
          <p className="flex items-center gap-2 wide:hidden">
            <img src="/mark.svg" alt="" className="h-7 w-7" />
            <b className="font-head">Mud Pie</b>
          </p>
          <span className="flex items-center gap-5">
            <Button className="hidden wide:block" onClick={() => setNote(true)}>
              Note it
            </Button>
            <DropdownMenu.Root modal={false}>
              <DropdownMenu.Trigger className="min-h-12 text-left text-base underline decoration-line underline-offset-4">
                {holding.name}
                {holding.isDemo && " (demo, made up)"} <span aria-hidden>▾</span>
              </DropdownMenu.Trigger>
              <DropdownMenu.Content
                align="end"
                className="z-50 min-w-60 rounded-2xl border-2 border-line bg-paper p-2 text-ink"
              >
                <MenuItem onSelect={() => setLight(light === "day" ? "night" : "day")}>
                  {light === "day" ? "Night check light" : "Day light"}
                </MenuItem>
                <MenuItem onSelect={() => units.mutate(holding.units === "usCustomary" ? "metric" : "usCustomary")}>
                  {holding.units === "usCustomary" ? "Answer in metric" : "Answer in US customary"}
                </MenuItem>
                {holding.units !== "usCustomary" && (
                  <MenuItem
                    onSelect={() =>
                      units.mutate(
                        holding.units === "metricImperialGallons" ? "metricUsGallons" : "metricImperialGallons",
                      )
                    }
                  >
                    {holding.units === "metricImperialGallons"
                      ? "A gallon that I type is US"
                      : "A gallon that I type is imperial"}
                  </MenuItem>
                )}
                <MenuItem onSelect={() => setKeys(true)}>Keys</MenuItem>
                <MenuItem onSelect={() => go("/keep/people")}>People and copies</MenuItem>
                <Ready coming={null} around={() => null}>
                  <SignOut />
                </Ready>
              </DropdownMenu.Content>
            </DropdownMenu.Root>
          </span>
        </div>
        <Benches />
        <Answering />
        <Ready coming={null} around={() => null}>
          <Visits />
        </Ready>
      </header>
      {children}
      <nav
        aria-label="Rooms on the phone"
        className="no-print fixed inset-x-0 bottom-0 z-30 flex h-14 items-center border-t border-line bg-paper wide:hidden"
      >
        {links(true)}
      </nav>
      <button
        type="button"
        onClick={() => setNote(true)}
        className="no-print fixed bottom-16 right-2 z-30 h-16 w-16 rounded-full border-2 border-paper bg-clay text-base font-bold leading-tight text-paper wide:hidden"
      >
        Note it
      </button>
      <NoteIt open={note} onOpenChange={setNote} />
      <Keys open={keys} onOpenChange={setKeys} />
    </>
  );
}

/** Sends what waits once it is known who is here; where nobody answers, it is shown all the same. */
function Sends({ own }: { own: string | null | undefined }) {
  const me = useRead("/api/me");
  useEffect(() => isHere(me.name ?? null), [me.name]);
  useSending(own);
  useCarrying(me.stays ? 3_000 : 20_000); // a phone that has joined is on its way out
  return null;
}

function SendsForAll({ own }: { own: string | null | undefined }) {
  useSending(own);
  return null;
}

/** A visitor is told at once, and not only by what is refused. */
function Visits() {
  const me = useRead("/api/me");
  if (me.role !== "visitor") return null;
  return (
    <p className="no-print mx-auto max-w-[88rem] px-4 text-ash wide:px-7">
      You are here as a visitor: you read all of it, and nothing that you type is kept.
    </p>
  );
}

/** For a sitting at a desk: a phone that has joined leaves on its own page. */
function SignOut() {
  const me = useRead("/api/me");
  if (!me.name || me.stays) return null;
  return <MenuItem onSelect={leave}>{`Sign out: ${me.name}`}</MenuItem>;
}

function MenuItem({ children, onSelect }: { children: string; onSelect: () => void }) {
  return (
    <DropdownMenu.Item
      onSelect={onSelect}
      className="flex min-h-12 cursor-pointer items-center rounded-xl px-3 text-base data-[highlighted]:bg-slip data-[highlighted]:font-bold"
    >
      {children}
    </DropdownMenu.Item>
  );
}

function Keys({ open, onOpenChange }: { open: boolean; onOpenChange: (o: boolean) => void }) {
  const list = [
    ...rooms.map((r, i) => [String(i + 1), r.name]),
    ["n", "note it"],
    ["w", "show the sum"],
    [".", "now: Today"],
    ["l", "Day or Night check light"],
    ["?", "this list"],
  ];
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-1/2 z-50 w-[min(24rem,92vw)] -translate-x-1/2 -translate-y-1/2 rounded-3xl bg-paper p-5 text-ink"
        >
          <Dialog.Title className="font-head text-xl font-bold">Keys</Dialog.Title>
          <dl className="my-3 grid grid-cols-[3rem_1fr] gap-y-2">
            {list.map(([k, what]) => (
              <div key={k} className="contents">
                <dt>
                  <kbd className="rounded border-2 border-line px-2 font-bold">{k}</kbd>
                </dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <Dialog.Close asChild>
            <Button>Close</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
