/**
 * Which side leads (record.md): it can differ by family, arms, legs and turns. From the record where both
 * sides have twenty tries, else as it is set.
 */
import { expandBeats, landingOf } from "../rope/score.js";
import type { Reading } from "../record/standing.js";
import type { Side } from "../syllabus/side.js";

export type Leading = "left" | "right";
type Group = "arms" | "legs" | "turns";

/** What twenty tries in sets of five come to once each has faded by those after it. */
const ENOUGH = 17;

function groupOf({ score }: Side): Group {
  if (score === null) return "arms";
  const beats = expandBeats(score);
  if (beats.some(({ gestures }) => gestures.some((gesture) => gesture.startsWith("turn")))) return "turns";
  return beats.some((beat) => landingOf(beat) !== "b") ? "legs" : "arms";
}

interface Sums {
  clean: number;
  missed: number;
}

/** Answers the leading side of any side of a reading; the record's sums are taken once. */
export function leadingSides({ standings }: Reading, setting: Leading): (side: Side) => Leading {
  const sums = new Map<Group, Readonly<Record<Leading, Sums>>>();
  for (const { of, facts } of standings) {
    if (of.side === "whole" || facts.clean + facts.missed === 0) continue;
    const group = groupOf(of);
    const both = sums.get(group) ?? { left: { clean: 0, missed: 0 }, right: { clean: 0, missed: 0 } };
    sums.set(group, both);
    both[of.side].clean += facts.clean;
    both[of.side].missed += facts.missed;
  }
  return (side) => {
    const both = sums.get(groupOf(side));
    if (both === undefined) return setting;
    const { left, right } = both;
    if (left.clean + left.missed < ENOUGH || right.clean + right.missed < ENOUGH) return setting;
    const share = ({ clean, missed }: Sums) => clean / (clean + missed);
    return share(left) === share(right) ? setting : share(left) > share(right) ? "left" : "right";
  };
}
