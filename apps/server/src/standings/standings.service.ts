import { CATALOGUE } from "@mirrup/catalogue";
import {
  addEntry,
  BASE_TEST,
  BASE_TEST_PARTS,
  COMBO_GATE,
  comboStanding,
  comboSubject,
  compareEntries,
  foldEntries,
  gateKey,
  kinSides,
  localDate,
  SIDE_NAMES,
  standingsOf,
  type FactsBySide,
  type SideEntry,
  type Standing,
  type StandingFacts,
  type SubjectSide,
} from "@mirrup/core";
import { Injectable } from "@nestjs/common";
import { In, type FindOptionsWhere } from "typeorm";
import type { Scope } from "../database/scope.js";
import { DecisionEntity, SetEntity, voidedBy } from "../log/index.js";
import type { Readings } from "./changes.js";
import { entriesOf, isBaseJump, keyOf, type KeyedEntry, type Lines } from "./entries.js";
import { columnsOf, factsByStudent, factsOf } from "./facts.js";
import { factsFrom, foldSides, ruleOf } from "./folding.js";
import { contextOf, type Learner } from "./learner.js";
import { addLoads, remakeLoads } from "./lesson-loads.js";
import { StandingEntity } from "./standing.entity.js";

const LAST_SETS = 8;
const NOTHING: FactsBySide = new Map();

/** Keeps the facts in step with the log, and reads standings from them. */
@Injectable()
export class StandingsService {
  /** The facts of the named students; one query. */
  async factsOf(scope: Scope, studentIds: readonly string[]): Promise<Map<string, FactsBySide>> {
    return factsByStudent(await this.rowsOf(scope, studentIds));
  }

  /** The facts of all students of the studio; one query. */
  async allFacts(scope: Scope): Promise<Map<string, FactsBySide>> {
    const where = { studioId: scope.studio.id };
    return factsByStudent(await scope.manager.findBy(StandingEntity, where));
  }

  standingsFrom(scope: Scope, learner: Learner, facts: FactsBySide | undefined): readonly Standing[] {
    return standingsOf(contextOf(scope, learner), facts ?? NOTHING);
  }

  async standings(scope: Scope, learner: Learner): Promise<readonly Standing[]> {
    const facts = await this.factsOf(scope, [learner.id]);
    return this.standingsFrom(scope, learner, facts.get(learner.id));
  }

  /** Where several students stand now, by student; one query. */
  async readings(scope: Scope, learners: readonly Learner[]): Promise<Readings> {
    if (learners.length === 0) return new Map();
    const facts = await this.factsOf(
      scope,
      learners.map((learner) => learner.id),
    );
    return new Map(
      learners.map((learner) => {
        const own = facts.get(learner.id);
        const skills = this.standingsFrom(scope, learner, own);
        return [learner.id, [...skills, ...combosIn(scope, own ?? NOTHING)]];
      }),
    );
  }

  /** The same record under another school or other gates, from the whole of the student's log. */
  standingsUnder(scope: Scope, learner: Learner, lines: Lines): readonly Standing[] {
    const context = contextOf(scope, learner);
    return standingsOf(context, factsFrom(foldSides(lines, context, scope.studio.timeZone)));
  }

  /**
   * Adds sets and decisions, already in the log, to the facts of the students given. What comes after
   * all that a side holds is added to it; a side that a late line belongs into the middle of is folded
   * anew from the log. However many lines, it takes one read and one write, and one more read for each
   * student to whom something came late.
   */
  async add(scope: Scope, learners: readonly Learner[], lines: Lines): Promise<void> {
    const stored = await this.rowsOf(
      scope,
      learners.map((learner) => learner.id),
    );
    const rows: StandingEntity[] = [];
    for (const learner of learners) {
      const own = {
        sets: lines.sets.filter((set) => set.studentId === learner.id),
        decisions: lines.decisions.filter((line) => line.studentId === learner.id),
      };
      const ofLearner = stored.filter((row) => row.studentId === learner.id);
      const { changed, late } = this.addTo(scope, learner, own, ofLearner);
      rows.push(...changed);
      if (late.size > 0) await this.refold(scope, learner, late);
    }
    await this.write(scope, rows);
    await addLoads(scope, lines.sets);
  }

  /** Sides with their new lines added, and the keys of sides that have to be folded anew. */
  private addTo(scope: Scope, learner: Learner, lines: Lines, stored: readonly StandingEntity[]) {
    const context = contextOf(scope, learner);
    const rows = new Map(stored.map((row) => [keyOf(row), row]));
    const changed = new Map<string, StandingEntity>();
    const late = new Set<string>();
    const entries = [...entriesOf(lines, context, scope.studio.timeZone)];
    entries.sort((one, other) => compareEntries(one.entry, other.entry));
    for (const keyed of entries) {
      const key = keyOf(keyed);
      const row = changed.get(key) ?? rows.get(key);
      // A side that nobody has practised has no reviews that a kindred set could count for.
      if (keyed.entry.type === "kin" && row === undefined) continue;
      if (row !== undefined && isLate(keyed.entry, row)) late.add(key);
      else changed.set(key, this.rowWith(scope, learner, keyed, row));
    }
    if (context.school.asksBaseTest && lines.sets.some(isBaseJump)) late.add(`${BASE_TEST}:whole`);
    for (const key of late) changed.delete(key);
    return { changed: [...changed.values()], late };
  }

