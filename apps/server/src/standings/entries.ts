import {
  BASE_TEST,
  BASE_TEST_PARTS,
  baseTestPassedAt,
  kinSides,
  localDate,
  sideKey,
  type PracticeSet,
  type SideName,
  type SideEntry,
  type StandingContext,
} from "@mirrup/core";
import type { DecisionEntity, SetEntity } from "../log/index.js";

/** An entry of the log and the side that it bears on. */
export interface KeyedEntry {
  readonly subject: string;
  readonly side: SideName;
  readonly entry: SideEntry;
}

/** One student's lines of the log, whatever they are about. */
export interface Lines {
  readonly sets: readonly SetEntity[];
  readonly decisions: readonly DecisionEntity[];
}

export function keyOf(row: Pick<KeyedEntry, "subject" | "side">): string {
  return sideKey(row.subject, row.side);
}

export function practised(set: SetEntity, timeZone: string): PracticeSet {
  const at = set.happenedAt.getTime();
  return {
    id: set.id,
    drill: set.drill,
    clean: set.clean,
    misses: set.misses,
    bestStreak: set.bestStreak,
    at,
    lesson: localDate(at, timeZone),
    ...(set.seconds === null ? {} : { seconds: set.seconds }),
  };
}

/** A set as entries: of its own side, and of the sides that it may count as a review of. */
function entriesOfSet(set: SetEntity, context: StandingContext, timeZone: string): readonly KeyedEntry[] {
  const { subject, side } = set;
  const plain = practised(set, timeZone);
  return [
    { subject, side, entry: { type: "set", ...plain } },
    ...kinSides(context, subject, side).map((kin) => ({ ...kin, entry: { type: "kin" as const, ...plain } })),
  ];
}

/** A decision as an entry; gates set otherwise and voids bear on no side by themselves. */
function entriesOfDecision(line: DecisionEntity, timeZone: string): readonly KeyedEntry[] {
  const { id, subject, side, decision } = line;
  if (decision.kind === "override" || decision.kind === "void") return [];
  const at = line.happenedAt.getTime();
  return [{ subject, side, entry: { type: "decision", id, decision, at, lesson: localDate(at, timeZone) } }];
}

/** What the lines come to, in no order. */
export function entriesOf(
  { sets, decisions }: Lines,
  context: StandingContext,
  timeZone: string,
): readonly KeyedEntry[] {
  return [
    ...sets.flatMap((set) => entriesOfSet(set, context, timeZone)),
    ...decisions.flatMap((line) => entriesOfDecision(line, timeZone)),
  ];
}

const BASE_SUBJECTS = new Set(BASE_TEST_PARTS.map(([subject]) => subject));

export function isBaseJump(set: Pick<SetEntity, "subject">): boolean {
  return BASE_SUBJECTS.has(set.subject);
}

/** The base test as an entry of its own subject, where one of the lessons passed it. */
export function baseTestEntry(sets: readonly SetEntity[], timeZone: string): KeyedEntry | null {
  const lessons = new Map<string, SetEntity[]>();
  for (const set of sets) {
    const lesson = localDate(set.happenedAt.getTime(), timeZone);
    lessons.set(lesson, [...(lessons.get(lesson) ?? []), set]);
  }
  for (const [lesson, ofLesson] of [...lessons].sort(([one], [other]) => (one < other ? -1 : 1))) {
    const at = baseTestPassedAt(
      ofLesson.map((set) => ({ ...practised(set, timeZone), subject: set.subject, side: set.side })),
    );
    const [first] = ofLesson;
    if (at !== null && first !== undefined) {
      const decision = { kind: "clear", count: null } as const;
      return {
        subject: BASE_TEST,
        side: "whole",
        entry: { type: "decision", id: first.id, decision, at, lesson },
      };
    }
  }
  return null;
}
