import { CATALOGUE } from "@mirrup/catalogue";
import { compareLines, gateKey, isSameSide, SideMap, SideSet, type SubjectSide } from "@mirrup/core";
import {
  addEntry,
  byOwner,
  entriesOfDecision,
  entriesOfSet,
  evidenceOf,
  foldLines,
  isOfBaseTest,
  NO_FACTS,
  ownersOf,
  type Owner,
  type Reading,
  type SideEntry,
  type SideFacts,
} from "@mirrup/core/teaching";
import { Injectable } from "@nestjs/common";
import { In, Raw } from "typeorm";
import type { Scope } from "../database/scope.js";
import { DecisionEntity, SetEntity, voidedBy } from "../log/index.js";
import { StudentEntity } from "../students/student.entity.js";
import type { Readings } from "./changes.js";
import { columnsOf, factsByStudent, factsOf, type KeptFacts } from "./facts.js";
import { readerFor, rulesHash, type Learner } from "./learner.js";
import { addLoads, remakeLoads } from "./lesson-loads.js";
import { linesFrom, loggedSet, type LogRows } from "./log-lines.js";
import { RulesChangeEntity } from "./rules-change.entity.js";
import { StandingEntity } from "./standing.entity.js";
import { skillsReading, studentReading } from "./student-reading.js";

const LAST_SETS = 8;

/** Keeps the facts in step with the log, and reads standings from them. */
@Injectable()
export class StandingsService {
  /** The facts of some students, by the rules in force; one query, and one more a student whose facts are stale. */
  async factsOf(scope: Scope, learners: readonly Learner[]): Promise<ReadonlyMap<string, KeptFacts>> {
    for (const learner of learners) {
      if (learner.factsRules !== rulesHash(scope, readerFor(scope, learner)))
        await this.refresh(scope, learner);
    }
    return factsByStudent(
      await this.rowsOf(
        scope,
        learners.map((learner) => learner.id),
      ),
    );
  }

  async readingOf(scope: Scope, learner: Learner): Promise<Reading> {
    const facts = await this.factsOf(scope, [learner]);
    return skillsReading(scope, learner, facts.get(learner.id));
  }

  /** Where several students stand now, by student; one query. */
  async readings(scope: Scope, learners: readonly Learner[]): Promise<Readings> {
    if (learners.length === 0) return new Map();
    const facts = await this.factsOf(scope, learners);
    return new Map(
      learners.map((learner) => [learner.id, studentReading(scope, learner, facts.get(learner.id))]),
    );
  }

  /** The same record under another school or other gates, from the whole of the student's log. */
  readingUnder(scope: Scope, learner: Learner, rows: LogRows): Reading {
    const sides = foldLines(linesFrom(rows, scope.studio.timeZone), readerFor(scope, learner));
    return skillsReading(scope, learner, new SideMap(sides.map((one) => [one.owner, one.facts] as const)));
  }

  /**
   * Adds lines to the facts of the students that they are about; sides whose past a line belongs to are
   * folded anew from the log. However many lines, it takes two reads and one write, and one more read for
   * each student to whom something came late.
   */
  async add(scope: Scope, learners: readonly Learner[], rows: LogRows): Promise<void> {
    const stored = await this.rowsOf(
      scope,
      learners.map((learner) => learner.id),
    );
    const changed: StandingEntity[] = [];
    const fresh: FreshSide[] = [];
    for (const learner of learners) {
      const own = {
        sets: rows.sets.filter((set) => set.studentId === learner.id),
        decisions: rows.decisions.filter((line) => line.studentId === learner.id),
      };
      const ofLearner = stored.filter((row) => row.studentId === learner.id);
      const added = this.addTo(scope, learner, own, ofLearner);
      changed.push(...added.changed);
      fresh.push(...added.fresh);
      if (added.late.length > 0) await this.refold(scope, learner, added.late);
    }
    const behind = await studentsWithLater(scope, fresh, rows.sets);
    for (const learner of learners) {
      const owners = fresh.filter((one) => one.row.studentId === learner.id).map((one) => one.row);
      if (owners.length === 0) continue;
      if (behind.has(learner.id)) await this.refold(scope, learner, owners);
      else changed.push(...owners);
    }
    await this.write(
      scope,
      changed,
      changed.map((row) => row.studentId),
    );
    await addLoads(scope, rows.sets);
  }

