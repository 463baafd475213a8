import { In } from "typeorm";
import type { Scope } from "../database/scope.js";
import { KeptElsewhereProblem } from "../problems/problem.js";
import { StudentEntity } from "./student.entity.js";

/**
 * Students held until the transaction ends, in one order for all, so that two transactions cannot wait for each other.
 * Those whom the studio does not have are left out. Refuses with 409 where one has become part of another record.
 */
export async function holdStudents(scope: Scope, ids: readonly string[]): Promise<StudentEntity[]> {
  const students = await holdRecords(scope, ids);
  if (students.some((student) => student.sameAs !== null)) throw new KeptElsewhereProblem();
  return students;
}

/** The same of records that may be part of another. */
export function holdRecords(scope: Scope, ids: readonly string[]): Promise<StudentEntity[]> {
  return scope.manager.find(StudentEntity, {
    where: { studioId: scope.studio.id, id: In([...ids]) },
    order: { id: "ASC" },
    lock: { mode: "for_no_key_update" },
  });
}
