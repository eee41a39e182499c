import { useEffect } from "react";
import { useRead } from "../api/data";

/** Tells the browser, where it is allowed, of what the watch has said: each thing once on this device. */
export function Notices() {
  const { notices } = useRead("/api/watch");
  useEffect(() => {
    if (typeof Notification === "undefined" || Notification.permission !== "granted") return;
    const told = new Set(JSON.parse(localStorage.getItem("told") ?? "[]") as number[]);
    for (const n of notices.filter((x) => !told.has(x.id))) {
      new Notification(n.title, { body: n.todo, tag: `mudpie-${n.id}` });
      told.add(n.id);
    }
    localStorage.setItem("told", JSON.stringify([...told].slice(-200)));
  }, [notices]);
  return null;
}
