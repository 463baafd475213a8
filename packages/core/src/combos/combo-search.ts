/**
 * Whether a combo exists and which: a walk over counts left, the rope's state, the bounces behind and
 * what is still to be touched. For each such node the fewest and most hand moves of any ending are
 * kept, so a walk never enters a way that cannot end well, and a constraint that cannot be kept is
 * proven so without a single leaf. Parts that do the same to a node are one edge; O(nodes × edges).
 */
import { cellOf } from "../grid.js";
import { expandBeats } from "../rope/score.js";
import { linkCost } from "../rope/cost.js";
import { traceBeats } from "../rope/trace.js";
import { randomFrom, type Random } from "../random.js";
import { DIFFICULTY_BANDS, names, type CombosAsked, type PoolPart } from "./asked.js";
import { isBounce, repeatedScore, scoreOfPart, type ComboPart } from "./part.js";
import { ropeGraph, type RopeGraph } from "./rope-graph.js";

/** More bounces than this in a row are no combo, unless spacing asks for them. */
const BOUNCES_IN_A_ROW = 2;
/** A link of so many hand moves inside a part makes it hard, and so does every multiple. */
const HARD_LINK = 3;
const LEFT_BIT = 1;
const RIGHT_BIT = 2;
const FIRST_BIT = 4;

interface PartFacts {
  readonly counts: number;
  readonly isBounce: boolean;
  readonly isHard: boolean;
  readonly bits: number;
  readonly weight: number;
}

/** Parts that lead a state to the same place at the same price. */
interface EdgeClass {
  readonly to: number;
  readonly moves: number;
  readonly counts: number;
  readonly isBounce: boolean;
  readonly isHard: boolean;
  readonly bits: number;
  readonly members: readonly number[];
}

/** What has still to be touched takes at least so many counts, and holds at least so many hard moves. */
interface Owed {
  readonly counts: number;
  readonly hard: number;
}

/** Where a walk is. */
interface Node {
  readonly left: number;
  readonly state: number;
  /** Bounces since the last hard move, as far as spacing asks. */
  readonly since: number;
  /** Bounces in a row. */
  readonly run: number;
  /** What has been touched. */
  readonly mask: number;
}

interface Range {
  readonly least: number;
  readonly most: number;
}

function isHardPart(part: ComboPart): boolean {
  const score = scoreOfPart(part);
  const { beats } = traceBeats(expandBeats(score), score.direction, "r");
  return beats.some(
    ({ turns }) => turns.length > 1 || turns.some(({ from, arms }) => linkCost(from, arms) >= HARD_LINK),
  );
}

function factsOf({ part, isNew, isWanted }: PoolPart, include: readonly string[]): PartFacts {
  const score = repeatedScore(part);
  const bounce = isBounce(part);
  let bits = part.side === "left" ? LEFT_BIT : part.side === "right" ? RIGHT_BIT : 0;
  include.forEach((key, place) => {
    if (names(key, part)) bits |= FIRST_BIT << place;
  });
  return {
    counts: expandBeats(score).length,
    isBounce: bounce,
    isHard: isNew || (!bounce && isHardPart(part)),
    bits,
    weight: (isNew ? 4 : 1) * (isWanted ? 2 : 1),
  };
}

/** The state graph of a pool; edges are judged as they are asked for. */
export function graphOf(pool: readonly PoolPart[], { dominant, sideways }: CombosAsked): RopeGraph {
  return ropeGraph(
    pool.map(({ part }) => part),
    dominant,
    sideways,
  );
}

export class ComboSearch {
  private readonly parts: readonly ComboPart[];
  private readonly facts: readonly PartFacts[];
  private readonly classes: (readonly EdgeClass[] | undefined)[] = [];
  private readonly ranges = new Map<number, Range | null>();
  private readonly endings = new Map<number, boolean>();
  private readonly dead = new Set<number>();
  private readonly owed = new Map<number, Owed>();
  private readonly isOut: readonly boolean[];
  private readonly fullMask: number;
  private readonly sideMask: number;
  private readonly mostRun: number;
  private readonly band: Range;

