import type { WeeksQuery, WeeksView } from "@mirrup/contract";
import { idParam, weeksQuery, weeksReply } from "@mirrup/contract/schemas";
import { lessonDays, planWeeks, spreadWeekdays, whatGives, type GiveContext } from "@mirrup/core/planning";
import type { Goal } from "@mirrup/core/teaching";
import { Controller, Get, Param, Query } from "@nestjs/common";
import { In } from "typeorm";
import { Asking, Reading } from "../door/index.js";
import { type Member, type Scope, Scopes } from "../database/scope.js";
import { GroupEntity, MembersService } from "../groups/index.js";
import { loadsOf, StandingsService } from "../standings/index.js";
import { goalsOf, StudentsService } from "../students/index.js";
import { todayOf } from "./today.js";
import { checkDate, wayTo, weeksContext } from "./weeks-context.js";

@Controller("students/:id/weeks")
export class WeeksController {
  constructor(
    private readonly scopes: Scopes,
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
    private readonly members: MembersService,
  ) {}

  @Get()
  @Reading({
    says: "The weeks back from a date: what each holds, and whether it will be enough",
    for: "viewer",
    reply: weeksReply,
    pace: "heavy",
    scope: "own",
    refuses: [410, 422],
  })
  async plan(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: weeksQuery }) query: WeeksQuery,
  ): Promise<WeeksView> {
    const { context, goals } = await this.scopes.run(member, (scope) => this.asked(scope, id, query));
    const { until, weekdays, triesALesson, allowance } = context;
    const plan = planWeeks(context);
    const asked = { goals, until, lessonsAWeek: weekdays.length, triesALesson, allowance };
    return { ...plan, ...asked, gives: whatGives(context) };
  }

  private async asked(
    scope: Scope,
    id: string,
    query: WeeksQuery,
  ): Promise<{ readonly context: GiveContext; readonly goals: readonly Goal[] }> {
    const student = await this.students.getOrThrow(scope, id);
    const { until } = query;
    const today = todayOf(scope);
    checkDate(today, until);
    const goals = query.goal === undefined ? student.goals : goalsOf(scope, [query.goal].flat());
    const reading = await this.standings.readingOf(scope, student);
    const loads = (await loadsOf(scope, [id])).get(id) ?? [];
    const learner = { student, reading, loads };
    const weekdays =
      query.perWeek === undefined ? await this.weekdaysOf(scope, id) : spreadWeekdays(query.perWeek);
    const others = goals.length < 2 ? [] : goals;
    const context: GiveContext = {
      ...weeksContext(scope, learner, goals, query.tries),
      ...{ today, until, weekdays, model: reading.model, lessons: lessonDays(today, until, weekdays) },
      without: others.map((goal) => ({
        goal,
        ...wayTo(
          scope,
          learner,
          goals.filter((one) => one !== goal),
        ),
      })),
    };
    return { context, goals };
  }

  /** The days on which the student's groups meet; one a week where none does. */
  private async weekdaysOf(scope: Scope, studentId: string): Promise<readonly number[]> {
    const ids = (await this.members.groupsOf(scope, [studentId])).get(studentId) ?? [];
    const groups = await scope.manager.findBy(GroupEntity, { studioId: scope.studio.id, id: In(ids) });
    const days = new Set(
      groups.flatMap(({ weekday, archivedAt }) => (weekday === null || archivedAt !== null ? [] : [weekday])),
    );
    return days.size === 0 ? spreadWeekdays(1) : [...days];
  }
}
