import { CATALOGUE, settingValue } from "@mirrup/catalogue";
import type { PlanQuery } from "@mirrup/contract";
import { idParam, planQuery, planReply } from "@mirrup/contract/schemas";
import {
  localDate,
  mayGrow,
  PLAN_LIMITS,
  planStudent,
  underGoals,
  weekLoad,
  type StudentPlan,
  type StudentPlanContext,
} from "@mirrup/core";
import { Controller, Get, Param, Query } from "@nestjs/common";
import { Asking, For } from "../access/access.js";
import { type Member, type Scope, Scopes } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { contextOf, loadsOf, nextOf, StandingsService } from "../standings/index.js";
import { nextOptions } from "./roster.service.js";
import { StopsService } from "./stops.service.js";
import type { StudentEntity } from "./student.entity.js";
import { StudentsService } from "./students.service.js";

const NO_PLAN: StudentPlan = { blocks: [], leftOut: [], minutes: 0, landings: 0, multiples: 0, objective: 0 };

@Controller("students/:id/plan")
export class PlanController {
  constructor(
    private readonly scopes: Scopes,
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
    private readonly stops: StopsService,
  ) {}

  /** What the student does in these minutes, and why; nothing for whoever stopped early today. */
  @Get()
  @For("viewer")
  @Reply(planReply, 400, 401, 404, 410)
  plan(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: planQuery }) query: PlanQuery,
  ): Promise<StudentPlan> {
    return this.scopes.run(member, async (scope) => {
      const student = await this.students.getOrThrow(scope, id);
      if (await this.stops.hasStopped(scope, id)) return NO_PLAN;
      const standings = await this.standings.standings(scope, student);
      return planStudent({
        catalogue: CATALOGUE,
        standings,
        next: nextOf(standings, nextOptions(scope, student), contextOf(scope, student)),
        underGoals: underGoals(CATALOGUE, student.goals),
        minutes: query.minutes,
        energy: query.energy,
        hardSkill:
          settingValue("hard-skill", student.settings, scope.studio.settings) === "early" ? "early" : "late",
        bans: new Set(query.ban),
        pins: new Set(query.pin),
        ...(await this.leftToday(scope, student)),
      });
    });
  }

  /** What the week and the lesson leave of landings and, for a growing student, of multiples. */
  private async leftToday(
    scope: Scope,
    student: StudentEntity,
  ): Promise<Pick<StudentPlanContext, "landingsLeft" | "multiplesLeft">> {
    const today = localDate(scope.now.getTime(), scope.studio.timeZone);
    const lessons = await loadsOf(scope, student.id);
    const week = weekLoad(lessons, today, Number(settingValue("week-start", scope.studio.settings)));
    const done = lessons.find((one) => one.day === today)?.multiples ?? 0;
    return {
      landingsLeft: week.allowance === null ? null : Math.max(0, week.allowance - week.landings),
      multiplesLeft: mayGrow(student.birthYear, today)
        ? Math.max(0, PLAN_LIMITS.growingMultiples - done)
        : null,
    };
  }
}
