import type { DrillKind } from "@mirrup/core";

/** What a kind of drill is called, and what the student does in it. */
export interface DrillEntry {
  readonly name: string;
  readonly manner: string;
}

export const DRILLS: Readonly<Record<DrillKind, DrillEntry>> = {
  watch: {
    name: "watch it",
    manner: "Watch it done slowly, from the side and from the front, and say what comes when.",
  },
  shadow: { name: "without a rope", manner: "The movement with no rope." },
  "tempo-shadow": {
    name: "without a rope, faster",
    manner: "The movement with no rope, a little faster each time.",
  },
  "air-change": { name: "arms in the air", manner: "Jump with no rope and change the arms before landing." },
  "free-swing": {
    name: "swing beside the body",
    manner: "Both hands on the rope, beside the body, without a jump.",
  },
  "side-rope": {
    name: "rope at the side",
    manner: "The rope in one hand at the side, turned at the trick’s tempo, jumping in time.",
  },
  "toe-catch": {
    name: "toe catch",
    manner:
      "One slow, taut turn into the position, the rope stopped under the toes. Look down and check that it lies mid-foot.",
  },
  apart: { name: "one at a time", manner: "One alone, then a bounce, before they are joined." },
  "stop-in": { name: "jump in and stay", manner: "Jump it, and stop in the position." },
  "one-stop": { name: "one, then stop", manner: "One repetition; jump it and let the rope stop." },
  merge: { name: "two become one", manner: "The parts that will become one, then the one." },
  "from-rest": {
    name: "from standing",
    manner: "Straight from standing with no preparing bounce; open after landing into a toe catch.",
  },
  "high-part": { name: "a part, higher", manner: "The part alone, with the height that the trick asks." },
  "part-counts": {
    name: "count of a part",
    manner: "So many of the part in a row: the door to what comes next. Three goes.",
  },
  "one-out": { name: "one, then bounce", manner: "One repetition and back to a bounce." },
  spaced: { name: "with bounces between", manner: "So many bounces, one repetition, again and again." },
  link: { name: "two joined", manner: "Two moves joined, with fewer and fewer bounces between." },
  rounds: { name: "rounds", manner: "The pattern round after round, without a miss." },
  tens: { name: "tens", manner: "Ten on one foot, ten on the other, round after round without a break." },
  "side-to-side": {
    name: "both sides by turns",
    manner: "One side, then the other, round after round without a miss.",
  },
  whole: {
    name: "all of it at once",
    manner: "The whole thing from a bounce, without holding back. Beginning it is what counts.",
  },
  "growing-climb": {
    name: "growing climb",
    manner: "Rung one is one open turn and one held, rung two is two and two, and so on.",
  },
  climb: {
    name: "climb",
    manner: "Rung one is one repetition, rung two is two, and so on, with a bridge between rungs.",
  },
  streak: { name: "in a row", manner: "As many in a row as asked." },
  faster: { name: "faster", manner: "The same a little faster, with the same form." },
  hold: { name: "keep going", manner: "Keep going for the time, with the form kept." },
  count: { name: "as many as you can", manner: "As many as possible in the time." },
  "new-step": {
    name: "in another step",
    manner: "The skill inside another step: the feet go on, the arms join.",
  },
  "other-side": { name: "other side", manner: "The same on the other side, in the same words, slower." },
};
