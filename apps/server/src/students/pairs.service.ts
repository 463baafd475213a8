import type { PairChange, StudentPair } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { StudentPairEntity } from "./student-pair.entity.js";
import { StudentsService } from "./students.service.js";

/** With whom a student is to be at no station, and with whom at the same. */
export interface PairedWith {
  readonly apart: readonly string[];
  readonly together: readonly string[];
}

/** Pairs of students who are to be apart or together in a class. */
@Injectable()
export class PairsService {
  constructor(private readonly students: StudentsService) {}

  async list(scope: Scope): Promise<readonly StudentPair[]> {
    const rows = await scope.manager.find(StudentPairEntity, {
      where: { studioId: scope.studio.id },
      order: { oneId: "ASC", otherId: "ASC" },
    });
    return rows.map(({ oneId, otherId, wish }) => ({ students: [oneId, otherId], wish }));
  }

  /** Says of two what they are to be, or nothing; the last word counts, and twice is the same as once. */
  async say(scope: Scope, { students, wish }: PairChange): Promise<void> {
    const [oneId = "", otherId = ""] = [...students].sort();
    for (const id of [oneId, otherId]) await this.students.getOrThrow(scope, id);
    const key = { studioId: scope.studio.id, oneId, otherId };
    if (wish === null) await scope.manager.delete(StudentPairEntity, key);
    else await scope.manager.upsert(StudentPairEntity, { ...key, wish }, ["studioId", "oneId", "otherId"]);
  }

  /** By student of these. */
  async pairedWith(scope: Scope, ids: readonly string[]): Promise<ReadonlyMap<string, PairedWith>> {
    const pairs = await this.list(scope);
    return new Map(
      ids.map((id) => {
        const othersOf = (asked: StudentPair["wish"]) =>
          pairs.flatMap(({ students: [one, other], wish }) =>
            wish === asked && (one === id || other === id) ? [one === id ? other : one] : [],
          );
        return [id, { apart: othersOf("apart"), together: othersOf("together") }];
      }),
    );
  }
}
