/**
 * One side of a skill under a school: its gate, what it needs, its score, its effort, its ladder. Made
 * once with its syllabus and compared by identity.
 */
import type { Score } from "../rope/score.js";
import type { Drill } from "./drill.js";
import type { Effort } from "./effort.js";
import type { Gate } from "./gates.js";
import type { Jumps } from "./holds.js";
import type { SubjectSide } from "./roles.js";
import type { Skill } from "./skill.js";

/** What a drill is of: the whole skill, a piece of it, or its shape alone. */
export type Holds = "whole" | "piece" | "shape";

export interface Rung {
  /** Stable: what is done and, for what a gate counts, how much of it. */
  readonly id: string;
  readonly drill: Drill;
  readonly holds: Holds;
  /** The sides that it is logged about: its own, both where both are in it, or those of its parts. */
  readonly about: readonly Side[];
  /** Whether `about` are parts of the skill and not the skill. */
  readonly isPart: boolean;
  /** Passed once before anything harder, whatever its chance. */
  readonly isSafety: boolean;
  /** What follows the gate: the other side, both by turns. */
  readonly isAfterGate: boolean;
}

/** A side that a need asks for, and n in a row or null for its own gate. */
export interface AskedSide {
  readonly of: Side;
  readonly count: number | null;
}

/** One way to meet a need: every side of it is asked. */
export type Way = readonly AskedSide[];

export interface Side extends SubjectSide {
  readonly skill: Skill;
  /** Its place among the sides of its syllabus, from 0. */
  readonly index: number;
  readonly gate: Gate;
  /** The gate in repetitions, a hold or a count by its tempo. */
  readonly gateStreak: number;
  /** For each of the skill's needs, the ways to meet it; one is enough. */
  readonly needs: readonly (readonly Way[])[];
  /** The sides that its needs name, each once: sets of this one can be their reviews. */
  readonly kin: readonly Side[];
  /** What it opens, each once. */
  readonly opens: readonly Side[];
  /** The other side of the same skill; null where there is none. */
  readonly other: Side | null;
  /** As it is jumped under the manner in force; null outside the rope model. */
  readonly score: Score | null;
  /** Every form of it that counts, as they are compared. */
  readonly jumps: readonly Jumps[];
  readonly effort: Effort;
  /** From the gentlest drill to the gate, and what comes after it. */
  readonly ladder: readonly Rung[];
  /** Sides that whoever does this one is taken to know: what helps it and what stands in its score. */
  readonly implies: readonly Side[];
}
