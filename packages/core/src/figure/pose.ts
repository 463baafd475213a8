/**
 * The jumper and the rope at one time of a motion: every joint and the cord, in metres. Nothing is
 * drawn in by hand: the feet come from the landings, the hands from the arms state, the joints from
 * two bones each, the cord from its length.
 */
import type { Hand } from "../rope/arms.js";
import { WINDOW_FROM, WINDOW_TO } from "../rope/timing.js";
import { armOf, type Arm } from "./arm.js";
import { holdBetween } from "./hold.js";
import { legOf, type Leg } from "./leg.js";
import { momentAt, yawAt, type Motion } from "./motion.js";
import { direction, eased, plus, point, turned, UP, type Point } from "./point.js";
import { cordOf } from "./rope.js";
import { frameOf } from "./trunk.js";
import { turningAt, type Turning } from "./turning.js";

export interface BodyPose {
  readonly pelvis: Point;
  readonly chest: Point;
  readonly head: Point;
  readonly arms: Readonly<Record<Hand, Arm>>;
  readonly legs: Readonly<Record<Hand, Leg>>;
  /** From the left handle to the right one. */
  readonly cord: readonly Point[];
  /** Radians that the body has turned to the left. */
  readonly yaw: number;
}

/** Of their window, the hands wait for the rope to be overhead. */
const LATE = 1.6;

/** How much of its way from one bottom to the next the rope has gone. */
function wayOf({ share, angle, from, to }: Turning): number {
  const whole = to.angle - from.angle;
  // One that comes back on its own way, or lies still, goes by the clock.
  return from.sense === to.sense && Math.abs(whole) > 1 ? (angle - from.angle) / whole : share;
}

/**
 * How far the hands have gone from one arms state to the next. They can move while the rope is
 * between 15 % and 70 % of its way; most of it they go while it is overhead, where it catches on nothing.
 */
function handShare(way: number): number {
  const inWindow = Math.min(1, Math.max(0, (way - WINDOW_FROM) / (WINDOW_TO - WINDOW_FROM)));
  return eased(inWindow ** LATE, 0, 1);
}

/** The pose at `at` seconds from the first take-off; before and after the motion it stands. O(log beats). */
export function poseAt(motion: Motion, at: number): BodyPose {
  const { body, raised } = motion;
  const moment = momentAt(motion, at);
  const turning = turningAt(motion.keys, motion.times, at);
  const way = wayOf(turning);
  const hold = holdBetween(turning.from.arms, turning.to.arms, handShare(way), way);
  const frame = frameOf(motion, moment, hold, turning);
  const yaw = yawAt(motion, at, eased);
  const root = turned(point(frame.stance.aside * body.scale, 0, frame.stance.ahead * body.scale), yaw);
  const world = (local: Point) => plus(turned(local, yaw), root);
  const { pelvis, up, ahead } = frame;
  const chest = plus(pelvis, up, body.trunk);
  // The nose stays ahead: the head follows half of the lean.
  const neck = direction(plus(plus(up, UP), ahead, 0.12));
  const arm = (hand: Hand): Arm => {
    const { shoulder, elbow, hand: fist, handle } = armOf(hand, frame, raised);
    return {
      ...{ shoulder: world(shoulder), elbow: world(elbow), hand: world(fist) },
      handle: [world(handle[0]), world(handle[1])],
    };
  };
  const leg = (hand: Hand): Leg => {
    const { hip, knee, ankle, heel, toe } = legOf(hand, frame, moment);
    return { hip: world(hip), knee: world(knee), ankle: world(ankle), heel: world(heel), toe: world(toe) };
  };
  const arms = { l: arm("l"), r: arm("r") };
  return {
    pelvis: world(pelvis),
    chest: world(chest),
    head: world(plus(chest, neck, body.neck)),
    arms,
    legs: { l: leg("l"), r: leg("r") },
    cord: cordOf(arms, frame, turning, yaw),
    yaw,
  };
}
