import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { looks } from "../../parts/tone";

/** Works in the yard in a line each: what it is, how it stands, what to do. */
export function WorkLines({ lines }: { lines: readonly Schemas["WorkLine"][] }) {
  return (
    <ul>
      {lines.map((w) => (
        <li key={w.id} className="border-t border-line">
          <Link to={w.link} className="grid grid-cols-[1fr_auto] gap-x-4 py-2">
            <b className="text-lg underline decoration-line underline-offset-4">{w.name}</b>
            <b className="figures text-lg">{w.word}</b>
            <span className={w.tone === "go" ? "text-ash" : `font-bold ${looks[w.tone].colour}`}>
              {w.tone !== "go" && `${looks[w.tone].mark} `}
              {w.says}
            </span>
            <span className="figures text-right text-ash">{w.figure}</span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
