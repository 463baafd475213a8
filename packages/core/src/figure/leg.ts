/** A leg from the hip to its foot, lifted over an arm where the arms ask it. */
import type { Hand } from "../rope/arms.js";
import { footAt, soleOf } from "./foot.js";
import { limb } from "./limb.js";
import type { Moment } from "./motion.js";
import { between, mix, outward, plus, point, turned, type Point } from "./point.js";
import type { Frame } from "./trunk.js";

export interface Leg {
  readonly hip: Point;
  readonly knee: Point;
  readonly ankle: Point;
  readonly heel: Point;
  readonly toe: Point;
}

export function legOf(hand: Hand, frame: Frame, moment: Moment): Leg {
  const { body, hold, stance, pelvis } = frame;
  const side = outward(hand);
  const foot = stance.feet[hand];
  const lifted = hold.lifted[hand];
  const hip = plus(pelvis, turned(point(side * body.hipHalf, 0, 0), stance.twist));
  const standing = soleOf(hand, foot, body, moment.rise, hold.apart);
  // Over the arm: the thigh level, the shank hanging.
  const over = point(
    side * 0.15 * body.scale,
    Math.max(pelvis.y - 0.5 * body.scale, standing.y),
    pelvis.z + 0.42 * body.scale,
  );
  const sole = between(standing, over, lifted);
  const yaw = stance.twist + side * 0.12;
  const placed = footAt(sole, mix(foot.pitch, 0.35, lifted), yaw, body);
  const bend = point(side * (0.16 + 0.6 * hold.apart), 0.25 * lifted, 1);
  const { joint, end } = limb(hip, placed.ankle, body.thigh, body.shank, turned(bend, stance.twist));
  const shift = plus(end, placed.ankle, -1);
  return {
    hip,
    knee: joint,
    ankle: end,
    heel: plus(placed.heel, shift),
    toe: plus(placed.toe, shift),
  };
}
