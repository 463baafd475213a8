/** The keys, by where they work. */
export interface KeyGroup {
  readonly name: string;
  /** The addresses below the studio's on which they work. */
  readonly on: RegExp;
  readonly keys: readonly (readonly [key: string, does: string])[];
}

const FLOOR = /\/(floor|base-test|turns|combos\/[^/]+\/(left|right|whole))\b|\/session\/now$/;
const CLOCK = /\/clock$/;

const GROUPS: readonly KeyGroup[] = [
  {
    name: "On the strands",
    on: /^\/students\/(?!import)[^/]+$/,
    keys: [
      ["← → ↑ ↓", "walk from bead to bead"],
      ["Enter", "take a bead in hand"],
      ["+ − 0", "closer, further, the whole map"],
      ["Esc", "let go of a bead"],
    ],
  },
  {
    name: "At placement",
    on: /\/placement$/,
    keys: [
      ["1 2 3", "clean, nearly, no"],
      ["Z", "take the last answer back"],
    ],
  },
  {
    name: "On the floor",
    on: FLOOR,
    keys: [
      ["Space", "clean"],
      ["M", "miss"],
      ["1 to 9", "after a miss: why; in a combo: where"],
      ["Z", "undo"],
      ["Enter", "finish the set, then start what comes next"],
      ["T", "tap the tempo"],
      ["V", "counts, moves and rests said aloud, or not"],
      ["P", "pause a count that goes on by itself"],
    ],
  },
  {
    name: "By the clock",
    on: CLOCK,
    keys: [
      ["Space", "pause, and go on"],
      ["Enter", "skip to the next part"],
      ["Z", "this part once more"],
      ["V", "said aloud, or not"],
    ],
  },
  {
    name: "In the hall",
    on: /^\/lessons\/[^/]+$/,
    keys: [
      ["N", "next"],
      ["B", "back to the step before"],
      ["S", "skip the turn"],
      ["+", "two minutes more"],
      ["A", "who is here"],
    ],
  },
  {
    name: "Where something is put together",
    on: /\/session$|\/plan$|\/bench$/,
    keys: [
      ["Ctrl Z", "undo"],
      ["Ctrl Y", "do it again"],
    ],
  },
];

const EVERYWHERE: KeyGroup = {
  name: "Everywhere",
  on: /^/,
  keys: [
    ["Ctrl K", "find a student, a skill, a combo or a page"],
    ["/", "search this page; where it has no search, find anything"],
    ["?", "these keys"],
    ["Esc", "close a window"],
  ],
};

/** The keys of the page at an address below the studio's first, then those of everywhere, then all others. */
export function keysAt(address: string): readonly KeyGroup[] {
  const here = GROUPS.filter(({ on }) => on.test(address));
  return [...here, EVERYWHERE, ...GROUPS.filter((group) => !here.includes(group))];
}