  /** `graph` is the pool's own, so that several questions about one pool judge each join once. */
  constructor(
    pool: readonly PoolPart[],
    private readonly asked: CombosAsked,
    private readonly graph: RopeGraph = graphOf(pool, asked),
  ) {
    const { include, exclude, bothSides, spacing, counts, difficulty } = asked;
    this.parts = pool.map(({ part }) => part);
    this.isOut = pool.map(({ part }) => exclude.some((key) => names(key, part)));
    this.facts = pool.map((one) => factsOf(one, include));
    this.sideMask = bothSides ? LEFT_BIT | RIGHT_BIT : 0;
    this.fullMask = include.reduce((mask, _, place) => mask | (FIRST_BIT << place), this.sideMask);
    this.mostRun = Math.max(BOUNCES_IN_A_ROW, spacing);
    const [low, high] = DIFFICULTY_BANDS[difficulty];
    this.band = { least: low * counts, most: high * counts };
  }

  private get root(): Node {
    const { counts, spacing } = this.asked;
    return { left: counts, state: this.graph.start, since: spacing, run: 0, mask: 0 };
  }

  private keyOf({ left, state, since, run, mask }: Node): number {
    return (((mask * 4096 + state) * 8 + since) * 8 + run) * 128 + left;
  }

  /** What can follow a state, parts of one effect together. */
  private classesOf(state: number): readonly EdgeClass[] {
    const known = this.classes[state];
    if (known !== undefined) return known;
    const byEffect = new Map<
      string,
      { readonly one: Omit<EdgeClass, "members">; readonly members: number[] }
    >();
    this.facts.forEach(({ counts, isBounce: bounce, isHard, bits }, part) => {
      const edge = this.isOut[part] === true ? null : this.graph.edge(state, part);
      if (edge === null) return;
      const touched = bits & this.fullMask;
      const effect = `${edge.to} ${edge.moves} ${counts} ${Number(bounce)} ${Number(isHard)} ${touched}`;
      const found = byEffect.get(effect) ?? {
        one: { ...edge, counts, isBounce: bounce, isHard, bits: touched },
        members: [],
      };
      found.members.push(part);
      byEffect.set(effect, found);
    });
    const made = [...byEffect.values()].map(({ one, members }) => ({ ...one, members }));
    this.classes[state] = made;
    return made;
  }

  /** The node that an edge leads to; null where spacing, ends or bounces in a row forbid it. */
  private after(node: Node, edge: EdgeClass): Node | null {
    const { spacing, bounceEnds, counts } = this.asked;
    const left = node.left - edge.counts;
    if (left < 0) return null;
    const isEnd = node.left === counts || left === 0;
    if (bounceEnds && isEnd && !edge.isBounce) return null;
    if (edge.isHard && node.since < spacing) return null;
    const run = edge.isBounce ? node.run + edge.counts : 0;
    if (run > this.mostRun) return null;
    const since = edge.isHard ? 0 : edge.isBounce ? Math.min(spacing, node.since + edge.counts) : node.since;
    return { left, state: edge.to, since, run, mask: node.mask | edge.bits };
  }

  /** The least that the untouched still takes, each bit by its shortest part. */
  private owedBy(missing: number): Owed {
    const known = this.owed.get(missing);
    if (known !== undefined) return known;
    let counts = 0;
    let hard = 0;
    // A part that touches several bits pays for all of them, so that nothing is counted twice.
    let unpaid = missing;
    for (let bit = FIRST_BIT; bit <= missing; bit <<= 1) {
      if ((unpaid & bit) === 0) continue;
      const touching = this.facts.filter(({ bits }, part) => (bits & bit) !== 0 && this.isOut[part] !== true);
      counts += Math.min(...touching.map((one) => one.counts));
      hard += touching.every((one) => one.isHard) ? 1 : 0;
      for (const { bits } of touching) unpaid &= ~bits;
    }
    const owed = { counts, hard };
    this.owed.set(missing, owed);
    return owed;
  }

