/**
 * How a combo is learned (teaching.md, Combos): each link alone, the hardest first; parts joined; the
 * whole with 4, 2, 1 and no bounces at the hard links; whole; mirrored; in another step; faster. The
 * order follows the record: a link that keeps missing comes first again.
 */
import type { Hand } from "../rope/arms.js";
import { checkScore } from "../rope/check.js";
import { scoreOf } from "../rope/parse.js";
import { printScore } from "../rope/print.js";
import { expandBeats, type Score } from "../rope/score.js";
import { otherSide, type Side } from "../sides.js";
import type { DrillKind } from "../practice/drill.js";
import { DRILL_PASSES, inStep } from "../practice/ladder.js";
import type { RunnableDrill } from "../practice/run.js";
import { bestCleanWithin, type Miss, type PracticeSet } from "../practice/set.js";
import { comboKey, linkKey } from "./combo.js";
import { judgeCombo } from "./judge.js";
import { comboTiming } from "./measures.js";
import {
  comboScore,
  comboText,
  isBounce,
  mirrorPart,
  ownDirection,
  scoreOfPart,
  type ComboPart,
} from "./part.js";

export interface ComboLink {
  /** The part that it leads into, from 1. */
  readonly place: number;
  readonly from: ComboPart;
  readonly to: ComboPart;
  /** The rope's bottom, from 1, at which that part begins. */
  readonly turn: number;
  /** Hand moves a second at the tempo. */
  readonly demand: number;
}

export interface LearningOptions {
  readonly id: string;
  readonly side: Side;
  readonly dominant: Hand;
  readonly tempo: number;
}

export const LEARNING_CODES = [
  "link",
  "joined",
  "spaced",
  "whole",
  "mirrored",
  "new-step",
  "faster",
] as const;
export type LearningCode = (typeof LEARNING_CODES)[number];

export interface LearningStep {
  /** Tells the step from the others of its combo and side. */
  readonly id: string;
  readonly code: LearningCode;
  /** What the set is logged about. */
  readonly subject: string;
  readonly side: Side;
  readonly drill: RunnableDrill;
  /** The score of one try, for whatever asks of it. */
  readonly score: string;
  /** Of a link: its place; null for the rest. */
  readonly link: number | null;
  readonly step: "boxer-step" | "run-step" | null;
  readonly tempo: number | null;
}

/** A set of the combo or of one of its links, as the log has it. */
export interface ComboSet extends Pick<PracticeSet, "drill" | "clean" | "misses" | "bestStreak" | "at"> {
  readonly subject: string;
  readonly side: Side;
}

export interface Learning {
  readonly steps: readonly (LearningStep & { readonly isPassed: boolean; readonly misses: number })[];
  /** The step to do now; null once all are passed. */
  readonly next: string | null;
  /** The link that keeps missing in the whole; null where none does. */
  readonly failing: ComboLink | null;
}

const SPACINGS = [4, 2, 1, 0] as const;
const FASTER = [1.1, 1.2] as const;
/** Misses at one link, since it was last passed alone, that send it back to the beginning. */
const FAILING = 3;
/** Fewer moves than this are not joined by halves first. */
const LEAST_MOVES_TO_HALVE = 4;
const BOUNCE = "o";

/** The parts as they are done on a side. */
export function onSide(parts: readonly ComboPart[], side: Side): readonly ComboPart[] {
  return side === "left" ? parts.map(mirrorPart) : parts;
}

function turnsIn(score: Score, beats: number): number {
  return expandBeats(score)
    .slice(0, beats)
    .reduce((sum, { turns }) => sum + turns.length, 0);
}

/** The joins of two moves with nothing between, in order. */
export function linksOf(
  parts: readonly ComboPart[],
  { tempo, dominant }: { readonly tempo: number; readonly dominant: Hand },
): readonly ComboLink[] {
  const { score, parts: judged } = judgeCombo(parts, { dominant });
  if (score === null) return [];
  const timing = comboTiming(score, tempo, dominant);
  return parts.flatMap((to, place): ComboLink[] => {
    const from = parts[place - 1];
    const start = judged[place]?.from ?? 0;
    if (from === undefined || isBounce(from) || isBounce(to)) return [];
    const link = timing.links.find((one) => one.to.beat === start && one.to.turn === 0);
    return [{ place, from, to, turn: turnsIn(score, start) + 1, demand: link?.demand ?? 0 }];
  });
}

