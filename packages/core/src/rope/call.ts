/**
 * A pattern called out beat by beat, in the few words that are said aloud in time: "swing right",
 * "open, cross" (teaching.md, Combos). A turn that changes the arms in the air is fused, and sounds
 * different.
 */
import { handWord } from "./arms-words.js";
import { ARMS, sideOfArms, type WrittenArms } from "./arms.js";
import { GESTURES, type Foot, type Gesture } from "./feet.js";
import { gestureWords, multipleName } from "./reading.js";
import { expandBeats, landingOf, LIMITS, type Beat, type Score } from "./score.js";

export interface CalledTurn {
  /** From the start of the beat, as a share of it: 0 for the first turn. */
  readonly at: number;
  /** Whether the arms change into it within the jump. */
  readonly isFused: boolean;
}

export interface CalledBeat {
  /** At most a few words, to be read from ten metres. */
  readonly words: string;
  readonly turns: readonly CalledTurn[];
}

function armsCall(arms: WrittenArms): string {
  const hand = sideOfArms(arms);
  const side = hand === null ? "" : handWord(hand);
  switch (arms) {
    case "o":
      return "open";
    case "x":
    case "xl":
    case "xr":
      return "cross";
    case "sl":
    case "sr":
      return `swing ${side}`;
    case "bl":
    case "br":
      return "front-back";
    case "el":
    case "er":
      return `back-arm ${side}`;
    case "ul":
    case "ur":
      return `leg-over ${side}`;
    case "k":
      return "knees";
    case "wl":
    case "wr":
      return `wrap ${side}`;
    case "hl":
    case "hr":
      return `let go ${side}`;
  }
}

const FOOT_CALLS: Readonly<Record<Foot, string>> = { b: "open", l: "left", r: "right" };

function turnsCall(beat: Beat): string {
  const calls = beat.turns.map(({ arms }) => armsCall(arms));
  const [first = "hop"] = calls;
  if (calls.length < 2) return first;
  const isOne = calls.every((call) => call === first);
  if (!isOne) return calls.join(", ");
  const name = multipleName(calls.length);
  return first === "open" ? name : `${name} ${first}`;
}

function gesturesCall(gestures: readonly Gesture[]): string {
  return gestures.map(gestureWords).join(", ");
}

/** A plain open turn is called by what the feet do: that is what changes. */
function beatCall(beat: Beat): string {
  const call = turnsCall(beat);
  if (call !== "open") return [call, gesturesCall(beat.gestures)].filter(Boolean).join(", ");
  if (beat.gestures.length > 0) return gesturesCall(beat.gestures);
  return FOOT_CALLS[landingOf(beat)];
}

function turnsOf({ turns }: Beat): readonly CalledTurn[] {
  return turns.map(({ arms }, place) => {
    const before = turns[place - 1]?.arms ?? arms;
    return { at: place / turns.length, isFused: before !== arms };
  });
}

/** Every beat of the pattern with its repeats written out, in order. */
export function callOf(score: Score): readonly CalledBeat[] {
  return expandBeats(score).map((beat) => ({ words: beatCall(beat), turns: turnsOf(beat) }));
}

/** All that is ever called of a beat: of arms, feet, turns in a jump and gestures, each alone. */
export function calledPhrases(): readonly string[] {
  const turns = Array.from({ length: LIMITS.turnsInBeat }, (_, less) => multipleName(less + 1));
  return [
    ...ARMS.map(armsCall),
    ...Object.values(FOOT_CALLS),
    ...GESTURES.map(gestureWords),
    ...turns,
    "hop",
  ];
}
