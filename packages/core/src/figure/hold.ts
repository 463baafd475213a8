/**
 * Where the hands are held in each arms state, and what the trunk and the legs do for it, made of the
 * hands' places (rope-model.md, Arms; teaching.md, Cues by skill). Written in metres for a jumper of
 * 1.70 m; each hand about the body's upright: `around` radians from straight ahead toward the hand's
 * own side and on behind the back, so that a hand that goes behind goes round its own side.
 */
import { isCross, otherHand, POSES, UNDER_FEET, type Arms, type Hand } from "../rope/arms.js";
import { between, eased, mix, point, type Point } from "./point.js";

export interface HandHold {
  readonly around: number;
  /** From the body's upright. */
  readonly away: number;
  /** Over the hips. */
  readonly above: number;
  /** Where the handle points: outward to the hand's own side, up, ahead. */
  readonly points: Point;
  /** Where the elbow is drawn to: outward, up, ahead. */
  readonly elbow: Point;
  /** 1 with the handle let go. */
  readonly free: number;
}

export interface Hold {
  readonly hands: Readonly<Record<Hand, HandHold>>;
  readonly lean: number;
  /** Radians the shoulders are turned to the left. */
  readonly twist: number;
  readonly sink: number;
  /** How far the feet go apart, each. */
  readonly apart: number;
  /** How far each leg is lifted over the arm, 0 to 1. */
  readonly lifted: Readonly<Record<Hand, number>>;
  /** Where the rope swings past: 1 beside the body on the left, −1 on the right, 0 around it. */
  readonly beside: number;
  /** Turns of the rope wound on each arm. */
  readonly wound: Readonly<Record<Hand, number>>;
}

/** A hand `out` to its own side and `ahead` of the upright; behind the back it has gone round its side. */
function held(
  out: number,
  ahead: number,
  above: number,
  points: Point,
  elbow: Point,
  isBehind = false,
): HandHold {
  const around = Math.atan2(out, ahead);
  return {
    around: isBehind && around < 0 ? around + 2 * Math.PI : around,
    away: Math.hypot(out, ahead),
    ...{ above, points, elbow, free: 0 },
  };
}

const OUT_AND_BACK = point(0.75, -0.45, -0.6);

const OPEN = held(0.36, 0.14, 0.07, point(0.84, -0.34, 0.42), OUT_AND_BACK);
const CROSSED = held(-0.2, 0.2, 0.02, point(-0.88, -0.3, 0.36), point(0.9, -0.1, 0.35));
const SWUNG_OWN = held(0.33, 0.24, 0.2, point(0.5, -0.35, 0.8), OUT_AND_BACK);
const SWUNG_OVER = held(-0.27, 0.27, 0.18, point(-0.5, -0.35, 0.8), point(0.7, -0.3, 0.6));
const BEHIND = held(-0.17, -0.16, 0.02, point(-0.96, -0.16, -0.22), point(0.8, 0, -0.9), true);
/** In front of the body where the other hand is behind it: the loop slants, and is held lower. */
const BEFORE = held(-0.22, 0.16, -0.03, point(-0.92, -0.34, 0.16), point(0.9, -0.1, 0.35));
const UNDER_LEG = held(-0.24, 0.16, -0.14, point(-0.95, -0.2, 0.2), point(0.5, -0.6, 0.6));
const OVER_LEG = held(-0.22, 0.34, 0.02, point(-0.9, -0.35, 0.25), point(0.9, 0.1, 0.35));
const BEHIND_KNEES = held(-0.24, 0.09, -0.1, point(-0.97, -0.1, -0.2), point(0.4, -0.7, 0.6));
const WOUND = held(0.4, 0.36, 0.22, point(0.35, 0.1, 0.93), point(0.8, -0.5, -0.3));
const LET_GO: HandHold = {
  ...held(0.25, 0.32, 0.42, point(0.2, 0.6, 0.75), point(0.5, -1, -0.1)),
  free: 1,
};

const TOP_ARM_AHEAD = 0.06;
const LEG_OVER = { lean: 0.98, twist: 0.4, sink: 0.07 } as const;
const KNEES = { lean: 1.12, sink: 0.43, apart: 0.1 } as const;

