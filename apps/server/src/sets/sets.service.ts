import type { SetRequest, SetsReply, SetsRequest, StandingChange } from "@mirrup/contract";
import { sideKey, SideSet } from "@mirrup/core";
import { isClearedStatus } from "@mirrup/core/teaching";
import { Injectable } from "@nestjs/common";
import { Any, In } from "typeorm";
import { insertAll } from "../database/insert-all.js";
import { holdTeaching, type Scope } from "../database/scope.js";
import { AuditService } from "../audit/index.js";
import { combosNamed } from "../combos/index.js";
import { clockAheadBy, happenedAt, SetEntity } from "../log/index.js";
import { RefusedSetsProblem } from "../problems/problem.js";
import { changesBetween, openedOf, StandingsService, type Touched } from "../standings/index.js";
import { DeletedStudentEntity, hashOfId, holdStudents, type StudentEntity } from "../students/index.js";
import { isStored, refusalsOf, sameSet, type BatchKnowledge, type Refusal } from "./set-rules.js";

function lineOf(scope: Scope, set: SetRequest, aheadBy: number): SetEntity {
  const deviceAt = new Date(set.at);
  return {
    studioId: scope.studio.id,
    id: set.id,
    studentId: set.studentId,
    subject: set.subject,
    side: set.side,
    drill: set.drill,
    clean: set.clean,
    misses: set.misses,
    bestStreak: set.bestStreak,
    seconds: set.seconds ?? null,
    said: set.said ?? null,
    ticks: set.ticks ?? null,
    countedBy: set.countedBy,
    personId: scope.personId,
    deviceAt,
    receivedAt: scope.now,
    happenedAt: happenedAt(deviceAt, aheadBy, scope.now),
    catalogueVersion: scope.catalogue.version,
  };
}

/** Takes sets into the log, all of a batch or none. */
@Injectable()
export class SetsService {
  constructor(
    private readonly standings: StandingsService,
    private readonly audit: AuditService,
  ) {}

  /**
   * Stores the sets that the log does not have yet and answers what they changed. A set sent twice
   * is stored once. Throws `RefusedSetsProblem` naming every set that breaks a rule.
   */
  async log(asked: Scope, { sets, sentAt }: SetsRequest): Promise<SetsReply> {
    const scope = await holdTeaching(asked);
    const knowledge = await this.knowledgeOf(scope, sets);
    const { fresh, repeated } = this.sort(sets, knowledge);
    const aheadBy = clockAheadBy(sentAt, scope.now);
    const lines = fresh.map((set) => lineOf(scope, set, aheadBy));
    const students = knowledge.held.filter((student) => lines.some((line) => line.studentId === student.id));
    const touched = this.touchedBy(scope, students, lines);
    const before = await this.standings.readings(scope, students);
    if (lines.length > 0) {
      await insertAll(scope.manager, SetEntity, lines);
      await this.standings.add(scope, students, { sets: lines, decisions: [] });
    }
    const after = await this.standings.readings(scope, students);
    const changes = changesBetween(touched, before, after);
    await this.noteCleared(scope, changes);
    return {
      stored: lines.map((line) => line.id),
      alreadyStored: repeated.map((set) => set.id),
      clockAhead: lines.filter((line) => line.deviceAt > line.happenedAt).map((line) => line.id),
      clockAheadSeconds: Math.round(aheadBy / 1000),
      changes,
      opened: openedOf(before, after),
    };
  }

  /** The sides that the sets are about, and the parts that they are evidence for. */
  private touchedBy(scope: Scope, students: readonly StudentEntity[], lines: readonly SetEntity[]): Touched {
    return new Map(
      students.map((student) => {
        const own = lines.filter((line) => line.studentId === student.id);
        const borne = own.flatMap((line) => this.standings.borneBy(scope, student, line));
        return [student.id, new SideSet([...own, ...borne])];
      }),
    );
  }

  /** A side that a gate cleared is written down as the work of whoever sent the set. */
  private async noteCleared(scope: Scope, changes: readonly StandingChange[]): Promise<void> {
    const cleared = changes.filter(({ from, to }) => isClearedStatus(to) && !isClearedStatus(from));
    // The demo's and a command's history was nobody's doing.
    if (scope.personId === null || cleared.length === 0) return;
    const entries = cleared.map(({ studentId, subject, side }) => ({
      studentId,
      about: sideKey(subject, side),
    }));
    await this.audit.noteAll(scope, "cleared", entries);
  }

  /** Reads what the batch's rules ask for, and holds its students until the transaction ends. */
  private async knowledgeOf(
    scope: Scope,
    sets: readonly SetRequest[],
  ): Promise<BatchKnowledge & { readonly held: readonly StudentEntity[] }> {
    const studioId = scope.studio.id;
    const ids = [...new Set(sets.map((set) => set.studentId))];
    const students = await holdStudents(scope, ids);
    const hashes = new Map(ids.map((id) => [hashOfId(id), id]));
    const deleted = await scope.manager.findBy(DeletedStudentEntity, {
      studioId,
      idHash: In([...hashes.keys()]),
    });
    const stored = await scope.manager.findBy(SetEntity, { studioId, id: Any(sets.map((set) => set.id)) });
    const combos = await combosNamed(
      scope,
      sets.map((set) => set.subject),
    );
    return {
      held: students,
      catalogue: scope.catalogue,
      hidden: scope.hidden,
      students: new Set(students.map((student) => student.id)),
      deleted: new Set(deleted.flatMap(({ idHash }) => hashes.get(idHash) ?? [])),
      stored: new Map(stored.map((set) => [set.id, set])),
      combos,
    };
  }

  private sort(sets: readonly SetRequest[], knowledge: BatchKnowledge) {
    const refusals: Refusal[] = [];
    const repeated: SetRequest[] = [];
    const fresh = new Map<string, SetRequest>();
    sets.forEach((set, item) => {
      const twin = fresh.get(set.id);
      if (twin !== undefined) {
        if (sameSet(twin, set)) return;
        const message = "Two different sets of this batch have this id. Give each its own.";
        const error = { item, id: set.id, field: "id", code: "other-body", message };
        refusals.push({ status: 409, error });
        return;
      }
      refusals.push(...refusalsOf(set, item, knowledge));
      if (isStored(set, knowledge)) repeated.push(set);
      else fresh.set(set.id, set);
    });
    if (refusals.length > 0) {
      throw new RefusedSetsProblem(
        refusals.map((refusal) => refusal.error),
        new Set(refusals.map((refusal) => refusal.status)),
      );
    }
    return { fresh: [...fresh.values()], repeated };
  }
}
