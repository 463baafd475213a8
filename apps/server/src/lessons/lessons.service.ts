import type {
  LessonChange,
  LessonPlan,
  LessonRun,
  LessonsQuery,
  LessonStudent,
  LessonView,
  NewLesson,
  PlannedPlaces,
} from "@mirrup/contract";
import { byName } from "@mirrup/core";
import { Injectable } from "@nestjs/common";
import { isDeepStrictEqual } from "node:util";
import { Between, In } from "typeorm";
import type { Scope } from "../database/scope.js";
import { saidAt } from "../log/index.js";
import { GroupEntity, MembersService } from "../groups/index.js";
import { isSoAlready } from "../problems/already.js";
import {
  StaleChangeProblem,
  UnknownGroupProblem,
  UnknownLessonProblem,
  UnknownStudentProblem,
} from "../problems/problem.js";
import { StudentEntity } from "../students/index.js";
import { LessonStudentEntity } from "./lesson-student.entity.js";
import { LessonEntity } from "./lesson.entity.js";
import { progressAfter } from "./progress.js";

/** Lessons: planned, changed, and what happens in the hall. */
@Injectable()
export class LessonsService {
  constructor(private readonly members: MembersService) {}

  /** The lessons of some days, in order. */
  async list(scope: Scope, { from, to }: LessonsQuery): Promise<LessonView[]> {
    const lessons = await scope.manager.findBy(LessonEntity, {
      studioId: scope.studio.id,
      day: Between(from, to),
    });
    const students = await this.studentsOf(
      scope,
      lessons.map((lesson) => lesson.id),
    );
    const when = ({ day, startTime }: LessonEntity) => `${day} ${startTime ?? "99"}`;
    return lessons
      .sort((one, other) => when(one).localeCompare(when(other)) || byName(one.title, other.title))
      .map((lesson) => viewOf(lesson, students.get(lesson.id) ?? []));
  }

  async read(scope: Scope, id: string): Promise<LessonView> {
    const lesson = await this.getOrThrow(scope, id);
    return viewOf(lesson, (await this.studentsOf(scope, [id])).get(id) ?? []);
  }

  /**
   * Adds lessons, all or none; one that is there already under its id stays as it is. Whoever is in
   * the group is expected, unless the request names its students.
   */
  async add(scope: Scope, lessons: readonly NewLesson[]): Promise<LessonView[]> {
    const studioId = scope.studio.id;
    const ids = lessons.map((lesson) => lesson.id);
    const known = await scope.manager.findBy(LessonEntity, { studioId, id: In(ids) });
    const there = new Set(known.map((lesson) => lesson.id));
    const fresh = lessons.filter((lesson) => !there.has(lesson.id));
    const groupIds = [...new Set(fresh.flatMap((lesson) => lesson.groupId ?? []))];
    const groups = await scope.manager.countBy(GroupEntity, { studioId, id: In(groupIds) });
    if (groups !== groupIds.length) throw new UnknownGroupProblem();
    const members = await this.members.expectedOf(scope, groupIds);
    for (const { students, ...fields } of fresh) {
      await scope.manager.insert(LessonEntity, {
        groupId: null,
        startTime: null,
        place: "",
        plan: null,
        ...fields,
        title: fields.title.trim(),
        studioId,
        progress: null,
        finishedAt: null,
        finishedSaidAt: null,
        createdAt: scope.now,
        version: 1,
      });
      const expected = members.get(fields.groupId ?? "") ?? [];
      const rows = students ?? expected.map((studentId) => newcomer(studentId));
      await this.setStudents(scope, fields.id, rows);
    }
    const students = await this.studentsOf(scope, ids);
    const stored = await scope.manager.findBy(LessonEntity, { studioId, id: In(ids) });
    return stored.map((lesson) => viewOf(lesson, students.get(lesson.id) ?? []));
  }

