/**
 * What the log says about one student's side, as facts that do not depend on the day they are read: a
 * fold over the side's entries in the order in which they happened. Status and chances are derived from
 * the facts on reading, so a read costs nothing that grows with the log.
 */
import { DAY_MS, type Instant, type LocalDate } from "../instant.js";
import type { Decision, PlacementAnswer } from "../log/decision.js";
import { compareLines } from "../log/line.js";
import { bestCleanWithin, missCount, runsOf, type PracticeSet } from "../log/set.js";
import { DRILL_ROWS, type Drill } from "../syllabus/drill.js";
import { gateTarget, LEAST_RUN, type Gate } from "../syllabus/gates.js";
import type { LearnerModel } from "./model.js";
import { isPassed, passedDose } from "./passing.js";
import { REVIEW_OUTCOMES, reviewByKin, reviewBySet, startReview, type Review } from "./review.js";

/** What one lesson came to, and where the side stood before it. */
export interface LessonFacts {
  readonly lesson: LocalDate;
  readonly bestStreak: number;
  /** What its runs that are long enough to add up come to. */
  readonly inRuns: number;
  /** Tries of the whole. */
  readonly tries: number;
  /** Tries of anything about the side. */
  readonly worked: number;
  /** Whether the whole was tried as it is, and not a gentler drill of it alone. */
  readonly triedWhole: boolean;
  readonly bestBefore: number;
  readonly chanceBefore: number;
}

export interface Clearing {
  readonly at: Instant;
  readonly by: "gate" | "hand" | "placed";
  /** What a clearing without sets counts as in a row; null for the most that anything asks. */
  readonly count: number | null;
}

/** A rung of the ladder that was tried. */
export interface RungFacts {
  /** The most of it that was passed: rounds or rungs, 1 for tries; 0 for not yet. */
  readonly passed: number;
  /** The lesson of its last set, and how often running it failed there. */
  readonly lesson: LocalDate;
  readonly failed: number;
  /** When its last set happened. */
  readonly at: Instant;
  /** Its own tries as they counted at the last of them. */
  readonly clean: number;
  readonly missed: number;
}

/** What can become of a side: it is cleared, or a review of it comes to something. */
export const MILESTONE_KINDS = ["cleared", ...REVIEW_OUTCOMES] as const;

/** What became of a side at an entry. */
export interface Milestone {
  readonly kind: (typeof MILESTONE_KINDS)[number];
  readonly at: Instant;
  /** The entry's. */
  readonly id: string;
}

export interface SideFacts {
  /** Clean and missed tries of the whole as they counted when the last of them was made. */
  readonly clean: number;
  readonly missed: number;
  readonly countedAt: Instant | null;
  /** How many sets held the whole. */
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
  /** What became of it, the last of all; in the log's order. */
  readonly milestones: readonly Milestone[];
  /** When placement took the side as likely known, since the last reopening; drawn as inferred. */
  readonly presumedAt: Instant | null;
  /** What placement saw last. */
  readonly placed: PlacementAnswer | null;
  /** The last two lessons and the last three of honest tries, newest first. */
  readonly lessons: readonly LessonFacts[];
  /** The rungs that were tried since the last reopening, by id. */
  readonly rungs: Readonly<Record<string, RungFacts>>;
  /** When the last set of any kind happened. */
  readonly lastAt: Instant | null;
}

export const NO_FACTS: SideFacts = {
  clean: 0,
  missed: 0,
  countedAt: null,
  sets: 0,
  bestStreak: 0,
  gateBest: 0,
  cleared: null,
  reopenedAt: null,
  review: null,
  milestones: [],
  presumedAt: null,
  placed: null,
  lessons: [],
  rungs: {},
  lastAt: null,
};

/** Whether nothing is known of a side: it was neither done nor decided about. */
export function isNothing({ lastAt, cleared, placed, presumedAt, reopenedAt }: SideFacts): boolean {
  return [lastAt, cleared, placed, presumedAt, reopenedAt].every((known) => known === null);
}

