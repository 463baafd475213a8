import { fusedFirstOf } from "@mirrup/catalogue";
import type {
  FloorView,
  Items,
  LoadView,
  NextItem,
  PathView,
  RungItem,
  SchoolReading,
  SetView,
  StandingItem,
} from "@mirrup/contract";
import {
  floorReply,
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
import type { SideName } from "@mirrup/core";
import { Controller, Get, Param, Query } from "@nestjs/common";
import { Reading, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { StandingsService } from "../standings/index.js";
import { goalsFor } from "./goals.js";
import { goalsOf, pathOf, schoolsOf } from "./readings.js";
import { StudentReadings } from "./student-readings.service.js";
import { StudentsService } from "./students.service.js";

@Controller("students/:id")
export class StandingsController {
  constructor(
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
    private readonly readings: StudentReadings,
  ) {}

  @Get("standings")
  @Reading({
    says: "The standing of every skill and side of one student",
    for: "viewer",
    reply: standingsReply,
    refuses: [410],
  })
  async read(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
  ): Promise<Items<StandingItem>> {
    const student = await this.students.getOrThrow(scope, id);
    return { items: await this.readings.standingsOf(scope, student) };
  }

  @Get("next")
  @Reading({
    says: "What the student does next, the best first, each with its reason",
    for: "viewer",
    reply: nextReply,
    refuses: [410],
  })
  async next(@Within() scope: Scope, @Param("id", { schema: idParam }) id: string): Promise<Items<NextItem>> {
    const student = await this.students.getOrThrow(scope, id);
    return { items: await this.readings.nextOf(scope, student) };
  }

  @Get("ladder")
  @Reading({
    says: "The ladder of one side as the student stands on it; nothing for a side that the catalogue has not",
    for: "viewer",
    reply: ladderReply,
    refuses: [410],
  })
  async ladder(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: lastSetsQuery })
    { subject, side }: { readonly subject: string; readonly side: SideName },
  ): Promise<Items<RungItem>> {
    const student = await this.students.getOrThrow(scope, id);
    return { items: await this.readings.ladderOf(scope, student, { subject, side }) };
  }

  @Get("path")
  @Reading({
    says: "The cheapest path to some goals; to the student's own where none are named",
    for: "viewer",
    reply: pathReply,
    refuses: [410, 422],
  })
  async path(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: pathQuery }) { goal }: { readonly goal?: string | readonly string[] },
  ): Promise<PathView> {
    const student = await this.students.getOrThrow(scope, id);
    const reading = await this.standings.readingOf(scope, student);
    const goals = goal === undefined ? student.goals : goalsOf(scope, [goal].flat());
    const fusedFirst = fusedFirstOf(student.settings, scope.studio.settings);
    return pathOf(reading, goals, goalsFor(scope, student, reading, goals), { fusedFirst });
  }

  @Get("sets")
  @Reading({
    says: "The last sets of one side, newest first, without those that were taken back",
    for: "viewer",
    reply: lastSetsReply,
    refuses: [410],
  })
  async lastSets(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: lastSetsQuery })
    { subject, side }: { readonly subject: string; readonly side: SideName },
  ): Promise<Items<SetView>> {
    const student = await this.students.getOrThrow(scope, id);
    return { items: await this.readings.lastSetsOf(scope, student, { subject, side }) };
  }

  @Get("load")
  @Reading({
    says: "What this week asks of the student's legs, from sums by lesson",
    for: "viewer",
    reply: loadReply,
    refuses: [410],
  })
  async load(@Within() scope: Scope, @Param("id", { schema: idParam }) id: string): Promise<LoadView> {
    return this.readings.loadOf(scope, await this.students.getOrThrow(scope, id));
  }

  @Get("floor")
  @Reading({
    says: "All that the floor shows of a student and a side, as of one moment",
    for: "viewer",
    reply: floorReply,
    refuses: [410],
  })
  floor(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: lastSetsQuery })
    { subject, side }: { readonly subject: string; readonly side: SideName },
  ): Promise<FloorView> {
    return this.readings.floorOf(scope, id, { subject, side });
  }

  @Get("schools")
  @Reading({
    says: "The same record under each of the schools; reads the student's whole log",
    for: "viewer",
    reply: schoolsReply,
    refuses: [410],
  })
  async schools(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
  ): Promise<Items<SchoolReading>> {
    const student = await this.students.getOrThrow(scope, id);
    const lines = await this.standings.linesOf(scope, id);
    const under = schoolsOf((school) => this.standings.readingUnder(scope, { ...student, school }, lines));
    return { items: under };
  }
}
