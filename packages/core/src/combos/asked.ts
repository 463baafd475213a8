/** What is asked of combos that are made up, and what comes of it (teaching.md, Combos). */
import type { Arms, Hand } from "../rope/arms.js";
import type { ComboPart } from "./part.js";

export const DIFFICULTIES = ["any", "gentle", "middle", "hard"] as const;
export type Difficulty = (typeof DIFFICULTIES)[number];

/** Hand moves a count, from and to: what a difficulty asks. */
export const DIFFICULTY_BANDS: Readonly<Record<Difficulty, readonly [number, number]>> = {
  any: [0, Infinity],
  gentle: [0, 0.75],
  middle: [0.75, 1.25],
  hard: [1.25, Infinity],
};

export const COMBO_COUNTS = [4, 8, 16, 32] as const;
export const MAKING_LIMITS = { counts: 64, howMany: 50, include: 8, spacing: 4 } as const;

export interface PoolPart {
  readonly part: ComboPart;
  /** Not cleared yet: at most one side of one skill of the pool is. */
  readonly isNew: boolean;
  /** On the way to a goal: taken rather than others. */
  readonly isWanted: boolean;
}

export interface CombosAsked {
  readonly counts: number;
  readonly howMany: number;
  /** Skills (`cross`) or sides (`cross:left`) that have to be in it, and those that must not. */
  readonly include: readonly string[];
  readonly exclude: readonly string[];
  readonly difficulty: Difficulty;
  /** Whether it starts and ends in a bounce. */
  readonly bounceEnds: boolean;
  readonly bothSides: boolean;
  /** Bounces between two hard moves, at least. */
  readonly spacing: number;
  /** How different any two are, at least: 0 for other, 1 for nothing in common. */
  readonly difference: number;
  readonly seed: number;
  readonly dominant: Hand;
  /** Front-back crosses that may be entered straight from a side swing. */
  readonly sideways: ReadonlySet<Arms>;
}

/** What would have to give for a combo to exist. */
export type Loosening =
  | { readonly code: "include"; readonly key: string }
  | { readonly code: "exclude"; readonly key: string }
  | { readonly code: "counts"; readonly counts: number }
  | { readonly code: "spacing"; readonly spacing: number }
  | { readonly code: "difficulty" }
  | { readonly code: "bounce-ends" }
  | { readonly code: "both-sides" };

export type CombosFault =
  /** Nothing to make a combo of. */
  | { readonly code: "empty-pool" }
  /** Asked for, and not open to the student: locked, or outside the rope model. */
  | { readonly code: "not-open"; readonly key: string }
  | { readonly code: "in-and-out"; readonly key: string }
  /** Proven: no combo keeps all of it. Any one of `loosen` would do; none where only several together do. */
  | {
      readonly code: "impossible";
      readonly loosen: readonly Loosening[];
      readonly together: readonly Loosening[];
    };

export interface MadeCombo {
  readonly parts: readonly ComboPart[];
  readonly counts: number;
  readonly handMoves: number;
}

export type CombosMade =
  | {
      readonly ok: true;
      readonly combos: readonly MadeCombo[];
      /** Whether fewer were found than asked, since no more are so different from one another. */
      readonly isShort: boolean;
    }
  | { readonly ok: false; readonly fault: CombosFault };

/** Whether a key of `include` or `exclude` names this part. */
export function names(key: string, { subject, side }: ComboPart): boolean {
  return subject !== null && (key === subject || key === `${subject}:${side}`);
}
