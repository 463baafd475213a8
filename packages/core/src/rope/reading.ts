/** A score read aloud: each beat in plain words, in order, as for a partner who has never seen it written. */
import { armsWords } from "./arms-words.js";
import type { Foot, Gesture } from "./feet.js";
import type { Beat, Item, Score } from "./score.js";

const FOOT_WORDS: Readonly<Record<Foot, string>> = {
  b: "both feet",
  l: "the left foot",
  r: "the right foot",
};

const WHOLE_GESTURES: Readonly<Record<string, string>> = {
  apart: "feet apart",
  together: "feet together",
  fore: "forward",
  aft: "back",
  left: "to the left",
  right: "to the right",
  squat: "in a squat",
  tuck: "tucked",
  plank: "in a press on the hands",
};

const SIDED_GESTURES: Readonly<Record<string, (side: string) => string>> = {
  front: (side) => `${side} foot in front`,
  cross: (side) => `${side} foot crossed over`,
  tap: (side) => `${side} foot taps`,
  out: (side) => `${side} foot out to the side`,
  heel: (side) => `${side} heel touches`,
  toe: (side) => `${side} toe touches`,
  knee: (side) => `${side} knee up`,
  kick: (side) => `${side} foot kicks`,
  heelkick: (side) => `${side} heel kicks back`,
  swing: (side) => `${side} leg swings out`,
  twist: (side) => `twisted to the ${side}`,
  lunge: (side) => `lunge on the ${side}`,
  turn: (side) => `half turn to the ${side}`,
};

/** A gesture in a few words: `left heel touches`. */
export function gestureWords(gesture: Gesture): string {
  const whole = WHOLE_GESTURES[gesture];
  if (whole !== undefined) return whole;
  const side = gesture.endsWith("l") ? "left" : "right";
  return SIDED_GESTURES[gesture.slice(0, -1)]?.(side) ?? gesture;
}

const MULTIPLE_NAMES = ["", "", "double", "triple", "quadruple", "quintuple"] as const;

/** `double`, `triple` …, by the number of turns in a beat. */
export function multipleName(turns: number): string {
  return MULTIPLE_NAMES[turns] ?? `${turns} turns in one jump`;
}

function turnsWords({ turns }: Beat): string {
  const words = turns.map(({ arms, caught }) => armsWords(arms) + (caught ? ", stopped under the toes" : ""));
  const [only = "hop with no turn"] = words;
  if (turns.length < 2) return only;
  return `${multipleName(turns.length)}: ${words.join(", then ")}`;
}

function feetWords({ takeOff, landing }: Beat): string[] {
  if (takeOff !== null && landing !== null) return [`from ${FOOT_WORDS[takeOff]} to ${FOOT_WORDS[landing]}`];
  return landing === null ? [] : [`on ${FOOT_WORDS[landing]}`];
}

/** One beat in plain words: `side swing right, on the right foot`. */
export function beatWords(beat: Beat): string {
  return [turnsWords(beat), ...feetWords(beat), ...beat.gestures.map(gestureWords)].join(", ");
}

function timesWords(count: number | null): string {
  if (count === null || count === 1) return "";
  return count === 2 ? ", twice" : `, ${count} times`;
}

function itemWords({ unit, count }: Item): string {
  const words = unit.kind === "beat" ? beatWords(unit) : `(${unit.items.map(itemWords).join("; ")})`;
  return words + timesWords(count);
}

/** The whole score, an entry an item: `side swing right`, `cross with the right arm on top`, `open`. */
export function readScore({ direction, items }: Score): readonly string[] {
  const start = direction === "backward" ? ["the rope turns backward"] : [];
  return [...start, ...items.map(itemWords)];
}
