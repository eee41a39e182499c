/**
 * What may be changed by a write, by the first word of its address. Whatever is written may show on Today, on the day line and
 * among what the watch has said.
 */
const touches: Record<string, readonly string[] | "all"> = {
  brew: ["brew", "ground", "put-out", "shelf", "book", "look", "shared", "judge"],
  shared: ["shared", "brew", "ground", "make"],
  ground: ["ground", "brew", "put-out", "shelf", "book", "look", "shared"],
  "put-out": ["put-out", "brew", "ground", "shelf", "book", "judge"],
  shelf: ["shelf", "ground", "put-out", "brew", "book", "mix", "judge"],
  almanac: ["almanac"],
  look: ["look", "ground", "brew", "put-out", "book", "judge", "sheets"],
  heaps: ["heaps", "make", "shelf", "brew", "mix", "book"],
  sheets: ["sheets", "works", "make", "shelf", "book", "judge"],
  works: ["works", "sheets", "heaps", "make", "shelf", "brew", "mix", "book", "almanac", "ground", "judge"],
  mix: ["mix", "make", "shelf", "book", "ground"],
  book: ["book", "ground", "brew", "put-out", "shelf", "judge", "look"],
  judge: ["judge", "book", "look", "shelf", "put-out"],
  weather: ["weather", "put-out"],
  watch: [],
  people: ["people", "me"],
  notes: "all",
  holding: "all",
};

const always = ["today", "day-line", "watch"];

const family = (path: string) => path.split("/")[2] ?? "";

/** Whether a write at one address may have changed what is read at another. */
export function touchedBy(written: string): (read: string) => boolean {
  const changed = touches[family(written)] ?? "all";
  return (read) => changed === "all" || always.includes(family(read)) || changed.includes(family(read));
}

const words: readonly (readonly [string, string])[] = [
  ["/api/brew/batches/", "This brew"],
  ["/api/brew/batches", "The brews"],
  ["/api/brew/recipes", "The recipes"],
  ["/api/brew/sources", "The sources"],
  ["/api/brew/water", "The water"],
  ["/api/brew/looking-back", "What was brewed before"],
  ["/api/brew/practice", "The practice brews"],
  ["/api/brew/ground-checks", "The checks of the ground"],
  ["/api/brew", "The brewhouse"],
  ["/api/put-out/windows", "The windows"],
  ["/api/put-out/programmes", "The season"],
  ["/api/put-out/sprayers", "The sprayers"],
  ["/api/put-out", "What is to go out"],
  ["/api/judge/trials/", "This trial"],
  ["/api/judge/trials", "The trials"],
  ["/api/judge/brix", "The leaf readings"],
  ["/api/judge/patches", "The patches"],
  ["/api/judge/across", "The sites together"],
  ["/api/judge/claims", "The claims"],
  ["/api/judge/reckoning", "The reckoning"],
  ["/api/judge/ahead", "The season ahead"],
  ["/api/judge/harm", "The counts"],
  ["/api/judge", "The trials"],
  ["/api/make", "The yard"],
  ["/api/heaps/", "This heap"],
  ["/api/heaps", "The heaps"],
  ["/api/sheets/beds", "What the sheets say"],
  ["/api/sheets/sampling", "What is to be sampled"],
  ["/api/sheets/", "This sheet"],
  ["/api/sheets", "The sheets"],
  ["/api/works/worms/", "This bin"],
  ["/api/works/worms", "The worms"],
  ["/api/works/burns/", "This burn"],
  ["/api/works/preparations/", "This preparation"],
  ["/api/works/preparations", "The preparations"],
  ["/api/almanac", "The almanac"],
  ["/api/works/byproducts/", "This by-product"],
  ["/api/works", "The works in the yard"],
  ["/api/mix/", "This job of mixing"],
  ["/api/mix", "The mixes"],
  ["/api/look/pegs/", "This peg"],
  ["/api/look", "Walks and pegs"],
  ["/api/ground", "The ground"],
  ["/api/shelf", "The shelf"],
  ["/api/book", "The book"],
  ["/api/today", "What wants hands"],
  ["/api/day-line", "The day line"],
  ["/api/watch", "What the watch has said"],
  ["/api/weather", "The weather"],
  ["/api/people", "People and copies"],
  ["/api/copies", "The copies"],
  ["/api/me", "Who is here"],
  ["/api/shared", "What is shared"],
  ["/api/holding", "The holding"],
];

/** What an address holds, in words, to begin a sentence with. */
export const named = (path: string | null) => words.find(([at]) => path?.startsWith(at))?.[1] ?? "This page";
