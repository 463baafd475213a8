/**
 * What a drill's score holds of a skill's (record.md, What a set is evidence for; drills.md, Holding the
 * whole): the same arms, direction, turns a jump and feet, at beats that follow each other.
 */
import { expandBeats, withoutDefaults, type Score } from "../rope/score.js";
import { traceBeats, type TracedBeat } from "../rope/trace.js";

/** One beat as it is compared: what is jumped, how the feet land, and whether the rope is stopped at its end. */
interface Jumped {
  readonly turns: string;
  readonly feet: string;
  readonly takeOff: string;
  /** Whether the take-off was written, because it is not what the beat before landed on. */
  readonly asksTakeOff: boolean;
  readonly isCaught: boolean;
  readonly isOpen: boolean;
}

/** A score as it is compared, worked out once. */
export interface Jumps {
  readonly beats: readonly Jumped[];
}

function jumpedOf({ beat, turns, landing, takeOff }: TracedBeat): Jumped {
  const last = turns.at(-1);
  return {
    turns: turns.map(({ arms, direction }) => `${arms}${direction === "backward" ? "<" : ""}`).join(" "),
    feet: `${landing} ${[...beat.gestures].sort().join("+")}`,
    takeOff,
    asksTakeOff: beat.takeOff !== null,
    isCaught: last?.turn.caught === true,
    isOpen: turns.length === 1 && last?.arms === "o",
  };
}

/** The score as it is compared; one that runs into itself is written out twice. O(beats). */
export function jumpsOf(score: Score, loops = false): Jumps {
  const plain = withoutDefaults(score);
  const once = expandBeats(plain);
  const { beats } = traceBeats(loops ? [...once, ...once] : once, plain.direction, "r");
  return { beats: beats.map(jumpedOf) };
}

/** How exactly the feet have to be those of the skill: inside another step they are that step's. */
export type Feet = "same" | "any";

function isSame(one: Jumped, whole: Jumped, feet: Feet, mayStop: boolean): boolean {
  if (one.turns !== whole.turns) return false;
  if (feet === "same" && one.feet !== whole.feet) return false;
  if (feet === "same" && whole.asksTakeOff && one.takeOff !== whole.takeOff) return false;
  return one.isCaught === whole.isCaught || (mayStop && one.isCaught);
}

function fitsAt(drill: Jumps, skill: Jumps, at: number, feet: Feet): boolean {
  return skill.beats.every((whole, place) => {
    const one = drill.beats[at + place];
    // The open turn that ends a skill may stop under the toes: what comes before it was jumped.
    const mayStop = place > 0 && place === skill.beats.length - 1 && whole.isOpen;
    return one !== undefined && isSame(one, whole, feet, mayStop);
  });
}

/** How often a skill's score stands in a drill's, without overlaps. O(drill · skill). */
export function timesHeld(drill: Jumps, skill: Jumps, feet: Feet = "same"): number {
  if (skill.beats.length === 0) return 0;
  let times = 0;
  for (let at = 0; at + skill.beats.length <= drill.beats.length;) {
    const fits = fitsAt(drill, skill, at, feet);
    times += fits ? 1 : 0;
    at += fits ? skill.beats.length : 1;
  }
  return times;
}

export function isHeld(drill: Jumps, skill: Jumps, feet: Feet = "same"): boolean {
  return skill.beats.length > 0 && drill.beats.some((_, at) => fitsAt(drill, skill, at, feet));
}

/** Whether the drill is the skill alone, as often as it likes, with nothing but plain bounces around it. */
export function isNothingElse(drill: Jumps, skill: Jumps): boolean {
  if (skill.beats.length === 0) return false;
  let times = 0;
  for (let at = 0; at < drill.beats.length;) {
    const beat = drill.beats[at];
    if (fitsAt(drill, skill, at, "same")) {
      times += 1;
      at += skill.beats.length;
    } else if (beat?.isOpen === true && beat.feet === "b ") at += 1;
    else return false;
  }
  return times > 0;
}
