/** Combos and circuits to begin with (teaching.md, Combos), as the shelf offers them. */
export interface StarterCombo {
  readonly id: string;
  readonly name: string;
  readonly score: string;
  /** What it is good for, and what to mind. */
  readonly note: string;
}

export const STARTER_COMBOS: readonly StarterCombo[] = [
  {
    id: "swings-double-cross",
    name: "Swings, double, cross",
    score: "sr sl o*2 (o o) xr o",
    note: "Two bounces after the swings to find the rhythm. The cross after the double is easier than it looks: begin it on the way down.",
  },
  {
    id: "swings-double-cross-closed",
    name: "Swings, double, cross, closed up",
    score: "sr sl (o o) xr o",
    note: "The same with no gap, once the spaced one goes.",
  },
  {
    id: "double-swing-step",
    name: "Double into a step",
    score: "(o o) sr/r>r o/l",
    note: "The double lands on both feet; the swing is hopped on the right, the open turn lands on the left.",
  },
  {
    id: "swing-squat-four",
    name: "Fours: swings, one squat",
    score: "o*4 [sr o]*4 o+squat",
    note: "One squat a round before four.",
  },
  {
    id: "swing-squats-fours",
    name: "Fours: swings, squats in the swing",
    score: "o*4 [sr o]*4 [sr+squat o]*4",
    note: "Bounces to recover, then the squat under the swing.",
  },
  {
    id: "cross-squats-fours",
    name: "Fours: crosses, squats",
    score: "o*4 [xr o]*4 [o+squat]*4",
    note: "When four squats in a row keep their form.",
  },
  {
    id: "swing-swing-squat",
    name: "Swing, swing, squat",
    score: "sr sl o+squat",
    note: "Repeats at once; both sides in one.",
  },
  {
    id: "swing-swing-lunge",
    name: "Swing, swing, lunge",
    score: "sr sl o+lungel sr sl o+lunger",
    note: "A lunge on each side in turn.",
  },
];
