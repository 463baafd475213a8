import { fusedFirstOf, settingValue } from "@mirrup/catalogue";
import type {
  Items,
  LoadView,
  NextItem,
  PathView,
  RungItem,
  SchoolReading,
  SetRequest,
  StandingItem,
} from "@mirrup/contract";
import {
  idParam,
  ladderReply,
  lastSetsQuery,
  lastSetsReply,
  loadReply,
  nextReply,
  pathQuery,
  pathReply,
  schoolsReply,
  standingsReply,
} from "@mirrup/contract/schemas";
import { localDate, type SideName } from "@mirrup/core";
import { weekLoad } from "@mirrup/core/teaching";
import { Controller, Get, Param, Query } from "@nestjs/common";
import { Asking, For } from "../access/access.js";
import { type Member, Scopes } from "../database/scope.js";
import { requestOf } from "../log/index.js";
import { Reply } from "../problems/reply.js";
import {
  ladderItems,
  loadsOf,
  nextItem,
  proposalsOf,
  standingItem,
  StandingsService,
} from "../standings/index.js";
import { goalsOf, pathOf, schoolsOf } from "./readings.js";
import { nextOptions } from "./roster.service.js";
import { StopsService } from "./stops.service.js";
import { StudentsService } from "./students.service.js";

@Controller("students/:id")
export class StandingsController {
  constructor(
    private readonly scopes: Scopes,
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
    private readonly stops: StopsService,
  ) {}

  /** The standing of every skill and side of one student. */
  @Get("standings")
  @For("viewer")
  @Reply(standingsReply, 400, 401, 404, 410)
  read(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<Items<StandingItem>> {
    return this.scopes.run(member, async (scope) => {
      const student = await this.students.getOrThrow(scope, id);
      const { standings } = await this.standings.readingOf(scope, student);
      return { items: standings.map(standingItem) };
    });
  }

  /** What the student does next, the best first, each with its reason. */
  @Get("next")
  @For("viewer")
  @Reply(nextReply, 400, 401, 404, 410)
  next(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<Items<NextItem>> {
    return this.scopes.run(member, async (scope) => {
      const student = await this.students.getOrThrow(scope, id);
      // Whoever stopped early is offered no drill any more today.
      if (await this.stops.hasStopped(scope, id)) return { items: [] };
      const reading = await this.standings.readingOf(scope, student);
      return { items: proposalsOf(reading, nextOptions(scope, student)).map(nextItem) };
    });
  }

  /** The ladder of one side as the student stands on it; nothing for a side that the catalogue has not. */
  @Get("ladder")
  @For("viewer")
  @Reply(ladderReply, 400, 401, 404, 410)
  ladder(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: lastSetsQuery })
    { subject, side }: { readonly subject: string; readonly side: SideName },
  ): Promise<Items<RungItem>> {
    return this.scopes.run(member, async (scope) => {
      const student = await this.students.getOrThrow(scope, id);
      const reading = await this.standings.readingOf(scope, student);
      const of = reading.syllabus.find(subject, side);
      return { items: of === null ? [] : ladderItems(reading, of) };
    });
  }

  /** The cheapest path to some goals; to the student's own where none are named. */
  @Get("path")
  @For("viewer")
  @Reply(pathReply, 400, 401, 404, 410, 422)
  path(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: pathQuery }) { goal }: { readonly goal?: string | readonly string[] },
  ): Promise<PathView> {
    return this.scopes.run(member, async (scope) => {
      const student = await this.students.getOrThrow(scope, id);
      const reading = await this.standings.readingOf(scope, student);
      const goals = goal === undefined ? student.goals : goalsOf([goal].flat());
      return pathOf(reading, goals, { fusedFirst: fusedFirstOf(student.settings, scope.studio.settings) });
    });
  }

  /** The last sets of one side, newest first, without those that were taken back. */
  @Get("sets")
  @For("viewer")
  @Reply(lastSetsReply, 400, 401, 404, 410)
  lastSets(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: lastSetsQuery })
    { subject, side }: { readonly subject: string; readonly side: SideName },
  ): Promise<Items<SetRequest>> {
    return this.scopes.run(member, async (scope) => {
      await this.students.getOrThrow(scope, id);
      const sets = await this.standings.lastSets(scope, id, { subject, side });
      return { items: sets.map(requestOf) };
    });
  }

  /** What this week asks of the student's legs, from sums by lesson. */
  @Get("load")
  @For("viewer")
  @Reply(loadReply, 400, 401, 404, 410)
  load(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<LoadView> {
    return this.scopes.run(member, async (scope) => {
      await this.students.getOrThrow(scope, id);
      const { now, studio } = scope;
      const lessons = (await loadsOf(scope, [id])).get(id) ?? [];
      const today = localDate(now.getTime(), studio.timeZone);
      const { landings, multiples } = lessons.find((one) => one.day === today) ?? {
        landings: 0,
        multiples: 0,
      };
      const week = weekLoad(lessons, today, Number(settingValue("week-start", studio.settings)));
      return { ...week, today: { landings, multiples } };
    });
  }

  /** The same record under each of the schools; reads the student's whole log. */
  @Get("schools")
  @For("viewer")
  @Reply(schoolsReply, 400, 401, 404, 410)
  schools(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
  ): Promise<Items<SchoolReading>> {
    return this.scopes.run(member, async (scope) => {
      const student = await this.students.getOrThrow(scope, id);
      const lines = await this.standings.linesOf(scope, id);
      const under = schoolsOf((school) => this.standings.readingUnder(scope, { ...student, school }, lines));
      return { items: under };
    });
  }
}
