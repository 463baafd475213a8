/**
 * Combos in a round (teaching.md, Combos and Sequencing): which of them, in which order, with rests
 * between, in at most so many seconds. Exact for up to twelve combos, by dynamic programming over
 * which are done and which was last; of more, the twelve that bring most come in question.
 */
import { cellOf } from "../grid.js";
import type { Roles } from "../syllabus/roles.js";
import { measureCombo, type Jumping } from "./measures.js";
import { sidesOfCombo } from "./ability.js";
import { comboScore, type ComboPart } from "./part.js";

export const FREESTYLE_LIMITS = { seconds: 180, pieces: 12, rest: 60 } as const;
/** After multiples the rest is longer. */
const AFTER_MULTIPLES = 1.5;
const GOAL_WORTH = 1000;
const SKILL_WORTH = 20;
const SAME_EFFORT = 15;
const REPEATED_SKILL = 8;

export interface FreestyleCombo {
  readonly id: string;
  readonly parts: readonly ComboPart[];
}

export interface FreestyleAsked extends Jumping {
  readonly seconds: number;
  /** Seconds between two combos. */
  readonly rest: number;
  /** Skills that have to come in it. */
  readonly goals: readonly string[];
  /** What rests a jumper without stopping the rope, in turn; and the bounce, which is no move of its own. */
  readonly roles: Pick<Roles, "rests" | "bounce">;
}

export interface FreestylePiece {
  readonly id: string;
  /** Seconds from the start. */
  readonly at: number;
  readonly seconds: number;
  /** The rest after it; 0 after the last. */
  readonly rest: number;
  readonly activeRest: string | null;
  readonly effort: "footwork" | "arms" | "multiples";
}

export interface Freestyle {
  readonly pieces: readonly FreestylePiece[];
  readonly seconds: number;
  readonly untouched: readonly string[];
  readonly leftOut: readonly string[];
}

interface Piece {
  readonly id: string;
  readonly seconds: number;
  readonly effort: FreestylePiece["effort"];
  readonly skills: ReadonlySet<string>;
}

function pieceOf({ id, parts }: FreestyleCombo, { roles, ...jumping }: FreestyleAsked): Piece | null {
  const score = comboScore(parts);
  if (score === null) return null;
  const { seconds, highest, handMoves, counts } = measureCombo(score, jumping);
  const effort = highest > 1 ? "multiples" : handMoves * 2 >= counts ? "arms" : "footwork";
  const skills = sidesOfCombo(parts).map((one) => one.subject);
  return { id, seconds, effort, skills: new Set(skills.filter((skill) => skill !== roles.bounce)) };
}

function restAfter(piece: Piece, rest: number): number {
  return piece.effort === "multiples" ? Math.round(rest * AFTER_MULTIPLES) : rest;
}

/** What it costs to do one right after another: the same effort, the same skills. */
function strain(one: Piece, other: Piece): number {
  const shared = [...one.skills].filter((skill) => other.skills.has(skill)).length;
  return (one.effort === other.effort ? SAME_EFFORT : 0) + REPEATED_SKILL * shared;
}

function worthOf(pieces: readonly Piece[], goals: readonly string[]): number {
  const skills = new Set(pieces.flatMap((piece) => [...piece.skills]));
  const touched = goals.filter((goal) => skills.has(goal)).length;
  return (
    GOAL_WORTH * touched + SKILL_WORTH * skills.size + pieces.reduce((sum, piece) => sum + piece.seconds, 0)
  );
}

/** The pieces that come in question: those that touch most goals, then those with most skills. */
function inQuestion(pieces: readonly Piece[], goals: readonly string[]): readonly Piece[] {
  const chosen: Piece[] = [];
  const rest = [...pieces];
  while (chosen.length < FREESTYLE_LIMITS.pieces && rest.length > 0) {
    const gain = (piece: Piece) => worthOf([...chosen, piece], goals);
    const best = rest.reduce((most, piece) => (gain(piece) > gain(most) ? piece : most));
    chosen.push(best);
    rest.splice(rest.indexOf(best), 1);
  }
  return chosen;
}

