import { CATALOGUE, SCHOOLS } from "@mirrup/catalogue";
import { localDate, type StandingContext } from "@mirrup/core";
import type { Scope } from "../database/scope.js";
import type { StudentEntity } from "../students/student.entity.js";

/** What of a student bears on how the log is read: the school and gates in force. */
export type Learner = Pick<StudentEntity, "id" | "school" | "gates">;

/** How this student's log is read: the student's own school and gates before the studio's. */
export function contextOf(scope: Scope, learner: Pick<Learner, "school" | "gates">): StandingContext {
  const now = scope.now.getTime();
  return {
    catalogue: CATALOGUE,
    school: SCHOOLS[learner.school ?? scope.studio.school],
    overrides: [{ skills: learner.gates }],
    now,
    today: localDate(now, scope.studio.timeZone),
  };
}
