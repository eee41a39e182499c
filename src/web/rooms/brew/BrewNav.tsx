import { Benches } from "../../parts/Benches";

const benches = [
  ["", "Brews"],
  ["water", "Water"],
  ["sources", "Source"],
  ["recipes", "Recipes"],
  ["air", "Air"],
  ["ask", "Ask it"],
  ["microscope", "Lens"],
  ["clean", "Clean up"],
  ["back", "Looking back"],
  ["practice", "Practice"],
] as const;

/** The benches of the brewhouse. */
export const BrewNav = () => <Benches label="Benches of the brewhouse" room="/brew" benches={benches} />;
