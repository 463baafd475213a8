/**
 * What is said aloud, word by word, and the words that it takes: a device without a voice has them recorded. They follow
 * from the names of the skills, the calls of their scores and what a clock says.
 */
import { calledPhrases } from "@mirrup/core";
import { LINK_SPACINGS } from "@mirrup/core/teaching";
import { CROSSES } from "./strands/crosses.js";
import { FOOTWORK } from "./strands/footwork.js";
import { MULTIPLES } from "./strands/multiples.js";
import { SIDE_SWINGS } from "./strands/side-swings.js";

const ONES = [
  ...["nought", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven"],
  ...["twelve", "thirteen", "fourteen", "fifteen", "sixteen", "seventeen", "eighteen", "nineteen"],
];
const TENS = ["twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"];
const HUNDRED = 100;
const TEN = 10;

/** Units as they are written, and as they are said. */
const UNITS: Readonly<Record<string, string>> = { s: "seconds", min: "minutes" };

function numberWords(number: number): readonly string[] {
  if (number < ONES.length) return [ONES[number] ?? ""];
  if (number < HUNDRED) {
    const tens = TENS[Math.floor(number / TEN) - 2] ?? "";
    return number % TEN === 0 ? [tens] : [tens, ...numberWords(number % TEN)];
  }
  if (number >= TEN * HUNDRED) return [...String(number)].flatMap((digit) => numberWords(Number(digit)));
  const rest = number % HUNDRED;
  return [...numberWords(Math.floor(number / HUNDRED)), "hundred", ...(rest === 0 ? [] : numberWords(rest))];
}

/** The words in which a text is said: `single-leg hop, 12 s` is single, leg, hop, twelve, seconds. */
export function spokenWords(text: string): readonly string[] {
  return (text.toLowerCase().match(/\d+|[a-z]+/g) ?? []).flatMap((token) =>
    /^\d/.test(token) ? numberWords(Number(token)) : [UNITS[token] ?? token],
  );
}

/** How many bounces stand between two tries from now on, as it is called over the rope. */
export function spacingCall(spacing: number): string {
  if (spacing === 0) return "no bounce";
  return spacing === 1 ? "1 bounce" : `${spacing} bounces`;
}

/** What is said beside names and calls. */
const SAID = ["ready", "go", "rest", "work", "done", "next", "miss", "left side", "right side", "both sides"];

const NAMES = [...FOOTWORK, ...SIDE_SWINGS, ...CROSSES, ...MULTIPLES].flatMap(({ skills }) =>
  skills.map((skill) => skill.name),
);

/** Every word that can come, each once, in alphabetical order. */
export const SPOKEN_WORDS: readonly string[] = [
  ...new Set([
    ...[...ONES, ...TENS, "hundred", ...Object.values(UNITS)],
    ...[...SAID, ...LINK_SPACINGS.map(spacingCall), ...NAMES, ...calledPhrases()].flatMap(spokenWords),
  ]),
].sort();
