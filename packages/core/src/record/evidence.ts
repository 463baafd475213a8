/**
 * What the log says about one student, subject and side, as facts that do not depend on the day
 * they are read: a fold over the side's entries in the order in which they happened. Status and
 * chances are derived from the facts on reading, so a read costs nothing that grows with the log.
 */
import type { Instant, LocalDate } from "../instant.js";
import { gateAsStreak, gateTarget, type Gate } from "../syllabus/gates.js";
import type { DecisionEntry } from "../log/decision.js";
import { RELEVANCE, type DrillKind } from "../syllabus/drill.js";
import { reviewByKin, reviewBySet, startReview, type Review } from "./review.js";
import { bestCleanWithin, missCount, type PracticeSet } from "../log/set.js";
import { weightAt, weightScale } from "./weight.js";

/** From this relevance on a set counts as a review. */
const REVIEW_RELEVANCE = 0.6;

/** What one lesson came to, and where the side stood before it. */
export interface LessonFacts {
  readonly lesson: LocalDate;
  readonly bestStreak: number;
  readonly tries: number;
  readonly bestBefore: number;
  readonly chanceBefore: number;
}

export interface Clearing {
  readonly at: Instant;
  readonly by: "gate" | "hand" | "placed";
  /** What a clearing without sets counts as in a row; null for the most that anything asks. */
  readonly count: number | null;
}

export interface StandingFacts {
  /** Σ relevance · clean · 2^((t − epoch) / half-life). */
  readonly cleanSum: number;
  readonly missSum: number;
  /** How many sets bear on the chance of a clean try. */
  readonly sets: number;
  /** Best streak since the last reopening, in a set of a kind that counts for gates. */
  readonly bestStreak: number;
  /** Furthest progress on the gate in force since the last reopening, in the gate's own unit. */
  readonly gateBest: number;
  /** Null while not cleared since the last reopening. */
  readonly cleared: Clearing | null;
  readonly reopenedAt: Instant | null;
  /** Null while not cleared. */
  readonly review: Review | null;
  /** When placement took the side as likely known, since the last reopening; drawn as inferred. */
  readonly presumedAt: Instant | null;
  /** The last two lessons and the last three of honest tries, newest first. */
  readonly lessons: readonly LessonFacts[];
  /** When the last set of any kind happened. */
  readonly lastAt: Instant | null;
}

export const NO_FACTS: StandingFacts = {
  cleanSum: 0,
  missSum: 0,
  sets: 0,
  bestStreak: 0,
  gateBest: 0,
  cleared: null,
  reopenedAt: null,
  review: null,
  presumedAt: null,
  lessons: [],
  lastAt: null,
};

/** What bears on one side: its own sets and decisions, and the sets of skills that need it. */
export type SideEntry =
  | ({ readonly type: "set" } & PracticeSet)
  | ({ readonly type: "kin" } & PracticeSet)
  | ({ readonly type: "decision" } & DecisionEntry);

const STREAK_KINDS: ReadonlySet<DrillKind> = new Set(["streak", "climb", "hold", "count"]);
const CLEAN_KINDS: ReadonlySet<DrillKind> = new Set(["one-stop", "one-out", "from-rest", "streak", "climb"]);

/** How far one set goes on a gate, in the gate's own unit; 0 where its kind does not count. */
export function gateProgress(set: PracticeSet, gate: Gate): number {
  const { kind } = set.drill;
  switch (gate.kind) {
    case "streak":
      return STREAK_KINDS.has(kind) ? set.bestStreak : 0;
    case "hold":
      return kind === "hold" && missCount(set.misses) === 0 ? Math.floor(set.seconds ?? 0) : 0;
    case "clean":
      return CLEAN_KINDS.has(kind) ? bestCleanWithin(set, gate.of) : 0;
    case "count":
      return kind === "count" && (set.seconds ?? Infinity) <= gate.seconds ? set.clean : 0;
  }
}

/** How much of the gate a review came to: by the gate itself, or by its streak or clean tries. */
function reviewShare(set: PracticeSet, gate: Gate, beatsPerRepetition: number): number {
  const clean = STREAK_KINDS.has(set.drill.kind) ? set.bestStreak : set.clean;
  return Math.max(gateProgress(set, gate) / gateTarget(gate), clean / gateAsStreak(gate, beatsPerRepetition));
}

const RECENT_LESSONS = 2;
/** Lessons that a judgement of stuck looks back on, and the tries that make one honest. */
export const STUCK_LESSONS = 3;
export const HONEST_TRIES = 10;

