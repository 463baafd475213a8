/** What becomes of somebody's sides where something else is taught. */
import type { SubjectSide } from "../syllabus/roles.js";
import { SideMap } from "../syllabus/side-map.js";
import { isNothing } from "./facts.js";
import { isClearedStatus, type Reading, type Standing } from "./standing.js";

export interface StandingDifference {
  /** Cleared after, and not before. */
  readonly clears: readonly SubjectSide[];
  /** Cleared before, and taught after and not cleared. */
  readonly reopens: readonly SubjectSide[];
  readonly locks: readonly SubjectSide[];
  readonly opens: readonly SubjectSide[];
  /** Known of before, and not taught after: the record stays, and nothing is asked of it. */
  readonly hides: readonly SubjectSide[];
}

export function isDifferent(difference: StandingDifference): boolean {
  return Object.values<readonly SubjectSide[]>({ ...difference }).some((sides) => sides.length > 0);
}

/** Between two readings of one student; what was not taught before is in neither. O(sides). */
export function standingDifference(before: Reading, after: Reading): StandingDifference {
  const was = new SideMap(before.standings.map((one) => [one.of, one] as const));
  const is = new SideMap(after.standings.map((one) => [one.of, one] as const));
  const named = (sides: readonly Standing[]) => sides.map(({ of: { subject, side } }) => ({ subject, side }));
  const those = (test: (one: Standing, then: Standing) => boolean) =>
    named(
      after.standings.filter((one) => {
        const then = was.get(one.of);
        return then !== undefined && test(one, then);
      }),
    );
  const isCleared = ({ status }: Standing) => isClearedStatus(status);
  const isLocked = ({ status }: Standing) => status === "locked";
  return {
    clears: those((one, then) => isCleared(one) && !isCleared(then)),
    reopens: those((one, then) => !isCleared(one) && isCleared(then)),
    locks: those((one, then) => isLocked(one) && !isLocked(then) && !isCleared(then)),
    opens: those((one, then) => !isLocked(one) && isLocked(then) && !isCleared(one)),
    hides: named(before.standings.filter((one) => is.get(one.of) === undefined && !isNothing(one.facts))),
  };
}
