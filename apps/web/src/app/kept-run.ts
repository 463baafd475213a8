import type { CountedBy, Drill } from "@mirrup/core";
import type { Tap } from "@mirrup/core/teaching";

/** A run under way, kept at every tap. */
export interface KeptRun {
  readonly setId: string;
  /** Whose it is; nothing where an older version kept it. */
  readonly studioId?: string;
  readonly drill: Drill;
  /** The chance that was said of the drill, where it was proposed. */
  readonly said?: number;
  readonly taps: readonly Tap[];
  readonly startedAt: number;
  readonly lastTapAt: number;
  /** By taps where nothing is said. */
  readonly countedBy?: CountedBy;
  /** While a handle is listened to: how many taps were there before it. */
  readonly sensedFrom?: number;
  /** When a page last saw the count going on by itself. */
  readonly seenAt?: number;
}

/** What a run is kept under once another one begins in its place. */
export function asideKey(key: string, { setId }: KeptRun): string {
  return `${key} ${setId}`;
}
