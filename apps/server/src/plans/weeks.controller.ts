import { fusedFirstOf } from "@mirrup/catalogue";
import type { WeeksQuery, WeeksView } from "@mirrup/contract";
import { idParam, weeksQuery, weeksReply } from "@mirrup/contract/schemas";
import { DAY_MS, type LocalDate } from "@mirrup/core";
import {
  lessonDays,
  mayGrow,
  planWeeks,
  spreadWeekdays,
  whatGives,
  type GiveContext,
} from "@mirrup/core/planning";
import { goalPath, landingsOf, multiplesOf, weekLoad, type Goal, type Standing } from "@mirrup/core/teaching";
import { Controller, Get, Param, Query } from "@nestjs/common";
import { In } from "typeorm";
import { Asking, For } from "../access/access.js";
import { Scopes, type Member, type Scope } from "../database/scope.js";
import { GroupEntity, MembersService } from "../groups/index.js";
import { RefusedFieldsProblem } from "../problems/problem.js";
import { Reply } from "../problems/reply.js";
import { loadsOf, StandingsService } from "../standings/index.js";
import { goalsOf, StudentsService } from "../students/index.js";
import { todayOf, weekStartsOn } from "./today.js";

const MOST_DAYS = 2 * 366;
/** Tries toward the goals in a lesson of somebody who has had none yet. */
const USUAL_TRIES = 60;
/** Lessons that the tries of a lesson are read from. */
const LESSONS_LOOKED_BACK = 4;

@Controller("students/:id/weeks")
export class WeeksController {
  constructor(
    private readonly scopes: Scopes,
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
    private readonly members: MembersService,
  ) {}

  /** The weeks back from a date: what each holds, and whether it will be enough. */
  @Get()
  @For("viewer")
  @Reply(weeksReply, 400, 401, 404, 410, 422)
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
    const goals = query.goal === undefined ? student.goals : goalsOf([query.goal].flat());
    const reading = await this.standings.readingOf(scope, student);
    const { standings, model } = reading;
    const fusedFirst = fusedFirstOf(student.settings, scope.studio.settings);
    const { steps, tries } = goalPath(reading, goals, { fusedFirst });
    const weekdays =
      query.perWeek === undefined ? await this.weekdaysOf(scope, id) : spreadWeekdays(query.perWeek);
    const loads = (await loadsOf(scope, [id])).get(id) ?? [];
    const { allowance, landings } = weekLoad(loads, today, weekStartsOn(scope));
    const others = goals.length < 2 ? [] : goals;
    const context: GiveContext = {
      ...{ steps, tries, today, until, weekdays, model, allowance },
      reviews: standings.flatMap(({ of: { subject, side }, facts }) =>
        facts.review === null ? [] : [{ subject, side, due: facts.review.due }],
      ),
      lessons: lessonDays(today, until, weekdays),
      triesALesson: query.tries ?? usualTries(standings),
      landingsOf: ({ score }) => landingsOf(score),
      multiplesOf: ({ score }) => multiplesOf(score),
      grows: mayGrow(student.birthYear, today),
      landingsThisWeek: landings,
      weekStartsOn: weekStartsOn(scope),
      without: others.map((goal) => ({
        goal,
        ...goalPath(
          reading,
          goals.filter((one) => one !== goal),
          { fusedFirst },
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

function checkDate(today: LocalDate, until: LocalDate): void {
  const field = "until";
  if (until <= today) {
    const message = "That date is not ahead of today. Choose one that is.";
    throw new RefusedFieldsProblem([{ field, code: "past-date", message }]);
  }
  if (Date.parse(until) - Date.parse(today) > MOST_DAYS * DAY_MS) {
    const message = "That date is more than two years ahead. Choose one within two years.";
    throw new RefusedFieldsProblem([{ field, code: "far-date", message }]);
  }
}

/** The middle of what the last lessons came to in tries, over all sides. */
function usualTries(standings: readonly Standing[]): number {
  const byLesson = new Map<LocalDate, number>();
  for (const { facts } of standings) {
    for (const { lesson, worked } of facts.lessons)
      byLesson.set(lesson, (byLesson.get(lesson) ?? 0) + worked);
  }
  const recent = [...byLesson].sort(([one], [other]) => (one < other ? 1 : -1));
  const tries = recent.slice(0, LESSONS_LOOKED_BACK).map(([, many]) => many);
  tries.sort((one, other) => one - other);
  return Math.max(1, Math.round(tries[Math.floor(tries.length / 2)] ?? USUAL_TRIES));
}
