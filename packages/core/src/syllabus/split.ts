/** A multiple taken apart (teaching.md, Parts and merge). */
import { checkScore } from "../rope/check.js";
import { scoreOf } from "../rope/parse.js";
import { expandBeats, type Score } from "../rope/score.js";
import { directed } from "./template.js";

/**
 * The two parts of a multiple: split at the most even place where both are legal, the longer part
 * first where both orders are; null where there is none to split.
 */
export function partsOfMultiple(score: Score): readonly [string, string] | null {
  const multiple = expandBeats(score).find((beat) => beat.turns.length > 1);
  if (multiple === undefined) return null;
  const arms = multiple.turns.map((turn) => turn.arms);
  const middle = arms.length / 2;
  const places = arms
    .map((_, place) => place)
    .slice(1)
    .sort((one, other) => Math.abs(one - middle) - Math.abs(other - middle) || other - one);
  const beatText = (part: readonly string[]) => (part.length === 1 ? (part[0] ?? "") : `(${part.join(" ")})`);
  for (const place of places) {
    const parts = [beatText(arms.slice(0, place)), beatText(arms.slice(place))] as const;
    if (checkScore(scoreOf(directed(parts.join(" "), score.direction))).length === 0) return parts;
  }
  return null;
}
