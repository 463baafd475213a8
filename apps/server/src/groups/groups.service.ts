import type { GroupChange, GroupView, NewGroup } from "@mirrup/contract";
import { byName } from "@mirrup/core";
import { Injectable } from "@nestjs/common";
import { In } from "typeorm";
import { v7 as uuid } from "uuid";
import type { Scope } from "../database/scope.js";
import { isSoAlready } from "../problems/already.js";
import {
  AddedAlreadyProblem,
  StaleChangeProblem,
  UnknownGroupProblem,
  UnknownStudentProblem,
} from "../problems/problem.js";
import { StudentEntity } from "../students/student.entity.js";
import { GroupEntity } from "./group.entity.js";
import { MembersService } from "./members.service.js";

@Injectable()
export class GroupsService {
  constructor(private readonly members: MembersService) {}

  /** Every group, archived ones too, in the order of the week. */
  async list(scope: Scope): Promise<GroupView[]> {
    const groups = await scope.manager.findBy(GroupEntity, { studioId: scope.studio.id });
    const students = await this.members.studentsOf(
      scope,
      groups.map((group) => group.id),
    );
    const when = ({ weekday, startTime }: GroupEntity) => `${weekday ?? 9} ${startTime ?? "99"}`;
    return groups
      .sort((one, other) => when(one).localeCompare(when(other)) || byName(one.name, other.name))
      .map((group) => viewOf(group, students.get(group.id) ?? []));
  }

  async read(scope: Scope, id: string): Promise<GroupView> {
    const group = await this.getOrThrow(scope, id);
    const students = await this.members.studentsOf(scope, [id]);
    return viewOf(group, students.get(id) ?? []);
  }

  /** Adds a group. One that was added before under the same id is there already, or is another. */
  async create(scope: Scope, { members = [], id = uuid(), ...fields }: NewGroup): Promise<GroupView> {
    if (await scope.manager.existsBy(GroupEntity, { studioId: scope.studio.id, id })) {
      const there = await this.read(scope, id);
      const asked = { ...fields, name: fields.name.trim(), members };
      if (!isSo(there, asked)) throw new AddedAlreadyProblem(there);
      return there;
    }
    await this.knowStudents(scope, members);
    await scope.manager.insert(GroupEntity, {
      weekday: null,
      startTime: null,
      place: "",
      ...fields,
      name: fields.name.trim(),
      studioId: scope.studio.id,
      id,
      archivedAt: null,
      createdAt: scope.now,
      version: 1,
    });
    await this.members.setStudents(scope, id, members);
    return this.read(scope, id);
  }

  /** Changes some fields of a group; refuses what was made from an older state. */
  async change(scope: Scope, id: string, change: GroupChange): Promise<GroupView> {
    const { version, archived, members, ...fields } = change;
    await this.getOrThrow(scope, id);
    const key = { studioId: scope.studio.id, id };
    const held = await scope.manager.findOne(GroupEntity, {
      where: key,
      lock: { mode: "for_no_key_update" },
    });
    if (held?.version !== version) {
      const now = await this.read(scope, id);
      if (isSo(now, { ...fields, archived, members })) return now;
      throw new StaleChangeProblem(now);
    }
    const archivedAt =
      archived === undefined ? held.archivedAt : archived ? (held.archivedAt ?? scope.now) : null;
    await scope.manager.update(GroupEntity, key, { ...fields, archivedAt, version: version + 1 });
    if (members !== undefined) {
      await this.knowStudents(scope, members);
      await this.members.setStudents(scope, id, members);
    }
    return this.read(scope, id);
  }

  private async getOrThrow(scope: Scope, id: string): Promise<GroupEntity> {
    const group = await scope.manager.findOneBy(GroupEntity, { studioId: scope.studio.id, id });
    if (group === null) throw new UnknownGroupProblem();
    return group;
  }

  private async knowStudents(scope: Scope, ids: readonly string[]): Promise<void> {
    const where = { studioId: scope.studio.id, id: In([...ids]) };
    if ((await scope.manager.countBy(StudentEntity, where)) !== ids.length) throw new UnknownStudentProblem();
  }
}

/** Whether a group is as it is asked to be; its members in whatever order. */
function isSo(
  now: GroupView,
  { members, ...asked }: { readonly [K in keyof GroupView]?: unknown } & Pick<NewGroup, "members">,
): boolean {
  const sorted = (ids: readonly string[]) => [...ids].sort();
  return isSoAlready(
    { ...now, members: sorted(now.members) },
    { ...asked, ...(members === undefined ? {} : { members: sorted(members) }) },
  );
}

function viewOf(group: GroupEntity, members: readonly string[]): GroupView {
  const { id, version, name, weekday, startTime, place, archivedAt } = group;
  return { id, version, name, weekday, startTime, place, members, archived: archivedAt !== null };
}
