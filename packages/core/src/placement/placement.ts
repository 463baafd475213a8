/**
 * Placement: where a new student stands, from about a dozen tries. What was seen, what the tree makes
 * sure (whoever passes a side can do what it needs; what needs a failed side is locked) and what the
 * model holds for likely are kept apart.
 */
import { cellOf } from "../grid.js";
import type { PlacementAnswer } from "../log/decision.js";
import type { SideName } from "../sides.js";
import type { SubjectSide } from "../syllabus/roles.js";
import { SideMap } from "../syllabus/side-map.js";
import type { Way } from "../syllabus/side.js";
import { beliefAfter, type PlacementBelief, type Seen } from "./belief.js";
import type { Model } from "./model.js";
import { expectedInformation } from "./question.js";

export interface Answer extends SubjectSide {
  readonly answer: PlacementAnswer;
}

export interface Conclusion extends SubjectSide {
  readonly basis: "seen" | "sure" | "likely";
  readonly isKnown: boolean;
  /** The model's chance that the side is known, whatever the basis. */
  readonly chance: number;
}

export interface Question {
  readonly subject: string;
  /** The sides to try: those that are not settled yet. */
  readonly sides: readonly SideName[];
  /** Bits that the first side's answer is expected to tell about all sides. */
  readonly bits: number;
  /** How likely the student can do it, on the likelier side. */
  readonly chance: number;
}

export interface Placement {
  /** In the catalogue's order, left before right. */
  readonly conclusions: readonly Conclusion[];
  /** What to ask next; null when nothing is left that could tell much. */
  readonly next: Question | null;
  /** Sides that the model expects to have placed wrong. */
  readonly expectedWrong: number;
}

/** Below this many bits a question is not worth a child's try. */
const LEAST_BITS = 0.25;

const NONE: ReadonlySet<string> = new Set();

/** What the answers make sure by the tree alone: known, not known, or nothing, by side. */
function sureOf(model: Model, seen: readonly Seen[]): readonly (boolean | null)[] {
  const { nodes } = model;
  const sure: (boolean | null)[] = nodes.map(() => null);
  for (const { index, answer } of seen) sure[index] = answer === "clean";
  // Needs first: from the furthest side back, a known side vouches for every need that can be met one way only.
  for (let index = nodes.length - 1; index >= 0; index -= 1) {
    if (sure[index] !== true) continue;
    for (const ways of nodes[index]?.needs ?? []) {
      const [only, second] = ways.filter((way) => way.every((one) => sure[one.of.index] !== false));
      if (only === undefined || second !== undefined) continue;
      for (const one of only) sure[one.of.index] ??= true;
    }
  }
  const isBarred = (way: Way) => way.some((one) => sure[one.of.index] === false);
  nodes.forEach(({ needs }, index) => {
    if (sure[index] === null && needs.some((ways) => ways.every(isBarred))) sure[index] = false;
  });
  return sure;
}

function concluded(belief: PlacementBelief, seen: readonly Seen[]): readonly Conclusion[] {
  const sure = sureOf(belief.model, seen);
  const asked = new Set(seen.map((one) => one.index));
  return belief.model.nodes.map(({ subject, side }, index) => {
    const chance = cellOf(belief.chances, index);
    const known = sure[index] ?? null;
    const basis = asked.has(index) ? "seen" : known === null ? "likely" : "sure";
    return { subject, side, basis, isKnown: known ?? chance >= 0.5, chance };
  });
}

/** The skill whose answer is expected to tell most; null when none is worth the try. */
function questionOf(
  belief: PlacementBelief,
  open: readonly number[],
  passed: ReadonlySet<string>,
): Question | null {
  let best: { readonly index: number; readonly bits: number } | null = null;
  for (const index of open) {
    if (passed.has(belief.model.nodes[index]?.subject ?? "")) continue;
    const bits = expectedInformation(belief, index, open);
    if (bits > (best?.bits ?? LEAST_BITS)) best = { index, bits };
  }
  const node = best === null ? undefined : belief.model.nodes[best.index];
  if (best === null || node === undefined) return null;
  const sides = open.filter((index) => belief.model.nodes[index]?.subject === node.subject);
  return {
    subject: node.subject,
    sides: sides.flatMap((index) => belief.model.nodes[index]?.side ?? []),
    bits: best.bits,
    chance: Math.max(...sides.map((index) => cellOf(belief.chances, index))),
  };
}

/**
 * What is concluded from the answers so far, and what to ask next. Later answers to a side replace
 * earlier ones; skills that are `passed` over are not asked about.
 */
export function place(
  model: Model,
  answers: readonly Answer[],
  passed: ReadonlySet<string> = NONE,
): Placement {
  const indexOf = new SideMap(model.nodes.map((node, index) => [node, index] as const));
  const seen = new Map<number, Seen>();
  for (const { subject, side, answer } of answers) {
    const index = indexOf.get({ subject, side });
    if (index !== undefined) seen.set(index, { index, answer });
  }
  const belief = beliefAfter(model, [...seen.values()]);
  const conclusions = concluded(belief, [...seen.values()]);
  const open = conclusions.flatMap((one, index) => (one.basis === "likely" ? [index] : []));
  const next = questionOf(belief, open, passed);
  const expectedWrong = open.reduce((sum, index) => {
    const chance = cellOf(belief.chances, index);
    return sum + Math.min(chance, 1 - chance);
  }, 0);
  return { conclusions, next, expectedWrong };
}
