import { Injectable } from "@nestjs/common";
import { In } from "typeorm";
import type { Scope } from "../database/scope.js";
import { UnknownGroupProblem } from "../problems/problem.js";
import { GroupEntity } from "./group.entity.js";
import { GroupMemberEntity } from "./group-member.entity.js";

/** Who is in which group. */
@Injectable()
export class MembersService {
  /** The groups of each student; one query. */
  async groupsOf(scope: Scope, studentIds: readonly string[]): Promise<Map<string, string[]>> {
    const rows = await scope.manager.findBy(GroupMemberEntity, {
      studioId: scope.studio.id,
      studentId: In([...studentIds]),
    });
    return gathered(rows, (row) => [row.studentId, row.groupId]);
  }

  /** The students of each group; one query. */
  async studentsOf(scope: Scope, groupIds: readonly string[]): Promise<Map<string, string[]>> {
    const rows = await scope.manager.findBy(GroupMemberEntity, {
      studioId: scope.studio.id,
      groupId: In([...groupIds]),
    });
    return gathered(rows, (row) => [row.groupId, row.studentId]);
  }

  /** Puts a student into these groups and no others. */
  async setGroups(scope: Scope, studentId: string, groupIds: readonly string[]): Promise<void> {
    const studioId = scope.studio.id;
    const known = await scope.manager.countBy(GroupEntity, { studioId, id: In([...groupIds]) });
    if (known !== new Set(groupIds).size) throw new UnknownGroupProblem();
    await scope.manager.delete(GroupMemberEntity, { studioId, studentId });
    await this.add(
      scope,
      groupIds.map((groupId) => ({ groupId, studentId })),
    );
  }

  /** Makes these the students of a group. */
  async setStudents(scope: Scope, groupId: string, studentIds: readonly string[]): Promise<void> {
    await scope.manager.delete(GroupMemberEntity, { studioId: scope.studio.id, groupId });
    await this.add(
      scope,
      studentIds.map((studentId) => ({ groupId, studentId })),
    );
  }

  async add(
    scope: Scope,
    members: readonly { readonly groupId: string; readonly studentId: string }[],
  ): Promise<void> {
    const CHUNK = 5000;
    for (let from = 0; from < members.length; from += CHUNK) {
      const rows = members.slice(from, from + CHUNK).map((one) => ({ studioId: scope.studio.id, ...one }));
      await scope.manager.insert(GroupMemberEntity, rows);
    }
  }
}

function gathered<T>(rows: readonly T[], pair: (row: T) => readonly [string, string]): Map<string, string[]> {
  const found = new Map<string, string[]>();
  for (const row of rows) {
    const [key, value] = pair(row);
    found.set(key, [...(found.get(key) ?? []), value]);
  }
  return found;
}
