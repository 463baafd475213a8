import type { Opened, StandingChange } from "@mirrup/contract";
import { openedBetween, sideKey, type Standing } from "@mirrup/core";

/** Students' standings at one moment, by student. */
export type Readings = ReadonlyMap<string, readonly Standing[]>;

/** Sides of a student, by key: those that something was logged about. */
export type Touched = ReadonlyMap<string, ReadonlySet<string>>;

/** What became of the touched sides between two readings. */
export function changesBetween(touched: Touched, before: Readings, after: Readings): StandingChange[] {
  return [...after].flatMap(([studentId, standings]) => {
    const was = new Map(
      (before.get(studentId) ?? []).map((one) => [sideKey(one.subject, one.side), one.status]),
    );
    return standings
      .filter((one) => touched.get(studentId)?.has(sideKey(one.subject, one.side)))
      .map(({ subject, side, status, facts, cleanChance, gate }) => ({
        studentId,
        subject,
        side,
        // A combo that nobody had practised stood in no reading.
        from: was.get(sideKey(subject, side)) ?? "ready",
        to: status,
        bestStreak: facts.bestStreak,
        cleanChance,
        gate,
        gateBest: facts.gateBest,
      }));
  });
}

/** Sides that were locked and are not any more. */
export function openedOf(before: Readings, after: Readings): Opened[] {
  return [...after].flatMap(([studentId, standings]) =>
    openedBetween(before.get(studentId) ?? [], standings).map((one) => ({ studentId, ...one })),
  );
}
