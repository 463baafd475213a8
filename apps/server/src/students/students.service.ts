import type {
  ArchivedStudent,
  NewStudent,
  StudentChange,
  StudentDetail,
  StudentProfile,
} from "@mirrup/contract";
import { byName, localDate, programmesOf } from "@mirrup/core";
import { Injectable } from "@nestjs/common";
import { In, IsNull, Not } from "typeorm";
import { v7 as uuid } from "uuid";
import { AuditService, fieldWords } from "../audit/index.js";
import { holdTeaching, type Scope } from "../database/scope.js";
import { MembersService } from "../groups/index.js";
import { isSoAlready } from "../problems/already.js";
import {
  AddedAlreadyProblem,
  DeletedStudentProblem,
  RefusedFieldsProblem,
  StaleChangeProblem,
  UnknownStudentProblem,
} from "../problems/problem.js";
import { keepCleared, schoolDifference, skillsReading, StandingsService } from "../standings/index.js";
import { DeletedStudentEntity, hashOfId } from "./deleted-student.entity.js";
import { holdStudents } from "./hold.js";
import { NEW_STUDENT, StudentEntity } from "./student.entity.js";
import { profileErrors } from "./student-rules.js";

/** The part of a student that people write. */
export function profileOf(student: StudentEntity): StudentProfile {
  return {
    name: student.name,
    birthYear: student.birthYear,
    yearsJumping: student.yearsJumping,
    heightMm: student.heightMm,
    dominantHand: student.dominantHand,
    strongerSide: student.strongerSide,
    ropeKind: student.ropeKind,
    ropeLengthMm: student.ropeLengthMm,
    ropeUse: student.ropeUse,
    homeStep: student.homeStep,
    goals: student.goals,
    school: student.school,
    settings: student.settings,
    notes: student.notes,
    cautions: student.cautions,
  };
}

@Injectable()
export class StudentsService {
  constructor(
    private readonly members: MembersService,
    private readonly standings: StandingsService,
    private readonly audit: AuditService,
  ) {}

  /** Students by name, without those who are archived. */
  async list(scope: Scope): Promise<StudentEntity[]> {
    const students = await scope.manager.findBy(StudentEntity, {
      studioId: scope.studio.id,
      archivedAt: IsNull(),
    });
    return students.sort((one, other) => byName(one.name, other.name));
  }

  async archived(scope: Scope): Promise<ArchivedStudent[]> {
    const students = await scope.manager.find(StudentEntity, {
      select: { id: true, name: true, version: true, archivedAt: true, sameAs: true },
      where: { studioId: scope.studio.id, archivedAt: Not(IsNull()) },
    });
    const groups = await this.members.groupsOf(
      scope,
      students.map(({ id }) => id),
    );
    return students
      .sort((one, other) => byName(one.name, other.name))
      .flatMap(({ id, name, version, archivedAt, sameAs }) =>
        archivedAt === null
          ? []
          : [
              {
                id,
                name,
                version,
                groups: groups.get(id) ?? [],
                archivedAt: archivedAt.toISOString(),
                sameAs,
              },
            ],
      );
  }

  /** The student, archived or not. Refuses with 404, or 410 for one who was deleted. */
  async getOrThrow(scope: Scope, id: string): Promise<StudentEntity> {
    const key = { studioId: scope.studio.id, id };
    const student = await scope.manager.findOneBy(StudentEntity, key);
    if (student !== null) return student;
    const tombstone = { studioId: scope.studio.id, idHash: hashOfId(id) };
    if (await scope.manager.existsBy(DeletedStudentEntity, tombstone)) throw new DeletedStudentProblem();
    throw new UnknownStudentProblem();
  }

  async details(scope: Scope, students: readonly StudentEntity[]): Promise<StudentDetail[]> {
    const groups = await this.members.groupsOf(
      scope,
      students.map((student) => student.id),
    );
    return students.map((student) => ({
      ...profileOf(student),
      id: student.id,
      version: student.version,
      archived: student.archivedAt !== null,
      sameAs: student.sameAs,
      groups: groups.get(student.id) ?? [],
      gates: student.gates,
    }));
  }

  async detail(scope: Scope, id: string): Promise<StudentDetail> {
    const [detail] = await this.details(scope, [await this.getOrThrow(scope, id)]);
    if (detail === undefined) throw new UnknownStudentProblem();
    return detail;
  }

  /** Adds a student. One that was added before under the same id is there already, or is another. */
  async create(scope: Scope, { groups = [], ...profile }: NewStudent): Promise<StudentDetail> {
    if ((await this.knownAmong(scope, [profile])).size > 0) {
      const there = await this.detail(scope, profile.id ?? "");
      const asked = { ...profile, name: profile.name.trim(), groups };
      if (!isSoAlready(there, asked)) throw new AddedAlreadyProblem(there);
      return there;
    }
    const [id] = await this.createAll(scope, [profile]);
    if (id === undefined) throw new UnknownStudentProblem();
    await this.members.setGroups(scope, id, groups);
    await this.audit.note(scope, "added", { studentId: id });
    return this.detail(scope, id);
  }

