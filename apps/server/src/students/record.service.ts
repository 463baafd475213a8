import type { StudentRecord } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import { AuditService } from "../audit/index.js";
import { In } from "typeorm";
import type { Scope } from "../database/scope.js";
import { GroupEntity, MembersService } from "../groups/index.js";
import { LessonStudentEntity } from "../lessons/lesson-student.entity.js";
import { LessonEntity } from "../lessons/lesson.entity.js";
import { decisionsOf, notesOf, requestOf, SetEntity } from "../log/index.js";
import { StandingsService, standingItem } from "../standings/index.js";
import { DeletedStudentEntity, hashOfId } from "./deleted-student.entity.js";
import { JumpsService } from "./jumps.service.js";
import { StudentEntity } from "./student.entity.js";
import { profileOf, StudentsService } from "./students.service.js";

/** A student's whole record: handed out, or deleted with nothing left behind. */
@Injectable()
export class RecordService {
  constructor(
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
    private readonly members: MembersService,
    private readonly audit: AuditService,
    private readonly jumps: JumpsService,
  ) {}

  async export(scope: Scope, id: string): Promise<StudentRecord> {
    const student = await this.students.getOrThrow(scope, id);
    const groups = (await this.members.groupsOf(scope, [id])).get(id) ?? [];
    const named = await scope.manager.findBy(GroupEntity, { studioId: scope.studio.id, id: In(groups) });
    const sets = await scope.manager.find(SetEntity, {
      where: { studioId: scope.studio.id, studentId: id },
      order: { happenedAt: "ASC", id: "ASC" },
    });
    const { standings } = await this.standings.readingOf(scope, student);
    const visits = await scope.manager.findBy(LessonStudentEntity, {
      studioId: scope.studio.id,
      studentId: id,
    });
    const lessons = await scope.manager.findBy(LessonEntity, {
      studioId: scope.studio.id,
      id: In(visits.map((visit) => visit.lessonId)),
    });
    const notes = await notesOf(
      scope,
      sets.map((set) => set.id),
    );
    await this.audit.note(scope, "exported", { studentId: id });
    return {
      format: "mirrup-student",
      version: 4,
      exportedAt: scope.now.toISOString(),
      student: {
        ...profileOf(student),
        id,
        archivedAt: student.archivedAt?.toISOString() ?? null,
        createdAt: student.createdAt.toISOString(),
        groups: named.map((group) => group.name),
      },
      decisions: await decisionsOf(scope, id),
      sets: sets.map((set) => ({
        ...requestOf(set),
        note: notes.get(set.id) ?? "",
        receivedAt: set.receivedAt.toISOString(),
        catalogueVersion: set.catalogueVersion,
      })),
      standings: standings.map(standingItem),
      jumps: await this.jumps.all(scope, id),
      lessons: visits.map(({ lessonId, attendance, ownRope, places }) => {
        const { day = "", title = "" } = lessons.find((lesson) => lesson.id === lessonId) ?? {};
        return { id: lessonId, day, title, attendance, ownRope, places };
      }),
    };
  }

  /** The log, the facts and the student go together, with every other record of theirs; the audit trail forgets whom it was about. */
  async delete(scope: Scope, id: string): Promise<void> {
    await this.students.getOrThrow(scope, id);
    const studioId = scope.studio.id;
    const second = await scope.manager.find(StudentEntity, {
      select: { id: true },
      where: { studioId, sameAs: id },
    });
    await scope.manager.delete(StudentEntity, { studioId, id });
    for (const gone of [id, ...second.map((record) => record.id)]) await this.forget(scope, gone);
    await this.audit.note(scope, "deleted", { about: "a student" });
  }

  /** What else could tell of somebody who was deleted. */
  private async forget(scope: Scope, id: string): Promise<void> {
    const studioId = scope.studio.id;
    await scope.manager.insert(DeletedStudentEntity, {
      studioId,
      idHash: hashOfId(id),
      deletedAt: scope.now,
    });
    // What was changed of them is somebody's; whose is forgotten.
    await scope.manager.query(
      "UPDATE change SET student_ids = array_remove(student_ids, $2) WHERE studio_id = $1 AND $2 = ANY (student_ids)",
      [studioId, id],
    );
    // Who counted them is forgotten, and what was counted of a round that goes on.
    await scope.manager.query("DELETE FROM presence WHERE studio_id = $1 AND position($2 IN place) > 0", [
      studioId,
      id,
    ]);
    await scope.manager.query(
      `UPDATE presence
       SET round = jsonb_set(round #- ARRAY['answers', $2], '{away}', (round -> 'away') - $2)
       WHERE studio_id = $1 AND position($2 IN round::text) > 0`,
      [studioId, id],
    );
  }
}