  /** The sides that a line bears on: its own, and for a set those that it may count as a review of. */
  sidesOf(scope: Scope, learner: Learner, line: Pick<SetEntity, "subject" | "side">): ReadonlySet<string> {
    const context = contextOf(scope, learner);
    const base = isBaseJump(line) && context.school.asksBaseTest ? [`${BASE_TEST}:whole`] : [];
    return new Set([keyOf(line), ...kinSides(context, line.subject, line.side).map(keyOf), ...base]);
  }

  /**
   * Makes the facts of a student's sides anew from the log, all of them unless some are named. The
   * facts agree with the kept ones exactly on integers and to 1e-9 on sums.
   */
  async refold(scope: Scope, learner: Learner, only?: ReadonlySet<string>): Promise<void> {
    const lines = await this.linesOf(scope, learner.id, only);
    if (only === undefined) await remakeLoads(scope, learner.id, lines.sets);
    const sides = foldSides(lines, contextOf(scope, learner), scope.studio.timeZone, only);
    const rows = sides.map((one) => this.row(scope, learner, one, one.facts, one.last));
    const key = { studioId: scope.studio.id, studentId: learner.id };
    const gone: FindOptionsWhere<StandingEntity>[] =
      only === undefined
        ? [key]
        : [...only].map((side) => ({ ...key, subject: side.slice(0, side.lastIndexOf(":")) }));
    const kept = await scope.manager.findBy(StandingEntity, gone);
    const fresh = new Set(rows.map(keyOf));
    const lost = kept.filter((row) => (only?.has(keyOf(row)) ?? true) && !fresh.has(keyOf(row)));
    if (lost.length > 0) await scope.manager.remove(StandingEntity, lost);
    await this.write(scope, rows);
  }

  /** A student's lines that were not taken back; those that bear on some sides where these are named. */
  async linesOf(scope: Scope, studentId: string, only?: ReadonlySet<string>): Promise<Lines> {
    const where = { studioId: scope.studio.id, studentId };
    const named = [...(only ?? [])].map((side) => side.slice(0, side.lastIndexOf(":")));
    const needing = named.flatMap((subject) => [subject, ...(CATALOGUE.neededBy.get(subject) ?? [])]);
    const parts = named.includes(BASE_TEST) ? BASE_TEST_PARTS.map(([subject]) => subject) : [];
    const subjects = new Set([...needing, ...parts]);
    const ofSubjects = only === undefined ? where : { ...where, subject: In([...subjects]) };
    const sets = await scope.manager.findBy(SetEntity, ofSubjects);
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

  private rowWith(
    scope: Scope,
    learner: Learner,
    keyed: KeyedEntry,
    row: StandingEntity | undefined,
  ): StandingEntity {
    const { gate, beats } = ruleOf(contextOf(scope, learner), keyed.subject);
    const facts =
      row === undefined
        ? foldEntries([keyed.entry], gate, beats)
        : addEntry(factsOf(row), keyed.entry, gate, beats);
    return this.row(scope, learner, keyed, facts, keyed.entry);
  }

  private row(
    scope: Scope,
    learner: Learner,
    { subject, side }: Pick<KeyedEntry, "subject" | "side">,
    facts: StandingFacts,
    last: SideEntry,
  ): StandingEntity {
    return {
      studioId: scope.studio.id,
      studentId: learner.id,
      subject,
      side,
      gate: gateKey(ruleOf(contextOf(scope, learner), subject).gate),
      ...columnsOf(facts),
      foldedAt: new Date(last.at),
      foldedId: last.id,
    };
  }

  private rowsOf(scope: Scope, studentIds: readonly string[]): Promise<StandingEntity[]> {
    const where = { studioId: scope.studio.id, studentId: In([...studentIds]) };
    return scope.manager.findBy(StandingEntity, where);
  }

  private async write(scope: Scope, rows: readonly StandingEntity[]): Promise<void> {
    if (rows.length === 0) return;
    const key = ["studioId", "studentId", "subject", "side"];
    await scope.manager.upsert(StandingEntity, [...rows], key);
  }
}

/** Where a student stands with the combos and links that have been practised. */
function combosIn({ now, studio }: Scope, facts: FactsBySide): readonly Standing[] {
  const at = now.getTime();
  const today = localDate(at, studio.timeZone);
  return [...facts].flatMap(([key, own]): Standing[] => {
    const place = key.lastIndexOf(":");
    const subject = key.slice(0, place);
    const side = SIDE_NAMES.find((one) => one === key.slice(place + 1));
    if (side === undefined || comboSubject(subject) === null) return [];
    const { status, cleanChance } = comboStanding(own, true, at, today);
    return [{ subject, side, status, cleanChance, facts: own, gate: COMBO_GATE, unmet: [], isStuck: false }];
  });
}

function isLate(entry: SideEntry, row: StandingEntity): boolean {
  return compareEntries(entry, { at: row.foldedAt.getTime(), id: row.foldedId }) < 0;
}
