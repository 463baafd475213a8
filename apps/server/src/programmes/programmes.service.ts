import type { ProgrammeProgress, ProgrammeProgressQuery } from "@mirrup/contract";
import { itemKey, programmeItems, programmesOf } from "@mirrup/core";
import { progressOf } from "@mirrup/core/teaching";
import { Injectable } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { MembersService } from "../groups/index.js";
import { UnknownProgrammeProblem } from "../problems/problem.js";
import { skillsReading, StandingsService } from "../standings/index.js";
import { StudentsService, type StudentEntity } from "../students/index.js";
import { firstShown } from "./first-shown.js";

/** How far students are with the studio's programmes. */
@Injectable()
export class ProgrammesService {
  constructor(
    private readonly students: StudentsService,
    private readonly members: MembersService,
    private readonly standings: StandingsService,
  ) {}

  /** Of each student who is asked about, by name. */
  async progress(scope: Scope, key: string, query: ProgrammeProgressQuery): Promise<ProgrammeProgress[]> {
    const programme = programmesOf(scope.overlay).get(key);
    if (programme === undefined) throw new UnknownProgrammeProblem();
    const students = await this.askedAbout(scope, query);
    const facts = await this.standings.factsOf(scope, students);
    const shown = await firstShown(scope, students, programmeItems(programme));
    return students.map((student) => {
      const reading = skillsReading(scope, student, facts.get(student.id));
      const before =
        programme.before === null ? null : reading.factsOf({ subject: programme.before, side: "whole" });
      return {
        ...{ studentId: student.id, name: student.name },
        ...progressOf(key, programme, {
          reading,
          timeZone: scope.studio.timeZone,
          shownAt: (item, side) => shown.get(student.id)?.get({ subject: itemKey(item), side }) ?? null,
        }),
        hasFinishedBefore: programme.before === null || before?.cleared != null,
      };
    });
  }

  private async askedAbout(
    scope: Scope,
    { group, student }: ProgrammeProgressQuery,
  ): Promise<readonly StudentEntity[]> {
    if (student !== undefined) return [await this.students.getOrThrow(scope, student)];
    const all = await this.students.list(scope);
    if (group === undefined) return all;
    const members = new Set((await this.members.studentsOf(scope, [group])).get(group));
    return all.filter(({ id }) => members.has(id));
  }
}
