import { isMet, sideKey, type SchoolId, type Standing, type SubjectSide } from "@mirrup/core";
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
function difference(before: readonly Standing[], after: readonly Standing[]): SchoolDifference {
  const cleared = (one: Standing) => isMet(one.status) && one.status !== "inferred";
  const was = new Map(before.map((one) => [sideKey(one.subject, one.side), one]));
  const clears: SubjectSide[] = [];
  const reopens: SubjectSide[] = [];
  for (const one of after) {
    const old = was.get(sideKey(one.subject, one.side));
    if (old === undefined || cleared(old) === cleared(one)) continue;
    (cleared(one) ? clears : reopens).push({ subject: one.subject, side: one.side });
  }
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
    standings.standingsUnder(scope, learner, lines),
    standings.standingsUnder(scope, { ...learner, school }, lines),
  );
}

/** Writes down what a school would reopen as cleared by hand, with that reason. */
export async function keepCleared(
  scope: Scope,
  studentId: string,
  { reopens }: SchoolDifference,
  school: SchoolId,
): Promise<void> {
  const lines = reopens.map(({ subject, side }) => ({
    studioId: scope.studio.id,
    id: uuid(),
    studentId,
    subject,
    side,
    decision: { kind: "clear" as const, count: null },
    reason: `Cleared before the change to ${school.replace("-", " ")}, and kept.`,
    personId: scope.personId,
    deviceAt: scope.now,
    receivedAt: scope.now,
    happenedAt: scope.now,
  }));
  if (lines.length > 0) await scope.manager.insert(DecisionEntity, lines);
}
