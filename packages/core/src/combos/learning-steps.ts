/**
 * How a combo is learned (teaching.md, Combos): each link alone, the hardest first; parts joined; the
 * whole with 4, 2, 1 and no bounces at the hard links; whole; mirrored; in another step; faster.
 */
import type { Hand } from "../rope/arms.js";
import { checkScore } from "../rope/check.js";
import { scoreOf } from "../rope/parse.js";
import type { Score } from "../rope/score.js";
import { printScore } from "../rope/print.js";
import { otherSideName, type SideName } from "../sides.js";
import { LINK_SPACINGS } from "../floor/run.js";
import type { Catalogue } from "../syllabus/catalogue.js";
import type { Drill } from "../syllabus/drill.js";
import { inStep } from "../syllabus/step.js";
import { comboKey, linkKey } from "../log/combo-subject.js";
import { linksOf, onSide, type ComboLink } from "./links.js";
import {
  comboScore,
  comboText,
  isBounce,
  mirrorPart,
  ownDirection,
  scoreOfPart,
  type ComboPart,
} from "./part.js";

export interface LearningOptions {
  readonly id: string;
  readonly side: SideName;
  readonly dominant: Hand;
  readonly tempo: number;
  /** The steps that a line can be danced in. */
  readonly steps: readonly DancedStep[];
}

/** A step that a combo is danced in, by its skill. */
export interface DancedStep {
  readonly id: string;
  readonly score: Score;
}

/** The steps that a catalogue has for it. */
export function dancedSteps({ roles, skills }: Catalogue): readonly DancedStep[] {
  return roles.steps.flatMap((id) => {
    const score = skills.get(id)?.score ?? null;
    return score === null ? [] : [{ id, score }];
  });
}

export type LearningCode = "link" | "joined" | "spaced" | "whole" | "mirrored" | "new-step" | "faster";

export interface LearningStep {
  /** Tells the step from the others of its combo and side. */
  readonly id: string;
  readonly code: LearningCode;
  /** What the set is logged about. */
  readonly subject: string;
  readonly side: SideName;
  readonly drill: Drill;
  /** The score of one try, for whatever asks of it. */
  readonly score: string;
  /** Of a link: its place; null for the rest. */
  readonly link: number | null;
  /** The skill whose step it is danced in. */
  readonly step: string | null;
  readonly tempo: number | null;
}

const FASTER = [1.1, 1.2] as const;
/** Fewer moves than this are not joined by halves first. */
const LEAST_MOVES_TO_HALVE = 4;
const BOUNCE = "o";

function legalText(pieces: readonly string[], parts: readonly ComboPart[]): string | null {
  const [first] = parts;
  const backward = first !== undefined && ownDirection(scoreOfPart(first)) === "backward";
  const score = scoreOf(`${backward ? "< " : ""}${pieces.filter((text) => text !== "").join(" ")}`);
  return checkScore(score).length === 0 ? printScore(score) : null;
}

const textOf = (parts: readonly ComboPart[]) => comboText(parts).replace(/^< /, "");
const bounces = (count: number) => (count === 0 ? "" : count === 1 ? BOUNCE : `${BOUNCE}*${count}`);

/** A link with bounces between; out of all that comes before where it cannot begin by itself. */
function linkText(
  parts: readonly ComboPart[],
  { place, from, to }: ComboLink,
  spacing: number,
): string | null {
  const one = (part: ComboPart) => ({ ...part, times: 1 });
  const alone = [one(from)];
  const before = parts.slice(0, place);
  const after = textOf([one(to)]);
  return (
    legalText([textOf(alone), bounces(spacing), after], alone) ??
    legalText([textOf(before), bounces(spacing), after], before)
  );
}

function spacedText(
  parts: readonly ComboPart[],
  links: readonly ComboLink[],
  spacing: number,
): string | null {
  const places = new Set(links.map((link) => link.place));
  const pieces = parts.flatMap((part, place) => [places.has(place) ? bounces(spacing) : "", textOf([part])]);
  return legalText(pieces, parts);
}

