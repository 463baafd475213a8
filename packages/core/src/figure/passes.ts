/** How well the rope passes the jumper: what a rope that is too short is told by. */
import { cellOf } from "../grid.js";
import { UNDER_FEET } from "../rope/arms.js";
import type { TurnPlace } from "../rope/timing.js";
import type { Motion } from "./motion.js";
import { dot, point, turned } from "./point.js";
import { poseAt, type BodyPose } from "./pose.js";

export interface Pass extends TurnPlace {
  /** Seconds from the first take-off. */
  readonly at: number;
  /** Metres between the soles and the rope under them; below 0 the rope is not under them. */
  readonly under: number;
}

/** How far to the side of a foot the rope is still under it, as a share of the height. */
const BESIDE = 0.024;

/** Metres that the rope is under the soles of a pose; below 0 where it is not. */
export function underSoles({ legs, cord, pelvis, yaw }: BodyPose, height: number): number {
  const left = turned(point(1, 0, 0), yaw);
  const lowest = Math.min(...cord.map(({ y }) => y));
  return Math.min(
    ...[legs.l, legs.r].map(({ toe, heel }) => {
      const sole = Math.min(toe.y, heel.y);
      const beneath = cord.filter(
        (at) => at.y < pelvis.y && Math.abs(dot(at, left) - dot(toe, left)) < BESIDE * height,
      );
      return sole - (beneath.length === 0 ? lowest : Math.max(...beneath.map(({ y }) => y)));
    }),
  );
}

/** Where the rope comes worst under the feet, of the first `most` passes; undefined where there is none. */
export function worstPass(motion: Motion, most = 64): Pass | undefined {
  const passes = passesOf(motion, most);
  return passes.reduce<Pass | undefined>(
    (worst, pass) => (worst === undefined || pass.under < worst.under ? pass : worst),
    undefined,
  );
}

/** The passes under the feet of a motion, in their order; the first `most`. O(turns). */
export function passesOf(motion: Motion, most = Infinity): readonly Pass[] {
  return motion.beats.slice(0, most).flatMap(({ turns }, beat) =>
    turns.flatMap(({ arms, turn }, place): Pass[] => {
      if (!UNDER_FEET[arms] || turn.caught) return [];
      const at = cellOf(cellOf(motion.timing.beats, beat).bottoms, place);
      return [{ beat, turn: place, at, under: underSoles(poseAt(motion, at), motion.body.height) }];
    }),
  );
}
