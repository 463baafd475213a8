/**
 * How a combo is learned (teaching.md, Combos): each link alone, the hardest first; built up around it, two moves,
 * three, more; the whole with 4, 2, 1 and no bounces at one link while the others keep theirs; whole; mirrored; in
 * another step; faster.
 */
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
import type { Jumping } from "./measures.js";
import {
  comboScore,
  comboText,
  isBounce,
  mirrorPart,
  ownDirection,
  scoreOfPart,
  type ComboPart,
} from "./part.js";

export interface LearningOptions extends Jumping {
  readonly id: string;
  readonly side: SideName;
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

export type LearningCode = "link" | "built" | "gap" | "whole" | "mirrored" | "new-step" | "faster";

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
  /** Of a link alone, or of the one that is closed in the whole: its place; null for the rest. */
  readonly link: number | null;
  /** The parts that are in it, from the first to the one before `to`. */
  readonly from: number;
  readonly to: number;
  /** How many of them are moves, and not bounces between. */
  readonly moves: number;
  /** The places of the links in it with nothing between. */
  readonly closed: readonly number[];
  /** The skill whose step it is danced in. */
  readonly step: string | null;
  readonly tempo: number | null;
}

const FASTER = [1.1, 1.2] as const;
/** Two moves are the link itself; from three on a combo is built up, each time by half as many again. */
const FIRST_BUILT = 3;
const BUILT_GROWTH = 1.5;
/** The bounces that every other link keeps while one is closed. */
const KEPT_BOUNCES = [2, 1] as const;
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

/** The whole with bounces at one link, and so many at every other. */
function gapText(
  parts: readonly ComboPart[],
  links: readonly ComboLink[],
  { place: open }: ComboLink,
  { spacing, kept }: { readonly spacing: number; readonly kept: number },
): string | null {
  const places = new Set(links.map((link) => link.place));
  const between = (place: number) =>
    place === open ? bounces(spacing) : places.has(place) ? bounces(kept) : "";
  return legalText(
    parts.flatMap((part, place) => [between(place), textOf([part])]),
    parts,
  );
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

/** Parts in a row, from the first to the one before `to`. */
interface Stretch {
  readonly from: number;
  readonly to: number;
}

const movesIn = (parts: readonly ComboPart[]) => parts.filter((part) => !isBounce(part)).length;

/** One move more, with the bounces on the way to it: on to what follows, else back to what comes before. */
function grown(parts: readonly ComboPart[], { from, to }: Stretch): Stretch {
  const after = parts.findIndex((part, place) => place >= to && !isBounce(part));
  if (after >= 0) return { from, to: after + 1 };
  const before = parts.findLastIndex((part, place) => place < from && !isBounce(part));
  return { from: Math.max(0, before), to };
}

/** The stretches by which a combo is built up from a link, smaller than the whole. */
function builtFrom(parts: readonly ComboPart[], start: number): readonly Stretch[] {
  const all = movesIn(parts);
  const found: Stretch[] = [];
  let stretch: Stretch = { from: start - 1, to: start + 1 };
  for (let wanted = FIRST_BUILT; wanted < all; wanted = Math.ceil(wanted * BUILT_GROWTH)) {
    while (movesIn(parts.slice(stretch.from, stretch.to)) < wanted) stretch = grown(parts, stretch);
    found.push(stretch);
  }
  return found;
}

/** The steps in the order of the handbook, links by their demand; `start` is the link that it is built up from. */
export function learningSteps(
  written: readonly ComboPart[],
  options: LearningOptions,
  links = linksOf(onSide(written, options.side), options),
  start: number | null = null,
): readonly LearningStep[] {
  const { id, side, tempo, dominant } = options;
  const parts = onSide(written, side);
  const score = comboScore(parts);
  if (score === null || checkScore(score, { dominant }).length > 0) return [];
  const subject = comboKey(id);
  const steps: LearningStep[] = [];
  const all = {
    ...{ from: 0, to: parts.length, moves: movesIn(parts) },
    closed: links.map((link) => link.place),
  };
  const usual = { side, step: null, tempo: null, link: null, ...all };
  const add = (one: Omit<LearningStep, keyof typeof usual> & Partial<LearningStep>) =>
    steps.push({ ...usual, ...one });
  const hardest = [...links].sort((one, other) => other.demand - one.demand);
  for (const link of hardest) {
    const { place } = link;
    const found = widest((spacing) => linkText(parts, link, spacing));
    if (found === null) continue;
    const drill = { kind: "link", count: 4, ...found } as const;
    const about = { subject: linkKey(id, place), link: place, from: place - 1, to: place + 1, moves: 2 };
    add({ id: `link${place}`, code: "link", drill, score: found.score, ...about, closed: [place] });
  }
  const from = start ?? hardest[0]?.place;
  for (const stretch of from === undefined ? [] : builtFrom(parts, from)) {
    const built = parts.slice(stretch.from, stretch.to);
    const text = legalText([textOf(built)], built);
    if (text === null) continue;
    const closed = all.closed.filter((place) => place > stretch.from && place < stretch.to);
    const drill = { kind: "merge", count: 5, score: text } as const;
    const about = {
      id: `built${stretch.from}-${stretch.to}`,
      code: "built",
      ...stretch,
      moves: movesIn(built),
      closed,
    } as const;
    add({ ...about, subject, drill, score: text });
  }
  for (const link of hardest) {
    const found = KEPT_BOUNCES.flatMap(
      (kept) => widest((spacing) => gapText(parts, links, link, { spacing, kept })) ?? [],
    )[0];
    // With no bounce at all it is the whole.
    if (found === undefined || (found.spacing === 0 && links.length === 1)) continue;
    const drill = { kind: "link", count: 4, ...found } as const;
    const closed = [link.place];
    add({
      id: `gap${link.place}`,
      code: "gap",
      subject,
      drill,
      score: found.score,
      link: link.place,
      closed,
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
