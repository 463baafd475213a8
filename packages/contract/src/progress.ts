/** How far a student has come in a period: what was done by day and side, and what came of it. */
import type { FaultCode, Gate, SideName } from "@mirrup/core";
import type { PracticeDay, WeekLoad } from "@mirrup/core/teaching";

/** From one day of the studio's to another, both with it. */
export interface PeriodQuery {
  readonly from?: string;
  readonly to?: string;
}

/** The longest period that is read at once, days: a year and its leap day. */
export const LONGEST_PERIOD_DAYS = 366;
/** A period that nobody named ends today and is so many weeks long. */
export const USUAL_PERIOD_WEEKS = 12;

export interface ClearedSide {
  readonly subject: string;
  readonly side: SideName;
  /** The studio's day. */
  readonly day: string;
  readonly by: "gate" | "hand" | "placed";
}

/** A student's practice from `from` to `to`, in order of the days; cleared is what stands so now. */
export interface ProgressView {
  readonly from: string;
  readonly to: string;
  readonly days: readonly PracticeDay[];
  readonly weeks: readonly WeekLoad[];
  readonly cleared: readonly ClearedSide[];
}

/** What was read of a studio's archive. */
export interface ArchiveReply {
  readonly students: number;
  readonly sets: number;
}

/** Two-sided skills need one of their sides named. */
export interface SideProgressView {
  readonly gate: Gate;
  /** The chance of a clean try before each of the last lessons, and now. */
  readonly chances: readonly { readonly at: string; readonly chance: number }[];
  /** Of the last sets that were tapped or sensed, in their order. */
  readonly rhythms: readonly {
    readonly at: string;
    readonly evenness: number;
    readonly tempo: number;
  }[];
  /** Of the last sets, with their places in the repetition. */
  readonly misses: readonly {
    readonly turn?: number;
    readonly fault?: FaultCode;
    readonly count?: number;
  }[];
}
