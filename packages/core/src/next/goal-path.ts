/**
 * The cheapest way to a goal: the set of unmet skill sides that together open and clear it, every
 * either decided, in an order that respects the needs (teaching.md, Sequencing). What a side costs
 * is its expected tries left by the learner model.
 *
 * Sides are shared between branches, so a greedy choice can be wrong: this is a branch and bound
 * over the eithers alone. What all choices share is settled first; a way whose sides are all asked
 * already is taken without branching; a branch is cut when what it has plus the dearest of its
 * undecided needs reaches the best. The map's eithers are few, so the search is short; its worst
 * case is exponential in the number of undecided eithers.
 */
import { BASE_TEST, BASE_TEST_COUNT, BASE_TEST_PARTS } from "../record/base-test.js";
import { hasInARow, NO_FACTS } from "../record/evidence.js";
import {
  expectedTriesLeft,
  LEARNING_PACES,
  missChance,
  triesFromMiss,
  type MissChance,
  type TriesLeft,
} from "../record/learner.js";
import type { Instant } from "../instant.js";
import { sidesOf, type SideName } from "../sides.js";
import { skillOf, type Catalogue } from "../syllabus/catalogue.js";
import type { Gate, School } from "../syllabus/gates.js";
import { sideKey, sideTable, type SubjectSide } from "../syllabus/side-table.js";
import type { SkillClass } from "../syllabus/skill.js";
import { isMet, type Standing, type Status } from "../record/standing.js";

/** A skill to be cleared on one side or both; a skill without sides as a whole. */
export interface Goal {
  readonly subject: string;
  readonly side: SideName | "both";
}

/** One side of the path and what is asked of it. */
export interface PathStep extends SubjectSide {
  readonly gate: Gate;
  readonly status: Status;
  readonly tries: TriesLeft;
}

/** An either on the path: which way was taken, and what the path would have cost the other way. */
export interface PathChoice extends SubjectSide {
  readonly taken: readonly SubjectSide[];
  readonly passed: readonly (readonly SubjectSide[])[];
}

export interface GoalPath {
  /** Every side after all that it needs. */
  readonly steps: readonly PathStep[];
  readonly choices: readonly PathChoice[];
  /** Tries left over all steps. */
  readonly tries: TriesLeft;
}

export interface PathContext {
  readonly catalogue: Catalogue;
  /** The school under which the standings were read. */
  readonly school: School;
  readonly now: Instant;
}

/** A side that is asked for by its number, the gate it is to reach, and the tries expected until then. */
interface Asked {
  readonly index: number;
  readonly gate: Gate;
  readonly cost: number;
}

/** A need of a side that is not met: the ways to meet it. */
interface OpenNeed {
  readonly of: number;
  readonly ways: readonly (readonly Asked[])[];
}

/** The needs of a side that are not met. */
type NeedsOf = (index: number) => readonly OpenNeed[];

/** Sides asked so far, by number: for each, the dearest gate asked of it. */
type Demands = readonly (Asked | undefined)[];

interface Found {
  readonly demands: Demands;
  readonly total: number;
  readonly decided: readonly { readonly need: OpenNeed; readonly way: number }[];
}

/** What a way adds to what is asked already. */
function addedBy(way: readonly Asked[], demands: Demands): number {
  let sum = 0;
  for (const { index, cost } of way) sum += Math.max(0, cost - (demands[index]?.cost ?? 0));
  return sum;
}

/** A branch of the search: what is asked, and the needs whose way is still to be chosen. */
class Branch {
  constructor(
    private readonly needsOf: NeedsOf,
    readonly demands: (Asked | undefined)[] = [],
    public total = 0,
    public undecided: OpenNeed[] = [],
    readonly decided: { need: OpenNeed; way: number }[] = [],
  ) {}

  copy(): Branch {
    const { needsOf, demands, total, undecided, decided } = this;
    return new Branch(needsOf, [...demands], total, [...undecided], [...decided]);
  }

