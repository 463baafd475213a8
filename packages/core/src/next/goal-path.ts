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
import { hasInARow } from "../record/facts.js";
import { isMet, standingOf, type Reading, type Standing, type Status } from "../record/standing.js";
import { expectedTriesTo, triesOfAll, triesTo, type TriesLeft } from "../record/tries.js";
import type { SideName } from "../sides.js";
import { gateAsStreak, type Gate } from "../syllabus/gates.js";
import type { Side } from "../syllabus/side.js";
import type { Syllabus } from "../syllabus/syllabus.js";
import { waitsForSibling, type FusedFirst } from "./fused.js";

/** A skill to be cleared on one side or both; a skill without sides as a whole. */
export interface Goal {
  readonly subject: string;
  readonly side: SideName | "both";
}

/** One side of the path and what is asked of it. */
export interface PathStep {
  readonly of: Side;
  readonly gate: Gate;
  readonly status: Status;
  readonly tries: TriesLeft;
}

/** An either on the path: which way was taken, and what the path would have cost the other way. */
export interface PathChoice {
  readonly of: Side;
  readonly taken: readonly Side[];
  readonly passed: readonly (readonly Side[])[];
}

export interface GoalPath {
  /** Every side after all that it needs. */
  readonly steps: readonly PathStep[];
  readonly choices: readonly PathChoice[];
  /** Tries left over all steps. */
  readonly tries: TriesLeft;
}

export interface PathOptions {
  /** Which fused double is taught first, where a need is content with either. */
  readonly fusedFirst?: FusedFirst;
}

/** A side that is asked for, the gate it is to reach, and the tries expected until then. */
interface Asked {
  readonly of: Side;
  readonly gate: Gate;
  readonly cost: number;
}

/** A need of a side that is not met: the ways to meet it. */
interface OpenNeed {
  readonly of: Side;
  readonly ways: readonly (readonly Asked[])[];
}

/** The needs of a side that are not met. */
type NeedsOf = (side: Side) => readonly OpenNeed[];

/** Sides asked so far, by number: for each, the dearest gate asked of it. */
type Demands = readonly (Asked | undefined)[];

interface Found {
  readonly demands: Demands;
  readonly total: number;
  readonly decided: readonly { readonly need: OpenNeed; readonly way: number }[];
}

const costOf = (asked: Asked | undefined) => (asked === undefined ? 0 : asked.cost);

/** What a way adds to what is asked already. */
function addedBy(way: readonly Asked[], demands: Demands): number {
  let sum = 0;
  for (const { of, cost } of way) sum += Math.max(0, cost - costOf(demands[of.index]));
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
      const before = this.demands[asked.of.index];
      if (before === undefined || asked.cost > before.cost) {
        this.demands[asked.of.index] = asked;
        this.total += asked.cost - costOf(before);
      }
      if (before !== undefined) continue;
      for (const need of this.needsOf(asked.of)) {
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

/** The sides that a goal names; none for a skill that the syllabus has not. */
export function goalSides(syllabus: Syllabus, { subject, side }: Goal): readonly Side[] {
  const sides = syllabus.sidesOf(subject);
  const wanted = sides.filter((one) => side === "both" || one.side === side);
  return wanted.length === 0 ? sides : wanted;
}

/** The and/or graph that a student's standings span: what each locked side still needs. */
class Graph {
  constructor(
    private readonly reading: Reading,
    private readonly fusedFirst: FusedFirst,
  ) {}

  /** The asking of a side that has not reached the gate; the base test is once through its parts. */
  asked(of: Side, gate: Gate): Asked {
    if (of === this.reading.syllabus.baseTest) return { of, gate, cost: this.onceThrough };
    const { skillClass, beats } = of.skill;
    const learner = { skillClass, gateStreak: gateAsStreak(gate, beats) };
    return { of, gate, cost: expectedTriesTo(this.standingOf(of).belief, gate, learner, this.reading.model) };
  }

  /** Tries of the base test itself. */
  get onceThrough(): number {
    const role = this.reading.syllabus.catalogue.roles.baseTest;
    return role === null ? 0 : role.parts.length * role.count;
  }

  standingOf(of: Side): Standing {
    return standingOf(this.reading, of);
  }

  readonly needsOf: NeedsOf = (side) => {
    if (side === this.reading.syllabus.baseTest) return this.baseParts(side);
    const { status, unmet } = this.standingOf(side);
    if (status !== "locked") return [];
    const needs = new Map<number, Asked[][]>();
    for (const gap of unmet) {
      const ways = needs.get(gap.needIndex) ?? [];
      needs.set(gap.needIndex, ways);
      (ways[gap.way] ??= []).push(this.asked(gap.of, gap.gate));
    }
    return [...needs.values()].map((ways) => ({ of: side, ways: this.withoutWaiting(ways) }));
  };

  /** Where either fused double would do, the one that waits for its sibling is no way. */
  private withoutWaiting(ways: readonly (readonly Asked[])[]): readonly (readonly Asked[])[] {
    const first = ways.filter(
      (way) => !way.some(({ of }) => waitsForSibling(this.reading, of, this.fusedFirst)),
    );
    return first.length === 0 ? ways : first;
  }

  private baseParts(base: Side): readonly OpenNeed[] {
    return base.needs
      .flat(2)
      .flatMap(({ of, count }) =>
        count === null || hasInARow(this.standingOf(of).facts, count)
          ? []
          : [{ of: base, ways: [[this.asked(of, { kind: "streak", count })]] }],
      );
  }

  /** The sides in an order in which every one follows what it needs: the base test after its parts. */
  ordered(demands: Demands): readonly Asked[] {
    const { baseTest } = this.reading.syllabus;
    const parts = baseTest?.needs.flat(2).map(({ of }) => of.index) ?? [];
    const placeOf = ({ of }: Asked) => (of === baseTest ? Math.max(...parts) + 0.5 : of.index);
    return demands.filter((one) => one !== undefined).sort((one, other) => placeOf(one) - placeOf(other));
  }
}

/**
 * The cheapest path to all the goals together, from a student's reading. Goals that are cleared add
 * nothing; the path of a student who has them all is empty.
 */
export function goalPath(
  reading: Reading,
  goals: readonly Goal[],
  { fusedFirst = "own-record" }: PathOptions = {},
): GoalPath {
  const graph = new Graph(reading, fusedFirst);
  const asked = goals
    .flatMap((goal) => goalSides(reading.syllabus, goal))
    .flatMap((side): Asked[] => (isMet(graph.standingOf(side).status) ? [] : [graph.asked(side, side.gate)]));
  const { demands, decided } = search(graph.needsOf, asked);
  const steps = graph.ordered(demands).map(({ of, gate }): PathStep => {
    const { belief, status } = graph.standingOf(of);
    const { skillClass, beats } = of.skill;
    const once = graph.onceThrough;
    const tries =
      of === reading.syllabus.baseTest
        ? { expected: once, low: once, high: once }
        : triesTo(belief, gate, { skillClass, gateStreak: gateAsStreak(gate, beats) }, reading.model);
    return { of, gate, status, tries };
  });
  const choices = decided.map(({ need, way }): PathChoice => {
    const named = need.ways.map((one) => one.map(({ of }) => of));
    return { of: need.of, taken: named[way] ?? [], passed: named.filter((_, number) => number !== way) };
  });
  return {
    steps,
    choices,
    tries: triesOfAll(
      steps.map((step) => step.tries),
      reading.model,
    ),
  };
}