interface At {
  readonly id: string;
  readonly at: Instant;
  readonly lesson: LocalDate;
}

/** What bears on one side: its own sets and decisions, and the sets of skills that need it. */
export type SideEntry =
  | ({
      readonly type: "set";
      readonly drill: Drill;
      readonly rung: string;
      readonly holds: boolean;
      readonly repetitions: number;
    } & At &
      Pick<PracticeSet, "clean" | "misses" | "bestStreak" | "seconds" | "isAlone">)
  | ({ readonly type: "kin"; readonly clean: number } & At)
  | ({ readonly type: "decision"; readonly decision: Decision } & At);

type SetEntry = Extract<SideEntry, { readonly type: "set" }>;

/** What a side, or a combo, is judged by. */
export interface Judged {
  readonly gate: Gate;
  readonly gateStreak: number;
}

/** How far one set goes on a gate, in the gate's own unit; 0 where its drill does not count for it. */
export function gateProgress(
  set: Omit<SetEntry, "type" | "rung" | "id" | "at" | "lesson">,
  gate: Gate,
): number {
  const { drill, holds } = set;
  if (!holds || !DRILL_ROWS[drill.kind].meets.includes(gate.kind)) return 0;
  switch (gate.kind) {
    case "streak":
      return set.bestStreak;
    case "hold":
      return missCount(set.misses) > 0 || set.seconds === undefined ? 0 : Math.floor(set.seconds);
    case "clean":
      return bestCleanWithin(set, gate.of);
    case "count":
      return set.seconds !== undefined && set.seconds <= gate.seconds ? set.clean : 0;
  }
}

function countsStreak({ drill, holds }: SetEntry): boolean {
  return holds && DRILL_ROWS[drill.kind].meets.includes("streak");
}

/** Between the rungs of a climb nobody misses and yet the run ends: no run is longer than the best one. */
const longRuns = (set: SetEntry) =>
  runsOf(set)
    .map((run) => Math.min(run, set.bestStreak))
    .filter((run) => run >= LEAST_RUN)
    .reduce((sum, run) => sum + run, 0);

/** What a lesson's runs come to on a gate that they add up to; 0 for every other gate. */
function runsTogether(gate: Gate, { lesson, inRuns }: LessonFacts): number {
  const addsUp = gate.kind === "streak" && gate.runsUntil !== undefined && lesson < gate.runsUntil;
  return addsUp ? inRuns : 0;
}

/** How much of the gate a review came to: by the gate itself, or by its streak or clean tries. */
function reviewShare(set: SetEntry, { gate, gateStreak }: Judged): number {
  const clean = countsStreak(set) ? set.bestStreak : set.clean * set.repetitions;
  return Math.max(gateProgress(set, gate) / gateTarget(gate), clean / gateStreak);
}

const RECENT_LESSONS = 2;
/** Lessons that a judgement of stuck looks back on, and the tries that make one honest. */
export const STUCK_LESSONS = 3;
export const HONEST_TRIES = 10;
/** From this share of the misses on a drill is the whole as it is. */
const WHOLE_SHARE = 0.75;

/** The chance of a clean try that the sums alone give, with one clean and one miss to begin with. */
export function plainChance({ clean, missed }: Pick<SideFacts, "clean" | "missed">): number {
  return (1 + clean) / (2 + clean + missed);
}

