import { useEffect } from "react";
import { client, useRead } from "../api/client";

/** Tells the browser, where it is allowed, of what the watch has said: each thing once on this device. */
export function useNotices() {
  const watch = useRead(["watch"], () => client.GET("/api/watch"));
  const notices = watch.data?.notices;
  useEffect(() => {
    if (!notices || typeof Notification === "undefined" || Notification.permission !== "granted") return;
    const told = new Set(JSON.parse(localStorage.getItem("told") ?? "[]") as number[]);
    for (const n of notices.filter((x) => !told.has(x.id))) {
      new Notification(n.title, { body: n.todo, tag: `mudpie-${n.id}` });
      told.add(n.id);
    }
    localStorage.setItem("told", JSON.stringify([...told].slice(-200)));
  }, [notices]);
}
