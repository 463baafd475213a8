/** A set as it is sent and shown. */
import type { CountedBy, LoggedDrill, Miss, SideName } from "@mirrup/core";

/** A set as a device logs it; `at` is the device's own clock, an ISO instant. */
export interface SetRequest {
  readonly id: string;
  readonly studentId: string;
  readonly subject: string;
  readonly side: SideName;
  readonly drill: LoggedDrill;
  /** The chance that was said of it, where a proposal was acted on. */
  readonly said?: number;
  readonly clean: number;
  readonly misses: readonly Miss[];
  readonly bestStreak: number;
  readonly seconds?: number;
  /** When each clean try was tapped or sensed, seconds after the set began; only where each was. */
  readonly ticks?: readonly number[];
  readonly countedBy: CountedBy;
  readonly at: string;
}

/** As long as what is said between two sets, letters. */
export const LONGEST_NOTE = 500;
/** More than a lesson's jumping; what comes after in one set is a stuck key or a broken handle. */
export const MOST_TAPS = 5000;

/** A set of the log, with what was noted to it. */
export interface SetView extends SetRequest {
  /** Empty where nothing is. */
  readonly note: string;
}
