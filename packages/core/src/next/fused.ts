/** Which fused double to begin with (teaching.md, Other disagreements; record.md, What now). */
import { cleanChance, findStanding, type Reading } from "../record/standing.js";
import type { Side } from "../syllabus/side.js";

/** As set, or whichever part of it the student's own record shows stronger. */
export type FusedFirst = "own-record" | "from-double" | "from-cross";

/**
 * Whether a side is the fused double that waits for its sibling: this side's own cross is held against the
 * double, and the stronger part's form goes first.
 */
export function waitsForSibling(reading: Reading, side: Side, first: FusedFirst): boolean {
  const { fused } = reading.syllabus.catalogue.roles;
  if (fused === null) return false;
  const [fromDouble, fromCross] = fused.pair;
  if (side.subject !== fromDouble && side.subject !== fromCross) return false;
  return side.subject !== firstFused(reading, side, first);
}

function firstFused(reading: Reading, { side }: Side, first: FusedFirst): string | null {
  const { fused } = reading.syllabus.catalogue.roles;
  if (fused === null) return null;
  const [fromDouble, fromCross] = fused.pair;
  if (first !== "own-record") return first === "from-double" ? fromDouble : fromCross;
  const chance = (subject: string, of: Side["side"]) => {
    const found = findStanding(reading, subject, of);
    return found === null ? 0 : cleanChance(found);
  };
  return chance(fused.double, "whole") >= chance(fused.cross, side) ? fromDouble : fromCross;
}
