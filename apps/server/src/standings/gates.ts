import type { Scope } from "../database/scope.js";
import type { StudentEntity } from "../students/student.entity.js";
import type { StandingsService } from "./standings.service.js";

/** The gates that a student's override decisions come to: the latest of each skill that stands. */
export async function gatesOf(
  scope: Scope,
  standings: StandingsService,
  studentId: string,
): Promise<StudentEntity["gates"]> {
  const { decisions } = await standings.linesOf(scope, studentId, []);
  const sorted = [...decisions].sort(
    (one, other) => one.happenedAt.getTime() - other.happenedAt.getTime() || (one.id < other.id ? -1 : 1),
  );
  const latest = new Map(
    sorted.flatMap(({ subject, decision }) =>
      decision.kind === "override" ? [[subject, decision.gate] as const] : [],
    ),
  );
  return Object.fromEntries(
    [...latest].flatMap(([subject, gate]) => (gate === null ? [] : [[subject, gate]])),
  );
}
