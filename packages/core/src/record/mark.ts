/**
 * The facts of a side as they stood between two lessons. What comes late, or is taken back, is folded from the last
 * mark before it, and costs what has happened since instead of the whole log.
 */
import type { Instant, LocalDate } from "../instant.js";
import { compareLines } from "../log/line.js";
import { addEntry, NO_FACTS, type Judged, type SideEntry, type SideFacts } from "./facts.js";
import type { LearnerModel } from "./model.js";

/** A place in the log's order. */
export interface LogPlace {
  readonly at: Instant;
  readonly id: string;
}

/** The facts after every entry up to a place. */
export interface Mark extends LogPlace {
  readonly facts: SideFacts;
}

/** Before every id: all of its instant is behind it. */
export const FIRST_ID = "00000000-0000-0000-0000-000000000000";

/** Before a place, where nothing is known of the side. */
export const nothingBefore = ({ at }: LogPlace): Mark => ({ at, id: FIRST_ID, facts: NO_FACTS });

/** The mark before everything that bears on a side which nobody had done: kindred sets before it tell nothing. */
export function firstMark(entries: readonly SideEntry[]): Mark | null {
  const at = entries.reduce(
    (first, entry) => Math.min(first, entry.type === "kin" ? Infinity : entry.at),
    Infinity,
  );
  return at === Infinity ? null : nothingBefore({ at, id: FIRST_ID });
}

export interface FoldedOn {
  readonly facts: SideFacts;
  /** The last entry that they hold: that of the start where there is none behind it. */
  readonly last: LogPlace;
  /** The facts as they stood at the end of each lesson that another followed, in order. */
  readonly marks: readonly Mark[];
}

/**
 * Folds on from a mark: what of the entries is behind it, in the log's order. `lesson` is that of the start, where
 * it is known and is to be marked when another follows. O(n log n) in the entries.
 */
export function foldOn(
  start: Mark & { readonly lesson?: LocalDate },
  entries: readonly SideEntry[],
  judged: Judged,
  model: LearnerModel,
): FoldedOn {
  const behind = entries.filter((entry) => compareLines(entry, start) > 0).sort(compareLines);
  const marks: Mark[] = [];
  let { facts } = start;
  let last: LogPlace = start;
  let lesson = start.lesson;
  for (const entry of behind) {
    if (lesson !== undefined && entry.lesson !== lesson) marks.push({ at: last.at, id: last.id, facts });
    facts = addEntry(facts, entry, judged, model);
    last = entry;
    ({ lesson } = entry);
  }
  return { facts, last: { at: last.at, id: last.id }, marks };
}
