import { mirrorArms } from "./arms.js";
import { mirrorFoot, mirrorGesture } from "./feet.js";
import { mapBeats, type Score } from "./score.js";

/** The same score with left and right exchanged in arms, feet and gestures. Places in the text stay. */
export function mirrorScore(score: Score): Score {
  return mapBeats(score, (beat) => ({
    ...beat,
    turns: beat.turns.map((turn) => ({ ...turn, arms: mirrorArms(turn.arms) })),
    takeOff: beat.takeOff === null ? null : mirrorFoot(beat.takeOff),
    landing: beat.landing === null ? null : mirrorFoot(beat.landing),
    gestures: beat.gestures.map(mirrorGesture),
  }));
}
