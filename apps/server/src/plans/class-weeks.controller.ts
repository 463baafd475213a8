import type { ClassWeeksQuery, ClassWeeksView } from "@mirrup/contract";
import { classWeeksQuery, classWeeksReply, idParam } from "@mirrup/contract/schemas";
import { classWeeksSteps, spreadWeekdays } from "@mirrup/core/planning";
import { Controller, Get, Param, Query } from "@nestjs/common";
import { Asking, Reading } from "../door/index.js";
import { type Member, Scopes } from "../database/scope.js";
import { GroupsService } from "../groups/index.js";
import { loadsOf, skillsReading, StandingsService } from "../standings/index.js";
import { goalsOf, StudentsService } from "../students/index.js";
import { todayOf } from "./today.js";
import { inTurns } from "../in-turns.js";
import { checkDate, weeksContext } from "./weeks-context.js";

@Controller("groups/:id/weeks")
export class ClassWeeksController {
  constructor(
    private readonly scopes: Scopes,
    private readonly groups: GroupsService,
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
  ) {}

  @Get()
  @Reading({
    says: "A group's weeks toward a show: who is likely to be ready, what most work at, and what would have to give",
    for: "viewer",
    reply: classWeeksReply,
    pace: "heavy",
    scope: "own",
    refuses: [422],
  })
  async plan(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: classWeeksQuery }) { until, goal, perWeek, tries }: ClassWeeksQuery,
  ): Promise<ClassWeeksView> {
    const { asked, goals, students, names } = await this.scopes.run(member, async (scope) => {
      const goals = goalsOf(scope, [goal].flat());
      const today = todayOf(scope);
      checkDate(today, until);
      const { weekday, members } = await this.groups.read(scope, id);
      const listed = new Set(members);
      const learners = (await this.students.list(scope)).filter((student) => listed.has(student.id));
      const facts = await this.standings.factsOf(scope, learners);
      const loads = await loadsOf(
        scope,
        learners.map((student) => student.id),
      );
      const usual = weekday === null ? spreadWeekdays(1) : [weekday];
      return {
        goals,
        asked: { today, until, weekdays: perWeek === undefined ? usual : spreadWeekdays(perWeek) },
        names: new Map(learners.map((student) => [student.id, student.name])),
        students: learners.map((student) => {
          const reading = skillsReading(scope, student, facts.get(student.id));
          const learner = { student, reading, loads: loads.get(student.id) ?? [] };
          return { id: student.id, context: weeksContext(scope, learner, goals, tries) };
        }),
      };
    });
    const plan = await inTurns(classWeeksSteps(students, asked));
    return {
      ...{ goals, until, lessonsAWeek: asked.weekdays.length },
      ...{ weeks: plan.weeks, likely: plan.likely, chanceOfAll: plan.chanceOfAll, gives: plan.gives },
      students: plan.students.map(({ id: studentId, plan: { outlook, chance, lessonsNeeded } }) => ({
        ...{ studentId, name: names.get(studentId) ?? "", outlook, chance, lessonsNeeded },
      })),
    };
  }
}
