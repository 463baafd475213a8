import type { Skill, SkillClass } from "./skill.js";

/** What clears a skill, on each side (teaching.md, Gates). */
export type Gate =
  | { readonly kind: "streak"; readonly count: number }
  | { readonly kind: "hold"; readonly seconds: number }
  | { readonly kind: "clean"; readonly clean: number; readonly of: number }
  | { readonly kind: "count"; readonly count: number; readonly seconds: number };

export const SCHOOL_IDS = ["foundation-first", "steady-hold", "quick-frontier"] as const;
export type SchoolId = (typeof SCHOOL_IDS)[number];

/** A way of teaching: the default gate of each class, and counts that it asks of single needs. */
export interface School {
  readonly id: SchoolId;
  readonly name: string;
  readonly reason: string;
  readonly gates: Readonly<Record<SkillClass, Gate>>;
  /** Whether the base test is asked before any multiple. */
  readonly asksBaseTest: boolean;
  /** n in a row that a need asks under this school: skill → needed skill → n. */
  readonly needCounts: Readonly<Record<string, Readonly<Record<string, number>>>>;
}

/** The beat that a hold or a count is reckoned with when none was tapped, beats a minute. */
export const DEFAULT_TEMPO = 120;

/** Gates set otherwise than the school has them, for single skills or whole classes. */
export interface GateOverrides {
  readonly skills?: Readonly<Record<string, Gate>>;
  readonly classes?: Partial<Readonly<Record<SkillClass, Gate>>>;
}

/**
 * The gate in force: the first of `overrides` that names the skill or its class (a student's before
 * the studio's), else the school's for the class.
 */
export function gateOf(school: School, skill: Skill, overrides: readonly GateOverrides[] = []): Gate {
  for (const { skills, classes } of overrides) {
    const gate = skills?.[skill.id] ?? classes?.[skill.skillClass];
    if (gate !== undefined) return gate;
  }
  return school.gates[skill.skillClass];
}

/** What the gate counts up to, in its own unit (repetitions, seconds, clean tries). */
export function gateTarget(gate: Gate): number {
  switch (gate.kind) {
    case "streak":
    case "count":
      return gate.count;
    case "hold":
      return gate.seconds;
    case "clean":
      return gate.clean;
  }
}

/**
 * The gate as a streak of repetitions: a hold or a count is turned into one by the tempo
 * (`beatsPerRepetition` beats of the expanded score a repetition). At least 1.
 */
export function gateAsStreak(gate: Gate, beatsPerRepetition: number, tempo = DEFAULT_TEMPO): number {
  switch (gate.kind) {
    case "streak":
    case "count":
      return gate.count;
    case "clean":
      return gate.clean;
    case "hold":
      return Math.max(1, Math.floor((gate.seconds * tempo) / 60 / beatsPerRepetition));
  }
}

/** A gate as one short text, `streak 15`: the key under which progress on it is kept. */
export function gateKey(gate: Gate): string {
  switch (gate.kind) {
    case "streak":
      return `streak ${gate.count}`;
    case "hold":
      return `hold ${gate.seconds}`;
    case "clean":
      return `clean ${gate.clean}/${gate.of}`;
    case "count":
      return `count ${gate.count}/${gate.seconds}`;
  }
}

/** Clean repetitions that a hold comes to where nobody counted them (teaching.md, What counts). */
export function heldRepetitions(seconds: number, tempo: number, beatsPerRepetition: number): number {
  return Math.floor((seconds * tempo) / 60 / beatsPerRepetition);
}
