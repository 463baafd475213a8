/**
 * How much a skill asks of a body, read off its score: the cohort's own idea of hard, which the
 * learner model and placement do not share.
 */
import { expandBeats, measureScore, type Skill } from "@mirrup/core";

const FOOT_SHARE = 0.35;
const HAND_SHARE = 0.22;
const GESTURE_SHARE = 0.25;
const UNSCORED = 0.5;
/** A rope twice as fast is more than twice as hard to keep under the feet. */
const SPEED_GROWTH = 1.7;

/** 0.5 for a bounce to about 9 for a quadruple with arm changes. */
export function demandOf(skill: Skill): number {
  if (skill.score === null) return UNSCORED;
  const { highest, handMoves, airMoves, beats } = measureScore(skill.score);
  const expanded = expandBeats(skill.score);
  const oneFoot = expanded.filter((beat) => beat.landing === "l" || beat.landing === "r").length / beats;
  const gestures = new Set(expanded.flatMap((beat) => beat.gestures)).size;
  const backward = skill.score.direction === "backward" ? 0.8 : 0;
  return (
    0.5 +
    SPEED_GROWTH * (Math.max(1, highest) - 1) +
    HAND_SHARE * (handMoves / beats) +
    0.45 * airMoves +
    FOOT_SHARE * oneFoot +
    GESTURE_SHARE * Math.min(4, gestures) +
    backward
  );
}