  /**
   * Changes some fields of a lesson; refuses what was made from an older state, and a plan that has other
   * turns than those that have begun.
   */
  async change(scope: Scope, id: string, change: LessonChange): Promise<LessonView> {
    const { version, students, ...fields } = change;
    const held = await this.hold(scope, id);
    const isOld = held.version !== version || !keepsBegun(held, fields.plan);
    if (isOld) {
      const now = await this.read(scope, id);
      if (isSoAlready(now, fields) && placesAreSo(now, students)) return now;
      throw new StaleChangeProblem(now);
    }
    const key = { studioId: scope.studio.id, id };
    // One assignment for all fields: the plan is a document and not a part of the entity's graph.
    await scope.manager.save(LessonEntity, { ...held, ...fields, ...key, version: version + 1 });
    if (students !== undefined) await this.setPlaces(scope, held, students);
    return this.read(scope, id);
  }

  /**
   * What happens in the hall: who came, how far it is, that it is over. Never refused for an older state: of a device
   * that was away, what was said before the last word on the same thing leaves that as it is, and so does a step before
   * the one that is known.
   */
  async run(
    scope: Scope,
    id: string,
    { attendance = {}, ownRopes = {}, progress, takesBack, finished, ...tapped }: LessonRun,
  ): Promise<LessonView> {
    const at = saidAt(tapped, scope.now);
    const held = await this.hold(scope, id);
    const named = new Set([...Object.keys(attendance), ...Object.keys(ownRopes)]);
    const known = await this.knownStudents(scope, [...named]);
    const kept = new Map((await this.rowsOf(scope, [id])).map((row) => [row.studentId, row]));
    const key = { studioId: scope.studio.id, lessonId: id };
    const changed = [...known].map((studentId) => {
      const before = kept.get(studentId);
      const { places, attendance: came, ownRope = null } = before ?? newcomer(studentId);
      const comes = lastOf(attendance[studentId], at, { value: came, saidAt: before?.attendanceSaidAt });
      const rope = lastOf(ownRopes[studentId], at, { value: ownRope, saidAt: before?.ownRopeSaidAt });
      return {
        ...{ ...key, studentId, places: [...places] },
        ...{ attendance: comes.value, attendanceSaidAt: comes.saidAt ?? null },
        ...{ ownRope: rope.value, ownRopeSaidAt: rope.saidAt ?? null },
      };
    });
    const before = { value: held.finishedAt, saidAt: held.finishedSaidAt };
    const over = finished === undefined ? undefined : finished ? (held.finishedAt ?? at) : null;
    const end = lastOf(over, at, before);
    await scope.manager.save(LessonStudentEntity, changed);
    await scope.manager.save(LessonEntity, {
      ...held,
      progress: progressAfter(held.progress, { progress, takesBack }),
      ...{ finishedAt: end.value, finishedSaidAt: end.saidAt ?? null },
    });
    return this.read(scope, id);
  }

  async remove(scope: Scope, id: string): Promise<void> {
    await this.getOrThrow(scope, id);
    await scope.manager.delete(LessonEntity, { studioId: scope.studio.id, id });
  }

  private async getOrThrow(scope: Scope, id: string): Promise<LessonEntity> {
    const lesson = await scope.manager.findOneBy(LessonEntity, { studioId: scope.studio.id, id });
    if (lesson === null) throw new UnknownLessonProblem();
    return lesson;
  }

  private async hold(scope: Scope, id: string): Promise<Pick<LessonEntity, keyof LessonEntity>> {
    const held = await scope.manager.findOne(LessonEntity, {
      where: { studioId: scope.studio.id, id },
      lock: { mode: "for_no_key_update" },
    });
    if (held === null) throw new UnknownLessonProblem();
    return held;
  }

  private rowsOf(scope: Scope, ids: readonly string[]): Promise<LessonStudentEntity[]> {
    return scope.manager.findBy(LessonStudentEntity, {
      studioId: scope.studio.id,
      lessonId: In([...ids]),
    });
  }

