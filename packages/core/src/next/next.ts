/**
 * What a student does next (record.md, What now): every open side with its drill, its chance and the
 * reason, the best first. The reason is the first rule of the list that fits, and the order is the rules'
 * order, so that what the screen says is what decided.
 */
import type { LocalDate } from "../instant.js";
import type { SideName } from "../sides.js";
import { isClearedStatus, isMet, standingOf, type Reading, type Standing } from "../record/standing.js";
import type { Drill } from "../syllabus/drill.js";
import { gateAsStreak, type Gate } from "../syllabus/gates.js";
import type { Side } from "../syllabus/side.js";
import { waitsForSibling, type FusedFirst } from "./fused.js";
import { leadingSides } from "./leading.js";
import { drillChance } from "./odds.js";
import { stageOf, type Stage } from "./stage.js";

export type NextReason =
  /** The first step still to be done of the way to a goal. */
  | { readonly code: "toward-goal"; readonly goal: string }
  /** Two in four or better: the gate itself comes first. */
  | { readonly code: "near-gate"; readonly best: number; readonly gate: number }
  /** Begun; the other side is cleared, and sides are kept in step. */
  | { readonly code: "other-side"; readonly cleared: SideName }
  /** Three lessons of honest tries moved nothing: gentler. */
  | { readonly code: "stuck" }
  /** The same drill failed twice running today: one step back. */
  | { readonly code: "step-back" }
  /** Two lessons of gentle drills: the whole is tried once all the same. */
  | { readonly code: "whole-once" }
  /** Begun, and clearing it opens other skills. */
  | { readonly code: "opens"; readonly skills: readonly string[] }
  /** Begun, short of the gate. */
  | { readonly code: "short-of-gate"; readonly best: number; readonly gate: number }
  /** Cleared, and its review is due. */
  | { readonly code: "review"; readonly due: LocalDate; readonly underGoal: boolean }
  /** All that it needs is in place, and it has not been tried. */
  | { readonly code: "new"; readonly opens: readonly string[] }
  /** Not tried; the stronger side goes first. */
  | { readonly code: "second-side"; readonly first: SideName };

export interface NextDrill {
  readonly of: Side;
  readonly drill: Drill;
  /** The chance to pass it as it is. */
  readonly chance: number;
  /** What it is on the way to: its own gate, or more where a path asks for more. */
  readonly gate: Gate;
  /** The gate itself, to be tried beside; null while it is too far, and where it is the drill already. */
  readonly tryGate: { readonly drill: Drill; readonly chance: number } | null;
  /** What comes on its ladder once this is passed; null at the gate. */
  readonly after: Drill | null;
  readonly reason: NextReason;
  /** Neither begun nor cleared. */
  readonly isNew: boolean;
}

/** The stronger side first until its gate, or the sides in turn from the start. */
export type SideOrder = "stronger-first" | "alternate";

export interface OnPath {
  readonly of: Side;
  readonly goal: string;
  /** What the path asks of it, which may be more than its own gate. */
  readonly gate: Gate;
}

export interface NextOptions {
  /** The side that is drilled first where there are two and the record does not say. */
  readonly strongerSide: "left" | "right";
  /** Whether that side goes first until its gate, or both take turns. */
  readonly sideOrder?: SideOrder;
  /** Which fused double is taught first where both are new. */
  readonly fusedFirst?: FusedFirst;
  /** The sides on the way to the goals, in order, and the goal that each belongs to. */
  readonly path?: readonly OnPath[];
  /** Sides whose reviews come first. */
  readonly underGoals?: ReadonlySet<Side>;
}

/** Depth before breadth: so many new skills a lesson while begun ones are open. */
export const NEW_SKILLS = 2;

/** The groups in which proposals come. */
const GROUPS = ["goal", "begun", "review", "new", "more-new"] as const;
type Group = (typeof GROUPS)[number];

interface Candidate extends NextDrill {
  readonly group: Group;
  readonly place: number;
  readonly progress: number;
  readonly isSated: boolean;
  readonly opens: number;
  readonly isLeading: boolean;
}

/** What somebody who does a cleared skill is taken to know, by place: it is not offered any more. */
function impliedSides({ standings }: Reading): Uint8Array {
  const implied = new Uint8Array(standings.length);
  for (const { of, status } of standings) {
    if (isClearedStatus(status)) for (const { index } of of.implies) implied[index] = 1;
  }
  return implied;
}

/** The skills that wait for a side: locked, and it is among what they lack. */
function waitingFor(reading: Reading, side: Side): readonly string[] {
  const waiting = side.opens.filter((one) => {
    const { status, unmet } = standingOf(reading, one);
    return status === "locked" && unmet.some((gap) => gap.of === side);
  });
  return [...new Set(waiting.map((one) => one.subject))];
}

/** Half the gate, which opens the next interval of reviews. */
export function reviewDrill({
  gateStreak,
}: Pick<Side, "gateStreak">): Extract<Drill, { readonly kind: "streak" }> {
  return { kind: "streak", count: Math.max(1, Math.ceil(gateStreak / 2)) };
}

function isOpen({ status }: Standing): boolean {
  return status === "ready" || status === "working";
}

