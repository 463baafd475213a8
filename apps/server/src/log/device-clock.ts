/**
 * When something happened, by the server's clock. A device says what its own clock is when it sends; what that is off by
 * is taken off whatever it says, since a clock that is a year behind would put a clearing of today a year back.
 */

import type { Tapped } from "@mirrup/contract";

/** A clock may be off by so much, and a request be on its way so long, that nothing is put right. */
const TOLERATED_MS = 2 * 60_000;

/** How far a device's clock is ahead of the server's, milliseconds; 0 where it is near enough, or nobody knows. */
export function clockAheadBy(sentAt: string | undefined, now: Date): number {
  const ahead = sentAt === undefined ? 0 : Date.parse(sentAt) - now.getTime();
  return Math.abs(ahead) <= TOLERATED_MS ? 0 : ahead;
}

/** When a tap was made; never later than now. */
export function saidAt({ at }: Tapped, now: Date): Date {
  return at === undefined ? now : new Date(Math.min(Date.parse(at), now.getTime()));
}

/** A device's instant by the server's clock; never later than now, nor before any that there are. */
export function happenedAt(deviceAt: Date, aheadBy: number, now: Date): Date {
  return new Date(Math.max(0, Math.min(deviceAt.getTime() - aheadBy, now.getTime())));
}
