/** The kinds of drill, from the gentlest to the hardest (teaching.md, Drill kinds). */
export const DRILL_KINDS = [
  "shadow",
  "side-rope",
  "toe-catch",
  "one-stop",
  "one-out",
  "from-rest",
  "spaced",
  "rounds",
  "climb",
  "streak",
  "count",
  "hold",
  "other-side",
  "new-step",
  "merge",
  "link",
] as const;
export type DrillKind = (typeof DRILL_KINDS)[number];

/** What a miss does in a climb: the instructor's choice. */
export const MISS_RULES = ["repeat", "drop", "restart", "stop"] as const;
export type MissRule = (typeof MISS_RULES)[number];

/** A drill as it is prescribed and logged; which parameters it has depends on the kind. */
export interface Drill {
  readonly kind: DrillKind;
  /** The score practised, where the drill has one. */
  readonly score?: string;
  /** Repetitions asked: in a row for a streak, in a time for a count, tries for the rest. */
  readonly count?: number;
  /** The highest rung of a climb. */
  readonly top?: number;
  readonly onMiss?: MissRule;
  /** A climb of which rung i is i open turns, then i held in the position. */
  readonly growing?: boolean;
  readonly seconds?: number;
  /** Bounces between repetitions. */
  readonly spacing?: number;
  readonly rounds?: number;
  /** Beats a minute. */
  readonly tempo?: number;
}

/**
 * How much a set of this kind says about a clean try of the skill itself (teaching.md, The learner
 * model). A set on the other side says as much as the kind it repeats, which a streak stands for.
 */
export const RELEVANCE: Readonly<Record<DrillKind, number>> = {
  streak: 1,
  hold: 1,
  climb: 1,
  rounds: 1,
  count: 1,
  "other-side": 1,
  spaced: 0.8,
  link: 0.8,
  "new-step": 0.8,
  "one-out": 0.6,
  merge: 0.6,
  "one-stop": 0.4,
  "from-rest": 0.4,
  "toe-catch": 0.2,
  shadow: 0,
  "side-rope": 0,
};
