/**
 * Parts that some skills of a catalogue play in what the core computes. The catalogue names them; a
 * role that nobody plays asks for nothing.
 */
import type { SideName } from "../sides.js";

export interface SubjectSide {
  readonly subject: string;
  readonly side: SideName;
}

export interface BaseTestRole {
  readonly parts: readonly SubjectSide[];
  /** In a row, for each of them. */
  readonly count: number;
  /** Over all of them in one lesson. */
  readonly misses: number;
}

export interface Roles {
  /** What fills, bridges and rests between moves. */
  readonly bounce: string | null;
  /** Steps that a move can be danced in. */
  readonly steps: readonly string[];
  /** The first fused doubles: the one that grows out of the double, and the one that grows out of the cross. */
  readonly fused: {
    readonly pair: readonly [fromDouble: string, fromCross: string];
    readonly double: string;
    readonly cross: string;
  } | null;
  /** What is asked before any multiple by a school that asks it. */
  readonly baseTest: BaseTestRole | null;
  /** What rests a jumper without stopping the rope. */
  readonly rests: readonly string[];
}

export const NO_ROLES: Roles = { bounce: null, steps: [], fused: null, baseTest: null, rests: [] };

/** Every skill that the roles name. */
export function namedInRoles({ bounce, steps, fused, baseTest, rests }: Roles): readonly string[] {
  const named = [
    bounce,
    ...steps,
    ...(fused === null ? [] : [...fused.pair, fused.double, fused.cross]),
    ...(baseTest?.parts ?? []).map((part) => part.subject),
    ...rests,
  ];
  return named.filter((id) => id !== null);
}