/** The link that a miss at a bottom of the combo belongs to; null for the first part and past the end. */
export function linkAtTurn(
  parts: readonly ComboPart[],
  links: readonly ComboLink[],
  turn: number,
): ComboLink | null {
  const { score, parts: judged } = judgeCombo(parts);
  if (score === null) return null;
  const place = judged.findIndex(({ from, beats }) => {
    const before = turnsIn(score, from);
    return turn > before && turn <= turnsIn(score, from + beats);
  });
  return links.find((link) => link.place === place) ?? null;
}

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
  for (const spacing of SPACINGS) {
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
): readonly LearningStep[] {
  const { id, side, tempo, dominant } = options;
  const parts = onSide(written, side);
  const score = comboScore(parts);
  if (score === null || checkScore(score, { dominant }).length > 0) return [];
  const subject = comboKey(id);
  const links = linksOf(parts, { tempo, dominant });
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
    add({ id: "mirrored", code: "mirrored", subject, side: otherSide(side), drill, score: mirrored });
  }
  for (const step of ["boxer-step", "run-step"] as const) {
    const text = inStep(score, step, side);
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

/** How often one set of a link drill goes through its tries: once for each spacing from its own down. */
function stagesOf({ kind, spacing = 0 }: { readonly kind: DrillKind; readonly spacing?: number }): number {
  return kind === "link" ? SPACINGS.filter((one) => one <= spacing).length : 1;
}

function passes(step: LearningStep, set: ComboSet): boolean {
  const { drill } = step;
  if (set.subject !== step.subject || set.side !== step.side || set.drill.kind !== drill.kind) return false;
  if (drill.kind === "streak")
    return set.bestStreak >= drill.count && (set.drill.tempo ?? 0) >= (step.tempo ?? 0);
  if (set.drill.score !== step.score) return false;
  const pass = DRILL_PASSES[drill.kind];
  if (pass === null) return false;
  const stages = stagesOf(drill);
  // A link's set says at which spacing it ended, and it ends at none only through all of them.
  if (drill.kind === "link") return (set.drill.spacing ?? 0) === 0 && set.clean >= pass.clean * stages;
  return bestCleanWithin(set, pass.of) >= pass.clean;
}

function missesAt(parts: readonly ComboPart[], links: readonly ComboLink[], misses: readonly Miss[]) {
  const counts = new Map<number, number>();
  for (const { turn, count = 1 } of misses) {
    const link = turn === undefined ? null : linkAtTurn(parts, links, turn);
    if (link !== null) counts.set(link.place, (counts.get(link.place) ?? 0) + count);
  }
  return counts;
}

/** The steps with what the record says of them, and which is next. O(steps × sets). */
export function learningOf(
  written: readonly ComboPart[],
  options: LearningOptions,
  sets: readonly ComboSet[],
): Learning {
  const parts = onSide(written, options.side);
  const links = linksOf(parts, options);
  const steps = learningSteps(written, options);
  const ofSide = sets.filter((set) => set.side === options.side);
  const wholes = ofSide.filter((set) => set.subject === comboKey(options.id));
  const passedAt = (step: LearningStep) =>
    sets.filter((set) => passes(step, set)).reduce((latest, set) => Math.max(latest, set.at), -Infinity);
  const missed = missesAt(
    parts,
    links,
    wholes.flatMap((set) => set.misses),
  );
  const failing = links
    .map((link) => {
      const step = steps.find((one) => one.link === link.place);
      const since = step === undefined ? -Infinity : passedAt(step);
      const fresh = wholes.filter((set) => set.at > since).flatMap((set) => set.misses);
      return { link, misses: missesAt(parts, links, fresh).get(link.place) ?? 0 };
    })
    .filter(({ misses }) => misses >= FAILING)
    .sort((one, other) => other.misses - one.misses)[0]?.link;
  const known = steps.map((step) => ({
    ...step,
    isPassed: passedAt(step) > -Infinity,
    misses: step.link === null ? 0 : (missed.get(step.link) ?? 0),
  }));
  const isBack = (step: LearningStep) => step.link !== null && step.link === failing?.place;
  const ordered = [...known.filter(isBack), ...known.filter((step) => !isBack(step))];
  const next = ordered.find((step) => isBack(step) || !step.isPassed)?.id ?? null;
  return { steps: ordered, next, failing: failing ?? null };
}
