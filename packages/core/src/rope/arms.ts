/**
 * Where both hands are when the rope reaches the bottom of a turn (rope-model.md, Arms). Everything
 * else about a turn's arms (its pass, its mirror, its cost) follows from this table.
 */
export const ARMS = [
  "o",
  "xl",
  "xr",
  "sl",
  "sr",
  "bl",
  "br",
  "el",
  "er",
  "ul",
  "ur",
  "k",
  "wl",
  "wr",
  "hl",
  "hr",
] as const;
export type Arms = (typeof ARMS)[number];

/** Arms as written: `x` leaves open which arm is on top. */
export type WrittenArms = Arms | "x";

/** The jumper's own left or right. */
export type Hand = "l" | "r";

export type Route = "front" | "back" | "leg" | "knees" | "wrap" | "free";

/** Which side of the body a hand is on, and how it got there. */
export interface HandPlace {
  readonly side: Hand;
  readonly route: Route;
}

export interface Pose {
  readonly l: HandPlace;
  readonly r: HandPlace;
}

function pose(left: Hand, leftRoute: Route, right: Hand, rightRoute: Route): Pose {
  return { l: { side: left, route: leftRoute }, r: { side: right, route: rightRoute } };
}

export const POSES: Readonly<Record<Arms, Pose>> = {
  o: pose("l", "front", "r", "front"),
  xl: pose("r", "front", "l", "front"),
  xr: pose("r", "front", "l", "front"),
  sl: pose("l", "front", "l", "front"),
  sr: pose("r", "front", "r", "front"),
  bl: pose("r", "back", "l", "front"),
  br: pose("r", "front", "l", "back"),
  el: pose("r", "back", "r", "front"),
  er: pose("l", "front", "l", "back"),
  ul: pose("r", "front", "l", "leg"),
  ur: pose("r", "leg", "l", "front"),
  k: pose("r", "knees", "l", "knees"),
  wl: pose("l", "wrap", "l", "front"),
  wr: pose("r", "front", "r", "wrap"),
  hl: pose("l", "free", "r", "front"),
  hr: pose("l", "front", "r", "free"),
};

const WRITTEN: ReadonlyMap<string, WrittenArms> = new Map(
  [...ARMS, "x" as const].map((arms) => [arms, arms]),
);

/** The arms that a word of the score format names, if any. */
export function armsNamed(word: string): WrittenArms | undefined {
  return WRITTEN.get(word);
}

export function isCross(arms: Arms): arms is "xl" | "xr" {
  return arms === "xl" || arms === "xr";
}

export function isSideSwing(arms: Arms): arms is "sl" | "sr" {
  return arms === "sl" || arms === "sr";
}

export function isWrap(arms: Arms): arms is "wl" | "wr" {
  return arms === "wl" || arms === "wr";
}

export function isRelease(arms: Arms): arms is "hl" | "hr" {
  return arms === "hl" || arms === "hr";
}

function passesUnder(arms: Arms): boolean {
  const { l, r } = POSES[arms];
  // A released rope is not jumped.
  return l.side !== r.side && !isRelease(arms);
}

/** Whether the rope must go under the feet: hands on different sides put the loop around the body. */
export const UNDER_FEET: Readonly<Record<Arms, boolean>> = Object.fromEntries(
  ARMS.map((arms) => [arms, passesUnder(arms)]),
) as Record<Arms, boolean>;

export function otherHand(hand: Hand): Hand {
  return hand === "l" ? "r" : "l";
}

/** The side that a sided symbol ends in; null for `o`, `k` and the open `x`. */
export function sideOfArms(arms: WrittenArms): Hand | null {
  if (arms.length === 1) return null;
  return arms.endsWith("l") ? "l" : "r";
}

export function mirrorArms(arms: WrittenArms): WrittenArms {
  const side = sideOfArms(arms);
  if (side === null) return arms;
  return armsNamed(arms.charAt(0) + otherHand(side)) ?? arms;
}

/**
 * The arm on top of an open `x`, from the turn before (null on the first turn and after a `!`): the
 * arm of a side swing's side, the arm that was neither behind nor under a leg, the same arm after
 * a cross, else the dominant hand.
 */
export function resolveCross(before: Arms | null, dominant: Hand): "xl" | "xr" {
  switch (before) {
    case "sl":
    case "xl":
    case "br":
    case "er":
    case "ul":
      return "xl";
    case "sr":
    case "xr":
    case "bl":
    case "el":
    case "ur":
      return "xr";
    default:
      return dominant === "l" ? "xl" : "xr";
  }
}
