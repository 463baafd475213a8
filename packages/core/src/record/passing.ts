/** Whether a set passed its drill. */
import { bestCleanWithin, missCount, type PracticeSet } from "../log/set.js";
import { DRILL_ROWS, doseOf, passOf, type Drill } from "../syllabus/drill.js";

type Counted = Pick<PracticeSet, "clean" | "misses" | "bestStreak" | "seconds">;

function passesTries(drill: Drill, set: Counted): boolean {
  const pass = passOf(drill);
  if (pass === null) return false;
  const tries = set.clean + missCount(set.misses);
  if (drill.kind === "part-counts") return set.clean >= pass.clean;
  // Begun is enough for the whole: who did not hold back is on the way.
  const baulked = missCount(set.misses.filter((miss) => miss.fault === "baulk"));
  if (drill.kind === "whole") return tries >= pass.of && tries - baulked >= pass.clean;
  return tries >= pass.of && bestCleanWithin(set, pass.of) >= pass.clean;
}

/** Whether what was counted passes the drill. */
export function isPassed(drill: Drill, set: Counted): boolean {
  switch (DRILL_ROWS[drill.kind].measure) {
    case "tries":
      return passesTries(drill, set);
    case "in-time":
      return set.clean >= (passOf(drill)?.clean ?? doseOf(drill));
    case "in-a-row":
    case "rounds":
    case "rungs":
      return set.bestStreak >= doseOf(drill);
    case "clock": {
      const { seconds = 0 } = set;
      if (drill.kind === "count") return set.clean >= drill.count && seconds <= drill.seconds;
      return missCount(set.misses) === 0 && seconds >= doseOf(drill);
    }
  }
}

/** How much of the drill was passed, in its own number: a climb to 7 passes the one to 5; 0 for none. */
export function passedDose(drill: Drill, set: Counted): number {
  const { measure } = DRILL_ROWS[drill.kind];
  if (measure === "rounds" || measure === "rungs") return Math.min(set.bestStreak, doseOf(drill));
  return isPassed(drill, set) ? 1 : 0;
}

/** What of `passedDose` passes the drill. */
export function neededDose(drill: Drill): number {
  const { measure } = DRILL_ROWS[drill.kind];
  return measure === "rounds" || measure === "rungs" ? doseOf(drill) : 1;
}