interface Strains {
  /** The least strain of doing these pieces, a bit each, so that `last` comes last. */
  readonly of: (set: number, last: number) => number;
  /** Which one comes before it then; null for none. */
  readonly before: (set: number, last: number) => number | null;
}

function leastStrain(pieces: readonly Piece[]): Strains {
  const width = pieces.length;
  const strains = new Float64Array((1 << width) * width).fill(Infinity);
  const before = new Map<number, number>();
  pieces.forEach((_, place) => (strains[(1 << place) * width + place] = 0));
  for (let set = 1; set < 1 << width; set += 1) {
    pieces.forEach((last, place) => {
      const now = cellOf(strains, set * width + place);
      if (now === Infinity) return;
      pieces.forEach((next, to) => {
        if ((set & (1 << to)) !== 0) return;
        const wider = (set | (1 << to)) * width + to;
        const sum = now + strain(last, next);
        if (sum >= cellOf(strains, wider)) return;
        strains[wider] = sum;
        before.set(wider, place);
      });
    });
  }
  return {
    of: (set, last) => cellOf(strains, set * width + last),
    before: (set, last) => before.get(set * width + last) ?? null,
  };
}

/** Plans a round; no combo comes twice, and what did not fit is named. */
export function planFreestyle(combos: readonly FreestyleCombo[], asked: FreestyleAsked): Freestyle {
  const { seconds, rest, goals } = asked;
  const all = combos.flatMap((combo) => pieceOf(combo, asked) ?? []);
  const pieces = inQuestion(all, goals);
  const strains = leastStrain(pieces);
  let best: { readonly worth: number; readonly set: number; readonly last: number | null } = {
    ...{ worth: 0, set: 0, last: null },
  };
  for (let set = 1; set < 1 << pieces.length; set += 1) {
    const chosen = pieces.filter((_, place) => (set & (1 << place)) !== 0);
    const jumped = chosen.reduce((sum, piece) => sum + piece.seconds, 0);
    const rests = chosen.reduce((sum, piece) => sum + restAfter(piece, rest), 0);
    const worth = worthOf(chosen, goals);
    pieces.forEach((piece, last) => {
      const strained = strains.of(set, last);
      // After the last one the round is over.
      if (strained === Infinity || jumped + rests - restAfter(piece, rest) > seconds) return;
      if (worth - strained > best.worth) best = { worth: worth - strained, set, last };
    });
  }
  const order: Piece[] = [];
  for (let { set, last } = best; last !== null;) {
    const piece = pieces[last];
    if (piece === undefined) break;
    order.unshift(piece);
    const previous = strains.before(set, last);
    set &= ~(1 << last);
    last = previous;
  }
  return laidOut(order, all, asked);
}

function laidOut(
  order: readonly Piece[],
  all: readonly Piece[],
  { rest, goals, roles }: FreestyleAsked,
): Freestyle {
  let at = 0;
  const pieces = order.map((piece, place): FreestylePiece => {
    const isLast = place === order.length - 1;
    const after = isLast ? 0 : restAfter(piece, rest);
    const start = at;
    at += piece.seconds + after;
    const { id, seconds, effort } = piece;
    const activeRest = after === 0 ? null : (roles.rests[place % Math.max(1, roles.rests.length)] ?? null);
    return { id, at: start, seconds, rest: after, activeRest, effort };
  });
  const touched = new Set(order.flatMap((piece) => [...piece.skills]));
  const taken = new Set(order.map((piece) => piece.id));
  return {
    pieces,
    seconds: at,
    untouched: goals.filter((goal) => !touched.has(goal)),
    leftOut: all.filter((piece) => !taken.has(piece.id)).map((piece) => piece.id),
  };
}
