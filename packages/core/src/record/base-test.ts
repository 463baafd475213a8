/**
 * The base test of foundation first (teaching.md, Gates): the base jumps all at so many in a row in one
 * lesson, with a shared count of misses over all their sets of that lesson. The catalogue says which jumps
 * and how many; it stands in the log's facts as a subject of its own.
 */
import type { Instant, LocalDate } from "../instant.js";
import type { LoggedSet } from "../log/line.js";
import { missCount } from "../log/set.js";
import { DRILL_ROWS, parseDrill } from "../syllabus/drill.js";
import type { BaseTestRole, SubjectSide } from "../syllabus/roles.js";

export type BaseTestSet = Pick<LoggedSet, "subject" | "side" | "drill" | "misses" | "bestStreak">;

function isPart({ parts }: BaseTestRole, set: SubjectSide): boolean {
  return parts.some(({ subject, side }) => set.subject === subject && set.side === side);
}

/** Whether a set is of one of the jumps in the test. */
export function isOfBaseTest(role: BaseTestRole | null, set: SubjectSide): boolean {
  return role !== null && isPart(role, set);
}

export interface BaseTestPart extends SubjectSide {
  readonly reached: boolean;
}

/** How far the parts are, with their one count of misses. */
export interface BaseTestProgress {
  readonly parts: readonly BaseTestPart[];
  /** The part to jump now; null when all are reached, or too much was missed. */
  readonly next: BaseTestPart | null;
  readonly missesLeft: number;
  readonly end: "running" | "passed" | "failed";
}

/** The streak that a set is worth: one of the jump itself, in a drill in which one can come about. */
function streakOf({ drill, bestStreak }: BaseTestSet): number {
  const read = parseDrill(drill);
  return read !== null && read.score === undefined && DRILL_ROWS[read.kind].meets.includes("streak")
    ? bestStreak
    : 0;
}

/** Where one lesson's sets stand in the base test; sets of other skills count for nothing. */
export function baseTestProgress(role: BaseTestRole, sets: readonly BaseTestSet[]): BaseTestProgress {
  const parts = role.parts.map(({ subject, side }) => ({
    subject,
    side,
    reached: sets.some((set) => set.subject === subject && set.side === side && streakOf(set) >= role.count),
  }));
  const missed = sets.filter((set) => isPart(role, set)).reduce((sum, set) => sum + missCount(set.misses), 0);
  const waiting = parts.find((part) => !part.reached) ?? null;
  const end = missed > role.misses ? "failed" : waiting === null ? "passed" : "running";
  return {
    parts,
    next: end === "running" ? waiting : null,
    missesLeft: Math.max(0, role.misses - missed),
    end,
  };
}

/** When the first lesson that passed the test did, and by which sets; null where none did. */
export function baseTestPassed(
  role: BaseTestRole,
  sets: readonly LoggedSet[],
): { readonly id: string; readonly at: Instant; readonly lesson: LocalDate } | null {
  const lessons = new Map<LocalDate, LoggedSet[]>();
  for (const set of sets) {
    if (!isPart(role, set)) continue;
    const list = lessons.get(set.lesson) ?? [];
    lessons.set(set.lesson, list);
    list.push(set);
  }
  for (const [lesson, ofLesson] of [...lessons].sort(([one], [other]) => (one < other ? -1 : 1))) {
    const [first] = ofLesson;
    if (first === undefined || baseTestProgress(role, ofLesson).end !== "passed") continue;
    return { id: first.id, at: Math.max(...ofLesson.map((set) => set.at)), lesson };
  }
  return null;
}
