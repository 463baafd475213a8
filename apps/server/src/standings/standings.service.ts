import {
  grouped,
  isSameSide,
  SideMap,
  SideSet,
  type Instant,
  type SubjectSide,
  type Syllabus,
} from "@mirrup/core";
import {
  byOwner,
  editionDifference,
  entriesOf,
  evidenceOf,
  foldLines,
  nothingBefore,
  ownerOf,
  ownersOf,
  touchedSides,
  type EditionDifference,
  type Reading,
  type SideFacts,
} from "@mirrup/core/teaching";
import { Injectable } from "@nestjs/common";
import { isDeepStrictEqual } from "node:util";
import { In } from "typeorm";
import { lastCatalogues } from "../database/catalogue.js";
import { holdTeaching, StaleFacts, type Scope, type TeachingScope } from "../database/scope.js";
import { DecisionEntity, SetEntity, voidedBy, type LogSet } from "../log/index.js";
import { StudentEntity } from "../students/student.entity.js";
import type { Readings } from "./changes.js";
import { factsByStudent, type KeptFacts } from "./facts.js";
import {
  addTo,
  earliest,
  foldedFrom,
  rowOf,
  type FoldedRow,
  type FreshSide,
  type LateSide,
  type TouchedSide,
} from "./folded-row.js";
import { isOfThisBuild, readerFor, rulesHash, syllabusFor, type Learner } from "./learner.js";
import { addLoads, remakeLoads } from "./lesson-loads.js";
import { linesFrom, loggedSet, type LogRows } from "./log-lines.js";
import { linesOf, type Span } from "./log-reader.js";
import { keptMarks, startBefore, writeMarks } from "./marks.js";
import { addDays, remakeAllDays } from "./practice-days.js";
import { RememberedFacts } from "./remembered.js";
import { RulesChangeEntity } from "./rules-change.entity.js";
import { StandingEntity } from "./standing.entity.js";
import { skillsReading, studentReading } from "./student-reading.js";

const LAST_SETS = 8;
const COURSE_SETS = 120;
/** Whoever is looked at more seldom than so many changes of what is taught has all facts made anew. */
const LAST_EDITIONS = 8;
const NO_ROWS: LogRows = { sets: [], decisions: [] };

/** By what facts were made, and what is another since. */
interface ChangedSince {
  readonly then: Scope;
  readonly difference: EditionDifference;
}

/** Keeps the facts in step with the log, and reads standings from them. */
@Injectable()
export class StandingsService {
  constructor(private readonly remembered: RememberedFacts) {}

