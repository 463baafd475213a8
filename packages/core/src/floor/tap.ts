/**
 * What is pressed during a set. A tempo that counts by itself is one entry too, so that a set is
 * always its list of entries and the clock, and undo takes the last one back.
 */
import type { FaultCode } from "../syllabus/fault.js";

/** `at` is seconds after the set began. */
export type Tap =
  /** `times` for several at once, as +5 or a typed number gives them. */
  | { readonly kind: "clean"; readonly times?: number; readonly at?: number }
  /** `turn` is the rope bottom within the repetition at which it caught, from 1. */
  | { readonly kind: "miss"; readonly fault?: FaultCode; readonly turn?: number; readonly at?: number }
  /** Takes clean tries since the last miss back: −1, −5, or down to a typed number. */
  | { readonly kind: "less"; readonly times: number; readonly at?: number }
  /** From here on one clean try every `every` seconds, until the next entry. */
  | { readonly kind: "pace"; readonly every: number; readonly at: number }
  | { readonly kind: "stop"; readonly at: number };

/** One try as it counted. */
export interface Try {
  readonly kind: "clean" | "miss";
  readonly fault?: FaultCode;
  readonly turn?: number;
  /** Seconds after the set began, where it was timed. */
  readonly at?: number;
}

/** Seconds of rounding that do not cost a try. */
const HAIR = 1e-6;

/** The tries of a tempo from `at` until `until`; the first falls one interval after its start. */
export function pacedTries(every: number, at: number, until: number): readonly Try[] {
  const count = every > 0 ? Math.max(0, Math.floor((until - at) / every + HAIR)) : 0;
  return Array.from({ length: count }, (_, place) => ({ kind: "clean", at: at + (place + 1) * every }));
}

/** Seconds from one try to the next at a tempo in beats a minute. */
export function secondsATry(tempo: number, beatsPerRepetition: number): number {
  return (60 * beatsPerRepetition) / tempo;
}

/** Whether the count goes on by itself: the last entry began a tempo. */
export function isPacing(taps: readonly Tap[]): boolean {
  return taps.at(-1)?.kind === "pace";
}

/** The clean tries since the last miss, which a typed number replaces. */
export function cleanSinceMiss(tries: readonly Try[]): number {
  return tries.length - 1 - tries.findLastIndex((one) => one.kind === "miss");
}

/** What brings the clean tries since the last miss to a typed number; null where they are there already. */
export function correctionTo(count: number, tries: readonly Try[]): Tap | null {
  const more = count - cleanSinceMiss(tries);
  if (more === 0) return null;
  return more > 0 ? { kind: "clean", times: more } : { kind: "less", times: -more };
}
