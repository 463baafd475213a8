import type {
  AuditAction,
  DecisionRequest,
  DecisionsReply,
  DecisionsRequest,
  DecisionView,
  LoggedDecision,
} from "@mirrup/contract";
import { programmesOf, sideKey, sidesOf, SideSet, type SubjectSide } from "@mirrup/core";
import { Injectable } from "@nestjs/common";
import { In } from "typeorm";
import { AuditService } from "../audit/index.js";
import { holdTeaching, type Scope, type TeachingScope } from "../database/scope.js";
import { combosNamed } from "../combos/index.js";
import {
  acceptedBy,
  clockAheadBy,
  DecisionEntity,
  decisionsOf,
  happenedAt,
  isAboutLine,
  SetEntity,
  voidedBy,
} from "../log/index.js";
import { RefusedDecisionsProblem } from "../problems/problem.js";
import {
  addLoads,
  changesBetween,
  gatesOf,
  openedOf,
  remakeDays,
  StandingsService,
  type Touched,
  type TouchedSide,
} from "../standings/index.js";
import type { LogPlace } from "@mirrup/core/teaching";
import { DeletedStudentEntity, hashOfId, StudentEntity, StudentsService } from "../students/index.js";
import { isStored, sortDecisions, type DecisionKnowledge } from "./decision-rules.js";

const ACTIONS: Readonly<Partial<Record<LoggedDecision["kind"], AuditAction>>> = {
  clear: "cleared",
  reopen: "reopened",
  override: "overrode",
  void: "took-back",
  accept: "accepted",
};

function lineOf(scope: Scope, request: DecisionRequest, aheadBy: number): DecisionEntity {
  const deviceAt = new Date(request.at);
  return {
    studioId: scope.studio.id,
    id: request.id,
    studentId: request.studentId,
    subject: request.subject,
    side: request.side,
    decision: request.decision,
    reason: request.reason,
    personId: scope.personId,
    deviceAt,
    receivedAt: scope.now,
    happenedAt: happenedAt(deviceAt, aheadBy, scope.now),
  };
}

/** Takes decisions into the log, all of a batch or none, and shows what was decided. */
@Injectable()
export class DecisionsService {
  constructor(
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
    private readonly audit: AuditService,
  ) {}

  /** A student's decisions, newest first, each with who made it and whether it was taken back. */
  async list(scope: Scope, studentId: string): Promise<DecisionView[]> {
    await this.students.getOrThrow(scope, studentId);
    return decisionsOf(scope, studentId);
  }

  /** Stores the decisions that the log does not have yet and answers what they changed. */
  async log(asked: Scope, { decisions: requests, sentAt }: DecisionsRequest): Promise<DecisionsReply> {
    const scope = await holdTeaching(asked);
    const students = await this.students.holdAll(scope, [...new Set(requests.map((one) => one.studentId))]);
    const knowledge = await this.knowledgeOf(scope, requests, students);
    const { refusals, fresh } = sortDecisions(requests, knowledge);
    if (refusals.length > 0) {
      const statuses = new Set(refusals.map((refusal) => refusal.status));
      const [only = 422] = statuses;
      throw new RefusedDecisionsProblem(
        refusals.map((refusal) => refusal.error),
        statuses.size === 1 ? only : 422,
      );
    }
    const aheadBy = clockAheadBy(sentAt, scope.now);
    const lines = fresh.map((request) => lineOf(scope, request, aheadBy));
    const before = await this.standings.readings(scope, students);
    if (lines.length > 0) await scope.manager.insert(DecisionEntity, lines);
    const touched = await this.derive(scope, students, lines);
    const after = await this.standings.readings(
      scope,
      await this.students.holdAll(scope, [...before.keys()]),
    );
    await this.note(scope, lines);
    return {
      stored: lines.map((line) => line.id),
      alreadyStored: requests.filter((request) => isStored(request, knowledge)).map((one) => one.id),
      changes: changesBetween(touched, before, after),
      opened: openedOf(before, after),
    };
  }

  /** Brings gates and facts in step with new decisions; answers the sides that they are about. */
  private async derive(
    scope: TeachingScope,
    students: readonly StudentEntity[],
    lines: readonly DecisionEntity[],
  ): Promise<Touched> {
    const touched = new Map<string, SideSet>();
    const plain = lines.filter(({ decision }) => decision.kind !== "override" && !isAboutLine(decision));
    await this.standings.add(scope, students, { sets: [], decisions: plain });
    for (const student of students) {
      const own = lines.filter((line) => line.studentId === student.id);
      touched.set(student.id, new SideSet(own.flatMap((line) => aboutOf(scope, line))));
      const anew = await this.sidesToRefold(scope, student, own);
      if (anew.length === 0) continue;
      const gates = await gatesOf(scope, this.standings, student.id);
      await scope.manager.update(StudentEntity, { studioId: scope.studio.id, id: student.id }, { gates });
      await this.standings.refoldUnder(scope, student, { ...student, gates }, anew);
    }
    return touched;
  }