  /** The ids that were given to students before. Refuses with 410 where one of those was deleted. */
  async knownAmong(
    scope: Scope,
    asked: readonly { readonly id?: string | undefined }[],
  ): Promise<ReadonlySet<string>> {
    const ids = asked.flatMap(({ id }) => id ?? []);
    if (ids.length === 0) return new Set();
    const studioId = scope.studio.id;
    const gone = { studioId, idHash: In(ids.map(hashOfId)) };
    if (await scope.manager.existsBy(DeletedStudentEntity, gone)) throw new DeletedStudentProblem();
    const where = { studioId, id: In(ids) };
    const known = await scope.manager.find(StudentEntity, { select: { id: true }, where });
    return new Set(known.map((student) => student.id));
  }

  /** Adds students, all or none; answers their ids in order. */
  async createAll(scope: Scope, profiles: readonly Omit<NewStudent, "groups">[]): Promise<string[]> {
    const today = localDate(scope.now.getTime(), scope.studio.timeZone);
    const blank = skillsReading(scope, NEW_STUDENT);
    const errors = profiles.flatMap((profile, item) =>
      profileErrors(profile, today, blank, programmesOf(scope.overlay)).map((error) =>
        profiles.length === 1 ? error : { item, ...error },
      ),
    );
    if (errors.length > 0) throw new RefusedFieldsProblem(errors);
    const rows = profiles.map((profile) => ({
      ...NEW_STUDENT,
      ...profile,
      name: profile.name.trim(),
      studioId: scope.studio.id,
      id: profile.id ?? uuid(),
      createdAt: scope.now,
    }));
    // PostgreSQL takes 65,535 parameters a statement.
    const CHUNK = 1000;
    for (let from = 0; from < rows.length; from += CHUNK) {
      await scope.manager.insert(StudentEntity, rows.slice(from, from + CHUNK));
    }
    return rows.map((row) => row.id);
  }

  /** Changes some fields of a student. Refuses what was made from an older state, and answers the newer one with it. */
  async change(asked: Scope, id: string, change: StudentChange): Promise<StudentDetail> {
    const scope = await holdTeaching(asked);
    const { version, archived, groups, keepCleared: keeps = false, ...profile } = change;
    if (groups !== undefined) await this.members.holdGroups(scope, id, groups);
    const student = await this.hold(scope, id);
    if (student.version !== version) {
      const now = await this.detail(scope, id);
      if (isSoAlready(now, { ...profile, archived, groups })) return now;
      throw new StaleChangeProblem(now);
    }
    const today = localDate(scope.now.getTime(), scope.studio.timeZone);
    const goals = profile.goals?.filter((goal) => !student.goals.some((old) => sameGoal(old, goal)));
    const reading =
      goals === undefined ? skillsReading(scope, student) : await this.standings.readingOf(scope, student);
    const written = { ...profile, ...(goals === undefined ? {} : { goals }) };
    const errors = profileErrors(written, today, reading, programmesOf(scope.overlay));
    if (errors.length > 0) throw new RefusedFieldsProblem(errors);
    const archivedAt =
      archived === undefined ? student.archivedAt : archived ? (student.archivedAt ?? scope.now) : null;
    const changed = { ...profile, archivedAt, version: version + 1 };
    await this.audit.note(scope, "changed-record", {
      studentId: id,
      about: fieldWords(change, ["version", "keepCleared"]),
    });
    await scope.manager.update(StudentEntity, { studioId: scope.studio.id, id }, changed);
    if (groups !== undefined) await this.members.setGroups(scope, id, groups);
    if (profile.school !== undefined && profile.school !== student.school) {
      const school = profile.school ?? scope.studio.school;
      const changed = await schoolDifference(scope, this.standings, student, school);
      if (keeps) await keepCleared(scope, id, changed, school);
      await this.standings.refold(scope, { ...student, school: profile.school });
    }
    return this.detail(scope, id);
  }

  /** The student, held until the transaction ends, so that changes follow one another. */
  async hold(scope: Scope, id: string): Promise<StudentEntity> {
    await this.getOrThrow(scope, id);
    const [student] = await this.holdAll(scope, [id]);
    if (student === undefined) throw new UnknownStudentProblem();
    return student;
  }

  /** Several students, held until the transaction ends. */
  holdAll(scope: Scope, ids: readonly string[]): Promise<StudentEntity[]> {
    return holdStudents(scope, ids);
  }
}

function sameGoal(one: { subject: string; side: string }, other: { subject: string; side: string }): boolean {
  return one.subject === other.subject && one.side === other.side;
}
