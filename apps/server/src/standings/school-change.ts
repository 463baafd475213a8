import type { SchoolId, SubjectSide } from "@mirrup/core";
import { isClearedStatus, type Reading } from "@mirrup/core/teaching";
import { v7 as uuid } from "uuid";
import type { Scope } from "../database/scope.js";
import { DecisionEntity } from "../log/index.js";
import type { StandingsService } from "./standings.service.js";
import type { Learner } from "./learner.js";

export interface SchoolDifference {
  readonly clears: readonly SubjectSide[];
  readonly reopens: readonly SubjectSide[];
}

/** Sides that are cleared after and were not before, and the reverse. Inferred sides come and go with others. */
function difference(before: Reading, after: Reading): SchoolDifference {
  const clears: SubjectSide[] = [];
  const reopens: SubjectSide[] = [];
  after.standings.forEach(({ of: { subject, side }, status }, place) => {
    const is = isClearedStatus(status);
    const was = before.standings[place];
    if (was === undefined || isClearedStatus(was.status) === is) return;
    (is ? clears : reopens).push({ subject, side });
  });
  return { clears, reopens };
}

/** What another school would clear and reopen for a student; reads the student's whole log. */
export async function schoolDifference(
  scope: Scope,
  standings: StandingsService,
  learner: Learner,
  school: SchoolId,
): Promise<SchoolDifference> {
  const lines = await standings.linesOf(scope, learner.id);
  return difference(
    standings.readingUnder(scope, learner, lines),
    standings.readingUnder(scope, { ...learner, school }, lines),
  );
}

/** Writes sides down as cleared by hand, with a reason. */
export async function clearByHand(
  scope: Scope,
  studentId: string,
  sides: readonly SubjectSide[],
  reason: string,
): Promise<void> {
  const lines = sides.map(({ subject, side }) => ({
    studioId: scope.studio.id,
    id: uuid(),
    studentId,
    subject,
    side,
    decision: { kind: "clear" as const, count: null },
    reason,
    personId: scope.personId,
    deviceAt: scope.now,
    receivedAt: scope.now,
    happenedAt: scope.now,
  }));
  if (lines.length > 0) await scope.manager.insert(DecisionEntity, lines);
}

/** Writes down what a school would reopen as cleared by hand, with that reason. */
export async function keepCleared(
  scope: Scope,
  studentId: string,
  { reopens }: SchoolDifference,
  school: SchoolId,
): Promise<void> {
  const reason = `Cleared before the change to ${school.replace("-", " ")}, and kept.`;
  await clearByHand(scope, studentId, reopens, reason);
}