  /** Sides whose gate changed, or from whose past something was taken back; its landings go with it. */
  private async sidesToRefold(
    scope: Scope,
    student: StudentEntity,
    lines: readonly DecisionEntity[],
  ): Promise<readonly TouchedSide[]> {
    const sides: TouchedSide[] = [];
    const changed: SetEntity[] = [];
    const touch = (about: readonly SubjectSide[], since: LogPlace | null) =>
      sides.push(...about.map(({ subject, side }) => ({ subject, side, since })));
    for (const line of lines) {
      if (line.decision.kind === "override") touch(aboutOf(scope, line), null);
      if (!isAboutLine(line.decision)) continue;
      const key = { studioId: scope.studio.id, id: line.decision.target };
      const set = await scope.manager.findOneBy(SetEntity, key);
      const decision = set === null ? await scope.manager.findOneBy(DecisionEntity, key) : null;
      if (set !== null) {
        if (line.decision.kind === "void") await addLoads(scope, [set], -1);
        touch(this.standings.sidesOf(scope, student, set), placeOf(set));
        changed.push(set);
      }
      if (decision?.decision.kind === "accept") {
        const accepted = await scope.manager.findOneByOrFail(SetEntity, {
          ...{ studioId: scope.studio.id, id: decision.decision.target },
        });
        touch(this.standings.sidesOf(scope, student, accepted), placeOf(accepted));
        changed.push(accepted);
        continue;
      }
      // What was asked of a gate changes all that was judged by it.
      if (decision !== null)
        touch(aboutOf(scope, decision), decision.decision.kind === "override" ? null : placeOf(decision));
    }
    await remakeDays(scope, student.id, changed);
    return sides;
  }

  private async note(scope: Scope, lines: readonly DecisionEntity[]): Promise<void> {
    // The demo's and a command's history was nobody's doing.
    if (scope.personId === null) return;
    for (const { decision, studentId, subject, side } of lines) {
      const action = ACTIONS[decision.kind];
      if (action !== undefined) {
        await this.audit.note(scope, action, { studentId, about: sideKey(subject, side) });
      }
    }
  }

  private async knowledgeOf(
    scope: Scope,
    requests: readonly DecisionRequest[],
    students: readonly StudentEntity[],
  ): Promise<DecisionKnowledge> {
    const studioId = scope.studio.id;
    const ids = [...new Set(requests.map((request) => request.studentId))];
    const hashes = new Map(ids.map((id) => [hashOfId(id), id]));
    const deleted = await scope.manager.findBy(DeletedStudentEntity, {
      studioId,
      idHash: In([...hashes.keys()]),
    });
    const stored = await scope.manager.findBy(DecisionEntity, {
      studioId,
      id: In(requests.map((request) => request.id)),
    });
    const wanted = requests.flatMap(({ decision }) => (isAboutLine(decision) ? [decision.target] : []));
    const sets = await scope.manager.findBy(SetEntity, { studioId, id: In(wanted) });
    const decisions = await scope.manager.findBy(DecisionEntity, { studioId, id: In(wanted) });
    const known = await scope.manager.findBy(DecisionEntity, { studioId, studentId: In(ids) });
    const voided = voidedBy(known);
    const accepted = acceptedBy(known);
    const combos = await combosNamed(
      scope,
      requests.map((request) => request.subject),
    );
    return {
      combos,
      catalogue: scope.catalogue,
      hidden: scope.hidden,
      programmes: programmesOf(scope.overlay),
      students: new Set(students.map((student) => student.id)),
      deleted: new Set(deleted.flatMap(({ idHash }) => hashes.get(idHash) ?? [])),
      stored: new Map(stored.map((line) => [line.id, line])),
      targets: new Map(
        [...sets, ...decisions].map((line) => {
          const { id, studentId } = line;
          const isVoid = line instanceof DecisionEntity && line.decision.kind === "void";
          const isAlone = line instanceof SetEntity && line.countedBy === "student";
          const alone = isAlone ? (accepted.has(id) ? "accepted" : "open") : null;
          return [id, { studentId, isVoided: voided.has(id), isVoid, alone }];
        }),
      ),
    };
  }
}

const placeOf = ({ happenedAt, id }: SetEntity | DecisionEntity): LogPlace => ({
  at: happenedAt.getTime(),
  id,
});

/** The sides that a decision is about: an override's gate counts for every side of its skill. */
function aboutOf(
  { catalogue, hidden }: Scope,
  { subject, side, decision }: DecisionEntity,
): readonly SubjectSide[] {
  const skill = catalogue.skills.get(subject) ?? hidden.get(subject);
  if (decision.kind !== "override" || skill === undefined) return [{ subject, side }];
  return sidesOf(skill).map((one) => ({ subject, side: one }));
}
