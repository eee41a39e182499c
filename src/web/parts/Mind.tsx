import type { Schemas } from "../api/client";

/** Cautions in short, where they are only to be read. */
export function Mind({ cautions }: { cautions: Schemas["Caution"][] }) {
  return cautions.map((c) => (
    <p key={c.id}>
      <b className="text-straw">▲ Mind</b> {c.text} <span className="text-ash">{c.localRule}</span>
    </p>
  ));
}