/** The lessons with one more set, whose tries bear on the chance; O(1), a handful is kept. */
function withLesson(facts: StandingFacts, set: PracticeSet, streak: number): readonly LessonFacts[] {
  const { lesson } = set;
  const tries = set.clean + missCount(set.misses);
  const same = facts.lessons.find((one) => one.lesson === lesson);
  const before = same ?? {
    lesson,
    bestStreak: 0,
    tries: 0,
    bestBefore: facts.bestStreak,
    chanceBefore: cleanChanceAt(facts, lastScale(facts)),
  };
  const now = {
    ...before,
    bestStreak: Math.max(before.bestStreak, streak),
    tries: before.tries + tries,
  };
  const sorted = [...facts.lessons.filter((one) => one.lesson !== lesson), now].sort((one, other) =>
    one.lesson < other.lesson ? 1 : -1,
  );
  const honest = sorted.filter((one) => one.tries >= HONEST_TRIES).slice(0, STUCK_LESSONS);
  return sorted.filter((one, place) => place < RECENT_LESSONS || honest.includes(one));
}

function afterSet(facts: StandingFacts, set: PracticeSet, gate: Gate, beats: number): StandingFacts {
  const relevance = RELEVANCE[set.drill.kind];
  const weight = relevance * weightAt(set.at);
  const streak = STREAK_KINDS.has(set.drill.kind) ? set.bestStreak : 0;
  const progress = gateProgress(set, gate);
  const clears = facts.cleared === null && progress >= gateTarget(gate);
  const review =
    facts.review === null || relevance < REVIEW_RELEVANCE
      ? facts.review
      : reviewBySet(facts.review, reviewShare(set, gate, beats), set.at, set.lesson);
  return {
    ...facts,
    cleanSum: facts.cleanSum + weight * set.clean,
    missSum: facts.missSum + weight * missCount(set.misses),
    sets: facts.sets + (relevance > 0 ? 1 : 0),
    bestStreak: Math.max(facts.bestStreak, streak),
    gateBest: Math.max(facts.gateBest, progress),
    cleared: clears ? { at: set.at, by: "gate", count: null } : facts.cleared,
    review: clears ? startReview(set.at, set.lesson) : review,
    lessons: relevance > 0 ? withLesson(facts, set, streak) : facts.lessons,
    lastAt: Math.max(facts.lastAt ?? -Infinity, set.at),
  };
}

function afterDecision(facts: StandingFacts, { decision, at, lesson }: DecisionEntry): StandingFacts {
  const cleared = (by: Clearing["by"], count: number | null): StandingFacts => ({
    ...facts,
    cleared: { at, by, count },
    review: facts.review ?? startReview(at, lesson),
  });
  switch (decision.kind) {
    case "clear":
      return cleared("hand", decision.count);
    case "place":
      if (decision.answer !== "clean" || facts.cleared !== null) return facts;
      return decision.seen ? cleared("placed", null) : { ...facts, presumedAt: at };
    case "reopen":
      return {
        ...facts,
        bestStreak: 0,
        gateBest: 0,
        cleared: null,
        presumedAt: null,
        review: null,
        reopenedAt: at,
      };
  }
}

/** The facts with one more entry, which happened after all that they hold. */
export function addEntry(
  facts: StandingFacts,
  entry: SideEntry,
  gate: Gate,
  beatsPerRepetition = 1,
): StandingFacts {
  switch (entry.type) {
    case "set":
      return afterSet(facts, entry, gate, beatsPerRepetition);
    case "decision":
      return afterDecision(facts, entry);
    case "kin":
      return facts.review === null
        ? facts
        : { ...facts, review: reviewByKin(facts.review, entry.clean, entry.at, entry.lesson) };
  }
}

/** The log's order: when a thing happened, then its id. */
export function compareEntries(
  one: { readonly at: Instant; readonly id: string },
  other: { readonly at: Instant; readonly id: string },
): number {
  return one.at - other.at || (one.id < other.id ? -1 : one.id > other.id ? 1 : 0);
}

/** The facts of a side from all that bears on it, in whatever order it is given. O(n log n). */
export function foldEntries(
  entries: readonly SideEntry[],
  gate: Gate,
  beatsPerRepetition = 1,
): StandingFacts {
  return [...entries]
    .sort(compareEntries)
    .reduce((facts, entry) => addEntry(facts, entry, gate, beatsPerRepetition), NO_FACTS);
}

/** Whether a side can do n in a row: by its best streak, or by a clearing by hand. */
export function hasInARow({ bestStreak, cleared }: StandingFacts, count: number): boolean {
  if (bestStreak >= count) return true;
  return cleared !== null && cleared.by !== "gate" && (cleared.count === null || cleared.count >= count);
}

/** Weighted clean and missed tries as they count at `now`. */
export function weightedTries(
  facts: StandingFacts,
  now: Instant,
): { readonly clean: number; readonly misses: number } {
  const scale = weightScale(now);
  return { clean: facts.cleanSum * scale, misses: facts.missSum * scale };
}

/** The chance of a clean try, `a / (a + b)`, from kept sums and what they are scaled by. */
export function cleanChanceAt(
  { cleanSum, missSum }: Pick<StandingFacts, "cleanSum" | "missSum">,
  scale: number,
): number {
  return (1 + cleanSum * scale) / (2 + (cleanSum + missSum) * scale);
}

/** What the sums are scaled by to count as of the side's last set. */
export function lastScale({ lastAt }: Pick<StandingFacts, "lastAt">): number {
  return lastAt === null ? 0 : weightScale(lastAt);
}
