import type { Schemas } from "../../../api/client";

export type Asked = Schemas["CheckAsked"];
export type CheckKind = Schemas["CheckKind"];

/** A check of which nothing was tapped yet. */
export const blank = (kind: CheckKind): Asked => ({
  kind,
  pushes: null,
  wheelings: null,
  psi: false,
  feel: null,
  moistToCm: null,
  moist: null,
  layers: null,
  counts: null,
  soilC: null,
  classes: null,
  firstS: null,
  secondS: null,
  plants: null,
  turned: null,
  turnedAtCm: null,
  stone: false,
  deepestCm: null,
  sheathed: null,
  nodules: null,
  cut: null,
  pink: null,
  card: null,
  shape: null,
  oldYellow: false,
  youngYellow: false,
  perMetre: null,
  weeds: null,
  buried: false,
  gone: null,
  weeks: null,
  burst: null,
  note: null,
});

/** What an instrument is given: what was tapped so far, and how to change it. */
export interface ToolProps {
  asked: Asked;
  set: (part: Partial<Asked>) => void;
  /** Warmth of the ground, as it is typed. */
  warmth: string;
  setWarmth: (typed: string) => void;
}

/** A list with one of its places changed. */
export const at = <T>(list: readonly T[], i: number, value: T): T[] => list.map((x, j) => (j === i ? value : x));
