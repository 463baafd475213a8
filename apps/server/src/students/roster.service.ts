import type { StudentView } from "@mirrup/contract";
import type { FactsBySide } from "@mirrup/core";
import { Injectable } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { MembersService } from "../groups/index.js";
import {
  contextOf,
  countStatuses,
  levelOf,
  nextOf,
  StandingsService,
  type NextOptions,
} from "../standings/index.js";
import { leadingSide, type StudentEntity } from "./student.entity.js";
import { StopsService } from "./stops.service.js";
import { StudentsService } from "./students.service.js";

/** What of a student and the studio decides the order of the proposals. */
export function nextOptions(scope: Scope, student: StudentEntity): NextOptions {
  return {
    leadingSide: leadingSide(student),
    goals: student.goals,
    settings: [student.settings, scope.studio.settings],
  };
}

/** What was read about one student. */
interface Read {
  readonly facts: FactsBySide | undefined;
  readonly groups: readonly string[];
  readonly hasStopped: boolean;
}

/** Students at a glance: where they stand, what comes next. */
@Injectable()
export class RosterService {
  constructor(
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
    private readonly members: MembersService,
    private readonly stops: StopsService,
  ) {}

  async list(scope: Scope): Promise<StudentView[]> {
    const students = await this.students.list(scope, true);
    const facts = await this.standings.allFacts(scope);
    const groups = await this.members.groupsOf(
      scope,
      students.map((student) => student.id),
    );
    const stopped = await this.stops.today(scope);
    return students.map((student) =>
      this.view(scope, student, {
        facts: facts.get(student.id),
        groups: groups.get(student.id) ?? [],
        hasStopped: stopped.has(student.id),
      }),
    );
  }

  async read(scope: Scope, id: string): Promise<StudentView> {
    const student = await this.students.getOrThrow(scope, id);
    const facts = await this.standings.factsOf(scope, [id]);
    const groups = await this.members.groupsOf(scope, [id]);
    const hasStopped = await this.stops.hasStopped(scope, id);
    return this.view(scope, student, { facts: facts.get(id), groups: groups.get(id) ?? [], hasStopped });
  }

  private view(scope: Scope, student: StudentEntity, { facts, groups, hasStopped }: Read): StudentView {
    const standings = this.standings.standingsFrom(scope, student, facts);
    const context = contextOf(scope, student);
    const last = Math.max(0, ...standings.map((one) => one.facts.lastAt ?? 0));
    const [next = null] = hasStopped ? [] : nextOf(standings, nextOptions(scope, student), context);
    return {
      id: student.id,
      name: student.name,
      leadingSide: leadingSide(student),
      archived: student.archivedAt !== null,
      groups,
      hasStopped,
      goals: student.goals,
      level: levelOf(standings, context),
      stuck: standings.filter((one) => one.isStuck).length,
      reviewsDue: standings.filter((one) => one.status === "rusty").length,
      lastPractisedAt: last === 0 ? null : new Date(last).toISOString(),
      counts: countStatuses(standings),
      next,
    };
  }
}
