import { settingValue } from "@mirrup/catalogue";
import type { FloorView, LoadView, NextItem, RungItem, SetView, StandingItem } from "@mirrup/contract";
import { localDate, type SubjectSide } from "@mirrup/core";
import { weekLoad, type Reading } from "@mirrup/core/teaching";
import { Injectable } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { withNotes } from "../log/index.js";
import {
  ladderItems,
  loadsOf,
  nextItem,
  proposalsOf,
  standingItem,
  StandingsService,
} from "../standings/index.js";
import { nextOptions, RosterService } from "./roster.service.js";
import { StopsService } from "./stops.service.js";
import type { StudentEntity } from "./student.entity.js";
import { StudentsService } from "./students.service.js";

function itemsOf({ standings }: Reading): readonly StandingItem[] {
  return standings.map(standingItem);
}

function ladderIn(reading: Reading, { subject, side }: SubjectSide): readonly RungItem[] {
  const of = reading.syllabus.find(subject, side);
  return of === null ? [] : ladderItems(reading, of);
}

function proposed(scope: Scope, student: StudentEntity, reading: Reading): readonly NextItem[] {
  return proposalsOf(reading, nextOptions(scope, student, reading)).map(nextItem);
}

/** What is read of one student beside the floor, piece by piece and all at once. */
@Injectable()
export class StudentReadings {
  constructor(
    private readonly students: StudentsService,
    private readonly roster: RosterService,
    private readonly standings: StandingsService,
    private readonly stops: StopsService,
  ) {}

  async standingsOf(scope: Scope, student: StudentEntity): Promise<readonly StandingItem[]> {
    return itemsOf(await this.standings.readingOf(scope, student));
  }

  /** The best first; whoever stopped early is offered no drill any more today. */
  async nextOf(scope: Scope, student: StudentEntity): Promise<readonly NextItem[]> {
    if (await this.stops.hasStopped(scope, student.id)) return [];
    return proposed(scope, student, await this.standings.readingOf(scope, student));
  }

  async ladderOf(scope: Scope, student: StudentEntity, of: SubjectSide): Promise<readonly RungItem[]> {
    return ladderIn(await this.standings.readingOf(scope, student), of);
  }

  /** The last sets of one side, newest first. */
  async lastSetsOf(scope: Scope, { id }: StudentEntity, of: SubjectSide): Promise<readonly SetView[]> {
    return withNotes(scope, await this.standings.lastSets(scope, id, of));
  }

  async loadOf(scope: Scope, { id }: StudentEntity): Promise<LoadView> {
    const { now, studio } = scope;
    const lessons = (await loadsOf(scope, [id])).get(id) ?? [];
    const today = localDate(now.getTime(), studio.timeZone);
    const none = { landings: 0, multiples: 0 };
    const { landings, multiples } = lessons.find((one) => one.day === today) ?? none;
    const week = weekLoad(lessons, today, Number(settingValue("week-start", studio.settings)));
    return { ...week, today: { landings, multiples } };
  }

  /** All that the floor shows of a student and a side, from one reading. */
  async floorOf(scope: Scope, id: string, of: SubjectSide): Promise<FloorView> {
    const student = await this.students.getOrThrow(scope, id);
    const view = await this.roster.read(scope, id);
    const reading = await this.standings.readingOf(scope, student);
    return {
      student: view,
      standings: itemsOf(reading),
      next: view.hasStopped ? [] : proposed(scope, student, reading),
      ladder: ladderIn(reading, of),
      sets: await this.lastSetsOf(scope, student, of),
      load: await this.loadOf(scope, student),
    };
  }
}
