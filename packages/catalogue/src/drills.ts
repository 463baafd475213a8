import type { DrillFocus, DrillKind } from "@mirrup/core";

/** What the student does in each kind of drill, and the kind's name. */
export interface DrillEntry {
  readonly name: string;
  readonly manner: string;
}

export const DRILLS: Readonly<Record<DrillKind, DrillEntry>> = {
  shadow: { name: "shadow", manner: "The movement with no rope." },
  "side-rope": {
    name: "rope at the side",
    manner: "The rope in one hand at the side, turned at the trick's tempo, jumping in time.",
  },
  "toe-catch": {
    name: "toe catch",
    manner:
      "One slow, taut turn into the position, the rope stopped under the toes. Look down and check that it lies mid-foot.",
  },
  "one-stop": { name: "one and stop", manner: "One repetition; jump it and let the rope stop." },
  "one-out": { name: "one and out", manner: "One repetition and back to a bounce." },
  "from-rest": {
    name: "from rest",
    manner: "Straight from standing with no preparing bounce; open after landing into a toe catch.",
  },
  spaced: { name: "spaced", manner: "So many bounces, one repetition, again and again." },
  rounds: { name: "rounds", manner: "The pattern round after round, without a miss." },
  climb: {
    name: "climb",
    manner: "Rung one is one repetition, rung two is two, and so on, with a bridge between rungs.",
  },
  streak: { name: "streak", manner: "As many in a row as asked." },
  count: { name: "count", manner: "As many as possible in the time." },
  hold: { name: "hold", manner: "Keep going for the time, with the form kept." },
  "other-side": { name: "other side", manner: "The same on the other side." },
  "new-step": { name: "new step", manner: "The skill inside another step." },
  merge: { name: "merge", manner: "The parts that will become one, then the one." },
  link: { name: "link", manner: "Two skills joined, with fewer and fewer bounces between." },
};

/** What a drill of the ladder is about, where its kind alone does not say it. */
export const DRILL_FOCUSES: Readonly<Record<DrillFocus, string>> = {
  wrists: "the wrists circle while the arms cross and uncross",
  "open-catch": "open",
  "position-catch": "in the position",
  "high-jump": "with the higher jump",
  "plain-double": "with a plain double",
  "arm-change": "the arm change",
  exit: "the way out",
  "carrying-step": "the carrying step",
  move: "the move",
  part: "a part alone",
  "both-parts": "both parts, then the whole",
  "two-sides": "both sides",
  "boxer-step": "in the boxer step",
  "run-step": "in the run step",
  bursts: "bursts of four",
};
