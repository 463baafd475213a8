/** The links of a combo: where one move follows another at once, and which of them a miss belongs to. */
import { expandBeats, type Score } from "../rope/score.js";
import type { SideName } from "../sides.js";
import { comboTiming, type Jumping } from "./measures.js";
import { comboScore, countsOf, isBounce, mirrorPart, repeatedScore, type ComboPart } from "./part.js";

export interface ComboLink {
  /** The part that it leads into, from 1. */
  readonly place: number;
  readonly from: ComboPart;
  readonly to: ComboPart;
  /** The rope's bottom, from 1, at which that part begins. */
  readonly turn: number;
  /** Hand moves a second at the tempo. */
  readonly demand: number;
}

/** The parts as they are done on a side. */
export function onSide(parts: readonly ComboPart[], side: SideName): readonly ComboPart[] {
  return side === "left" ? parts.map(mirrorPart) : parts;
}

function turnsIn(score: Score, beats: number): number {
  return expandBeats(score)
    .slice(0, beats)
    .reduce((sum, { turns }) => sum + turns.length, 0);
}

/** Each part with its first beat, from 0. */
function placed(parts: readonly ComboPart[]): readonly { readonly part: ComboPart; readonly from: number }[] {
  let to = 0;
  return parts.map((part) => {
    const from = to;
    to += countsOf(part);
    return { part, from };
  });
}

/** The joins of two moves with nothing between, in order. */
export function linksOf(parts: readonly ComboPart[], jumping: Jumping): readonly ComboLink[] {
  const score = comboScore(parts);
  if (score === null) return [];
  const timing = comboTiming(score, jumping);
  return placed(parts).flatMap(({ part: to, from: start }, place): ComboLink[] => {
    const from = parts[place - 1];
    if (from === undefined || isBounce(from) || isBounce(to)) return [];
    const { demand = 0 } = timing.links.find((one) => one.to.beat === start && one.to.turn === 0) ?? {};
    return [{ place, from, to, turn: turnsIn(score, start) + 1, demand }];
  });
}

/**
 * By the rope's bottom, from 0: the link that a miss there belongs to; null for the first part, and where
 * what came before was a bounce.
 */
export function linksByTurn(
  parts: readonly ComboPart[],
  links: readonly ComboLink[],
): readonly (ComboLink | null)[] {
  const byPlace = new Map(links.map((link) => [link.place, link]));
  return parts.flatMap((part, place) => {
    const link = byPlace.get(place) ?? null;
    const turns = expandBeats(repeatedScore(part)).flatMap((beat) => beat.turns);
    return turns.map(() => link);
  });
}
