import type { LocalDate } from "../instant.js";
import { isMultipleClass, type Skill, type SkillClass } from "./skill.js";

/** What clears a skill, on each side (teaching.md, Gates). */
export type Gate =
  | {
      readonly kind: "streak";
      readonly count: number;
      /** In lessons before this day, runs of `LEAST_RUN` and more of one lesson add up to it. */
      readonly runsUntil?: LocalDate;
    }
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

/** A run that adds up to a long gate has so many in a row (safety.md, growth). */
export const LEAST_RUN = 10;
/** The longest gate of multiples that a growing jumper meets in one run. */
const ONE_RUN = 30;

function isLong(gate: Gate | undefined): gate is Extract<Gate, { readonly kind: "streak" }> {
  return gate?.kind === "streak" && gate.count > ONE_RUN;
}

/** Whether growth can bear on any gate: most schools ask for no more multiples than one run may have. */
export function asksLongRuns(school: School, overrides: readonly GateOverrides[]): boolean {
  const classes = Object.entries(school.gates) as [SkillClass, Gate][];
  const isAsked = classes.some(([skillClass, gate]) => isMultipleClass(skillClass) && isLong(gate));
  const isSet = (gates: Readonly<Record<string, Gate | undefined>> = {}) => Object.values(gates).some(isLong);
  return isAsked || overrides.some((one) => isSet(one.skills) || isSet(one.classes));
}

/** The gate of somebody who grows until a day: a long one of multiples may be met in runs. */
export function growingGate(gate: Gate, { skillClass }: Skill, growsUntil: LocalDate | null): Gate {
  const isAsked = isLong(gate) && isMultipleClass(skillClass) && growsUntil !== null;
  return isAsked ? { ...gate, runsUntil: growsUntil } : gate;
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
