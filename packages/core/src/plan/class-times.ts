/** How the minutes of a class are shared out: warm-up, turns at stations, close. */
import { CLASS_LIMITS, PLAN_LIMITS } from "./weights.js";

export interface ClassTimes {
  readonly warmUp: number;
  readonly turns: readonly number[];
  readonly close: number;
}

const HALF = 0.5;
const halves = (minutes: number) => Math.floor(minutes / HALF) * HALF;
const total = (turns: readonly number[]) => turns.reduce((sum, one) => sum + one, 0);

/** So many minutes as turns of about eight, each of them at least the shortest that is worth setting up. */
export function sharedTurns(minutes: number, most: number = CLASS_LIMITS.rotations): readonly number[] {
  if (minutes < 1 || most < 1) return [];
  const count = Math.min(most, Math.max(1, Math.round(minutes / CLASS_LIMITS.rotation)));
  return Array.from({ length: count }, () => Math.max(HALF, halves(minutes / count)));
}

/** Minutes of a class; `turns` where they are settled already. No minutes to work in give no turns. */
export function classTimes(minutes: number, turns: readonly number[] | null = null): ClassTimes {
  const warmUp = Math.min(PLAN_LIMITS.warmUp, Math.floor(minutes * PLAN_LIMITS.warmUpShare));
  const cool = minutes >= 2 * PLAN_LIMITS.warmUp ? PLAN_LIMITS.coolDown : 0;
  const settled = turns ?? sharedTurns(minutes - warmUp - cool);
  const close = minutes - warmUp - total(settled);
  return { warmUp, turns: settled, close: Math.max(0, close) };
}

/** A turn made longer, or shorter, by what the turns after it give or take in equal parts; null where they cannot. */
export function lengthened(turns: readonly number[], place: number, by: number): readonly number[] | null {
  const others = turns.length - place - 1;
  const changed = turns.map((minutes, at) => {
    if (at === place) return minutes + by;
    return at > place ? minutes - by / others : minutes;
  });
  const isPossible = others > 0 && changed.every((minutes) => minutes >= CLASS_LIMITS.shortestRotation);
  return isPossible ? changed : null;
}

/**
 * The turns of a class under way: those up to and with `step` stay, and the minutes that are left are
 * shared out anew, in fewer turns where they have become short.
 */
export function retimed(turns: readonly number[], done: number, minutesLeft: number): readonly number[] {
  const later = sharedTurns(minutesLeft, turns.length - done);
  return [...turns.slice(0, done), ...later];
}