/** The lessons with one more set; O(1), a handful is kept. */
function withLesson(facts: SideFacts, set: SetEntry, streak: number): readonly LessonFacts[] {
  const { lesson } = set;
  const tries = set.clean + missCount(set.misses);
  const same = facts.lessons.find((one) => one.lesson === lesson);
  const before: LessonFacts = same ?? {
    ...{ lesson, bestStreak: 0, inRuns: 0, tries: 0, worked: 0, triedWhole: false },
    bestBefore: facts.bestStreak,
    chanceBefore: plainChance(facts),
  };
  const now = {
    ...before,
    bestStreak: Math.max(before.bestStreak, streak),
    inRuns: before.inRuns + (countsStreak(set) ? longRuns(set) : 0),
    tries: before.tries + (set.holds ? tries : 0),
    worked: before.worked + tries,
    triedWhole: before.triedWhole || (set.holds && DRILL_ROWS[set.drill.kind].share >= WHOLE_SHARE),
  };
  const sorted = [...facts.lessons.filter((one) => one.lesson !== lesson), now].sort((one, other) =>
    one.lesson < other.lesson ? 1 : -1,
  );
  const honest = sorted.filter((one) => one.tries >= HONEST_TRIES).slice(0, STUCK_LESSONS);
  return sorted.filter((one, place) => place < RECENT_LESSONS || honest.includes(one));
}

/** Rungs kept for one side: every ladder has fewer. */
const MOST_RUNGS = 40;

function withRung(
  rungs: SideFacts["rungs"],
  set: SetEntry,
  { halfLifeTries }: LearnerModel,
): SideFacts["rungs"] {
  const before = rungs[set.rung];
  const { passed = 0, clean = 0, missed = 0 } = before ?? {};
  const misses = missCount(set.misses);
  const kept = 2 ** -((set.clean + misses) / halfLifeTries);
  const isNow = isPassed(set.drill, set);
  const failed = before?.lesson === set.lesson ? before.failed : 0;
  const now: RungFacts = {
    passed: Math.max(passed, passedDose(set.drill, set)),
    lesson: set.lesson,
    failed: isNow ? 0 : 1 + failed,
    at: set.at,
    clean: clean * kept + set.clean,
    missed: missed * kept + misses,
  };
  const others = Object.entries(rungs).filter(([id]) => id !== set.rung);
  if (others.length >= MOST_RUNGS) {
    others.sort(([, one], [, other]) => (one.lesson < other.lesson ? 1 : one.lesson > other.lesson ? -1 : 0));
  }
  return Object.fromEntries([...others.slice(0, MOST_RUNGS - 1), [set.rung, now]]);
}

/** What is left of the past when a set is added: half for every so many days, and for every so many tries of it. */
function fading(facts: SideFacts, at: Instant, tries: number, model: LearnerModel): number {
  const days = facts.countedAt === null ? 0 : Math.max(0, (at - facts.countedAt) / DAY_MS);
  return 2 ** -(days / model.halfLifeDays + tries / model.halfLifeTries);
}

/** The sums with a set's tries, each as `weight` of one. */
function withTries(
  facts: SideFacts,
  set: SetEntry,
  model: LearnerModel,
  weight = 1,
): Pick<SideFacts, "clean" | "missed" | "countedAt"> {
  const misses = weight * missCount(set.misses);
  const tries = weight * set.clean * set.repetitions + misses;
  const kept = fading(facts, set.at, tries, model);
  const share = model.shares[set.drill.kind];
  return {
    missed: facts.missed * kept + misses,
    clean: facts.clean * kept + Math.max(0, share * tries - misses),
    countedAt: set.at,
  };
}

/** Kept for one side: a clearing and every review of the next years. */
const MOST_MILESTONES = 24;

function withMilestone(
  { milestones }: Pick<SideFacts, "milestones">,
  kind: Milestone["kind"] | null,
  { at, id }: At,
): SideFacts["milestones"] {
  return kind === null ? milestones : [...milestones, { kind, at, id }].slice(-MOST_MILESTONES);
}

/** What a student counted alone moves the chance by less, and nothing else. */
function afterAlone(facts: SideFacts, set: SetEntry, model: LearnerModel): SideFacts {
  const lastAt = facts.lastAt === null ? set.at : Math.max(facts.lastAt, set.at);
  return { ...facts, ...withTries(facts, set, model, model.aloneWeight), lastAt };
}

