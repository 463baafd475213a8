import type { RuleFault } from "./fault.js";
import { expandBeats, LIMITS, withoutDefaults, type Direction, type Score } from "./score.js";
import { traceBeats, type TracedBeat } from "./trace.js";

export interface JoinedScores {
  readonly score: Score;
  /** A `direction` fault for each part whose rope would turn the other way; check the score for the rest. */
  readonly faults: readonly RuleFault[];
}

/** The direction of the first turn; null where there is none. */
function firstDirection(beats: readonly TracedBeat[]): Direction | null {
  return beats.find(({ turns }) => turns.length > 0)?.turns[0]?.direction ?? null;
}

/**
 * Scores end to end, with the first one's starting direction. A fault's beat counts in the joined
 * score, its span in the part's own text. Throws a `RangeError` for an empty list and for more than
 * 4,096 beats.
 */
export function joinScores(scores: readonly Score[]): JoinedScores {
  const [first] = scores;
  if (first === undefined) throw new RangeError("There is nothing to join; give at least one score.");
  const parts = scores.map(withoutDefaults);
  const score: Score = { direction: first.direction, items: parts.flatMap((part) => part.items) };
  const partBeats = parts.map(expandBeats);
  const beats = partBeats.flat();
  if (beats.length > LIMITS.beats) {
    throw new RangeError(
      `Joined, the scores have ${beats.length} beats; at most ${LIMITS.beats} are allowed.`,
    );
  }
  // Directions do not depend on which arm is on top.
  const joined = traceBeats(beats, score.direction, "r").beats;
  const faults: RuleFault[] = [];
  let start = 0;
  parts.forEach((part, index) => {
    const own = partBeats[index] ?? [];
    const alone = firstDirection(traceBeats(own, part.direction, "r").beats);
    const together = firstDirection(joined.slice(start, start + own.length));
    const [head] = own;
    if (head !== undefined && alone !== together) {
      const message = `Here the rope turns ${together ?? ""}, but this part is for a rope that turns ${alone ?? ""}. Put a half turn between.`;
      faults.push({ code: "direction", beat: start, turn: 0, from: head.from, to: head.to, message });
    }
    start += own.length;
  });
  return { score, faults };
}
