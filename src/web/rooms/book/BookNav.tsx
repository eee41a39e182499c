import { Benches } from "../../parts/Benches";

const benches = [
  ["", "All that happened"],
  ["thread", "Thread"],
  ["season", "Season’s record"],
  ["plan", "Plan of the beds"],
] as const;

/** The benches of the book. */
export const BookNav = () => <Benches label="Benches of the book" room="/book" benches={benches} />;
