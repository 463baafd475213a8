/** What was planned for a student beside what was done. */
import type { DoneSide } from "@mirrup/contract";
import { sideKey, type SideName } from "@mirrup/core";
import type { Place } from "@mirrup/core/planning";
import type { ShownPlan } from "./shown.js";

export interface PlannedAndDone {
  readonly studentId: string;
  readonly subject: string;
  readonly side: SideName;
  /** Null for what was done beside the plan. */
  readonly planned: { readonly turn: number; readonly place: Place } | null;
  /** Null for what was planned and not written down. */
  readonly done: DoneSide | null;
}

/**
 * Student by student in the plan's order, turn by turn; then what else each of them did. What was planned on one side
 * and done on the other alone is that turn's: by then the other came next.
 */
export function compare(plan: ShownPlan | null, done: readonly DoneSide[]): readonly PlannedAndDone[] {
  const keyOf = (studentId: string, subject: string, side: SideName) =>
    `${studentId} ${sideKey(subject, side)}`;
  const byKey = new Map(done.map((one) => [keyOf(one.studentId, one.subject, one.side), one]));
  const otherSide = (studentId: string, subject: string, side: SideName) => {
    const other = side === "left" ? "right" : side === "right" ? "left" : null;
    return other === null ? null : (byKey.get(keyOf(studentId, subject, other)) ?? null);
  };
  const students = [
    ...new Set([...(plan?.students ?? []).map((one) => one.id), ...done.map((one) => one.studentId)]),
  ];
  return students.flatMap((studentId) => {
    const places = plan?.students.find((one) => one.id === studentId)?.places ?? [];
    const planned = places.flatMap((place, turn): PlannedAndDone[] => {
      const subject = plan?.rotations[turn]?.stations[place?.station ?? -1]?.subject;
      if (place == null || subject == null) return [];
      const { side } = place;
      const found = byKey.get(keyOf(studentId, subject, side)) ?? otherSide(studentId, subject, side);
      return [{ studentId, subject, side, planned: { turn, place }, done: found }];
    });
    const known = new Set(planned.map((one) => keyOf(studentId, one.subject, one.done?.side ?? one.side)));
    const beside = done.filter(
      (one) => one.studentId === studentId && !known.has(keyOf(studentId, one.subject, one.side)),
    );
    return [
      ...planned,
      ...beside.map((one) => ({
        studentId,
        subject: one.subject,
        side: one.side,
        planned: null,
        done: one,
      })),
    ];
  });
}
