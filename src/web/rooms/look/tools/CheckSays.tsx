import type { Schemas } from "../../../api/client";
import { looks } from "../../../parts/tone";

/** What an instrument reads, as it is tapped. */
export function CheckSays({ says }: { says: Schemas["CheckAnswer"] | null | undefined }) {
  return (
    <p aria-live="polite" className="min-h-7 text-lg">
      {says && (
        <>
          <b className={looks[says.tone].colour}>
            {says.shown}: {says.word}.
          </b>{" "}
          {says.says}
        </>
      )}
    </p>
  );
}