  /** Asks for sides, and for all that they need whatever is chosen. */
  ask(way: readonly Asked[]): void {
    for (const asked of way) {
      const before = this.demands[asked.index];
      if (before === undefined || asked.cost > before.cost) {
        this.demands[asked.index] = asked;
        this.total += asked.cost - (before?.cost ?? 0);
      }
      if (before !== undefined) continue;
      for (const need of this.needsOf(asked.index)) {
        const [only] = need.ways;
        if (need.ways.length === 1 && only !== undefined) this.ask(only);
        else this.undecided.push(need);
      }
    }
  }

  /** Takes every way that is asked for already: it adds nothing, so nothing can be better. */
  settle(): void {
    this.undecided = this.undecided.filter((need) => {
      const way = need.ways.findIndex((one) => addedBy(one, this.demands) === 0);
      if (way >= 0) this.decided.push({ need, way });
      return way < 0;
    });
  }

  /** A floor under every completion: what is asked, and the dearest of what must still be added. */
  floor(): number {
    let dearest = 0;
    for (const { ways } of this.undecided) {
      dearest = Math.max(dearest, Math.min(...ways.map((way) => addedBy(way, this.demands))));
    }
    return this.total + dearest;
  }
}

function search(needsOf: NeedsOf, goals: readonly Asked[]): Found {
  const found: Found[] = [];
  const visit = (branch: Branch): void => {
    branch.settle();
    const [best] = found;
    if (best !== undefined && branch.floor() >= best.total) return;
    const need = branch.undecided.shift();
    if (need === undefined) {
      found[0] = { demands: branch.demands, total: branch.total, decided: branch.decided };
      return;
    }
    // The way that adds least goes first, so that a good answer cuts the rest early.
    const order = need.ways
      .map((way, number) => ({ way, number, adds: addedBy(way, branch.demands) }))
      .sort((one, other) => one.adds - other.adds || one.number - other.number);
    for (const { way, number } of order) {
      const next = branch.copy();
      next.decided.push({ need, way: number });
      next.ask(way);
      visit(next);
    }
  };
  const root = new Branch(needsOf);
  root.ask(goals);
  visit(root);
  return found[0] ?? root;
}

/** The base test as a side of the path: once through its five parts, each of them at 100 first. */
const BASE_SIDE: SubjectSide = { subject: BASE_TEST, side: "whole" };
const BASE_GATE: Gate = { kind: "streak", count: BASE_TEST_COUNT };
const BASE_TEST_TRIES = BASE_TEST_PARTS.length * BASE_TEST_COUNT;
const BASE_TEST_ROUND: TriesLeft = {
  expected: BASE_TEST_TRIES,
  low: BASE_TEST_TRIES,
  high: BASE_TEST_TRIES,
};

/** Tries left from a standing to a gate. The percentiles are what costs; untried sides share them by class. */
function triesOfSteps({ catalogue, now }: PathContext) {
  const untried = new Map<SkillClass, MissChance>();
  return ({ facts, subject }: Standing, gate: Gate): TriesLeft => {
    const { skillClass, beats } = skillOf(catalogue, subject);
    const pace = LEARNING_PACES[skillClass];
    const isUntried = facts.cleanSum === 0 && facts.missSum === 0;
    const miss = (isUntried ? untried.get(skillClass) : undefined) ?? missChance(facts, pace, now);
    if (isUntried) untried.set(skillClass, miss);
    return triesFromMiss(miss, gate, pace, beats);
  };
}

/** The sides that a goal names. Throws a `RangeError` for a skill that the catalogue does not have. */
export function goalSides(catalogue: Catalogue, { subject, side }: Goal): readonly SubjectSide[] {
  const sides = sidesOf(skillOf(catalogue, subject));
  const wanted = sides.filter((one) => side === "both" || one === side);
  return (wanted.length === 0 ? sides : wanted).map((one) => ({ subject, side: one }));
}

/**
 * The and/or graph that a student's standings span, by the numbers of the sides: what each locked
 * side still needs. The base test has the number after the last.
 */
class Graph {
  private readonly indexOf: ReadonlyMap<string, number>;
  private readonly base: number;

