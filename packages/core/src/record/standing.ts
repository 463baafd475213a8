/**
 * Where a student stands: the status of every side, derived from the facts when read and never stored
 * (teaching.md, Status). One pass over the syllabus, O(sides + needs).
 */
import { cellOf } from "../grid.js";
import type { Instant, LocalDate } from "../instant.js";
import type { SideName } from "../sides.js";
import { gateTarget, type Gate } from "../syllabus/gates.js";
import type { SubjectSide } from "../syllabus/roles.js";
import type { Side, Way } from "../syllabus/side.js";
import type { Syllabus } from "../syllabus/syllabus.js";
import { beliefOf } from "./belief.js";
import { cleanOf, type Belief } from "./chance.js";
import { hasInARow, HONEST_TRIES, NO_FACTS, plainChance, STUCK_LESSONS, type SideFacts } from "./facts.js";
import type { LearnerModel } from "./model.js";

export const STATUSES = ["locked", "ready", "working", "cleared", "inferred", "rusty"] as const;
export type Status = (typeof STATUSES)[number];

/** One thing that keeps a side locked. */
export interface Unmet {
  readonly of: Side;
  /** The gate that would meet the need. */
  readonly gate: Gate;
  /** What the gate asks, what is there and what is missing, in the gate's unit. */
  readonly need: number;
  readonly have: number;
  readonly short: number;
  /** Which of the skill's needs this belongs to, from 0. */
  readonly needIndex: number;
  /** Which way to meet that need; every entry of one way is asked, one way is enough. */
  readonly way: number;
}

export interface Standing {
  readonly of: Side;
  readonly status: Status;
  readonly facts: SideFacts;
  /** The chance of a miss of the next try. */
  readonly belief: Belief;
  readonly unmet: readonly Unmet[];
  /** Begun, and not moving for three lessons of honest tries. */
  readonly isStuck: boolean;
}

/** One student as read at one moment: what everything that proposes takes. */
export interface Reading {
  readonly syllabus: Syllabus;
  readonly model: LearnerModel;
  readonly now: Instant;
  /** The studio's day at `now`. */
  readonly today: LocalDate;
  /** By the sides' places. */
  readonly standings: readonly Standing[];
  readonly baseTest: Standing | null;
  /** The facts that are kept of a subject's side, of what is no skill too; undefined where nothing happened. */
  readonly factsOf: (side: SubjectSide) => SideFacts | undefined;
}

export type ReadingOptions = Pick<Reading, "syllabus" | "model" | "now" | "today" | "factsOf">;

/** The standing of a side. Throws a `RangeError` for a side of another syllabus. */
export function standingOf(
  { standings, baseTest }: Pick<Reading, "standings" | "baseTest">,
  side: Side,
): Standing {
  const found = baseTest?.of === side ? baseTest : standings[side.index];
  if (found?.of !== side) throw new RangeError(`"${side.subject}" ${side.side} is no side of this reading.`);
  return found;
}

/** The standing of a subject's side; null where the syllabus has none. */
export function findStanding(reading: Reading, subject: string, side: SideName): Standing | null {
  const of = reading.syllabus.find(subject, side);
  return of === null ? null : standingOf(reading, of);
}

export function cleanChance({ belief }: Pick<Standing, "belief">): number {
  return cleanOf(belief);
}

/** Whether a status meets a plain need. */
export function isMet(status: Status): boolean {
  return status === "cleared" || status === "rusty" || status === "inferred";
}

/** Cleared by sets, by hand or by placement; not only vouched for. */
export function isClearedStatus(status: Status): boolean {
  return status === "cleared" || status === "rusty";
}

/** The way with the most practice; null where none of several has been practised. */
function mostPractised(ways: readonly Way[], factsOf: (side: Side) => SideFacts): Way | null {
  const [first = null] = ways;
  if (ways.length === 1) return first;
  const practice = (way: Way) => way.reduce((sum, one) => sum + factsOf(one.of).sets, 0);
  let most: Way | null = null;
  let least = 0;
  for (const way of ways) {
    if (practice(way) <= least) continue;
    least = practice(way);
    most = way;
  }
  return most;
}

/** What a cleared skill vouches for below it: that it can be done, and of a count how far. */
interface Vouched {
  /** By place; whether the side is taken as known. */
  readonly inferred: readonly boolean[];
  /** By place; so many in a row that a cleared skill has asked of it; 0 for none. */
  readonly counts: readonly number[];
}

/**
 * The sides that cleared skills vouch for: whoever does a skill can do what it needs, and what that
 * needs in turn; and of each `≥ n`, up to that n. A side with sets of its own is not inferred, they say
 * what it is; what it needs is vouched for all the same.
 */
