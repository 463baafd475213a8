/**
 * What a combo is made of (teaching.md, Combos): skills, bounces and turns in a row. The combo's own
 * score is always the join of its parts, and is kept nowhere beside them.
 */
import { parseScore, scoreOf } from "../rope/parse.js";
import { mirrorScore } from "../rope/mirror.js";
import { printScore } from "../rope/print.js";
import { expandBeats, withoutDefaults, type Direction, type Item, type Score } from "../rope/score.js";
import { traceBeats } from "../rope/trace.js";
import { otherSideName, type SideName } from "../sides.js";
import { sideScore, type Catalogue } from "../syllabus/catalogue.js";

export interface ComboPart {
  /** The skill or the combo that it is; null for turns that are neither. */
  readonly subject: string | null;
  readonly side: SideName;
  /** Once through, in canonical text. */
  readonly score: string;
  /** How often in a row, from 1. */
  readonly times: number;
}

export const COMBO_LIMITS = { parts: 400, times: 99, nameLength: 80 } as const;

const scores = new WeakMap<Pick<ComboPart, "score">, Score>();

/** Once through the part, read once for it; throws a `RangeError` for a text that does not parse. */
export function scoreOfPart(part: Pick<ComboPart, "score">): Score {
  const known = scores.get(part);
  if (known !== undefined) return known;
  const read = readPart(part);
  scores.set(part, read);
  return read;
}

function readPart({ score }: Pick<ComboPart, "score">): Score {
  const parsed = parseScore(score);
  if (!parsed.ok) throw new RangeError(`"${score}" does not parse. ${parsed.fault.message}`);
  return parsed.score;
}

function repeated(score: Score, times: number): readonly Item[] {
  if (times === 1) return score.items;
  const [only] = score.items;
  if (score.items.length === 1 && only?.count === null) return [{ ...only, count: times }];
  return [{ unit: { kind: "group", items: score.items, from: 0, to: 0 }, count: times }];
}

/** The part as often as it is done. */
export function repeatedScore(part: ComboPart): Score {
  const score = withoutDefaults(scoreOfPart(part));
  return { ...score, items: repeated(score, part.times) };
}

/** The parts end to end, with the first one's direction; null for none. The join is not judged here. */
export function comboScore(parts: readonly ComboPart[]): Score | null {
  const scores = parts.map(repeatedScore);
  const [first] = scores;
  return first === undefined
    ? null
    : { direction: first.direction, items: scores.flatMap((score) => score.items) };
}

/** The combo in canonical text; empty for no parts. */
export function comboText(parts: readonly ComboPart[]): string {
  const score = comboScore(parts);
  return score === null ? "" : scoreText(score);
}

/** Written places are of no text any more once parts are joined: the text is read anew. */
function scoreText(score: Score): string {
  return printScore(scoreOf(printScore(score)));
}

/** The part on the other side: left and right exchanged; a part with no sides stays the same. */
export function mirrorPart(part: ComboPart): ComboPart {
  const score = printScore(mirrorScore(scoreOfPart(part)));
  if (score === part.score) return part;
  return { ...part, side: part.side === "whole" ? "whole" : otherSideName(part.side), score };
}

/** A skill's side as a part; null for a skill outside the rope model. */
export function partOfSkill(catalogue: Catalogue, subject: string, side: SideName): ComboPart | null {
  const skill = catalogue.skills.get(subject);
  const score = skill === undefined ? null : sideScore(skill, side);
  return score === null ? null : { subject, side, score: printScore(score), times: 1 };
}

export function countsOf(part: ComboPart): number {
  return expandBeats(scoreOfPart(part)).length * part.times;
}

/** What tells one part from another, however often it is done. */
export function partKey({ subject, side, score }: ComboPart): string {
  return subject === null ? score : `${subject} ${side}`;
}

export function isSamePart(one: ComboPart, other: ComboPart): boolean {
  return partKey(one) === partKey(other) && one.score === other.score;
}

/** Which way the rope turns in the part's first turn; null where it has none. */
export function ownDirection(score: Score): Direction | null {
  const { beats } = traceBeats(expandBeats(score), score.direction, "r");
  return beats.find(({ turns }) => turns.length > 0)?.turns[0]?.direction ?? null;
}

/** Open turns that land on both feet and do nothing else: what spaces the moves of a combo. */
export function isBounce(part: ComboPart): boolean {
  return expandBeats(scoreOfPart(part)).every(
    ({ turns, landing, takeOff, gestures }) =>
      turns.length < 2 &&
      turns.every(({ arms, caught }) => arms === "o" && !caught) &&
      (landing === null || landing === "b") &&
      takeOff === null &&
      gestures.length === 0,
  );
}

/** The part without the open turn that it ends in, so that the next one follows at once; null where it has none. */
export function closedUp(part: ComboPart): ComboPart | null {
  const score = scoreOfPart(part);
  const beats = expandBeats(score);
  const items = beats.slice(0, -1).map((unit): Item => ({ unit, count: null }));
  const last = beats.at(-1);
  if (items.length === 0 || last === undefined) return null;
  const isOpen = isBounce({ ...part, score: printScore({ ...score, items: [{ unit: last, count: null }] }) });
  const rest = { ...part, score: printScore({ ...score, items }) };
  return isOpen && last.turns.length === 1 && !isBounce(rest) ? rest : null;
}

/** Parts that follow themselves are one part, done more often. */
export function gathered(parts: readonly ComboPart[]): readonly ComboPart[] {
  const list: ComboPart[] = [];
  for (const part of parts) {
    const last = list.at(-1);
    if (last !== undefined && isSamePart(last, part) && last.times + part.times <= COMBO_LIMITS.times)
      list[list.length - 1] = { ...last, times: last.times + part.times };
    else list.push(part);
  }
  return list;
}
