import type { StudentView } from "@mirrup/contract";
import type { Reading } from "@mirrup/core/teaching";
import { Injectable } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { MembersService } from "../groups/index.js";
import {
  countStatuses,
  levelOf,
  nextItem,
  proposalsOf,
  skillsReading,
  StandingsService,
  type KeptFacts,
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
  readonly facts: KeptFacts | undefined;
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
    const facts = await this.standings.factsOf(scope, students);
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
    const facts = await this.standings.factsOf(scope, [student]);
    const groups = await this.members.groupsOf(scope, [id]);
    const hasStopped = await this.stops.hasStopped(scope, id);
    return this.view(scope, student, { facts: facts.get(id), groups: groups.get(id) ?? [], hasStopped });
  }

  private view(scope: Scope, student: StudentEntity, { facts, groups, hasStopped }: Read): StudentView {
    const reading: Reading = skillsReading(scope, student, facts);
    const { standings } = reading;
    const last = Math.max(0, ...standings.map((one) => one.facts.lastAt ?? 0));
    const [next] = hasStopped ? [] : proposalsOf(reading, nextOptions(scope, student));
    return {
      id: student.id,
      name: student.name,
      leadingSide: leadingSide(student),
      dominantHand: student.dominantHand,
      archived: student.archivedAt !== null,
      groups,
      hasStopped,
      goals: student.goals,
      level: levelOf(reading),
      stuck: standings.filter((one) => one.isStuck).length,
      reviewsDue: standings.filter((one) => one.status === "rusty").length,
      lastPractisedAt: last === 0 ? null : new Date(last).toISOString(),
      counts: countStatuses(reading),
      next: next === undefined ? null : nextItem(next),
    };
  }
}