/**
 * The most bounces, of 4, 2, 1 and 0, that can stand there at all, and the score closed up, to which
 * the drill's spacing is added; null where not even none can.
 */
function widest(textAt: (spacing: number) => string | null) {
  for (const spacing of LINK_SPACINGS) {
    const score = textAt(spacing);
    if (score !== null) return { spacing, score: textAt(0) ?? score };
  }
  return null;
}

function halves(parts: readonly ComboPart[], links: readonly ComboLink[]): readonly (readonly ComboPart[])[] {
  const moves = parts.filter((part) => !isBounce(part)).length;
  if (moves < LEAST_MOVES_TO_HALVE) return [];
  const middle = parts.length / 2;
  const [cut] = links
    .map((link) => link.place)
    .sort((one, other) => Math.abs(one - middle) - Math.abs(other - middle));
  const at = cut ?? Math.ceil(middle);
  return [parts.slice(0, at), parts.slice(at)].filter((half) => half.some((part) => !isBounce(part)));
}

/** The steps in the order of the handbook, links by their demand. */
export function learningSteps(
  written: readonly ComboPart[],
  options: LearningOptions,
  links = linksOf(onSide(written, options.side), options),
): readonly LearningStep[] {
  const { id, side, tempo, dominant } = options;
  const parts = onSide(written, side);
  const score = comboScore(parts);
  if (score === null || checkScore(score, { dominant }).length > 0) return [];
  const subject = comboKey(id);
  const steps: LearningStep[] = [];
  const add = (one: Omit<LearningStep, "side" | "step" | "tempo" | "link"> & Partial<LearningStep>) =>
    steps.push({ side, step: null, tempo: null, link: null, ...one });
  for (const link of [...links].sort((one, other) => other.demand - one.demand)) {
    const found = widest((spacing) => linkText(parts, link, spacing));
    if (found === null) continue;
    const drill = { kind: "link", count: 4, ...found } as const;
    add({
      id: `link${link.place}`,
      code: "link",
      subject: linkKey(id, link.place),
      drill,
      score: found.score,
      link: link.place,
    });
  }
  halves(parts, links).forEach((half, place) => {
    const text = legalText([textOf(half)], half);
    if (text === null) return;
    add({
      id: `joined${place + 1}`,
      code: "joined",
      subject,
      drill: { kind: "merge", count: 5, score: text },
      score: text,
    });
  });
  const spaced = links.length === 0 ? null : widest((spacing) => spacedText(parts, links, spacing));
  if (spaced !== null && spaced.spacing > 0) {
    add({
      id: "spaced",
      code: "spaced",
      subject,
      drill: { kind: "link", count: 4, ...spaced },
      score: spaced.score,
    });
  }
  const whole = comboText(parts);
  add({
    id: "whole",
    code: "whole",
    subject,
    drill: { kind: "one-out", count: 5, score: whole },
    score: whole,
  });
  if (side !== "whole") {
    const mirrored = comboText(parts.map(mirrorPart));
    const drill = { kind: "one-out", count: 5, score: mirrored } as const;
    add({ id: "mirrored", code: "mirrored", subject, side: otherSideName(side), drill, score: mirrored });
  }
  for (const { id: step, score: feet } of options.steps) {
    const text = inStep(score, feet, side);
    if (text !== null)
      add({
        id: step,
        code: "new-step",
        subject,
        drill: { kind: "new-step", count: 8, score: text },
        score: text,
        step,
      });
  }
  for (const share of FASTER) {
    const quicker = Math.round(tempo * share);
    add({
      id: `faster${quicker}`,
      code: "faster",
      subject,
      drill: { kind: "streak", count: 2, tempo: quicker, score: whole },
      score: whole,
      tempo: quicker,
    });
  }
  return steps;
}
