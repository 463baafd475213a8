/** An arm from the shoulder to the fist, and the handle in it or let go. */
import type { Hand } from "../rope/arms.js";
import type { Body } from "./body.js";
import type { HandHold } from "./hold.js";
import { limb } from "./limb.js";
import { between, direction, outward, plus, point, UP, type Point } from "./point.js";
import type { Frame } from "./trunk.js";

/** How much of the handle is behind the fist. */
const HELD_AT = 0.3;

export interface Arm {
  readonly shoulder: Point;
  readonly elbow: Point;
  /** The middle of the fist. */
  readonly hand: Point;
  /** Where the handle begins and ends; away from the hand where it is let go. */
  readonly handle: readonly [Point, Point];
}

function handTarget(hand: Hand, frame: Frame, place: HandHold, raised: number): Point {
  const { body, pelvis, pointed, low, stance } = frame;
  const { scale } = body;
  const side = outward(hand);
  const at = point(
    side * place.away * Math.sin(place.around) * scale,
    pelvis.y - low * pointed + place.above * scale + raised,
    place.away * Math.cos(place.around) * scale,
  );
  // In a press the hands are on the floor, under the shoulders.
  const floor = point(side * 0.2 * scale, 0.05 * scale, pelvis.z + 0.52 * scale);
  return between(at, floor, stance.press);
}

/** Where a handle that is let go is: on the floor ahead, at the end of its rope, and pulled back to the hand. */
function letGo(hand: Hand, { scale }: Body): Point {
  return point(outward(hand) * 0.12 * scale, 0.03, 1.25 * scale);
}

function handleIn(hand: Hand, fist: Point, { points, free }: HandHold, body: Body): [Point, Point] {
  const grip = direction(point(outward(hand) * points.x, points.y, points.z));
  const held: [Point, Point] = [
    plus(fist, grip, -HELD_AT * body.handle),
    plus(fist, grip, (1 - HELD_AT) * body.handle),
  ];
  if (free <= 0) return held;
  const away = letGo(hand, body);
  const start = between(held[0], plus(away, point(0, 0, 1), body.handle), free);
  const end = between(held[1], away, free);
  // A handle stays as long as it is.
  return [plus(end, direction(plus(start, end, -1), UP), body.handle), end];
}

/** An arm in the body's frame; the hands are held `raised` metres higher than usual. */
export function armOf(hand: Hand, frame: Frame, raised: number): Arm {
  const { body, hold, pelvis, up, left } = frame;
  const side = outward(hand);
  const place = hold.hands[hand];
  const shoulder = plus(plus(pelvis, up, body.trunk), left, side * body.shoulderHalf);
  const bend = point(side * place.elbow.x, place.elbow.y, place.elbow.z);
  const target = handTarget(hand, frame, place, raised);
  const { joint, end } = limb(shoulder, target, body.upperArm, body.forearm, bend);
  return { shoulder, elbow: joint, hand: end, handle: handleIn(hand, end, place, body) };
}
