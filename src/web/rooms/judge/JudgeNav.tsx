import { Benches } from "../../parts/Benches";

const benches = [
  ["", "Trials"],
  ["brix", "Leaves"],
  ["patches", "Square metre"],
  ["across", "Sites together"],
  ["practice", "Practice plot"],
] as const;

/** The benches for judging. */
export const JudgeNav = () => <Benches label="Benches for judging" room="/judge" benches={benches} />;
