/** The rope at one time: where its loop reaches, what of it is wound on an arm, and its cord. */
import type { Hand } from "../rope/arms.js";
import type { Arm } from "./arm.js";
import { CORD_POINTS, type CordAsked, cordBetween, evenly } from "./cord.js";
import { between, direction, distance, eased, outward, plus, point, turned, type Point } from "./point.js";
import type { Frame } from "./trunk.js";
import type { Turning } from "./turning.js";

const HANDS: readonly Hand[] = ["l", "r"];
/** Radians that the cord at the handles is ahead of its middle, at such a speed and above. */
const LEAD_MOST = 0.35;
const LEAD_SPEED = 14;
const WRAP_RADIUS = 0.045;
const WRAP_TURNS = 2;
const BEGINS = 0.4;
/** Radians past the bottom. */
const FOLLOWS_FROM = -0.1;
const FOLLOWS_TO = 0.7;

/** The part of the cord that is wound on a forearm, from the hand toward the elbow. */
function woundOn(
  arm: Pick<Arm, "elbow" | "hand">,
  tip: Point,
  turns: number,
  sense: number,
  scale: number,
): readonly Point[] {
  if (turns <= 0) return [];
  const along = direction(plus(arm.elbow, arm.hand, -1));
  const across = direction(point(sense * along.z, 0, -sense * along.x), point(sense, 0, 0));
  const third = point(
    along.y * across.z - along.z * across.y,
    along.z * across.x - along.x * across.z,
    along.x * across.y - along.y * across.x,
  );
  const points: Point[] = [tip];
  const steps = Math.ceil(turns * 12);
  for (let step = 0; step <= steps; step += 1) {
    const wound = (turns * step) / steps;
    const angle = 2 * Math.PI * wound * sense;
    const radius = WRAP_RADIUS * scale;
    const middle = plus(arm.hand, along, (0.04 + 0.07 * wound) * scale);
    const at = plus(plus(middle, across, radius * Math.cos(angle)), third, radius * Math.sin(angle));
    // The first of it comes from the handle's end, so that nothing jumps as it begins.
    points.push(between(tip, at, Math.min(1, turns / BEGINS)));
  }
  return points;
}

function pathLength(points: readonly Point[]): number {
  return points.reduce((sum, at, place) => {
    const before = points[place - 1];
    return before === undefined ? 0 : sum + distance(before, at);
  }, 0);
}

/** How the rope runs at this time, told in the world: where the loop reaches, and where what lies on the floor trails. */
function ropeOf(
  { angle, speed, sense }: Turning,
  beside: number,
  press: number,
  yaw: number,
): Pick<CordAsked, "toward" | "across" | "trail" | "lead" | "beside"> {
  const lead = LEAD_MOST * Math.max(-1, Math.min(1, speed / LEAD_SPEED));
  // Past the bottom, what trailed ahead comes round and follows.
  const past = sense * Math.atan2(Math.sin(angle), Math.cos(angle));
  const round = Math.PI * eased(past, FOLLOWS_FROM, FOLLOWS_TO);
  const aside = turned(point(beside * Math.sin(round), 0, 0), yaw);
  return {
    // In a press it lies ahead of the hands.
    toward: (ahead) =>
      direction(
        between(point(0, -Math.cos(angle + ahead), -Math.sin(angle + ahead)), point(0, -0.1, sense), press),
      ),
    across: turned(point(1, 0, 0), yaw),
    trail: plus(aside, point(0, 0, sense * Math.cos(round))),
    lead,
    beside: Math.abs(beside),
  };
}

/** The cord between both handles, as the rope runs. */
export function cordOf(
  arms: Readonly<Record<Hand, Arm>>,
  { body, hold, stance }: Frame,
  turning: Turning,
  yaw: number,
): readonly Point[] {
  const rope = ropeOf(turning, hold.beside, stance.press, yaw);
  const wound = HANDS.find((hand) => hold.wound[hand] > 0);
  const [left, right] = [arms.l.handle[1], arms.r.handle[1]];
  const whole = { ...rope, left, right, length: body.cord };
  if (wound === undefined) return evenly(cordBetween(whole), CORD_POINTS);
  const { handle } = arms[wound];
  const coil = woundOn(arms[wound], handle[1], WRAP_TURNS * hold.wound[wound], outward(wound), body.scale);
  const out = coil.at(-1) ?? handle[1];
  const rest = cordBetween({
    ...whole,
    [wound === "l" ? "left" : "right"]: out,
    length: body.cord - pathLength(coil),
  });
  const joined = wound === "l" ? [...coil.slice(0, -1), ...rest] : [...rest, ...coil.slice(0, -1).reverse()];
  return evenly(joined, CORD_POINTS);
}