  /** Sides with their new lines added, and those that have to be folded anew. */
  private addTo(scope: Scope, learner: Learner, rows: LogRows, stored: readonly StandingEntity[]) {
    const reader = readerFor(scope, learner);
    const kept = new SideMap(stored.map((row) => [row, row] as const));
    const lines = linesFrom(rows, scope.studio.timeZone);
    const entries = [
      ...lines.sets.flatMap((set) => entriesOfSet(set, reader)),
      ...lines.decisions.flatMap((line) => entriesOfDecision(line, reader)),
    ];
    const changed: StandingEntity[] = [];
    const fresh: FreshSide[] = [];
    const late: SubjectSide[] = [];
    for (const { owner, entries: own } of byOwner(entries)) {
      const row = kept.get(owner);
      const added = [...own].sort(compareLines);
      const [first] = added;
      const last = added.at(-1);
      // A side that nobody has practised has no reviews that a kindred set could count for.
      if (first === undefined || last === undefined) continue;
      if (row === undefined && added.every((entry) => entry.type === "kin")) continue;
      if (row !== undefined && isLate(first, row)) late.push(owner);
      else {
        const before = row === undefined ? NO_FACTS : factsOf(row);
        const facts = added.reduce((sum, entry) => addEntry(sum, entry, owner, reader.model), before);
        const next = this.row(scope, learner, owner, facts, last);
        if (row === undefined) fresh.push({ row: next, since: first.at });
        else changed.push(next);
      }
    }
    const { baseTest, catalogue } = reader.syllabus;
    if (baseTest !== null && lines.sets.some((set) => isOfBaseTest(catalogue.roles.baseTest, set)))
      late.push(baseTest);
    return { changed, fresh, late };
  }

  /** The sides that a set bears on: its own or its parts, those that it may count as a review of, the base test. */
  sidesOf(scope: Scope, learner: Learner, set: SetEntity): readonly SubjectSide[] {
    return ownersOf(loggedSet(set, scope.studio.timeZone), readerFor(scope, learner));
  }

  /** The sides that a set is evidence for. */
  borneBy(scope: Scope, learner: Learner, set: SetEntity): readonly SubjectSide[] {
    const { syllabus } = readerFor(scope, learner);
    return evidenceOf(loggedSet(set, scope.studio.timeZone), syllabus).flatMap(({ of, holds }) =>
      holds ? [of] : [],
    );
  }

  /**
   * Makes the facts of a student's sides anew from the log, all of them unless some are named. The
   * facts agree with the kept ones exactly on integers and to 1e-9 on sums.
   */
  async refold(scope: Scope, learner: Learner, only?: readonly SubjectSide[]): Promise<void> {
    const rows = await this.linesOf(scope, learner.id, only);
    if (only === undefined) await remakeLoads(scope, learner.id, rows.sets);
    const wanted = only === undefined ? null : new SideSet(only);
    const reader = readerFor(scope, learner);
    const isWanted = (owner: SubjectSide) => wanted?.has(owner) ?? true;
    const sides = foldLines(linesFrom(rows, scope.studio.timeZone), reader, isWanted);
    const fresh = sides.map((one) => this.row(scope, learner, one.owner, one.facts, one.last));
    const key = { studioId: scope.studio.id, studentId: learner.id };
    const kept = await scope.manager.findBy(StandingEntity, key);
    const lost = kept.filter((row) => isWanted(row) && !fresh.some((one) => isSameSide(one, row)));
    if (lost.length > 0) await scope.manager.remove(StandingEntity, lost);
    await this.write(scope, fresh, [learner.id]);
    if (only !== undefined) return;
    const factsRules = rulesHash(scope, reader);
    await scope.manager.update(StudentEntity, { studioId: scope.studio.id, id: learner.id }, { factsRules });
  }

  /**
   * After a change of a student's own gates: the sides that it touches are made anew, and the rest stands
   * as it was made by what has not changed.
   */
  async refoldUnder(
    scope: Scope,
    before: Learner,
    after: Learner,
    sides: readonly SubjectSide[],
  ): Promise<void> {
    const isFresh = before.factsRules === rulesHash(scope, readerFor(scope, before));
    await this.refold(scope, after, isFresh ? sides : undefined);
    const factsRules = rulesHash(scope, readerFor(scope, after));
    await scope.manager.update(StudentEntity, { studioId: scope.studio.id, id: after.id }, { factsRules });
  }

  /**
   * Makes facts that other rules made anew, once, however many ask at the same time; what is cleared by
   * them and was not, or the reverse, is written down for the owner.
   */
  private async refresh(scope: Scope, { id }: Learner): Promise<void> {
    const studioId = scope.studio.id;
    const held = await scope.manager.findOne(StudentEntity, {
      where: { studioId, id },
      lock: { mode: "for_no_key_update" },
    });
    if (held === null || held.factsRules === rulesHash(scope, readerFor(scope, held))) return;
    const before = await this.rowsOf(scope, [id]);
    await this.refold(scope, held);
    const after = await this.rowsOf(scope, [id]);
    const cleared = (rows: readonly StandingEntity[]) => rows.filter((row) => row.clearedAt !== null);
    const [was, is] = [new SideSet(cleared(before)), new SideSet(cleared(after))];
    const changes = [
      ...cleared(before)
        .filter((row) => !is.has(row))
        .map((row) => ({ row, isCleared: false })),
      ...cleared(after)
        .filter((row) => !was.has(row))
        .map((row) => ({ row, isCleared: true })),
    ].map(({ row: { subject, side }, isCleared }) => {
      return { studioId, studentId: id, subject, side, isCleared, at: scope.now };
    });
    if (changes.length === 0) return;
    const keys = ["studioId", "studentId", "subject", "side"];
    await scope.manager.upsert(RulesChangeEntity, changes, keys);
  }

