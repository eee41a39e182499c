import { Benches } from "../../parts/Benches";

const benches = [
  ["", "To go out"],
  ["windows", "Windows"],
  ["tank", "Tank"],
  ["dose", "Inoculants"],
  ["season", "Season"],
  ["sprayers", "Sprayers"],
  ["mixing", "Mixing"],
] as const;

/** The benches for putting out. */
export const PutOutNav = () => <Benches label="Benches for putting out" room="/put-out" benches={benches} />;
