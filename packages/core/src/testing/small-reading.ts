/** A student's reading from a few lines, for tests of all that proposes. */
import type { LocalDate } from "../instant.js";
import { foldLines } from "../record/fold.js";
import { NO_FACTS, type RungFacts, type SideFacts } from "../record/facts.js";
import { HANDBOOK_MODEL } from "../record/model.js";
import { readingOf, standingOf, type Reading, type Standing } from "../record/standing.js";
import type { LoggedDecision, LoggedSet } from "../log/line.js";
import type { SideName } from "../sides.js";
import type { Catalogue } from "../syllabus/catalogue.js";
import type { School } from "../syllabus/gates.js";
import { SideMap } from "../syllabus/side-map.js";
import { sideOf, syllabusOf, type Syllabus } from "../syllabus/syllabus.js";
import { FIVE_IN_A_ROW } from "./small-catalogue.js";

export const NOW = Date.UTC(2026, 5, 1, 12);
export const TODAY: LocalDate = "2026-06-01";

/** What is known of one side: its best in a row, which clears it from five on, or its facts. */
export type Known = readonly [subject: string, side: SideName, known: number | Partial<SideFacts>];

/** The facts of a side that came to `best` in a row under a gate of five. */
export function best(count: number): SideFacts {
  const cleared = count >= 5 ? ({ at: NOW, by: "gate", count: null } as const) : null;
  return { ...NO_FACTS, sets: 1, bestStreak: count, gateBest: count, cleared, lastAt: NOW };
}

/** A rung that was passed so far in a lesson, without tries to speak of. */
export function rungOf(passed: number, failed = 0, lesson: LocalDate = TODAY, at = NOW): RungFacts {
  return { passed, lesson, failed, at, clean: 0, missed: 0 };
}

export interface ReadingOptions {
  readonly school?: School;
  readonly today?: LocalDate;
}

export function readingFrom(syllabus: Syllabus, known: readonly Known[], today: LocalDate = TODAY): Reading {
  const facts = new SideMap(
    known.map(([subject, side, own]) => [
      sideOf(syllabus, subject, side),
      typeof own === "number" ? best(own) : { ...NO_FACTS, ...own },
    ]),
  );
  return readingOf({
    ...{ syllabus, model: HANDBOOK_MODEL, now: NOW, today },
    factsOf: (side) => facts.get(side),
  });
}

export function readingWith(
  catalogue: Catalogue,
  known: readonly Known[],
  { school = FIVE_IN_A_ROW, today = TODAY }: ReadingOptions = {},
): Reading {
  return readingFrom(syllabusOf({ catalogue, school }), known, today);
}

export interface LogOptions {
  readonly decisions?: readonly LoggedDecision[];
  readonly today?: LocalDate;
  readonly now?: number;
}

/** The reading that a log comes to. */
export function readingOfLog(
  syllabus: Syllabus,
  sets: readonly LoggedSet[],
  { decisions = [], today = TODAY, now = NOW }: LogOptions = {},
): Reading {
  const folded = foldLines({ sets, decisions }, { syllabus, model: HANDBOOK_MODEL });
  const facts = new SideMap(folded.map(({ owner, facts: own }) => [owner, own]));
  return readingOf({ syllabus, model: HANDBOOK_MODEL, now, today, factsOf: (side) => facts.get(side) });
}

/** The standing of a side that has to be there. */
export function at(reading: Reading, subject: string, side: SideName): Standing {
  return standingOf(reading, sideOf(reading.syllabus, subject, side));
}

let count = 0;

/** A set of a log: all tries of `drill` clean unless said otherwise, on the day of `NOW`. */
export function logged(
  subject: string,
  side: SideName,
  drill: LoggedSet["drill"],
  counts: Partial<LoggedSet> = {},
): LoggedSet {
  const { at: when = NOW, clean = 0 } = counts;
  count += 1;
  return {
    id: `set ${String(count).padStart(6, "0")}`,
    ...{ subject, side, drill, clean, misses: [], bestStreak: clean },
    ...{ at: when, lesson: new Date(when).toISOString().slice(0, 10) },
    ...counts,
  };
}