function handHold(hand: Hand, arms: Arms): HandHold {
  const { side, route } = POSES[arms][hand];
  const own = side === hand;
  switch (route) {
    case "back":
      return BEHIND;
    case "leg":
      return UNDER_LEG;
    case "knees":
      return BEHIND_KNEES;
    case "wrap":
      return WOUND;
    case "free":
      return LET_GO;
    case "front": {
      const { route: others } = POSES[arms][otherHand(hand)];
      if (others === "leg") return OVER_LEG;
      if (others === "back" && !own) return BEFORE;
      if (!UNDER_FEET[arms] && others !== "free") return own ? SWUNG_OWN : SWUNG_OVER;
      if (own) return OPEN;
      const isOnTop = isCross(arms) && arms.endsWith(hand);
      return isOnTop ? held(-0.2, 0.2 + TOP_ARM_AHEAD, 0.05, CROSSED.points, CROSSED.elbow) : CROSSED;
    }
  }
}

/** The side that the rope swings past on; null around the body. */
function besideOf(arms: Arms): Hand | null {
  const { l, r } = POSES[arms];
  return l.side === r.side ? l.side : null;
}

function holdOf(arms: Arms): Hold {
  const { l, r } = POSES[arms];
  const lifted = { l: r.route === "leg" ? 1 : 0, r: l.route === "leg" ? 1 : 0 };
  const side = besideOf(arms);
  const toward = side === "l" ? 1 : -1;
  const isBehind = l.route === "back" || r.route === "back";
  const isLegOver = lifted.l + lifted.r > 0;
  const isKnees = l.route === "knees";
  // The rear arm's shoulder goes back a little.
  const rear = l.route === "back" ? 1 : -1;
  return {
    hands: { l: handHold("l", arms), r: handHold("r", arms) },
    lean: isKnees ? KNEES.lean : isLegOver ? LEG_OVER.lean : isBehind ? 0.14 : isCross(arms) ? 0.16 : 0.05,
    twist: isLegOver
      ? LEG_OVER.twist * (lifted.l - lifted.r)
      : isBehind
        ? 0.3 * rear
        : side === null
          ? 0
          : 0.42 * toward,
    sink: isKnees ? KNEES.sink : isLegOver ? LEG_OVER.sink : 0,
    apart: isKnees ? KNEES.apart : 0,
    lifted,
    beside: side === null ? 0 : toward,
    wound: { l: l.route === "wrap" ? 1 : 0, r: r.route === "wrap" ? 1 : 0 },
  };
}

const HOLDS = new Map<Arms, Hold>();

/** The hold of an arms state. */
export function holdFor(arms: Arms): Hold {
  const known = HOLDS.get(arms);
  if (known !== undefined) return known;
  const hold = holdOf(arms);
  HOLDS.set(arms, hold);
  return hold;
}

/** How far from straight ahead a hand keeps on its way under a leg or behind the knees: it goes in from the front. */
const THROUGH_THE_MIDDLE = 0.9;

function handBetween(from: HandHold, to: HandHold, share: number, isThrough: boolean): HandHold {
  const inward = isThrough ? THROUGH_THE_MIDDLE * Math.sin(Math.PI * share) : 0;
  const straight = mix(from.around, to.around, share);
  return {
    around: straight < 0 ? Math.min(straight + inward, Math.max(0, straight)) : straight,
    away: mix(from.away, to.away, share),
    above: mix(from.above, to.above, share),
    points: between(from.points, to.points, share),
    elbow: between(from.elbow, to.elbow, share),
    free: mix(from.free, to.free, share),
  };
}

/** The legs follow the arms a little later, and are back sooner: a lifted leg leaves the floor with the jump. */
function liftShare(from: number, to: number, way: number): number {
  return to > from ? eased(way, 0.2, 0.9) : eased(way, 0.1, 0.85);
}

/** Between two arms states: `share` of the way that the hands go, `way` of the rope's own. */
export function holdBetween(from: Arms, to: Arms, share: number, way: number): Hold {
  const [a, b] = [holdFor(from), holdFor(to)];
  if (from === to) return a;
  const goesIn = (hand: Hand) => {
    const routes = [POSES[from][hand].route, POSES[to][hand].route];
    return routes.includes("leg") || routes.includes("knees");
  };
  const lift = (hand: Hand) =>
    mix(a.lifted[hand], b.lifted[hand], liftShare(a.lifted[hand], b.lifted[hand], way));
  return {
    hands: {
      l: handBetween(a.hands.l, b.hands.l, share, goesIn("l")),
      r: handBetween(a.hands.r, b.hands.r, share, goesIn("r")),
    },
    lean: mix(a.lean, b.lean, share),
    twist: mix(a.twist, b.twist, share),
    sink: mix(a.sink, b.sink, share),
    apart: mix(a.apart, b.apart, share),
    lifted: { l: lift("l"), r: lift("r") },
    beside: mix(a.beside, b.beside, share),
    wound: { l: mix(a.wound.l, b.wound.l, share), r: mix(a.wound.r, b.wound.r, share) },
  };
}
