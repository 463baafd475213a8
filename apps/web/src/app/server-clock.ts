/**
 * What the server's clock is, as far as this page knows it. It is learned once, from what an answer says of its time,
 * and kept until it is plainly wrong: of two taps a second apart the later stays the later.
 */
const GOOD_TRIP_MS = 2000;
const PLAINLY_WRONG_MS = 3000;
/** An answer says whole seconds. */
const HALF_A_SECOND = 500;

export interface Answered {
  /** By this device's clock, milliseconds. */
  readonly askedAt: number;
  readonly answeredAt: number;
  /** The answer's `Date`, or nothing. */
  readonly date: string | null;
}

/** How far a device's clock is ahead, milliseconds, after an answer; what was known where the answer tells nothing. */
export function aheadAfter(known: number | null, { askedAt, answeredAt, date }: Answered): number | null {
  const server = Date.parse(date ?? "");
  const isUseful = answeredAt - askedAt <= GOOD_TRIP_MS || known === null;
  if (Number.isNaN(server) || !isUseful) return known;
  const ahead = (askedAt + answeredAt) / 2 - (server + HALF_A_SECOND);
  return known !== null && Math.abs(ahead - known) <= PLAINLY_WRONG_MS ? known : ahead;
}

let ahead: number | null = null;

export function noteAnswer(answered: Answered): void {
  ahead = aheadAfter(ahead, answered);
}

/** Whether any answer has told it. */
export function knowsServerClock(): boolean {
  return ahead !== null;
}

/** An instant of this device by the server's clock. */
export function byServerClock(instant: string): string {
  return new Date(Date.parse(instant) - (ahead ?? 0)).toISOString();
}

/** An instant of the server's by this device's clock, milliseconds. */
export function byOwnClock(instant: string): number {
  return Date.parse(instant) + (ahead ?? 0);
}
