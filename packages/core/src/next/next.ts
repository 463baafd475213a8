/**
 * What a student does next: every ready or working side with its drill, its chance and the reason,
 * the best first. The reason is the first rule of the list that fits, and the order is the rules'
 * order, so that what the screen says is what decided.
 */
import type { Instant, LocalDate } from "../instant.js";
import { otherSide, type SideName } from "../sides.js";
import { skillOf, type Catalogue } from "../syllabus/catalogue.js";
import { gateAsStreak, type Gate } from "../syllabus/gates.js";
import { sideKey, type SubjectSide } from "../syllabus/side-table.js";
import { isMet, type Standing } from "../record/standing.js";
import type { Drill } from "../syllabus/drill.js";
import { gateChance, nearGate, nextRung } from "../record/learner.js";
import { gateDrill } from "../floor/run.js";
import { rungDrill } from "./rung.js";

export type NextReason =
  /** The best streak is at least 0.8 of the gate: try the gate itself. */
  | { readonly code: "near-gate"; readonly best: number; readonly gate: number }
  /** The other side is cleared; sides are kept in step. */
  | { readonly code: "other-side"; readonly cleared: SideName }
  /** The first step still to be done of the way to a goal. */
  | { readonly code: "toward-goal"; readonly goal: string }
  /** Begun, and clearing it opens other skills. */
  | { readonly code: "opens"; readonly skills: readonly string[] }
  /** Begun, short of the gate. */
  | { readonly code: "short-of-gate"; readonly best: number; readonly gate: number }
  /** All that it needs is in place, and it has not been tried. */
  | { readonly code: "new"; readonly opens: readonly string[] }
  /** Not tried; the stronger side goes first. */
  | { readonly code: "second-side"; readonly first: SideName };

export interface NextDrill extends SubjectSide {
  readonly drill: Drill;
  /** In a row, what `chance` is the chance of; null where the drill itself says it. */
  readonly aim: number | null;
  readonly chance: number;
  /** What it is on the way to: its own gate, or more where a path asks for more. */
  readonly gate: Gate;
  readonly reason: NextReason;
}

/** The stronger side first until its gate, or the sides in turn from the start. */
export type SideOrder = "stronger-first" | "alternate";

/** Open-cross or cross-open first, or whichever part of it the student's own record shows stronger. */
export type FusedFirst = "own-record" | "open-cross" | "cross-open";

export interface OnPath extends SubjectSide {
  readonly goal: string;
  /** What the path asks of it, which may be more than its own gate. */
  readonly gate: Gate;
}

export interface NextContext {
  readonly catalogue: Catalogue;
  /** The side that is drilled first where there are two. */
  readonly strongerSide: "left" | "right";
  /** Whether that side goes first until its gate, or both take turns. */
  readonly sideOrder?: SideOrder;
  /** Which fused double is taught first where both are new. */
  readonly fusedFirst?: FusedFirst;
  /** The sides on the way to the goals, in order, and the goal that each belongs to. */
  readonly path?: readonly OnPath[];
  readonly now: Instant;
  /** The studio's day at `now`: what was tried enough on it makes room for something else. */
  readonly today: LocalDate;
}

const RANK: Readonly<Record<NextReason["code"], number>> = {
  "near-gate": 0,
  "toward-goal": 1,
  "other-side": 2,
  opens: 3,
  "short-of-gate": 4,
  new: 5,
  "second-side": 6,
};

/** More tries of one side in a lesson teach ever less (teaching.md: not a whole session on one kind of effort). */
const ENOUGH_TRIES = 60;

interface Candidate extends NextDrill {
  readonly isOnPath: boolean;
  /** Whether the lesson has had enough of it. */
  readonly isSated: boolean;
  readonly level: number;
  readonly progress: number;
}

/**
 * The fused double to begin with: as set, or the open-cross when the student's doubles are the
 * stronger part, the cross-open when the crosses are (teaching.md, Other disagreements).
 */
