import type { Schemas } from "../../api/client";

/** For which use a claim is said. */
export const uses: readonly { value: Schemas["ClaimUse"]; name: string }[] = [
  { value: "mixedIn", name: "mixed in" },
  { value: "mulch", name: "mulch" },
  { value: "heap", name: "the heap" },
  { value: "feed", name: "fed to roots" },
  { value: "spray", name: "sprayed" },
  { value: "sign", name: "a sign that is read" },
];

/** How sure it is. */
export const grades: readonly { value: Schemas["Evidence"]; name: string }[] = [
  { value: "measuredHere", name: "measured here" },
  { value: "chemistryOrPhysics", name: "chemistry or physics" },
  { value: "publishedTrials", name: "published trials" },
  { value: "practitionersRule", name: "practitioners’ rule" },
  { value: "contested", name: "contested" },
];
