import { sideKey, type Clearing, type FactsBySide, type StandingFacts } from "@mirrup/core";
import type { StandingEntity } from "./standing.entity.js";

function clearingOf({ clearedAt, clearedBy, clearedCount }: StandingEntity): Clearing | null {
  if (clearedAt === null || clearedBy === null) return null;
  return { at: clearedAt.getTime(), by: clearedBy, count: clearedCount };
}

export function factsOf(row: StandingEntity): StandingFacts {
  return {
    cleanSum: row.cleanSum,
    missSum: row.missSum,
    sets: row.sets,
    bestStreak: row.bestStreak,
    gateBest: row.gateBest,
    cleared: clearingOf(row),
    reopenedAt: row.reopenedAt?.getTime() ?? null,
    review: row.review,
    presumedAt: row.presumedAt?.getTime() ?? null,
    lessons: row.lessons,
    lastAt: row.lastAt?.getTime() ?? null,
  };
}

const dateOf = (instant: number | null) => (instant === null ? null : new Date(instant));

/** The row's part that the facts fill. */
export function columnsOf(facts: StandingFacts) {
  const { cleared, reopenedAt, presumedAt, lastAt, ...plain } = facts;
  return {
    ...plain,
    clearedAt: dateOf(cleared?.at ?? null),
    clearedBy: cleared?.by ?? null,
    clearedCount: cleared?.count ?? null,
    reopenedAt: dateOf(reopenedAt),
    presumedAt: dateOf(presumedAt),
    lastAt: dateOf(lastAt),
  };
}

/** Each student's facts by subject and side. */
export function factsByStudent(rows: readonly StandingEntity[]): Map<string, FactsBySide> {
  const byStudent = new Map<string, Map<string, StandingFacts>>();
  for (const row of rows) {
    const facts = byStudent.get(row.studentId) ?? new Map<string, StandingFacts>();
    facts.set(sideKey(row.subject, row.side), factsOf(row));
    byStudent.set(row.studentId, facts);
  }
  return byStudent;
}
