/**
 * The next question: the side whose answer is expected to tell most about all sides, in bits, summed
 * over them exactly under the model.
 */
import { cellOf } from "../grid.js";
import { PLACEMENT_ANSWERS } from "../log/decision.js";
import { ANSWER_CHANCES, bothSides, type PlacementBelief } from "./belief.js";
import { LEANS, LEVELS } from "./model.js";

function entropy(chance: number): number {
  return chance <= 0 || chance >= 1
    ? 0
    : -(chance * Math.log2(chance) + (1 - chance) * Math.log2(1 - chance));
}

/**
 * P(both known): the two sides of a skill go together at every level; others hang together through
 * the level alone across strands, and through the lean too on one strand.
 */
function bothKnown(belief: PlacementBelief, one: number, other: number): number {
  const { model, levels, byLevel, leans, known } = belief;
  const strand = cellOf(model.strandOf, one);
  const isMate = model.mateOf[one] === other;
  let sum = 0;
  for (let level = 0; level < LEVELS; level += 1) {
    const own = cellOf(byLevel, one * LEVELS + level);
    const its = cellOf(byLevel, other * LEVELS + level);
    let joint = own * its;
    if (isMate) joint = bothSides(own, its);
    else if (strand === model.strandOf[other]) {
      joint = 0;
      const from = (strand * LEVELS + level) * LEANS;
      const ofOne = (one * LEVELS + level) * LEANS;
      const ofOther = (other * LEVELS + level) * LEANS;
      for (let lean = 0; lean < LEANS; lean += 1) {
        joint += cellOf(leans, from + lean) * cellOf(known, ofOne + lean) * cellOf(known, ofOther + lean);
      }
    }
    sum += cellOf(levels, level) * joint;
  }
  return sum;
}

/** Bits that the answer to `asked` is expected to tell about the sides of `about`. */
export function expectedInformation(
  belief: PlacementBelief,
  asked: number,
  about: readonly number[],
): number {
  const own = cellOf(belief.chances, asked);
  let bits = 0;
  for (const other of about) {
    const chance = cellOf(belief.chances, other);
    const both = other === asked ? own : bothKnown(belief, asked, other);
    let after = 0;
    for (const answer of PLACEMENT_ANSWERS) {
      const { known, unknown } = ANSWER_CHANCES[answer];
      const of = own * known + (1 - own) * unknown;
      const withOther = both * known + (chance - both) * unknown;
      after += of * entropy(Math.min(1, Math.max(0, withOther / of)));
    }
    bits += entropy(chance) - after;
  }
  return bits;
}
