/** How far a student has come in a period: what was done by day and side, and what came of it. */
import type { FaultCode, Gate, SideName, SubjectSide } from "@mirrup/core";
import type { BehindSide, PracticeDay, WeekLoad } from "@mirrup/core/teaching";

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

/** A report in words, for whoever may have it. */
export interface ReportLetter {
  readonly to: string;
  readonly text: string;
}
/** As long as a year in words is, letters. */
export const LONGEST_REPORT = 20_000;

/** A period of a group, of everybody where none is named. */
export interface ClassPeriodQuery extends PeriodQuery {
  readonly group?: string;
}

/** One student's period, as a class is looked through. */
export interface StudentProgress {
  readonly studentId: string;
  readonly name: string;
  /** When they practised last, whenever that was; null for never. */
  readonly lastAt: string | null;
  readonly isAway: boolean;
  readonly standsStill: boolean;
  readonly stuck: readonly SubjectSide[];
  readonly behind: BehindSide | null;
  /** Days of the period with practice, and their tries. */
  readonly days: number;
  readonly clean: number;
  readonly missed: number;
  readonly landings: number;
  readonly cleared: readonly ClearedSide[];
  /** Lessons of the period that have been held, by whether they came. */
  readonly came: number;
  readonly missing: number;
  /** The sides that are first on the way to their goals. */
  readonly heldUpBy: readonly SubjectSide[];
}

/** A class's period: everybody's days as one, and each student's. */
export interface ClassProgressView extends ProgressView {
  readonly students: readonly StudentProgress[];
}

export const REFITTED_TABLES = ["startMiss", "pace", "shares"] as const;
export const REFITTED_NUMBERS = ["halfLifeDays", "halfLifeTries", "aloneWeight"] as const;

/** What a studio's own log has made of a number of the learner model. */
export interface RefittedNumber {
  readonly of: (typeof REFITTED_TABLES)[number] | (typeof REFITTED_NUMBERS)[number];
  /** A class of skills, or a kind of drill; empty for what is one number for all. */
  readonly key: string;
  readonly from: number;
  readonly to: number;
}
export interface RefitView {
  /** Counts the fits; 0 is what the handbook says. */
  readonly version: number;
  readonly at: string | null;
  readonly sets: number;
  /** What is another by a tenth or more, the largest change first. */
  readonly changed: readonly RefittedNumber[];
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