function vouchedFor(syllabus: Syllabus, facts: readonly SideFacts[]): Vouched {
  const factsOf = (side: Side) => facts[side.index] ?? NO_FACTS;
  const vouched = facts.map((own) => own.presumedAt !== null);
  const inferred = facts.map(() => false);
  // The base test has the place after the sides; nothing vouches for it.
  const counts = [...facts, ...(syllabus.baseTest === null ? [] : [NO_FACTS])].map(() => 0);
  for (const side of [...syllabus.sides].reverse()) {
    const own = factsOf(side);
    const isKnown = own.cleared !== null;
    const silent = own.sets === 0 && own.reopenedAt === null && !isKnown;
    if (vouched[side.index] === true && silent) inferred[side.index] = true;
    if (vouched[side.index] !== true && !isKnown) continue;
    for (const ways of side.needs) {
      for (const { of, count } of mostPractised(ways, factsOf) ?? []) {
        if (of === syllabus.baseTest) continue;
        vouched[of.index] = true;
        if (count !== null) counts[of.index] = Math.max(cellOf(counts, of.index), count);
      }
    }
  }
  return { inferred, counts };
}

interface Known extends Vouched {
  readonly syllabus: Syllabus;
  readonly facts: readonly SideFacts[];
  readonly baseFacts: SideFacts;
}

function factsAt({ syllabus, facts, baseFacts }: Known, side: Side): SideFacts {
  return side === syllabus.baseTest ? baseFacts : (facts[side.index] ?? NO_FACTS);
}

/** What is missing of each way to meet a need; null where one way misses nothing. */
function gapsOf(ways: readonly Way[], known: Known): readonly Omit<Unmet, "needIndex">[] | null {
  const gaps: Omit<Unmet, "needIndex">[] = [];
  for (const [number, way] of ways.entries()) {
    const before = gaps.length;
    for (const { of, count } of way) {
      const own = factsAt(known, of);
      const isVouched = known.inferred[of.index] === true;
      // What a cleared skill asked of it stands, though its own sets may fall short by now.
      const counted = cellOf(known.counts, of.index);
      const met =
        count === null ? own.cleared !== null || isVouched : hasInARow(own, count) || counted >= count;
      if (met) continue;
      const gate: Gate = count === null ? of.gate : { kind: "streak", count };
      const need = gateTarget(gate);
      const have = count === null ? own.gateBest : own.bestStreak;
      gaps.push({ of, gate, need, have, short: need - have, way: number });
    }
    if (gaps.length === before) return null;
  }
  return gaps;
}

function unmetOf({ needs }: Side, known: Known): readonly Unmet[] {
  return needs.flatMap((ways, needIndex) =>
    (gapsOf(ways, known) ?? []).map((gap) => ({ ...gap, needIndex })),
  );
}

/** A side that a cleared skill asks so many of, and whose own sets fall short: rusty, not locked. */
function isShort(facts: SideFacts, counted: number): boolean {
  return counted > 0 && facts.sets > 0 && facts.cleared === null && !hasInARow(facts, counted);
}

function statusOf(
  today: LocalDate,
  facts: SideFacts,
  unmet: readonly Unmet[],
  inferred: boolean,
  counted: number,
): Status {
  if (facts.cleared !== null) return facts.review !== null && facts.review.due < today ? "rusty" : "cleared";
  if (inferred) return "inferred";
  if (isShort(facts, counted) && facts.reopenedAt === null) return "rusty";
  if (unmet.length > 0) return "locked";
  return facts.sets > 0 || hasPassedRung(facts) ? "working" : "ready";
}

function hasPassedRung({ rungs }: SideFacts): boolean {
  return Object.values(rungs).some((rung) => rung.passed > 0);
}

/** Whether the last three lessons of honest tries left a side where it was (teaching.md, Stuck). */
export function isStuck(facts: SideFacts): boolean {
  const honest = facts.lessons.filter((lesson) => lesson.tries >= HONEST_TRIES).slice(0, STUCK_LESSONS);
  const earliest = honest.at(-1);
  if (honest.length < STUCK_LESSONS || earliest === undefined) return false;
  return facts.bestStreak <= earliest.bestBefore && plainChance(facts) <= earliest.chanceBefore;
}

/** Where a student stands with every side, in the syllabus's order. */
export function readingOf({ syllabus, model, now, today, factsOf }: ReadingOptions): Reading {
  const facts = syllabus.sides.map((side) => factsOf(side) ?? NO_FACTS);
  const { baseTest } = syllabus;
  const baseFacts = (baseTest === null ? undefined : factsOf(baseTest)) ?? NO_FACTS;
  const known: Known = { syllabus, facts, baseFacts, ...vouchedFor(syllabus, facts) };
  const read = (of: Side): Standing => {
    const own = factsAt(known, of);
    const unmet = unmetOf(of, known);
    const isVouched = known.inferred[of.index] === true;
    const status = statusOf(today, own, unmet, isVouched, cellOf(known.counts, of.index));
    const other = of.other === null ? null : factsAt(known, of.other);
    const belief = beliefOf(of.skill.skillClass, own, other, now, model);
    return { of, status, facts: own, belief, unmet, isStuck: status === "working" && isStuck(own) };
  };
  return {
    ...{ syllabus, model, now, today, factsOf },
    standings: syllabus.sides.map(read),
    baseTest: baseTest === null ? null : read(baseTest),
  };
}

/** What came within reach between two readings: sides that were locked and are not any more. */
export function openedBetween(before: Reading, after: Reading): readonly Side[] {
  return after.standings
    .filter((one, place) => one.status !== "locked" && before.standings[place]?.status === "locked")
    .map((one) => one.of);
}
