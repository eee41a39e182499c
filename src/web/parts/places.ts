/** A room: the order is that of the work, and of the keys 1 to 6. */
export interface RoomPlace {
  name: string;
  to: string;
  /** Where its things lie besides. */
  also: readonly string[];
  /** Its benches, at most seven, the first being what it opens on; and what else lies on them. */
  benches: readonly (readonly [to: string, name: string, also?: RegExp])[];
}

export const rooms: readonly RoomPlace[] = [
  { name: "Today", to: "/", also: ["/waiting"], benches: [] },
  {
    name: "Look",
    to: "/look",
    also: [],
    benches: [
      ["/look", "The ground"],
      ["/look/walk", "Walks and pegs", /^\/look\/(pegs|years|zones|checks)/],
      ["/look/plantings", "Plantings and water"],
      ["/look/leaves", "Leaves (brix)"],
      ["/look/sheets", "Lab sheets"],
      ["/look/goals", "Goals"],
    ],
  },
  {
    name: "Make",
    to: "/make",
    also: ["/brew"],
    benches: [
      ["/make", "The yard"],
      ["/brew", "Brews"],
      ["/make/mix", "Mixes", /^\/make\/byproduct/],
      ["/make/heap", "Heaps"],
      ["/make/worms", "Worms"],
      ["/make/char", "Char"],
      ["/make/sheet", "Short of what?"],
    ],
  },
  {
    name: "Put out",
    to: "/put-out",
    also: [],
    benches: [
      ["/put-out", "The ground", /^\/put-out\/solid$/],
      ["/put-out/windows", "Windows"],
      ["/put-out/tank", "Tank", /^\/put-out\/\d+$/],
      ["/put-out/dose", "Inoculants"],
      ["/put-out/season", "Season"],
      ["/put-out/sprayers", "Sprayers"],
      ["/put-out/mixing", "Mixing"],
    ],
  },
  {
    name: "Judge",
    to: "/judge",
    also: [],
    benches: [
      ["/judge", "Trials"],
      ["/judge/patches", "Square metre"],
      ["/judge/across", "Sites together"],
      ["/judge/together", "Gardens together"],
      ["/judge/claims", "Claims"],
      ["/judge/reckoning", "The reckoning", /^\/judge\/(ahead|harm)/],
      ["/judge/practice", "Practice plot"],
    ],
  },
  {
    name: "Keep",
    to: "/shelf",
    also: ["/keep", "/book", "/ground", "/watch"],
    benches: [
      ["/shelf", "Shelf"],
      ["/book", "Book", /^\/book\/thread/],
      ["/book/season", "Season’s record"],
      ["/keep/almanac", "Almanac"],
      ["/ground", "Ground and kit"],
      ["/watch", "Watch"],
      ["/keep/people", "People and copies"],
    ],
  },
];

/** What belongs to the brewhouse, reached from it and from the yard. */
export const brewhouse = [
  ["/brew/water", "water"],
  ["/brew/sources", "sources"],
  ["/brew/recipes", "recipes"],
  ["/brew/air", "air"],
  ["/brew/clean", "cleaning"],
  ["/brew/ask", "ask what if"],
  ["/brew/back", "looking back"],
  ["/brew/microscope", "microscope"],
  ["/brew/practice", "practice brews"],
] as const;

const lies = (path: string, under: string) => path === under || path.startsWith(under + "/");

/** The room that an address lies in; undefined for none. */
export const roomOf = (path: string) =>
  rooms.find((r) => [r.to, ...r.also].some((u) => (u === "/" ? path === "/" : lies(path, u))));

/** The bench that an address lies on: the one whose own address goes furthest. */
export const benchOf = (room: RoomPlace, path: string) =>
  room.benches.find(([, , also]) => also?.test(path)) ??
  room.benches.filter(([to]) => lies(path, to)).sort((a, b) => b[0].length - a[0].length)[0];

/** Addresses of before, and where they lead now. */
export const moved: readonly (readonly [from: string, to: string])[] = [
  ["/judge/brix/:id", "/look/leaves/:id"],
  ["/judge/brix", "/look/leaves"],
  ["/book/plan", "/look"],
  ["/keep", "/shelf"],
];
