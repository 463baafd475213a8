/** What was begun on a device and never ended: after half a day it is of another lesson. */
const HOURS_12 = 12 * 3_600_000;
const HOUR = 3_600_000;

/** Whether what began at an instant is not of now any more, or of a clock that was put back. */
export function isForgotten(startedAt: number, now: number): boolean {
  return now - startedAt >= HOURS_12 || startedAt - now >= HOUR;
}
