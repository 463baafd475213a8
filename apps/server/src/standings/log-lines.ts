/** Rows of the log as the core reads them. */
import { localDate, type Lines, type LoggedDecision, type LoggedSet } from "@mirrup/core";
import type { DecisionEntity, LogSet } from "../log/index.js";

/** Some rows of one student's log. */
export interface LogRows {
  readonly sets: readonly LogSet[];
  readonly decisions: readonly DecisionEntity[];
}

export function loggedSet(set: LogSet, timeZone: string): LoggedSet {
  const { id, subject, side, drill, clean, misses, bestStreak, seconds } = set;
  const at = set.happenedAt.getTime();
  const lesson = localDate(at, timeZone);
  const timed = seconds === null ? {} : { seconds };
  return { id, subject, side, drill, clean, misses, bestStreak, at, lesson, ...timed };
}

/** A decision about one side; gates set otherwise and voids bear on no side by themselves. */
function loggedDecision(line: DecisionEntity, timeZone: string): readonly LoggedDecision[] {
  const { id, subject, side, decision } = line;
  if (decision.kind === "override" || decision.kind === "void") return [];
  const at = line.happenedAt.getTime();
  return [{ id, subject, side, decision, at, lesson: localDate(at, timeZone) }];
}

export function linesFrom({ sets, decisions }: LogRows, timeZone: string): Lines {
  return {
    sets: sets.map((set) => loggedSet(set, timeZone)),
    decisions: decisions.flatMap((line) => loggedDecision(line, timeZone)),
  };
}
