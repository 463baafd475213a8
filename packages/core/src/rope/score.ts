/**
 * A score as a value: what was written, with its places in the text. Repeats, plain brackets and
 * written defaults are kept; `written` and legal are different things, and nothing here is checked.
 */
import type { Arms, WrittenArms } from "./arms.js";
import type { Foot, Gesture } from "./feet.js";

export type Direction = "forward" | "backward";

/** Offsets in UTF-16 units, the end excluded. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

export interface Turn extends Span {
  readonly arms: WrittenArms;
  /** Whether the rope is stopped under the toes (`!`). */
  readonly caught: boolean;
}

export interface Beat extends Span {
  readonly kind: "beat";
  /** Empty for a hop with no turn (`.`). */
  readonly turns: readonly Turn[];
  /** As written; null where the default is left to stand. */
  readonly takeOff: Foot | null;
  readonly landing: Foot | null;
  readonly gestures: readonly Gesture[];
}

export interface Group extends Span {
  readonly kind: "group";
  readonly items: readonly Item[];
}

export interface Item {
  readonly unit: Beat | Group;
  /** The written repeat; null where there is none. */
  readonly count: number | null;
}

export interface Score {
  /** How the rope starts. */
  readonly direction: Direction;
  readonly items: readonly Item[];
}

export const LIMITS = {
  textLength: 100_000,
  depth: 64,
  turnsInBeat: 8,
  beats: 4096,
  count: 999,
} as const;

export function flip(direction: Direction): Direction {
  return direction === "forward" ? "backward" : "forward";
}

/** Where a beat lands when nothing is written: after a leg-over cross on the standing foot. */
export function defaultLanding(lastArms: WrittenArms | Arms | undefined): Foot {
  return lastArms === "ul" ? "r" : lastArms === "ur" ? "l" : "b";
}

export function landingOf(beat: Beat): Foot {
  return beat.landing ?? defaultLanding(beat.turns.at(-1)?.arms);
}

function collectBeats(items: readonly Item[], beats: Beat[]): void {
  for (const { unit, count } of items) {
    for (let time = 0; time < (count ?? 1); time += 1) {
      if (unit.kind === "beat") beats.push(unit);
      else collectBeats(unit.items, beats);
    }
  }
}

/** The beats with every repeat written out; at most 4,096 for a parsed score. */
export function expandBeats(score: Score): readonly Beat[] {
  const beats: Beat[] = [];
  collectBeats(score.items, beats);
  return beats;
}

function mapItem(item: Item, change: (beat: Beat) => Beat): Item {
  const { unit } = item;
  if (unit.kind === "beat") {
    const beat = change(unit);
    return beat === unit ? item : { ...item, unit: beat };
  }
  const items = mapItems(unit.items, change);
  return items === unit.items ? item : { ...item, unit: { ...unit, items } };
}

/** The items with every beat exchanged; the same items where nothing changes. */
function mapItems(items: readonly Item[], change: (beat: Beat) => Beat): readonly Item[] {
  const mapped = items.map((item) => mapItem(item, change));
  return mapped.some((item, index) => item !== items[index]) ? mapped : items;
}

/** The score with every beat exchanged; the same score where nothing changes. */
export function mapBeats(score: Score, change: (beat: Beat) => Beat): Score {
  const items = mapItems(score.items, change);
  return items === score.items ? score : { ...score, items };
}

/** The beats whose written take-off differs from its default in some expanded occurrence. */
function keptTakeOffs(score: Score): ReadonlySet<Beat> {
  const kept = new Set<Beat>();
  let before: Foot = "b";
  for (const beat of expandBeats(score)) {
    if (beat.takeOff !== null && beat.takeOff !== before) kept.add(beat);
    before = landingOf(beat);
  }
  return kept;
}

/**
 * The score without written defaults: a landing that is its default, a take-off that is its default
 * in every expanded occurrence. The same score where nothing is.
 */
export function withoutDefaults(score: Score): Score {
  const kept = keptTakeOffs(score);
  return mapBeats(score, (beat) => {
    const takeOff = kept.has(beat) ? beat.takeOff : null;
    const plain = beat.landing === defaultLanding(beat.turns.at(-1)?.arms);
    const landing = plain ? null : beat.landing;
    return takeOff === beat.takeOff && landing === beat.landing ? beat : { ...beat, takeOff, landing };
  });
}