  constructor(
    private readonly standings: readonly Standing[],
    private readonly context: PathContext,
  ) {
    this.indexOf = sideTable(context.catalogue, context.school).indexOf;
    this.base = standings.length;
  }

  /** The asking of a side that has not reached the gate. */
  asked({ subject, side }: SubjectSide, gate: Gate): Asked {
    const index = this.indexOf.get(sideKey(subject, side)) ?? this.base;
    const one = this.standings[index];
    if (one === undefined) return { index, gate, cost: BASE_TEST_TRIES };
    const { skillClass, beats } = skillOf(this.context.catalogue, subject);
    const cost = expectedTriesLeft(one.facts, gate, LEARNING_PACES[skillClass], beats, this.context.now);
    return { index, gate, cost };
  }

  standingOf({ subject, side }: SubjectSide): Standing | undefined {
    return this.standings[this.indexOf.get(sideKey(subject, side)) ?? this.base];
  }

  sideAt(index: number): SubjectSide {
    const { subject, side } = this.standings[index] ?? BASE_SIDE;
    return { subject, side };
  }

  readonly needsOf: NeedsOf = (index) => {
    if (index === this.base) return this.baseParts();
    const one = this.standings[index];
    if (one?.status !== "locked") return [];
    const needs = new Map<number, Asked[][]>();
    for (const unmet of one.unmet) {
      const ways = needs.get(unmet.needIndex) ?? [];
      needs.set(unmet.needIndex, ways);
      (ways[unmet.way] ??= []).push(this.asked(unmet, unmet.gate));
    }
    return [...needs.values()].map((ways) => ({ of: index, ways }));
  };

  private baseParts(): readonly OpenNeed[] {
    const sides = BASE_TEST_PARTS.map(([subject, side]) => ({ subject, side }));
    return sides
      .filter((side) => !hasInARow(this.standingOf(side)?.facts ?? NO_FACTS, BASE_TEST_COUNT))
      .map((side) => ({ of: this.base, ways: [[this.asked(side, BASE_GATE)]] }));
  }

  /** Numbers in an order in which every side follows what it needs: the base test after its parts. */
  ordered(demands: Demands): readonly Asked[] {
    const parts = BASE_TEST_PARTS.map((part) => this.indexOf.get(sideKey(...part)) ?? -1);
    const placeOf = ({ index }: Asked) => (index === this.base ? Math.max(...parts) + 0.5 : index);
    const asked = demands.filter((one) => one !== undefined);
    return asked.sort((one, other) => placeOf(one) - placeOf(other));
  }
}

/**
 * The cheapest path to all the goals together, from a student's standings. Goals that are cleared
 * add nothing; the path of a student who has them all is empty.
 */
export function goalPath(
  standings: readonly Standing[],
  goals: readonly Goal[],
  context: PathContext,
): GoalPath {
  const graph = new Graph(standings, context);
  const asked = goals
    .flatMap((goal) => goalSides(context.catalogue, goal))
    .flatMap((side): Asked[] => {
      const one = graph.standingOf(side);
      return one === undefined || isMet(one.status) ? [] : [graph.asked(side, one.gate)];
    });
  const { demands, decided } = search(graph.needsOf, asked);
  const triesOf = triesOfSteps(context);
  const total = { expected: 0, low: 0, high: 0 };
  const steps = graph.ordered(demands).map(({ index, gate }): PathStep => {
    const one = standings[index];
    const tries = one === undefined ? BASE_TEST_ROUND : triesOf(one, gate);
    total.expected += tries.expected;
    total.low += tries.low;
    total.high += tries.high;
    return { ...graph.sideAt(index), gate, status: one?.status ?? "ready", tries };
  });
  const choices = decided.map(({ need, way }): PathChoice => {
    const named = need.ways.map((one) => one.map(({ index }) => graph.sideAt(index)));
    const passed = named.filter((_, number) => number !== way);
    return { ...graph.sideAt(need.of), taken: named[way] ?? [], passed };
  });
  return { steps, choices, tries: total };
}
