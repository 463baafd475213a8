/** Rows of the log as the core reads them. */
import { localDate, type Lines, type LoggedDecision } from "@mirrup/core";
import type { SaidSet } from "@mirrup/core/teaching";
import { isAboutLine, type DecisionEntity, type LogSet } from "../log/index.js";

/** Some rows of one student's log. */
export interface LogRows {
  readonly sets: readonly LogSet[];
  readonly decisions: readonly DecisionEntity[];
}

export function loggedSet(set: LogSet, timeZone: string): SaidSet {
  const { id, subject, side, drill, clean, misses, bestStreak, seconds, said, countedBy } = set;
  const at = set.happenedAt.getTime();
  const lesson = localDate(at, timeZone);
  const timed = seconds === null ? {} : { seconds };
  return {
    ...{ id, subject, side, drill, clean, misses, bestStreak, at, lesson, ...timed },
    ...(said === null ? {} : { said }),
    ...(countedBy === "student" ? { isAlone: true } : {}),
  };
}

/** A decision about one side; gates set otherwise, and what is about another line, bear on no side by themselves. */
function loggedDecision(line: DecisionEntity, timeZone: string): readonly LoggedDecision[] {
  const { id, subject, side, decision } = line;
  if (decision.kind === "override" || isAboutLine(decision)) return [];
  const at = line.happenedAt.getTime();
  return [{ id, subject, side, decision, at, lesson: localDate(at, timeZone) }];
}

export function linesFrom({ sets, decisions }: LogRows, timeZone: string): Lines {
  return {
    sets: sets.map((set) => loggedSet(set, timeZone)),
    decisions: decisions.flatMap((line) => loggedDecision(line, timeZone)),
  };
}
