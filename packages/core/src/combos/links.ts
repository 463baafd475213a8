/** The links of a combo: where one move follows another at once, and which of them a miss belongs to. */
import type { Hand } from "../rope/arms.js";
import { expandBeats, type Score } from "../rope/score.js";
import type { SideName } from "../sides.js";
import { judgeCombo } from "./judge.js";
import { comboTiming } from "./measures.js";
import { isBounce, mirrorPart, type ComboPart } from "./part.js";

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

/** The joins of two moves with nothing between, in order. */
export function linksOf(
  parts: readonly ComboPart[],
  { tempo, dominant }: { readonly tempo: number; readonly dominant: Hand },
): readonly ComboLink[] {
  const { score, parts: judged } = judgeCombo(parts, { dominant });
  if (score === null) return [];
  const timing = comboTiming(score, tempo, dominant);
  return parts.flatMap((to, place): ComboLink[] => {
    const from = parts[place - 1];
    const start = judged[place]?.from ?? 0;
    if (from === undefined || isBounce(from) || isBounce(to)) return [];
    const link = timing.links.find((one) => one.to.beat === start && one.to.turn === 0);
    return [{ place, from, to, turn: turnsIn(score, start) + 1, demand: link?.demand ?? 0 }];
  });
}

/**
 * By the rope's bottom, from 0: the link that a miss there belongs to; null for the first part, and where
 * what came before was a bounce. The combo is judged once for all of them.
 */
export function linksByTurn(
  parts: readonly ComboPart[],
  links: readonly ComboLink[],
): readonly (ComboLink | null)[] {
  const { score, parts: judged } = judgeCombo(parts);
  if (score === null) return [];
  const beats = expandBeats(score);
  const byPlace = new Map(links.map((link) => [link.place, link]));
  return judged.flatMap(({ from, beats: count }, place) =>
    beats.slice(from, from + count).flatMap(({ turns }) => turns.map(() => byPlace.get(place) ?? null)),
  );
}