function afterSet(facts: SideFacts, set: SetEntry, judged: Judged, model: LearnerModel): SideFacts {
  if (set.isAlone === true) return afterAlone(facts, set, model);
  const streak = countsStreak(set) ? set.bestStreak : 0;
  const rungs = withRung(facts.rungs, set, model);
  const lessons = withLesson(facts, set, streak);
  const lastAt = facts.lastAt === null ? set.at : Math.max(facts.lastAt, set.at);
  if (!set.holds) return { ...facts, rungs, lessons, lastAt };
  const together = lessons.find((one) => one.lesson === set.lesson);
  const progress = Math.max(
    gateProgress(set, judged.gate),
    together === undefined ? 0 : runsTogether(judged.gate, together),
  );
  const clears = facts.cleared === null && progress >= gateTarget(judged.gate);
  const { reviews } = DRILL_ROWS[set.drill.kind];
  const { review, outcome } =
    facts.review === null || !reviews
      ? { review: facts.review, outcome: null }
      : reviewBySet(facts.review, reviewShare(set, judged), set.at, set.lesson);
  return {
    ...facts,
    ...withTries(facts, set, model),
    ...{ rungs, lessons, lastAt },
    sets: facts.sets + 1,
    bestStreak: Math.max(facts.bestStreak, streak),
    gateBest: Math.max(facts.gateBest, progress),
    cleared: clears ? { at: set.at, by: "gate", count: null } : facts.cleared,
    review: clears ? startReview(set.at, set.lesson) : review,
    milestones: withMilestone(facts, clears ? "cleared" : outcome, set),
  };
}

function afterDecision(
  facts: SideFacts,
  entry: Extract<SideEntry, { readonly type: "decision" }>,
): SideFacts {
  const { decision, at, lesson } = entry;
  const cleared = (by: Clearing["by"], count: number | null): SideFacts => ({
    ...facts,
    cleared: { at, by, count },
    review: facts.review ?? startReview(at, lesson),
    milestones: withMilestone(facts, "cleared", entry),
  });
  switch (decision.kind) {
    case "clear":
      return cleared("hand", decision.count);
    case "place": {
      const { answer, seen } = decision;
      if (answer !== "clean" || facts.cleared !== null) return { ...facts, placed: answer };
      return { ...(seen ? cleared("placed", null) : { ...facts, presumedAt: at }), placed: answer };
    }
    case "reopen":
      return {
        ...facts,
        bestStreak: 0,
        gateBest: 0,
        cleared: null,
        presumedAt: null,
        review: null,
        reopenedAt: at,
        // Three lessons were looked at to come here; they are not to call it stuck at once.
        lessons: [],
        rungs: {},
      };
  }
}

/** The facts with one more entry, which happened after all that they hold. */
export function addEntry(facts: SideFacts, entry: SideEntry, judged: Judged, model: LearnerModel): SideFacts {
  switch (entry.type) {
    case "set":
      return afterSet(facts, entry, judged, model);
    case "decision":
      return afterDecision(facts, entry);
    case "kin": {
      if (facts.review === null) return facts;
      const { review, outcome } = reviewByKin(facts.review, entry.clean, entry.at, entry.lesson);
      return { ...facts, review, milestones: withMilestone(facts, outcome, entry) };
    }
  }
}

/** The facts of a side from all that bears on it, in whatever order it is given. O(n log n). */
export function foldEntries(entries: readonly SideEntry[], judged: Judged, model: LearnerModel): SideFacts {
  return [...entries]
    .sort(compareLines)
    .reduce((facts, entry) => addEntry(facts, entry, judged, model), NO_FACTS);
}

/** Whether a side can do n in a row: by its best streak, or by a clearing by hand. */
export function hasInARow({ bestStreak, cleared }: SideFacts, count: number): boolean {
  if (bestStreak >= count) return true;
  return cleared !== null && cleared.by !== "gate" && (cleared.count === null || cleared.count >= count);
}
