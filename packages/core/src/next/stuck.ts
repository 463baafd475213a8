/**
 * Stuck (teaching.md): three lessons or more with at least ten tries each, and no better best streak
 * nor higher chance of a clean try than before them.
 */
import {
  cleanChanceAt,
  HONEST_TRIES,
  lastScale,
  STUCK_LESSONS,
  type StandingFacts,
} from "../record/evidence.js";

/** Whether the last three lessons of honest tries left a side where it was. */
export function isStuck(facts: StandingFacts): boolean {
  const honest = facts.lessons.filter((lesson) => lesson.tries >= HONEST_TRIES).slice(0, STUCK_LESSONS);
  const earliest = honest.at(-1);
  if (honest.length < STUCK_LESSONS || earliest === undefined) return false;
  const chance = cleanChanceAt(facts, lastScale(facts));
  return facts.bestStreak <= earliest.bestBefore && chance <= earliest.chanceBefore;
}