/** The proposals in order. O(sides log sides). */
export function nextDrills(reading: Reading, options: NextOptions): readonly NextDrill[] {
  const { standings } = reading;
  const { sideOrder = "stronger-first", fusedFirst = "own-record", underGoals = new Set<Side>() } = options;
  const path = new Map<Side, OnPath & { readonly place: number }>();
  for (const [place, one] of (options.path ?? []).entries())
    if (!path.has(one.of)) path.set(one.of, { ...one, place });
  const leading = leadingSides(reading, options.strongerSide);
  const implied = impliedSides(reading);

  const reasonOf = (stage: Stage): NextReason => {
    const { standing, gate } = stage;
    const { of, facts } = standing;
    const asked = gateAsStreak(gate, of.skill.beats);
    if (stage.isGateFirst && stage.isBegun) return { code: "near-gate", best: facts.bestStreak, gate: asked };
    if (stage.turn !== "usual") return { code: stage.turn };
    const step = path.get(of);
    if (step !== undefined) return { code: "toward-goal", goal: step.goal };
    const other = of.other === null ? null : standingOf(reading, of.other);
    if (other !== null && isClearedStatus(other.status))
      return { code: "other-side", cleared: other.of.side };
    if (!stage.isBegun) {
      const waits = other !== null && sideOrder === "stronger-first" && of.side !== leading(of);
      if (waits && other.status !== "locked") return { code: "second-side", first: other.of.side };
      return { code: "new", opens: waitingFor(reading, of) };
    }
    const skills = waitingFor(reading, of);
    return skills.length > 0
      ? { code: "opens", skills }
      : { code: "short-of-gate", best: facts.bestStreak, gate: asked };
  };

  const openCandidate = (standing: Standing): Candidate | null => {
    const { of } = standing;
    const onPath = path.get(of);
    const { place = 0 } = onPath ?? {};
    const stage = stageOf(reading, of, onPath?.gate);
    const { step, tryGate } = stage;
    if (step === null) return null;
    const isGate = stage.isGateFirst && tryGate !== null;
    const isNew = !stage.isBegun && !isMet(standing.status);
    return {
      of,
      ...(isGate
        ? { ...tryGate, tryGate: null, after: null }
        : { drill: step.drill, chance: step.chance, tryGate, after: stage.after }),
      gate: stage.gate,
      reason: reasonOf(stage),
      isNew,
      group: onPath === undefined ? (isNew ? "new" : "begun") : "goal",
      place,
      progress: stage.progress,
      isSated: stage.isSated,
      opens: isNew ? waitingFor(reading, of).length : 0,
      isLeading: of.side === "whole" || of.side === leading(of),
    };
  };

  const reviewCandidate = ({ of, facts }: Standing): Candidate => {
    const drill = reviewDrill(of);
    const underGoal = underGoals.has(of);
    return {
      ...{
        of,
        drill,
        chance: drillChance(reading, of, drill),
        gate: of.gate,
        tryGate: null,
        after: null,
        isNew: false,
      },
      reason: { code: "review", due: facts.review?.due ?? reading.today, underGoal },
      ...{ group: "review", place: underGoal ? 0 : 1, progress: 0, isSated: false, opens: 0 },
      isLeading: true,
    };
  };

  const isOffered = (standing: Standing) => {
    if (path.has(standing.of) && standing.status !== "locked") return true;
    if (!isOpen(standing)) return false;
    return standing.status === "working" || implied[standing.of.index] === 0;
  };
  const open = standings
    .filter(isOffered)
    .map(openCandidate)
    .filter((one) => one !== null);
  const reviews = standings
    .filter((one) => one.status === "rusty" && one.facts.cleared !== null && !path.has(one.of))
    .map(reviewCandidate);
  const all = withinBreadth(reading, [...open, ...reviews], (one) =>
    waitsForSibling(reading, one, fusedFirst),
  );
  return all.map(toNext);
}

function toNext({ of, drill, chance, gate, tryGate, after, reason, isNew }: Candidate): NextDrill {
  return { of, drill, chance, gate, tryGate, after, reason, isNew };
}

function compare(one: Candidate, other: Candidate): number {
  return (
    Number(one.isSated) - Number(other.isSated) ||
    GROUPS.indexOf(one.group) - GROUPS.indexOf(other.group) ||
    Number(one.reason.code === "second-side") - Number(other.reason.code === "second-side") ||
    one.place - other.place ||
    other.progress - one.progress ||
    other.opens - one.opens ||
    one.of.skill.level - other.of.skill.level ||
    Number(other.isLeading) - Number(one.isLeading) ||
    one.of.index - other.of.index
  );
}

/**
 * The candidates in order. While begun work is open, two new skills come before all others; the ones that
 * were begun today count among them. A fused double that waits for its sibling is always among the others.
 */
function withinBreadth(
  reading: Reading,
  candidates: readonly Candidate[],
  waits: (side: Side) => boolean,
): readonly Candidate[] {
  const hasBegun = candidates.some((one) => one.group === "begun" || (one.group === "goal" && !one.isNew));
  const begunToday = new Set(
    reading.standings
      .filter(({ facts }) => facts.lessons.length === 1 && facts.lessons[0]?.lesson === reading.today)
      .map((one) => one.of.subject),
  );
  const room = hasBegun ? Math.max(0, NEW_SKILLS - begunToday.size) : Infinity;
  const taken = new Set<string>();
  const inOrder = [...candidates].sort(compare).map((one): Candidate => {
    if (one.group !== "new") return one;
    if (waits(one.of)) return { ...one, group: "more-new" };
    if (taken.has(one.of.subject) || begunToday.has(one.of.subject)) return one;
    if (taken.size >= room) return { ...one, group: "more-new" };
    taken.add(one.of.subject);
    return one;
  });
  // What has moved among the others has moved to the end of its part: no second sorting.
  return [false, true].flatMap((isSated) =>
    [false, true].flatMap((isMore) =>
      inOrder.filter((one) => one.isSated === isSated && (one.group === "more-new") === isMore),
    ),
  );
}
