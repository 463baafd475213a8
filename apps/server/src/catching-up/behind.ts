import type { Scope } from "../database/scope.js";
import { readerFor, rulesHash } from "../standings/index.js";
import { StudentEntity } from "../students/student.entity.js";

export interface Behind {
  readonly students: number;
  /** Those whose facts older rules made, who come to lessons first. */
  readonly ids: readonly string[];
}

/** Whose facts were made by other rules than those in force; one query, of the students and not of what they did. */
export async function behindIn(scope: Scope): Promise<Behind> {
  const students = await scope.manager.find(StudentEntity, {
    where: { studioId: scope.studio.id },
    order: { archivedAt: { direction: "ASC", nulls: "FIRST" }, id: "ASC" },
  });
  const behind = students.filter(
    (student) => student.factsRules !== rulesHash(scope, readerFor(scope, student)),
  );
  return { students: students.length, ids: behind.map(({ id }) => id) };
}
