import type { PreviewItem, PreviewRequest, StudioChange, StudioView } from "@mirrup/contract";
import type { SchoolId } from "@mirrup/core";
import { Injectable } from "@nestjs/common";
import { In } from "typeorm";
import { AuditService, fieldWords } from "../audit/index.js";
import { holding, type Scope } from "../database/scope.js";
import { isSoAlready } from "../problems/already.js";
import { RefusedFieldsProblem, StaleChangeProblem } from "../problems/problem.js";
import { keepCleared, schoolDifference, StandingsService } from "../standings/index.js";
import { StudentEntity } from "../students/student.entity.js";
import { StudioEntity } from "./studio.entity.js";

export function studioView(studio: StudioEntity): StudioView {
  const { id, name, timeZone, school, settings, version } = studio;
  return { id, name, timeZone, school, settings, version };
}

export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat("en", { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

/** How a studio teaches: its school and settings, and what a change of them would do. */
@Injectable()
export class TeachingService {
  constructor(
    private readonly standings: StandingsService,
    private readonly audit: AuditService,
  ) {}

  /** What a school would clear and reopen for some students; reads their whole logs, and changes nothing. */
  async preview(scope: Scope, { school, students: ids }: PreviewRequest): Promise<PreviewItem[]> {
    const students = await scope.manager.findBy(StudentEntity, {
      studioId: scope.studio.id,
      id: In([...ids]),
    });
    const items: PreviewItem[] = [];
    for (const student of students) {
      const changed = await schoolDifference(scope, this.standings, student, school ?? scope.studio.school);
      items.push({ studentId: student.id, ...changed });
    }
    return items;
  }

  /**
   * Changes name, time zone, school and settings. Facts that another school made are made anew afterwards, a student a
   * transaction; another time zone moves the days of what is not kept by rules too, and is followed at once.
   */
  async change(scope: Scope, change: StudioChange): Promise<StudioView> {
    const { version, keepCleared: keeps = false, ...fields } = change;
    const key = { id: scope.studio.id };
    const held = await scope.manager.findOneOrFail(StudioEntity, {
      where: key,
      lock: { mode: "for_no_key_update" },
    });
    if (held.version !== version) {
      const now = studioView(held);
      if (isSoAlready(now, fields)) return now;
      throw new StaleChangeProblem(now);
    }
    if (fields.timeZone !== undefined && !isTimeZone(fields.timeZone)) {
      const message = `"${fields.timeZone}" is no time zone. Write one such as Europe/London.`;
      throw new RefusedFieldsProblem([{ field: "timeZone", code: "unknown-time-zone", message }]);
    }
    const changed: StudioEntity = { ...held, ...fields, version: version + 1 };
    if (changed.school !== held.school && keeps) await this.keepCleared(scope, changed.school);
    await scope.manager.update(StudioEntity, key, { ...fields, version: version + 1 });
    if (changed.timeZone !== held.timeZone) {
      const after = holding({ ...scope, studio: changed });
      for (const student of await this.allStudents(scope)) await this.standings.refold(after, student);
    }
    if (changed.school !== held.school) {
      await this.audit.note(scope, "changed-school", { about: `${held.school} to ${changed.school}` });
    }
    const others = fieldWords(fields, ["school"]);
    if (others !== "") await this.audit.note(scope, "changed-studio", { about: others });
    return studioView(changed);
  }

  /** Keeps what the new school would reopen, of everybody who is taught by the studio's. */
  private async keepCleared(scope: Scope, school: SchoolId): Promise<void> {
    for (const student of await this.allStudents(scope)) {
      if (student.school !== null) continue;
      const changed = await schoolDifference(scope, this.standings, student, school);
      await keepCleared(scope, student.id, changed, school);
    }
  }

  private allStudents(scope: Scope): Promise<StudentEntity[]> {
    return scope.manager.findBy(StudentEntity, { studioId: scope.studio.id });
  }
}
