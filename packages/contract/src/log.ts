/** A student's log: what was counted, decided and else happened, as one line of time. */
import type { SubjectSide } from "@mirrup/core";
import type { Milestone } from "@mirrup/core/teaching";
import type { JumpMeasure } from "./jumps.js";
import type { Attendance } from "./lessons.js";
import type { SetView } from "./sets.js";
import type { DecisionView } from "./teaching.js";

/** What became of a side by a set: it was cleared, or a review of it came to something. */
export interface Became extends SubjectSide {
  readonly kind: Milestone["kind"];
}

/** A lesson that somebody was to come to, and whether they did. */
export interface AttendedLesson {
  readonly id: string;
  readonly title: string;
  readonly minutes: number;
  readonly attendance: Exclude<Attendance, "expected">;
}

interface Happened {
  /** When it counts as having happened. */
  readonly at: string;
}

/** A set as it was counted, or what was decided; what was taken back stays in sight as such. */
export type LogLine =
  | ({
      readonly kind: "set";
      readonly set: SetView;
      /** Who counted it; null for the student alone, and where nobody knows any more. */
      readonly by: string | null;
      readonly isVoided: boolean;
      readonly became: readonly Became[];
    } & Happened)
  | ({ readonly kind: "decision"; readonly decision: DecisionView } & Happened)
  | ({ readonly kind: "lesson"; readonly lesson: AttendedLesson } & Happened)
  /** They stopped early that day; why is never kept. */
  | ({ readonly kind: "stop"; readonly id: string } & Happened)
  | ({ readonly kind: "jump"; readonly jump: JumpMeasure } & Happened);

/** What may be asked for alone; a milestone is told at the set that it came by. */
export const LOG_KINDS = ["set", "milestone", "decision", "lesson", "stop", "jump"] as const;
export type LogKind = (typeof LOG_KINDS)[number];

export interface LogPage {
  /** The newest first. */
  readonly items: readonly LogLine[];
  /** What to ask for the next page with; null at the end. */
  readonly next: string | null;
}

export interface LogQuery {
  /** What the page before said; from the newest where it is left out. */
  readonly before?: string;
  /** A skill, combo or programme alone. */
  readonly subject?: string;
  readonly kind?: LogKind;
  /** Only what was noted with these words, whatever their case: to a set, as the reason of a decision, or a lesson's title. */
  readonly text?: string;
}

/** Lines on a page. */
export const LOG_PAGE_SIZE = 50;

export const LONGEST_LOG_TEXT = 80;

export function logLineId(line: LogLine): string {
  switch (line.kind) {
    case "set":
      return line.set.id;
    case "decision":
      return line.decision.id;
    case "lesson":
      return line.lesson.id;
    case "jump":
      return line.jump.id;
    case "stop":
      return line.id;
  }
}
