import type { ImportReply, ImportRequest } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import { In } from "typeorm";
import { v7 as uuid } from "uuid";
import { AuditService } from "../audit/index.js";
import type { Scope } from "../database/scope.js";
import { GroupEntity, MembersService } from "../groups/index.js";
import { StudentsService } from "./students.service.js";

const plain = (name: string) => name.trim().toLocaleLowerCase();

/** Takes a roster from a file, all of it or nothing. */
@Injectable()
export class ImportService {
  constructor(
    private readonly students: StudentsService,
    private readonly members: MembersService,
    private readonly audit: AuditService,
  ) {}

  /** Adds those that were not added before under the same ids; a file that is sent again adds nobody. */
  async import(scope: Scope, { students: all }: ImportRequest): Promise<ImportReply> {
    const known = await this.students.knownAmong(scope, all);
    const students = all.filter(({ id }) => id === undefined || !known.has(id));
    if (students.length === 0) return { students: all.length, groups: 0 };
    const ids = await this.students.createAll(
      scope,
      students.map(({ groups: _, ...profile }) => profile),
    );
    const { idOf, made } = await this.groups(
      scope,
      students.flatMap((student) => student.groups ?? []),
    );
    const members = students.flatMap(({ groups = [] }, place) =>
      [...new Set(groups.map((name) => idOf.get(plain(name)) ?? ""))].map((groupId) => ({
        groupId,
        studentId: ids[place] ?? "",
      })),
    );
    await this.members.add(scope, members);
    const joined = { studioId: scope.studio.id, id: In([...new Set(members.map((one) => one.groupId))]) };
    await scope.manager.increment(GroupEntity, joined, "version", 1);
    await this.audit.note(scope, "imported", { about: `${ids.length} students` });
    return { students: all.length, groups: made };
  }

  /** The groups of these names; those that are missing are made. */
  private async groups(scope: Scope, names: readonly string[]) {
    const studioId = scope.studio.id;
    const kept = await scope.manager.findBy(GroupEntity, { studioId });
    const idOf = new Map(kept.map((group) => [plain(group.name), group.id]));
    const missing = new Map<string, string>();
    // The first spelling of a name is kept.
    for (const name of names) {
      const key = plain(name);
      if (!idOf.has(key) && !missing.has(key)) missing.set(key, name.trim());
    }
    const rows = [...missing.values()].map((name) => ({
      studioId,
      id: uuid(),
      name,
      weekday: null,
      startTime: null,
      place: "",
      archivedAt: null,
      createdAt: scope.now,
      version: 1,
    }));
    if (rows.length > 0) await scope.manager.insert(GroupEntity, rows);
    for (const row of rows) idOf.set(plain(row.name), row.id);
    return { idOf, made: rows.length };
  }
}
