import { SideMap } from "@mirrup/core";
import type { Clearing, SideFacts } from "@mirrup/core/teaching";
import type { StandingEntity } from "./standing.entity.js";

/** What is kept of one student, by subject and side. */
export type KeptFacts = SideMap<SideFacts>;

function clearingOf({ clearedAt, clearedBy, clearedCount }: StandingEntity): Clearing | null {
  if (clearedAt === null || clearedBy === null) return null;
  return { at: clearedAt.getTime(), by: clearedBy, count: clearedCount };
}

const instantOf = (date: Date | null) => date?.getTime() ?? null;
const dateOf = (instant: number | null) => (instant === null ? null : new Date(instant));

export function factsOf(row: StandingEntity): SideFacts {
  return {
    clean: row.clean,
    missed: row.missed,
    countedAt: instantOf(row.countedAt),
    sets: row.sets,
    bestStreak: row.bestStreak,
    gateBest: row.gateBest,
    cleared: clearingOf(row),
    reopenedAt: instantOf(row.reopenedAt),
    review: row.review,
    milestones: row.milestones,
    presumedAt: instantOf(row.presumedAt),
    placed: row.placed,
    lessons: row.lessons,
    rungs: row.rungs,
    lastAt: instantOf(row.lastAt),
  };
}

type Key = "studioId" | "studentId" | "subject" | "side" | "gate" | "foldedAt" | "foldedId";

/** The row's part that the facts fill. */
export function columnsOf(facts: SideFacts): Omit<StandingEntity, Key> {
  const { cleared, countedAt, reopenedAt, presumedAt, lastAt, ...plain } = facts;
  return {
    ...plain,
    countedAt: dateOf(countedAt),
    clearedAt: dateOf(cleared?.at ?? null),
    clearedBy: cleared?.by ?? null,
    clearedCount: cleared?.count ?? null,
    reopenedAt: dateOf(reopenedAt),
    presumedAt: dateOf(presumedAt),
    lastAt: dateOf(lastAt),
  };
}

/** Each student's facts by subject and side. */
export function factsByStudent(rows: readonly StandingEntity[]): ReadonlyMap<string, KeptFacts> {
  const byStudent = new Map<string, KeptFacts>();
  for (const row of rows) {
    const facts = byStudent.get(row.studentId) ?? new SideMap<SideFacts>();
    facts.set(row, factsOf(row));
    byStudent.set(row.studentId, facts);
  }
  return byStudent;
}
