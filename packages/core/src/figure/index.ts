/** A score as a figure that moves, and its timing in a coach's terms: `@mirrup/core/figure`. */
export { HEIGHTS, ROPES, type Body } from "./body.js";
export { type Jumper, type Motion, motionOf } from "./motion.js";
export { type Pass, passesOf, worstPass } from "./passes.js";
export { type Arm } from "./arm.js";
export { type Leg } from "./leg.js";
export { type BodyPose, poseAt } from "./pose.js";
export {
  pictureReach,
  type Part,
  type Stroke,
  strokesOf,
  type View,
  type ViewName,
  VIEWS,
} from "./drawing.js";
export { type Point } from "./point.js";
export { type Showing, showingOf } from "./looped.js";
export { type KeyMoment, keyMoments, type MomentKind, tellingMoment, tellingMoments } from "./moments.js";
export { type ArmWindow, armWindows, type JumpInstant } from "../rope/windows.js";
export { type SpeedChange, speedChanges, type SpeedRemedy } from "../rope/rope-speed.js";
export {
  CONTACTS,
  jumpOf,
  type JumpReading,
  LEAST_LANDINGS,
  type MeasuredJump,
} from "../rhythm/jump-height.js";
