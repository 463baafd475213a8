import type { ChangesReply } from "@mirrup/contract";

export interface Following {
  /** What was changed after a number; waits until there is something, or for a while. */
  readonly read: (after: number | null, signal: AbortSignal) => Promise<ChangesReply>;
  /** Told of everything that may be another since. */
  readonly hear: (reply: ChangesReply) => void;
  readonly rest: (milliseconds: number, signal: AbortSignal) => Promise<void>;
}

const FIRST_REST_MS = 1000;
const LONGEST_REST_MS = 30_000;

/** How long after so many failures in a row it is asked again. */
export function restAfter(failures: number): number {
  return Math.min(LONGEST_REST_MS, FIRST_REST_MS * 2 ** (failures - 1));
}

/**
 * Hears of every change after the one that is known until `signal` ends it, through silence too; answers the last that
 * it knows, from which it goes on another time.
 */
export async function follow(
  { read, hear, rest }: Following,
  from: number | null,
  signal: AbortSignal,
): Promise<number | null> {
  let known = from;
  let failures = 0;
  while (!signal.aborted) {
    try {
      const reply = await read(known, signal);
      failures = 0;
      // The first answer tells what may have come between the page's own first readings.
      if (reply.all || reply.items.length > 0) hear(reply);
      known = reply.number;
    } catch {
      failures += 1;
      await rest(restAfter(failures), signal);
    }
  }
  return known;
}