  /**
   * A student's lines that were not taken back. Where sides are named: those that can bear on them, which
   * are the sets of these and of what needs them, and every set with a score of its own.
   */
  async linesOf(scope: Scope, studentId: string, only?: readonly SubjectSide[]): Promise<LogRows> {
    const where = { studioId: scope.studio.id, studentId };
    const sets = await scope.manager.findBy(
      SetEntity,
      only === undefined
        ? where
        : [
            { ...where, subject: In(subjectsFor(only)) },
            { ...where, drill: hasScore() },
          ],
    );
    const decisions = await scope.manager.findBy(DecisionEntity, where);
    const voided = voidedBy(decisions);
    return {
      sets: sets.filter((set) => !voided.has(set.id)),
      decisions: decisions.filter((line) => !voided.has(line.id)),
    };
  }

  /** The last sets of one side that were not taken back, newest first; the index gives them without a search. */
  async lastSets(
    scope: Scope,
    studentId: string,
    { subject, side }: SubjectSide,
  ): Promise<readonly SetEntity[]> {
    const studioId = scope.studio.id;
    const sets = await scope.manager.find(SetEntity, {
      where: { studioId, studentId, subject, side },
      order: { happenedAt: "DESC", id: "DESC" },
      take: LAST_SETS,
    });
    const about = { studioId, studentId, subject, side };
    const voided = voidedBy(await scope.manager.findBy(DecisionEntity, about));
    return sets.filter((set) => !voided.has(set.id));
  }

  private row(
    scope: Scope,
    learner: Learner,
    owner: Owner,
    facts: SideFacts,
    last: SideEntry,
  ): StandingEntity {
    return {
      studioId: scope.studio.id,
      studentId: learner.id,
      subject: owner.subject,
      side: owner.side,
      gate: gateKey(owner.gate),
      ...columnsOf(facts),
      foldedAt: new Date(last.at),
      foldedId: last.id,
    };
  }

  private rowsOf(scope: Scope, studentIds: readonly string[]): Promise<StandingEntity[]> {
    const where = { studioId: scope.studio.id, studentId: In([...studentIds]) };
    return scope.manager.findBy(StandingEntity, where);
  }

  /** Writes facts, and that there is another edition of those of these students. */
  private async write(
    scope: Scope,
    rows: readonly StandingEntity[],
    studentIds: readonly string[],
  ): Promise<void> {
    const key = ["studioId", "studentId", "subject", "side"];
    if (rows.length > 0) await scope.manager.upsert(StandingEntity, [...rows], key);
    if (studentIds.length === 0) return;
    const students = { studioId: scope.studio.id, id: In([...new Set(studentIds)]) };
    await scope.manager.increment(StudentEntity, students, "factsEdition", 1);
  }
}

/** A side that nobody had practised, and when its first line happened. */
interface FreshSide {
  readonly row: StandingEntity;
  readonly since: number;
}

/**
 * Students with sets after a side's first line that came before it: some of them may be its reviews, which nobody
 * kept while there was no such side. One statement, along the index by time.
 */
async function studentsWithLater(
  scope: Scope,
  fresh: readonly FreshSide[],
  lines: readonly SetEntity[],
): Promise<ReadonlySet<string>> {
  if (fresh.length === 0) return new Set();
  const found: readonly { readonly id: string }[] = await scope.manager.query(
    `SELECT DISTINCT side.id FROM unnest($2::uuid[], $3::timestamptz[]) AS side (id, since)
     WHERE EXISTS (
       SELECT 1 FROM practice_set AS line
       WHERE line.studio_id = $1 AND line.student_id = side.id AND line.happened_at >= side.since
         AND line.id <> ALL ($4::uuid[]))`,
    [
      scope.studio.id,
      fresh.map((one) => one.row.studentId),
      fresh.map((one) => new Date(one.since)),
      lines.map((line) => line.id),
    ],
  );
  return new Set(found.map((one) => one.id));
}

/** The subjects whose sets, without a score of their own, can bear on some sides. */
function subjectsFor(sides: readonly SubjectSide[]): string[] {
  const named = sides.map((side) => side.subject);
  const needing = named.flatMap((subject) => [subject, ...(CATALOGUE.neededBy.get(subject) ?? [])]);
  const base = (CATALOGUE.roles.baseTest?.parts ?? []).map((part) => part.subject);
  return [...new Set([...needing, ...base])];
}

function hasScore() {
  return Raw((column) => `jsonb_exists(${column}, 'score')`);
}

function isLate(entry: SideEntry, row: StandingEntity): boolean {
  return compareLines(entry, { at: row.foldedAt.getTime(), id: row.foldedId }) < 0;
}