  private async studentsOf(scope: Scope, ids: readonly string[]): Promise<Map<string, LessonStudent[]>> {
    const byLesson = new Map<string, LessonStudent[]>();
    for (const { lessonId, studentId, attendance, ownRope, places } of await this.rowsOf(scope, ids)) {
      const row = { studentId, attendance, ownRope, places };
      byLesson.set(lessonId, [...(byLesson.get(lessonId) ?? []), row]);
    }
    return byLesson;
  }

  private async knownStudents(scope: Scope, ids: readonly string[]): Promise<ReadonlySet<string>> {
    const found = await scope.manager.find(StudentEntity, {
      select: { id: true },
      where: { studioId: scope.studio.id, id: In([...ids]) },
    });
    return new Set(found.map((student) => student.id));
  }

  /** What the plan has each student do in turns that have not begun; whoever has left the lesson stays away. */
  private async setPlaces(
    scope: Scope,
    { id, progress }: Pick<LessonEntity, "id" | "progress">,
    planned: readonly PlannedPlaces[],
  ): Promise<void> {
    const begun = progress?.step ?? 0;
    const placesOf = new Map(planned.map((one) => [one.studentId, one.places]));
    const held = await this.rowsOf(scope, [id]);
    const rows = held.flatMap((row) => {
      const next = placesOf.get(row.studentId);
      if (next === undefined) return [];
      const kept = next.map((place, turn) => (turn < begun ? (row.places[turn] ?? null) : place));
      return [Object.assign(row, { places: kept })];
    });
    if (rows.length > 0) await scope.manager.save(LessonStudentEntity, rows);
  }

  /** Makes these the students of a new lesson. */
  private async setStudents(
    scope: Scope,
    lessonId: string,
    students: readonly LessonStudent[],
  ): Promise<void> {
    const studioId = scope.studio.id;
    const known = await this.knownStudents(
      scope,
      students.map((one) => one.studentId),
    );
    if (students.some((one) => !known.has(one.studentId))) throw new UnknownStudentProblem();
    await scope.manager.delete(LessonStudentEntity, { studioId, lessonId });
    const rows = students.map(({ studentId, attendance, ownRope = null, places }) => ({
      ...{ studioId, lessonId, studentId, attendance, ownRope },
      ...{ places: [...places], attendanceSaidAt: null, ownRopeSaidAt: null },
    }));
    if (rows.length > 0) await scope.manager.save(LessonStudentEntity, rows);
  }
}

/** Whether whoever is still in the lesson has the places that are asked for. */
function placesAreSo({ students }: LessonView, asked: readonly PlannedPlaces[] = []): boolean {
  return asked.every(({ studentId, places }) => {
    const now = students.find((one) => one.studentId === studentId);
    return now === undefined || isDeepStrictEqual(now.places, places);
  });
}

function newcomer(studentId: string): LessonStudent {
  return { studentId, attendance: "expected", places: [] };
}

interface Word<T> {
  readonly value: T;
  /** Absent where nobody has said it. */
  readonly saidAt?: Date | null | undefined;
}

/** The last word on a thing: what is said now, unless what is known was said later. */
function lastOf<T>(said: T | undefined, at: Date, known: Word<T>): Word<T> {
  const isOlder = known.saidAt != null && known.saidAt > at;
  return said === undefined || isOlder ? known : { value: said, saidAt: at };
}

/** Whether the turns of a lesson that have begun are the plan's too. */
function keepsBegun(
  { plan, progress }: Pick<LessonEntity, "plan" | "progress">,
  next: LessonPlan | null | undefined,
): boolean {
  if (next === undefined || plan === null || progress === null) return true;
  const begun = plan.rotations.slice(0, progress.step);
  return isDeepStrictEqual(next?.rotations.slice(0, progress.step), begun);
}

function viewOf(lesson: LessonEntity, students: readonly LessonStudent[]): LessonView {
  const { id, version, groupId, title, day, startTime, minutes, place, plan, progress, finishedAt } = lesson;
  return {
    ...{ id, version, groupId, title, day, startTime, minutes, place, plan, students, progress },
    finishedAt: finishedAt?.toISOString() ?? null,
  };
}
