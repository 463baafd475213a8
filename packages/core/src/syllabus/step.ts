/** A skill danced in another step: each beat lands on the next foot. */
import { checkScore } from "../rope/check.js";
import { printScore } from "../rope/print.js";
import { expandBeats, landingOf, type Beat, type Score } from "../rope/score.js";
import type { SideName } from "../sides.js";

/** Only beats of one turn whose feet nothing else decides, and of which one is not open. */
function canBeStepped(beats: readonly Beat[]): boolean {
  const isFree = ({ turns, landing, takeOff, gestures }: Beat) => {
    const [turn] = turns;
    const isLegOver = turn?.arms === "ul" || turn?.arms === "ur";
    return (
      turns.length === 1 &&
      !isLegOver &&
      turn?.arms !== "k" &&
      landing === null &&
      takeOff === null &&
      gestures.length === 0
    );
  };
  return beats.every(isFree) && beats.some(({ turns }) => turns[0]?.arms !== "o");
}

/**
 * The score in a step whose own score is `step`, for a right side as written: its beats take the step's
 * landings and gestures in turn. Null where its feet are its own, or it could not be jumped so.
 */
export function inStep(score: Score, step: Score, side: SideName): string | null {
  const beats = expandBeats(score);
  const feet = expandBeats(step);
  if (!canBeStepped(beats) || feet.length === 0) return null;
  const length = lowestCommon(beats.length, feet.length);
  const first = side === "left" ? 1 : 0;
  const stepped = Array.from({ length }, (_, place): Beat | null => {
    const beat = beats[place % beats.length];
    const foot = feet[(place + first) % feet.length];
    if (beat === undefined || foot === undefined) return null;
    return { ...beat, landing: landingOf(foot), gestures: foot.gestures };
  }).filter((beat) => beat !== null);
  const made: Score = { ...score, items: stepped.map((unit) => ({ unit, count: null })) };
  return checkScore(made, { loop: true }).length === 0 ? printScore(made) : null;
}

function lowestCommon(one: number, other: number): number {
  let length = one;
  while (length % other !== 0) length += one;
  return length;
}
