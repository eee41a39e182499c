import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";

const line = "text-clay underline underline-offset-4";

/** What was taken up of it and lies on the shelf; a brew may draw on it. */
export function MadeLots({ lots }: { lots: readonly Schemas["MixLot"][] }) {
  return lots.map((l) => (
    <p key={l.id}>
      <Link to={`/shelf?input=${l.inputId}`} className={line}>
        {l.leftShown} of {l.name}
      </Link>{" "}
      on the shelf. A brew may draw on it once its{" "}
      <Link to="/brew/sources" className={line}>
        gate
      </Link>{" "}
      was asked.
    </p>
  ));
}
