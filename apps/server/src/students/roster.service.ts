import type { StudentView } from "@mirrup/contract";
import { sidesOf, type Skill } from "@mirrup/core";
import { statusCodes, type Reading } from "@mirrup/core/teaching";
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
import { UnknownStudentProblem } from "../problems/problem.js";
import { goalsFor } from "./goals.js";
import { Glances, type Glance } from "./glances.js";
import { leadingSide, type StudentEntity } from "./student.entity.js";
import { ropeMisfitOf } from "./rope.js";
import { StopsService } from "./stops.service.js";
import { StudentsService } from "./students.service.js";

/** What of a student and the studio decides the order of the proposals. */
export function nextOptions(scope: Scope, student: StudentEntity, reading: Reading): NextOptions {
  return {
    leadingSide: leadingSide(student),
    goals: goalsFor(scope, student, reading),
    settings: [student.settings, scope.studio.settings],
  };
}

/** Students whose readings are worked out before others have their turn. */
const AT_ONCE = 5;

/** Students at a glance: where they stand, what comes next. */
@Injectable()
export class RosterService {
  constructor(
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
    private readonly members: MembersService,
    private readonly stops: StopsService,
    private readonly glances: Glances,
  ) {}

  /** Those who are present: reading them costs the same however many were archived in the years before. */
  async list(scope: Scope): Promise<StudentView[]> {
    const students = await this.students.list(scope);
    const groups = await this.members.groupsOf(
      scope,
      students.map((student) => student.id),
    );
    const stopped = await this.stops.today(scope);
    const glances = await this.glancesOf(scope, students);
    return students.flatMap((student) => {
      const glance = glances.get(student.id);
      const rest = { groups: groups.get(student.id) ?? [], hasStopped: stopped.has(student.id) };
      return glance === undefined ? [] : [viewOf(scope, student, glance, rest)];
    });
  }

  async read(scope: Scope, id: string): Promise<StudentView> {
    const student = await this.students.getOrThrow(scope, id);
    const glance = (await this.glancesOf(scope, [student])).get(id);
    if (glance === undefined) throw new UnknownStudentProblem();
    const groups = await this.members.groupsOf(scope, [id]);
    const hasStopped = await this.stops.hasStopped(scope, id);
    return viewOf(scope, student, glance, { groups: groups.get(id) ?? [], hasStopped });
  }

  /** By student; those that are not known any more are worked out, some at a time. */
  private async glancesOf(
    scope: Scope,
    students: readonly StudentEntity[],
  ): Promise<ReadonlyMap<string, Glance>> {
    const found = new Map<string, Glance>();
    for (const student of students) {
      const known = this.glances.of(scope, student);
      if (known !== null) found.set(student.id, known);
    }
    const unknown = students.filter((student) => !found.has(student.id));
    for (let from = 0; from < unknown.length; from += AT_ONCE) {
      const some = unknown.slice(from, from + AT_ONCE);
      const facts = await this.standings.factsOf(scope, some);
      for (const student of some) {
        const glance = glanceOf(scope, student, facts.get(student.id));
        this.glances.keep(scope, student, glance);
        found.set(student.id, glance);
      }
    }
    return found;
  }
}

function glanceOf(scope: Scope, student: StudentEntity, facts: KeptFacts | undefined): Glance {
  const reading: Reading = skillsReading(scope, student, facts);
  const { standings } = reading;
  const last = Math.max(0, ...standings.map((one) => one.facts.lastAt ?? 0));
  const [next] = proposalsOf(reading, nextOptions(scope, student, reading));
  return {
    level: levelOf(reading),
    stuck: standings.filter((one) => one.isStuck).length,
    reviewsDue: standings.filter((one) => one.status === "rusty").length,
    lastPractisedAt: last === 0 ? null : new Date(last).toISOString(),
    counts: countStatuses(reading),
    next: next === undefined ? null : nextItem(next),
    nextCodes: next === undefined ? "" : statusCodes(sidesOfSkill(standings, next.of.skill)),
  };
}

/** Of one skill, in the order of its sides. */
function sidesOfSkill(standings: Reading["standings"], skill: Skill): Reading["standings"] {
  return sidesOf(skill).flatMap((side) =>
    standings.filter(({ of }) => of.subject === skill.id && of.side === side),
  );
}

function viewOf(
  scope: Scope,
  student: StudentEntity,
  glance: Glance,
  { groups, hasStopped }: Pick<StudentView, "groups" | "hasStopped">,
): StudentView {
  return {
    id: student.id,
    name: student.name,
    leadingSide: leadingSide(student),
    dominantHand: student.dominantHand,
    ropeMisfitMm: ropeMisfitOf(scope, student),
    archived: student.archivedAt !== null,
    goals: student.goals,
    ...{ groups, hasStopped },
    ...glance,
    // Whoever stopped early is offered no drill any more today.
    ...(hasStopped ? { next: null, nextCodes: "" } : {}),
  };
}
