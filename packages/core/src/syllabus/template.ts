/**
 * Scores of drills made from a skill's (ladder-line.ts says what each letter stands for). A template of
 * which something cannot be made answers null: the skill has no such drill.
 */
import { isSideSwing, UNDER_FEET, type WrittenArms } from "../rope/arms.js";
import { parseScore } from "../rope/parse.js";
import { mirrorScore } from "../rope/mirror.js";
import { printScore } from "../rope/print.js";
import { expandBeats, type Beat, type Direction, type Score } from "../rope/score.js";

const BOXER = "o/r+tapl o/l+tapr";
const RUN = "o/r o/l";
const DOUBLE = "(o o)";

/** What a template is filled from: the skill's score, and the score of the step that carries it. */
export interface Filling {
  readonly score: Score;
  readonly carrying: Score | null;
}

function itemsText(score: Score): string {
  return printScore({ ...score, direction: "forward" });
}

export function beatsText(beats: readonly Beat[]): string {
  return itemsText({ direction: "forward", items: beats.map((unit) => ({ unit, count: null })) });
}

function isOpen(arms: WrittenArms): boolean {
  return arms === "o";
}

function isClosedUnderFeet(arms: WrittenArms): boolean {
  return arms === "x" || (!isOpen(arms) && UNDER_FEET[arms]);
}

const closesUnderFeet = ({ turns }: Beat) => turns.some(({ arms }) => isClosedUnderFeet(arms));

/** The beats up to the last one that is jumped closed, that one without what opens it. */
function throughLastClosed(beats: readonly Beat[]): readonly Beat[] {
  return beats.slice(0, beats.findLastIndex(closesUnderFeet) + 1);
}

function caught(beats: readonly Beat[]): string | null {
  const last = beats.at(-1);
  const end = last?.turns.at(-1);
  if (last === undefined || end === undefined || end.caught || (end.arms !== "x" && !UNDER_FEET[end.arms]))
    return null;
  const turns = [...last.turns.slice(0, -1), { ...end, caught: true }];
  return beatsText([...beats.slice(0, -1), { ...last, turns }]);
}

/** The skill with the rope stopped after it: its own last open turn, or one more. */
function stopped(beats: readonly Beat[]): string | null {
  const last = beats.at(-1);
  const [only] = last?.turns ?? [];
  if (last === undefined) return null;
  const isPlain =
    last.turns.length === 1 && only?.arms === "o" && last.landing === null && last.gestures.length === 0;
  return isPlain && beats.length > 1 ? caught(beats) : `${beatsText(beats)} o!`;
}

function swings(beats: readonly Beat[]): string | null {
  const beside = beats.filter(
    ({ turns }) => turns.length === 1 && turns.every(({ arms }) => arms !== "x" && isSideSwing(arms)),
  );
  return beside.length === 0 ? null : beatsText(beside);
}

type Letter = (filling: Filling) => string | null;

const beatsOf = ({ score }: Filling) => expandBeats(score);

const LETTERS: Readonly<Record<string, Letter>> = {
  S: ({ score }) => itemsText(score),
  M: ({ score }) => itemsText(mirrorScore(score)),
  Z: (filling) => stopped(beatsOf(filling)),
  T: (filling) => caught(beatsOf(filling)),
  K: (filling) => {
    const beats = throughLastClosed(beatsOf(filling));
    return beats.length === 0 ? null : beatsText(beats);
  },
  P: (filling) => {
    const first = beatsOf(filling).find(closesUnderFeet);
    return first === undefined ? null : beatsText([first]);
  },
  Q: (filling) => swings(beatsOf(filling)),
  C: ({ carrying }) => (carrying === null ? "o" : itemsText(carrying)),
  B: () => BOXER,
  R: () => RUN,
  D: () => DOUBLE,
};
/** What of a template takes the skill's direction: whatever is made from it. */
const OWN = /[SMZTKPQC]/;
const LETTER = /([SMZTKPQCBRD])(?:\*(\d+|n))?(!)?/g;
/** So many of one unit as there are bounces. */
const RUN_UP = /(\([^)]*\)\S*?|[^\s()]+)\*n(?=\s|$)/g;

/** One item written so often; nothing for none. */
function times(text: string, count: number): string {
  if (count === 0) return "";
  if (count === 1) return text;
  const isOne = !/\s/.test(text.replaceAll(/\([^)]*\)/g, ""));
  return isOne && !text.includes("*") ? `${text}*${count}` : `[${text}]*${count}`;
}

function stoppedText(text: string): string | null {
  const parsed = parseScore(text);
  return parsed.ok ? caught(expandBeats(parsed.score)) : null;
}

/** The template with its letters filled in; null where one of them has nothing to stand for. */
export function filled(template: string, filling: Filling, bounces = 0): string | null {
  const missing: string[] = [];
  const lettered = template.replaceAll(LETTER, (_word, letter: string, count?: string, stop?: string) => {
    const made = LETTERS[letter]?.(filling) ?? null;
    const ended = made !== null && stop === "!" ? stoppedText(made) : made;
    if (ended === null) missing.push(letter);
    return times(ended ?? "", count === undefined ? 1 : count === "n" ? bounces : Number(count));
  });
  if (missing.length > 0) return null;
  const text = lettered.replaceAll(RUN_UP, (_word, unit: string) => times(unit, bounces));
  return OWN.test(template) ? directed(text, filling.score.direction) : text;
}

export function directed(text: string, direction: Direction): string {
  return direction === "backward" && !text.startsWith("<") ? `< ${text}` : text;
}