  /** The facts of some students, by the rules in force; one query, and one more a student whose facts are stale. */
  async factsOf(scope: Scope, learners: readonly Learner[]): Promise<ReadonlyMap<string, KeptFacts>> {
    const isSnapshot = scope.mode === "read";
    const stale = learners.filter(
      (learner) => learner.factsRules !== rulesHash(scope, readerFor(scope, learner)),
    );
    if (isSnapshot && stale.length > 0) {
      throw new StaleFacts(stale.map((learner) => (writing) => this.refresh(writing, learner)));
    }
    for (const learner of stale) await this.refresh(scope, learner);
    const facts = new Map<string, KeptFacts>();
    for (const learner of isSnapshot ? learners : []) {
      const known = this.remembered.of(learner);
      if (known !== null) facts.set(learner.id, known);
    }
    const unknown = learners.filter((learner) => !facts.has(learner.id));
    if (unknown.length === 0) return facts;
    const rows = await this.rowsOf(
      scope,
      unknown.map((learner) => learner.id),
    );
    const read = factsByStudent(rows);
    for (const learner of unknown) {
      const own = read.get(learner.id) ?? new SideMap<SideFacts>();
      facts.set(learner.id, own);
      if (isSnapshot) this.remembered.keep(learner, own);
    }
    return facts;
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
   * Where some would stand by another edition of what is taught, from the facts that are kept; the log is read only of
   * sides that would be judged otherwise, of all of them in two queries.
   */
  async readingsBy(
    scope: Scope,
    then: Scope,
    learners: readonly Learner[],
    facts: ReadonlyMap<string, KeptFacts>,
  ): Promise<ReadonlyMap<string, Reading>> {
    const judged = new Map(
      learners.map((learner) => [
        learner.id,
        otherwiseJudged(syllabusFor(scope, learner), syllabusFor(then, learner)),
      ]),
    );
    const spans = learners.flatMap(({ id }): Span[] => {
      const sides = judged.get(id) ?? [];
      return sides.length === 0 ? [] : [{ studentId: id, sides, since: null }];
    });
    const lines = await linesOf(then, spans);
    return new Map(
      learners.map((learner) => {
        const kept = facts.get(learner.id);
        const wanted = new SideSet(judged.get(learner.id) ?? []);
        if (wanted.size === 0) return [learner.id, skillsReading(then, learner, kept)];
        const read = linesFrom(lines.get(learner.id) ?? NO_ROWS, scope.studio.timeZone);
        const folded = foldLines(read, readerFor(then, learner), (owner) => wanted.has(owner));
        const rest = (kept?.entries() ?? []).filter(([side]) => !wanted.has(side));
        const all = [...rest, ...folded.map(({ owner, facts: own }) => [owner, own] as const)];
        return [learner.id, skillsReading(then, learner, new SideMap(all))];
      }),
    );
  }

  /**
   * Adds lines to the facts of the students that they are about; a side whose past a line belongs to is folded on
   * from where it stood before. However many lines and students, it takes as many statements.
   */
  async add(scope: TeachingScope, learners: readonly Learner[], rows: LogRows): Promise<void> {
    const stored = await this.rowsOf(
      scope,
      learners.map((learner) => learner.id),
    );
    const added = learners.map((learner) => {
      const isOwn = (line: { readonly studentId: string }) => line.studentId === learner.id;
      const own = { sets: rows.sets.filter(isOwn), decisions: rows.decisions.filter(isOwn) };
      return addTo(scope, learner, own, stored.filter(isOwn));
    });
    const fresh = added.flatMap((one) => one.fresh);
    const behind = await studentsWithLater(scope, fresh, rows.sets);
    const isBehind = ({ learner }: FreshSide) => behind.has(learner.id);
    const late = [...added.flatMap((one) => one.late), ...fresh.filter(isBehind).map((one) => one.late)];
    const folded = [
      ...added.flatMap((one) => one.folded),
      ...fresh.filter((one) => !isBehind(one)).map((one) => one.folded),
      ...(await this.foldLate(scope, late)),
    ];
    await this.write(scope, folded);
    for (const { learner, baseTest } of added)
      if (baseTest !== null) await this.refold(scope, learner, [baseTest]);
    await addLoads(scope, rows.sets);
    await addDays(scope, rows.sets);
  }

  /** Sides folded on from where they stood before what came late to them, or was taken back. Three queries. */
  private async foldLate(scope: TeachingScope, late: readonly LateSide[]): Promise<readonly FoldedRow[]> {
    if (late.length === 0) return [];
    const kept = await keptMarks(
      scope,
      late.map((one) => one.learner.id),
      late.map((one) => one.owner.subject),
    );
    const begun = late.map((one) => {
      const own = kept.filter((mark) => mark.studentId === one.learner.id && isSameSide(mark, one.owner));
      return { ...one, start: one.isNew ? nothingBefore(one.since) : startBefore(own, one.since) };
    });
    const byStudent = [...grouped(begun, (one) => one.learner)];
    const lines = await linesOf(
      scope,
      byStudent.map(([learner, sides]): Span => {
        const starts = sides.map((one) => one.start?.at ?? null);
        const since = starts.reduce<Instant | null>(
          (first, at) => (first === null || at === null ? null : Math.min(first, at)),
          Infinity,
        );
        return { studentId: learner.id, sides: sides.map((one) => one.owner), since };
      }),
    );
    return byStudent.flatMap(([learner, sides]) => {
      const reader = readerFor(scope, learner);
      const read = linesFrom(lines.get(learner.id) ?? NO_ROWS, scope.studio.timeZone);
      const wanted = new SideSet(sides.map((one) => one.owner));
      const own = entriesOf(read, reader).filter(({ owner }) => wanted.has(owner));
      const entriesBySide = new SideMap(byOwner(own).map((one) => [one.owner, one.entries] as const));
      return sides.map(({ owner, start }) =>
        foldedFrom(scope, learner, { owner, start, entries: entriesBySide.get(owner) ?? [] }),
      );
    });
  }

  /** The sides that a set bears on: its own or its parts, those that it may count as a review of, the base test. */
  sidesOf(scope: Scope, learner: Learner, set: SetEntity): readonly SubjectSide[] {
    // One that the student counted alone bears on as many once it is accepted.
    const { isAlone: _alone, ...seen } = loggedSet(set, scope.studio.timeZone);
    return ownersOf(seen, readerFor(scope, learner));
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
  async refold(scope: TeachingScope, learner: Learner, only?: readonly SubjectSide[]): Promise<void> {
    const rows = await this.linesOf(scope, learner.id, only);
    if (only === undefined) {
      await remakeLoads(scope, learner.id, rows.sets);
      await remakeAllDays(scope, learner.id, rows.sets);
    }
    const wanted = only === undefined ? null : new SideSet(only);
    const reader = readerFor(scope, learner);
    const isWanted = (owner: SubjectSide) => wanted?.has(owner) ?? true;
    const sides = foldLines(linesFrom(rows, scope.studio.timeZone), reader, isWanted);
    const fresh = sides.map((one): FoldedRow => ({
      ...{ learner, owner: one.owner, marks: one.marks, stale: "all" },
      row: rowOf(scope, learner, one.owner, one),
    }));
    const kept = await this.rowsOf(scope, [learner.id]);
    const lost = kept.filter((row) => isWanted(row) && !fresh.some((one) => isSameSide(one.owner, row)));
    await this.write(scope, [
      ...fresh,
      ...lost.map((row): FoldedRow => ({ learner, owner: row, row: null, marks: [], stale: "all" })),
    ]);
    if (only !== undefined) return;
    const factsRules = rulesHash(scope, reader);
    await scope.manager.update(StudentEntity, { studioId: scope.studio.id, id: learner.id }, { factsRules });
  }

  /**
   * After a change of a student's own gates, or after something was taken back: the sides that it touches are made
   * anew, from where they stood before it where that is known, and the rest stands as it was made by what has not
   * changed.
   */
  async refoldUnder(
    scope: TeachingScope,
    before: Learner,
    after: Learner,
    touched: readonly TouchedSide[],
  ): Promise<void> {
    const reader = readerFor(scope, after);
    const { syllabus } = reader;
    if (before.factsRules !== rulesHash(scope, readerFor(scope, before))) {
      await this.refold(scope, after);
    } else {
      const late: LateSide[] = [];
      const whole: SubjectSide[] = [];
      for (const { subject, side, since } of touched) {
        const owner = ownerOf(subject, side, syllabus);
        if (since === null || owner === null || owner === syllabus.baseTest) whole.push({ subject, side });
        else late.push({ learner: after, owner, since, isNew: false });
      }
      await this.write(scope, await this.foldLate(scope, earliest(late)));
      if (whole.length > 0) await this.refold(scope, after, whole);
    }
    const factsRules = rulesHash(scope, reader);
    await scope.manager.update(StudentEntity, { studioId: scope.studio.id, id: after.id }, { factsRules });
  }

  /**
   * Makes facts anew that other rules made, once, however many ask at the same time. What is cleared by newer rules of
   * evidence and was not, or the reverse, is written down for the owner; what the studio itself changed is not, since
   * whoever changed it was shown what it comes to.
   */
  private async refresh(asked: Scope, { id }: Learner): Promise<void> {
    const scope = await holdTeaching(asked);
    const studioId = scope.studio.id;
    const held = await scope.manager.findOne(StudentEntity, {
      where: { studioId, id },
      lock: { mode: "for_no_key_update" },
    });
    if (held === null || held.factsRules === rulesHash(scope, readerFor(scope, held))) return;
    const since = await this.changedSince(scope, held);
    if (since !== null) return this.follow(scope, held, since);
    if (isOfThisBuild(held)) return this.refold(scope, held);
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

  /** Brings facts that one of the last editions made to the one in force: only the sides that are touched. */
  private async follow(
    scope: TeachingScope,
    learner: StudentEntity,
    { then, difference }: ChangedSince,
  ): Promise<void> {
    const about = difference.reread.map((subject) => ({ subject, side: "whole" as const }));
    const { sets } = about.length === 0 ? NO_ROWS : await this.linesOf(scope, learner.id, about);
    const reread = sets.filter(({ subject }) => difference.reread.includes(subject));
    // What a try of them asks of the legs may be something else.
    await addLoads(then, reread, -1);
    await addLoads(scope, reread);
    const reader = readerFor(scope, learner);
    const logged = reread.map((set) => loggedSet(set, scope.studio.timeZone));
    const touched = touchedSides(difference, logged, reader.model);
    if (touched.length > 0) await this.refold(scope, learner, touched);
    const factsRules = rulesHash(scope, reader);
    await scope.manager.update(StudentEntity, { studioId: scope.studio.id, id: learner.id }, { factsRules });
  }

  /** By which of the last editions somebody's facts were made, and what is another since; null for none of them. */
  private async changedSince(scope: TeachingScope, learner: StudentEntity): Promise<ChangedSince | null> {
    for (const taught of await lastCatalogues(scope.manager, scope.studio, LAST_EDITIONS)) {
      const then: Scope = { ...scope, ...taught };
      const { syllabus, model } = readerFor(then, learner);
      if (learner.factsRules !== rulesHash(then, { syllabus, model })) continue;
      const difference = editionDifference(syllabus, syllabusFor(scope, learner));
      return difference === null ? null : { then, difference };
    }
    return null;
  }

  /**
   * A student's lines that were not taken back. Where sides are named: those that can bear on them, which
   * are the sets of these and of what needs them, and every set with a score of its own.
   */
  async linesOf(scope: Scope, studentId: string, only?: readonly SubjectSide[]): Promise<LogRows> {
    const lines = await linesOf(scope, [{ studentId, sides: only ?? "all", since: null }]);
    return lines.get(studentId) ?? NO_ROWS;
  }

  /** The last sets of one side that were not taken back, newest first; the index gives them without a search. */
  lastSets(scope: Scope, studentId: string, about: SubjectSide): Promise<readonly SetEntity[]> {
    return this.newestSets(scope, studentId, about, LAST_SETS);
  }

  /** As many of one side as its course is told from, newest first. */
  setsOfSide(scope: Scope, studentId: string, about: SubjectSide): Promise<readonly SetEntity[]> {
    return this.newestSets(scope, studentId, about, COURSE_SETS);
  }

  private async newestSets(
    scope: Scope,
    studentId: string,
    { subject, side }: SubjectSide,
    take: number,
  ): Promise<readonly SetEntity[]> {
    const studioId = scope.studio.id;
    const sets = await scope.manager.find(SetEntity, {
      where: { studioId, studentId, subject, side },
      order: { happenedAt: "DESC", id: "DESC" },
      take,
    });
    const about = { studioId, studentId, subject, side };
    const voided = voidedBy(await scope.manager.findBy(DecisionEntity, about));
    return sets.filter((set) => !voided.has(set.id));
  }

  private rowsOf(scope: Scope, studentIds: readonly string[]): Promise<StandingEntity[]> {
    const where = { studioId: scope.studio.id, studentId: In([...studentIds]) };
    return scope.manager.findBy(StandingEntity, where);
  }

  /** Writes what sides were folded to, with their marks, and that there is another edition of their students' facts. */
  private async write(scope: TeachingScope, folded: readonly FoldedRow[]): Promise<void> {
    if (folded.length === 0) return;
    const studioId = scope.studio.id;
    const rows = folded.flatMap((one) => one.row ?? []);
    const lost = folded.filter((one) => one.row === null);
    const key = ["studioId", "studentId", "subject", "side"];
    if (rows.length > 0) await scope.manager.upsert(StandingEntity, rows, key);
    if (lost.length > 0)
      await scope.manager.delete(
        StandingEntity,
        lost.map(({ learner, owner: { subject, side } }) => ({
          studioId,
          studentId: learner.id,
          subject,
          side,
        })),
      );
    await writeMarks(
      scope,
      folded.map(({ learner, owner: { subject, side }, marks, stale }) => ({
        ...{ studentId: learner.id, subject, side, marks, stale },
      })),
    );
    const students = { studioId, id: In([...new Set(folded.map((one) => one.learner.id))]) };
    await scope.manager.increment(StudentEntity, students, "factsEdition", 1);
  }
}

/** The sides of another syllabus that have a gate which they had not. */
function otherwiseJudged(before: Syllabus, after: Syllabus): readonly SubjectSide[] {
  return after.sides.filter((side) => {
    const was = before.find(side.subject, side.side);
    return was === null || !isDeepStrictEqual(was.gate, side.gate);
  });
}

/**
 * Students with sets after a side's first line that came before it: some of them may be its reviews, which nobody
 * kept while there was no such side. One statement, along the index by time.
 */
async function studentsWithLater(
  scope: Scope,
  fresh: readonly FreshSide[],
  lines: readonly LogSet[],
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
      fresh.map((one) => one.learner.id),
      fresh.map((one) => new Date(one.late.since.at)),
      lines.map((line) => line.id),
    ],
  );
  return new Set(found.map((one) => one.id));
}
