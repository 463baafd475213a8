/**
 * How high somebody jumps, from tapped landings (drills.md, Body and rope): of rebounds that follow
 * each other, each takes the air time and the time on the floor. What is not known of the floor is
 * what makes it uncertain.
 */
import { heightOf } from "../rope/physics.js";

export interface MeasuredJump {
  /** Metres. */
  readonly height: number;
  /** Between these it is, by how springy the landing is; metres. */
  readonly least: number;
  readonly most: number;
  /** Seconds in the air. */
  readonly airtime: number;
  /** The time on the floor that it was reckoned with, seconds. */
  readonly contact: number;
  /** Landings that were used, one more than the jumps. */
  readonly landings: number;
}

export const CONTACTS = { usual: 0.25, springy: 0.2 } as const;
/** The time on the floor is known within that, seconds. */
const CONTACT_WITHIN = 0.05;
export const LEAST_LANDINGS = 5;
/** A landing that was not tapped leaves a gap of two. */
const MISSED = 1.6;

function median(sorted: readonly number[]): number {
  const middle = sorted.length >> 1;
  const [low = 0, high = 0] = [sorted[sorted.length - 1 - middle], sorted[middle]];
  return (low + high) / 2;
}

export type JumpReading =
  | { readonly ok: true; readonly jump: MeasuredJump }
  | { readonly ok: false; readonly why: "few" | "short" | "high" };

const HIGHEST = 1;

/**
 * The height of `landings` tapped one after the other (seconds, any start). Refuses fewer than five,
 * jumps that are shorter than the time on the floor, and heights that nobody jumps.
 */
export function jumpOf(landings: readonly number[], contact: number = CONTACTS.usual): JumpReading {
  const times = [...landings].sort((one, other) => one - other);
  const gaps = times.slice(1).map((at, place) => at - (times[place] ?? at));
  if (times.length < LEAST_LANDINGS) return { ok: false, why: "few" };
  const usual = median([...gaps].sort((one, other) => one - other));
  const whole = gaps.filter((gap) => gap < MISSED * usual && gap > usual / MISSED);
  const cycle = whole.reduce((sum, gap) => sum + gap, 0) / Math.max(1, whole.length);
  const airtime = cycle - contact;
  if (!(airtime > 0.05)) return { ok: false, why: "short" };
  const height = heightOf(airtime);
  if (height > HIGHEST) return { ok: false, why: "high" };
  return {
    ok: true,
    jump: {
      ...{ height, airtime, contact, landings: whole.length + 1 },
      least: heightOf(Math.max(0, airtime - CONTACT_WITHIN)),
      most: heightOf(airtime + CONTACT_WITHIN),
    },
  };
}

/** At least so high a clean double was, whose ticks were `period` seconds apart: by ear (drills.md). Metres. */
export function leastHeightByEar(period: number, clearance: number): number {
  return clearance + heightOf(period);
}
