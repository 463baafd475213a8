/** How far somebody is in a programme: what is done, by the record or by hand, and what is left of it as goals. */
import { localDate, type Instant, type LocalDate } from "../instant.js";
import { hasInARow } from "../record/facts.js";
import { findStanding, isMet, type Reading } from "../record/standing.js";
import type { SideName } from "../sides.js";
import {
  itemKey,
  itemsAsked,
  itemSideNames,
  itemSubject,
  programmeItems,
  type Programme,
  type ProgrammeItem,
} from "../syllabus/programme.js";
import type { Goal } from "./goal-path.js";

export interface ItemSideProgress {
  readonly side: SideName;
  /** Null while it is left; `known` is what was taken as known or inferred, and never shown. */
  readonly by: "record" | "known" | "hand" | null;
  /** The day on which it was done; null where that is not known. */
  readonly on: LocalDate | null;
}

export interface ItemProgress {
  readonly key: string;
  readonly sides: readonly ItemSideProgress[];
  readonly isDone: boolean;
}

export interface Progress {
  /** In the programme's order. */
  readonly items: readonly ItemProgress[];
  readonly done: number;
  /** How many have to be. */
  readonly asked: number;
  readonly isEnough: boolean;
  /** The day on which finishing was said; null where it was not. */
  readonly finishedOn: LocalDate | null;
}

/** What the log says of one student beside the reading. */
export interface ProgressContext {
  readonly reading: Reading;
  readonly timeZone: string;
  /** When a set first came to what an item asks that asks for something else than the gate; null for never. */
  readonly shownAt: (item: ProgrammeItem, side: SideName) => Instant | null;
}

const LEFT = { by: null, on: null } as const;

function sideProgress(
  programme: string,
  item: ProgrammeItem,
  side: SideName,
  { reading, timeZone, shownAt }: ProgressContext,
): ItemSideProgress {
  const dayOf = (at: Instant) => localDate(at, timeZone);
  const byHand = reading.factsOf({ subject: itemSubject(programme, itemKey(item)), side })?.cleared ?? null;
  if (byHand !== null) return { side, by: "hand", on: dayOf(byHand.at) };
  if (item.ask.kind !== "gate") {
    const at = shownAt(item, side);
    return at === null ? { side, ...LEFT } : { side, by: "record", on: dayOf(at) };
  }
  const standing = findStanding(reading, item.skill, side);
  if (standing === null || !isMet(standing.status)) return { side, ...LEFT };
  const { cleared } = standing.facts;
  return cleared === null ? { side, by: "known", on: null } : { side, by: "record", on: dayOf(cleared.at) };
}

/** How far a student is with the programme of a key; O(items). */
export function progressOf(key: string, programme: Programme, context: ProgressContext): Progress {
  const items = programmeItems(programme).map((item): ItemProgress => {
    const sides = itemSideNames(item).map((side) => sideProgress(key, item, side, context));
    const isSideDone = ({ by }: ItemSideProgress) => by !== null;
    const isDone = item.side === "either" ? sides.some(isSideDone) : sides.every(isSideDone);
    return { key: itemKey(item), sides, isDone };
  });
  const done = items.filter((item) => item.isDone).length;
  const asked = itemsAsked(programme);
  const finished = context.reading.factsOf({ subject: key, side: "whole" })?.cleared ?? null;
  const finishedOn = finished === null ? null : localDate(finished.at, context.timeZone);
  return { items, done, asked, isEnough: done >= asked, finishedOn };
}

/** What is left of a programme as goals, in its order; nothing of one that was finished. */
function goalsLeft(
  programme: Programme,
  { items, finishedOn }: Progress,
  leadingSide: "left" | "right",
): readonly Goal[] {
  if (finishedOn !== null) return [];
  return programmeItems(programme).flatMap((item, place): Goal[] => {
    const { isDone = false, sides = [] } = items[place] ?? {};
    if (isDone) return [];
    const { skill: subject } = item;
    if (item.side === "either") return [{ subject, side: leadingSide }];
    const left = sides.filter(({ by }) => by === null).map(({ side }) => side);
    return left.length === 2 ? [{ subject, side: "both" }] : left.map((side) => ({ subject, side }));
  });
}

/**
 * A student's goals with what is left of a programme in its place. Goals are read often, so that the log is not asked
 * for sets that came to less than a gate: what counts in a row counts by the best streak, the rest once it is cleared.
 */
export function goalsInForce(
  goals: readonly Goal[],
  programmes: ReadonlyMap<string, Programme>,
  reading: Reading,
  leadingSide: "left" | "right",
): readonly Goal[] {
  const shownAt: ProgressContext["shownAt"] = ({ skill, ask }, side) => {
    const facts = findStanding(reading, skill, side)?.facts;
    const isShown = facts !== undefined && ask.kind === "streak" && hasInARow(facts, ask.count);
    return isShown ? reading.now : null;
  };
  // Of what is only asked whether it is done, the day does not matter.
  const context: ProgressContext = { reading, timeZone: "UTC", shownAt };
  const all = goals.flatMap((goal): readonly Goal[] => {
    const programme = programmes.get(goal.subject);
    if (programme === undefined) return [goal];
    return goalsLeft(programme, progressOf(goal.subject, programme, context), leadingSide);
  });
  const isFirst = (goal: Goal, place: number) =>
    all.findIndex((one) => one.subject === goal.subject && one.side === goal.side) === place;
  return all.filter(isFirst);
}
