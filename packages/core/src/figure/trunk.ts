/** The hips and the trunk: as high as the legs carry them, folded and turned as the arms and feet ask. */
import type { Hand } from "../rope/arms.js";
import type { Body } from "./body.js";
import { footAt, soleOf } from "./foot.js";
import type { Hold } from "./hold.js";
import type { Moment, Motion } from "./motion.js";
import { mix, plus, point, type Point } from "./point.js";
import { stanceNow, type StanceNow } from "./stance-now.js";
import type { Turning } from "./turning.js";

const HANDS: readonly Hand[] = ["l", "r"];
/** Standing, the knees are a little soft: hips over the ankles as a share of straight legs. */
const SOFT = 0.978;
const STRETCHED = 0.992;
const MOST_GIVE = 0.22;
const LOWEST = 0.24;

export interface Frame {
  readonly body: Body;
  readonly hold: Hold;
  readonly stance: StanceNow;
  readonly pelvis: Point;
  /** How much higher the hips are for the toes that hang: the hands do not rise with that. */
  readonly pointed: number;
  /** 1 with the rope under the feet, 0 with it overhead. */
  readonly low: number;
  /** The trunk's own up, ahead and left. */
  readonly up: Point;
  readonly ahead: Point;
  readonly left: Point;
}

/** How high the hips can be over a foot that bears weight, its leg all but straight. */
function highestPelvis(frame: Pick<Frame, "body" | "hold" | "stance">, rise: number, ahead: number): number {
  const { body, hold, stance } = frame;
  const leg = STRETCHED * (body.thigh + body.shank);
  return HANDS.reduce((highest, hand) => {
    const foot = stance.feet[hand];
    const { ankle } = footAt(soleOf(hand, foot, body, rise, hold.apart), foot.pitch, 0, body);
    const aside = Math.hypot(Math.abs(ankle.x) - body.hipHalf, ankle.z - ahead);
    const over = ankle.y + Math.sqrt(Math.max(0, leg * leg - aside * aside));
    // A foot that bears nothing yet does not hold the hips down.
    const loose = (1 - foot.weight * (1 - hold.lifted[hand])) * body.height;
    return Math.min(highest, over + loose);
  }, Infinity);
}

/** How high the ankles are that the body stands on, or rises from. */
function ankleHeight({ body, hold, stance }: Pick<Frame, "body" | "hold" | "stance">, rise: number): number {
  let [sum, weights] = [0, 0];
  for (const hand of HANDS) {
    const foot = stance.feet[hand];
    const weight = foot.weight * (1 - hold.lifted[hand]);
    sum += weight * footAt(soleOf(hand, foot, body, rise, hold.apart), foot.pitch, 0, body).ankle.y;
    weights += weight;
  }
  return weights > 0 ? sum / weights : body.ankle + rise;
}

export function frameOf(motion: Motion, moment: Moment, hold: Hold, { angle }: Turning): Frame {
  const { body } = motion;
  const stance = stanceNow(moment);
  const { scale } = body;
  const sunk = (hold.sink + stance.sink) * scale;
  const give = Math.min(MOST_GIVE * scale, moment.give);
  const ankles = ankleHeight({ body, hold, stance }, moment.rise);
  const standing = ankles + SOFT * (body.thigh + body.shank) - sunk - give;
  const lean = hold.lean + stance.lean + 0.5 * give;
  // Whoever folds forward takes the hips back, and stays over the feet.
  const back = -(0.2 * Math.sin(Math.min(lean, 1.3)) - 0.05) * scale * (1 - stance.press);
  const z = mix(back, -0.12 * scale, stance.press);
  const highest = highestPelvis({ body, hold, stance }, moment.rise, z);
  const pelvis = point(0, Math.max(LOWEST * scale, Math.min(standing, highest)), z);
  const [cos, sin] = [Math.cos(lean), Math.sin(lean)];
  const turn = hold.twist;
  const ahead = point(0, -sin, cos);
  return {
    ...{ body, hold, stance, pelvis },
    pointed: ankles - moment.rise - body.ankle,
    low: 0.5 + 0.5 * Math.cos(angle),
    up: point(0, cos, sin),
    left: plus(point(Math.cos(turn), 0, 0), ahead, -Math.sin(turn)),
    ahead: plus(point(Math.sin(turn), 0, 0), ahead, Math.cos(turn)),
  };
}