function fusedToBegin(bySide: ReadonlyMap<string, Standing>, first: FusedFirst): string {
  const chance = (subject: string, side: SideName) => bySide.get(sideKey(subject, side))?.cleanChance ?? 0;
  const doubles = chance("double-under", "whole");
  const crosses = Math.max(chance("cross", "left"), chance("cross", "right"));
  const openCross = first === "open-cross" || (first === "own-record" && doubles >= crosses);
  return openCross ? "open-cross-double" : "cross-open-double";
}

/** The proposals in order. O(skills log skills). */
export function nextDrills(standings: readonly Standing[], context: NextContext): readonly NextDrill[] {
  const bySide = new Map(standings.map((one) => [sideKey(one.subject, one.side), one]));
  const { catalogue, now } = context;
  const onPath = new Map((context.path ?? []).map((one) => [sideKey(one.subject, one.side), one]));
  const fusedFirst = fusedToBegin(bySide, context.fusedFirst ?? "own-record");

  const waitingFor = (subject: string, side: SideName): readonly string[] => {
    const waits = (id: string) =>
      standings.some(
        (one) =>
          one.subject === id &&
          one.status === "locked" &&
          one.unmet.some((unmet) => unmet.subject === subject && unmet.side === side),
      );
    return (catalogue.neededBy.get(subject) ?? []).filter(waits);
  };

  const reasonOf = (one: Standing, gate: number): NextReason => {
    const other = bySide.get(sideKey(one.subject, otherSide(one.side)));
    const best = one.facts.bestStreak;
    if (one.status === "working" && nearGate(one.facts, gate)) return { code: "near-gate", best, gate };
    const step = onPath.get(sideKey(one.subject, one.side));
    if (step !== undefined) return { code: "toward-goal", goal: step.goal };
    if (other !== undefined && other.side !== one.side) {
      if (other.status === "cleared" || other.status === "rusty")
        return { code: "other-side", cleared: other.side };
      const waits = context.sideOrder !== "alternate" && one.side !== context.strongerSide;
      if (one.status === "ready" && waits && other.status !== "locked") {
        return { code: "second-side", first: other.side };
      }
    }
    const opens = waitingFor(one.subject, one.side);
    if (one.status === "ready") return { code: "new", opens };
    return opens.length > 0 ? { code: "opens", skills: opens } : { code: "short-of-gate", best, gate };
  };

  // What is cleared, or taken as known, is asked for only where the path asks for more of it.
  const isAsked = (one: Standing) =>
    one.status === "ready" ||
    one.status === "working" ||
    (one.status !== "locked" && onPath.has(sideKey(one.subject, one.side)));
  const candidates = standings.filter(isAsked).map((one): Candidate => {
    const skill = skillOf(catalogue, one.subject);
    const asked = onPath.get(sideKey(one.subject, one.side))?.gate ?? one.gate;
    const gate = gateAsStreak(asked, skill.beats);
    const reason = reasonOf(one, gate);
    const proposal =
      reason.code === "near-gate" || (isMet(one.status) && nearGate(one.facts, gate))
        ? { drill: gateDrill(asked), aim: null, chance: gateChance(one.cleanChance, asked, skill.beats) }
        : rungDrill(nextRung(one.facts, gate, now), asked, gate, one.cleanChance);
    return {
      subject: one.subject,
      side: one.side,
      ...proposal,
      gate: asked,
      reason,
      isOnPath: onPath.has(sideKey(one.subject, one.side)),
      isSated: one.facts.lessons.some(
        ({ lesson, tries }) => lesson === context.today && tries >= ENOUGH_TRIES,
      ),
      level: catalogue.levels.get(one.subject) ?? 1,
      progress: one.facts.bestStreak / gate,
    };
  });
  const order = (one: Candidate, other: Candidate): number =>
    Number(one.isSated) - Number(other.isSated) ||
    Number(other.isOnPath) - Number(one.isOnPath) ||
    RANK[one.reason.code] - RANK[other.reason.code] ||
    other.progress - one.progress ||
    Number(other.subject === fusedFirst) - Number(one.subject === fusedFirst) ||
    one.level - other.level ||
    Number(other.side === context.strongerSide) - Number(one.side === context.strongerSide);
  return candidates
    .sort(order)
    .map(({ isOnPath: _path, isSated: _sated, level: _level, progress: _progress, ...next }) => next);
}