  /** Whether what is left has no room for what is still to be touched, with its bounces between. */
  private isTooShort({ left, since, mask }: Node): boolean {
    const { spacing, bounceEnds } = this.asked;
    const { counts, hard } = this.owedBy(this.fullMask & ~mask);
    const between = hard === 0 ? 0 : (hard - 1) * spacing + spacing - since;
    const last = bounceEnds && hard > 0 ? 1 : 0;
    return counts + between + last > left;
  }

  /** The fewest and most hand moves of any ending from here; null where there is none. */
  private range(node: Node): Range | null {
    if (node.left === 0) return node.mask === this.fullMask ? { least: 0, most: 0 } : null;
    if (this.isTooShort(node)) return null;
    const key = this.keyOf(node);
    const known = this.ranges.get(key);
    if (known !== undefined) return known;
    let least = Infinity;
    let most = -Infinity;
    for (const edge of this.classesOf(node.state)) {
      const next = this.after(node, edge);
      const rest = next === null ? null : this.range(next);
      if (rest === null) continue;
      least = Math.min(least, edge.moves + rest.least);
      most = Math.max(most, edge.moves + rest.most);
    }
    const range = least === Infinity ? null : { least, most };
    this.ranges.set(key, range);
    return range;
  }

  private mayFit(node: Node, moves: number): boolean {
    const rest = this.range(node);
    if (rest === null) return false;
    const { least, most } = this.band;
    return moves + rest.most >= least && moves + rest.least <= most;
  }

  /** Whether there is any ending from here, whatever its difficulty; ends with the first that is found. */
  private canEnd(node: Node): boolean {
    if (node.left === 0) return node.mask === this.fullMask;
    if (this.isTooShort(node)) return false;
    const key = this.keyOf(node);
    const known = this.endings.get(key);
    if (known !== undefined) return known;
    const can = this.classesOf(node.state).some((edge) => {
      const next = this.after(node, edge);
      return next !== null && this.canEnd(next);
    });
    this.endings.set(key, can);
    return can;
  }

  /** Whether any combo keeps all that is asked; exact. */
  isPossible(): boolean {
    return this.canEnd(this.root) && (this.asked.difficulty === "any" || this.draw(1) !== null);
  }

  /** One combo drawn by a seed; null where none exists. */
  draw(seed: number): readonly ComboPart[] | null {
    const random = randomFrom(seed);
    const chosen: number[] = [];
    return this.walk(this.root, 0, chosen, random) ? chosen.flatMap((part) => this.parts[part] ?? []) : null;
  }

  private walk(node: Node, moves: number, chosen: number[], random: Random): boolean {
    if (!this.mayFit(node, moves)) return false;
    if (node.left === 0) return true;
    const key = this.keyOf(node) * 1024 + moves;
    if (this.dead.has(key)) return false;
    for (const { edge, part } of this.inOrder(node, chosen, random)) {
      const next = this.after(node, edge);
      if (next === null) continue;
      chosen.push(part);
      if (this.walk(next, moves + edge.moves, chosen, random)) return true;
      chosen.pop();
    }
    this.dead.add(key);
    return false;
  }

  /** The edges of a node in a drawn order, and of each the part that is taken. */
  private inOrder(node: Node, chosen: readonly number[], random: Random) {
    const last = chosen.findLast((part) => this.facts[part]?.isBounce === false);
    const weightOf = (part: number): number => {
      const facts = this.facts[part];
      if (facts === undefined) return 0;
      if (facts.isBounce) return 2;
      const uses = chosen.filter((one) => one === part).length;
      return facts.weight * 0.35 ** uses * (part === last ? 0.2 : 1);
    };
    return this.classesOf(node.state)
      .map((edge) => {
        const weights = edge.members.map(weightOf);
        const sum = weights.reduce((total, weight) => total + weight, 0);
        let at = random() * sum;
        const place = weights.findIndex((weight) => (at -= weight) <= 0);
        const part = cellOf(edge.members, Math.max(0, place));
        // Exponential clocks: the edge of twice the weight comes first twice as often.
        return { edge, part, clock: -Math.log(1 - random()) / Math.max(sum, 1e-9) };
      })
      .sort((one, other) => one.clock - other.clock);
  }
}
