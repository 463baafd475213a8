import { Injectable } from "@nestjs/common";
import { In, IsNull, Not } from "typeorm";
import type { Scope } from "../database/scope.js";
import { UnknownGroupProblem } from "../problems/problem.js";
import { StudentEntity } from "../students/student.entity.js";
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

  /** The students of each group who are expected where it meets: not those who are archived. */
  async expectedOf(
    scope: Scope,
    groupIds: readonly string[],
  ): Promise<ReadonlyMap<string, readonly string[]>> {
    const members = await this.studentsOf(scope, groupIds);
    const archived = await scope.manager.find(StudentEntity, {
      select: { id: true },
      where: {
        ...{ studioId: scope.studio.id, archivedAt: Not(IsNull()) },
        id: In([...members.values()].flat()),
      },
    });
    const away = new Set(archived.map(({ id }) => id));
    return new Map([...members].map(([group, ids]) => [group, ids.filter((id) => !away.has(id))]));
  }

  /**
   * Holds the groups that a student is in or is to be in until the transaction ends. Groups are held before
   * students, so that a change from one end and a change from the other cannot wait for each other.
   */
  async holdGroups(scope: Scope, studentId: string, groupIds: readonly string[]): Promise<void> {
    const own = (await this.groupsOf(scope, [studentId])).get(studentId) ?? [];
    await scope.manager.find(GroupEntity, {
      select: { id: true },
      where: { studioId: scope.studio.id, id: In([...own, ...groupIds]) },
      order: { id: "ASC" },
      lock: { mode: "for_no_key_update" },
    });
  }

  /**
   * Puts a student into these groups and no others. A group that changes by it is a new version of itself:
   * what somebody has made of its older list would undo this.
   */
  async setGroups(scope: Scope, studentId: string, groupIds: readonly string[]): Promise<void> {
    const studioId = scope.studio.id;
    const known = await scope.manager.countBy(GroupEntity, { studioId, id: In([...groupIds]) });
    if (known !== new Set(groupIds).size) throw new UnknownGroupProblem();
    const { joined, left } = difference(
      (await this.groupsOf(scope, [studentId])).get(studentId) ?? [],
      groupIds,
    );
    if (left.length > 0)
      await scope.manager.delete(GroupMemberEntity, { studioId, studentId, groupId: In([...left]) });
    await this.add(
      scope,
      joined.map((groupId) => ({ groupId, studentId })),
    );
    await scope.manager.increment(GroupEntity, { studioId, id: In([...joined, ...left]) }, "version", 1);
  }

  /** Makes these the students of a group; whoever joins or leaves is a new version of themselves. */
  async setStudents(scope: Scope, groupId: string, studentIds: readonly string[]): Promise<void> {
    const studioId = scope.studio.id;
    const { joined, left } = difference(
      (await this.studentsOf(scope, [groupId])).get(groupId) ?? [],
      studentIds,
    );
    const changed = { studioId, id: In([...joined, ...left]) };
    await scope.manager.find(StudentEntity, {
      ...{ select: { id: true }, where: changed, order: { id: "ASC" } },
      lock: { mode: "for_no_key_update" },
    });
    if (left.length > 0)
      await scope.manager.delete(GroupMemberEntity, { studioId, groupId, studentId: In([...left]) });
    await this.add(
      scope,
      joined.map((studentId) => ({ groupId, studentId })),
    );
    await scope.manager.increment(StudentEntity, changed, "version", 1);
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

/** What comes in and what goes out between two lists. */
function difference(before: readonly string[], after: readonly string[]) {
  const [old, fresh] = [new Set(before), new Set(after)];
  return {
    joined: [...fresh].filter((id) => !old.has(id)),
    left: [...old].filter((id) => !fresh.has(id)),
  };
}

function gathered<T>(rows: readonly T[], pair: (row: T) => readonly [string, string]): Map<string, string[]> {
  const found = new Map<string, string[]>();
  for (const row of rows) {
    const [key, value] = pair(row);
    found.set(key, [...(found.get(key) ?? []), value]);
  }
  return found;
}
