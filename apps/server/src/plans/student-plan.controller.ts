import type { PlanQuery } from "@mirrup/contract";
import { idParam, planQuery, planReply } from "@mirrup/contract/schemas";
import { sideNamed, SideMap, SideSet, type SubjectSide } from "@mirrup/core";
import { NO_PLAN, planStudent, type StudentPlan, type StudentPlanContext } from "@mirrup/core/planning";
import { Controller, Get, Param, Query } from "@nestjs/common";
import { Asking, Reading } from "../door/index.js";
import { type Member, type Scope, Scopes } from "../database/scope.js";
import { CombosService } from "../combos/index.js";
import { loadsOf, proposalsOf, StandingsService } from "../standings/index.js";
import { nextOptions, StopsService, StudentsService } from "../students/index.js";
import { hardSkillOf, leftToday } from "./today.js";

@Controller("students/:id/plan")
export class StudentPlanController {
  constructor(
    private readonly scopes: Scopes,
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
    private readonly stops: StopsService,
    private readonly combos: CombosService,
  ) {}

  @Get()
  @Reading({
    says: "What the student does in these minutes, and why; nothing for whoever stopped early today",
    for: "viewer",
    reply: planReply,
    pace: "heavy",
    scope: "own",
    refuses: [410],
  })
  async plan(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: planQuery }) query: PlanQuery,
  ): Promise<StudentPlan> {
    const context = await this.scopes.run(member, (scope) => this.contextOf(scope, id, query));
    // The search holds no connection.
    return context === null ? NO_PLAN : planStudent(context);
  }

  private async contextOf(scope: Scope, id: string, query: PlanQuery): Promise<StudentPlanContext | null> {
    const student = await this.students.getOrThrow(scope, id);
    if (await this.stops.hasStopped(scope, id)) return null;
    const reading = await this.standings.readingOf(scope, student);
    const loads = await loadsOf(scope, [id]);
    return {
      reading,
      next: proposalsOf(reading, nextOptions(scope, student, reading)),
      minutes: query.minutes,
      energy: query.energy,
      hardSkill: hardSkillOf(scope, student),
      bans: new SideSet(sidesNamed(query.ban)),
      pins: new SideSet(sidesNamed(query.pin)),
      moreSets: moreSetsOf(query.more),
      missing: new Set(query.missing),
      combos: await this.combos.planned(scope, id),
      ...leftToday(scope, student, loads.get(id) ?? []),
    };
  }
}

/** `cross:left:2` as two sets more of that side. */
function moreSetsOf(more: readonly string[]): SideMap<number> {
  return new SideMap(
    more.flatMap((text) => {
      const at = text.lastIndexOf(":");
      const side = sideNamed(text.slice(0, at));
      return side === null ? [] : [[side, Number(text.slice(at + 1))] as const];
    }),
  );
}

function sidesNamed(texts: readonly string[]): readonly SubjectSide[] {
  return texts.flatMap((text) => sideNamed(text) ?? []);
}
