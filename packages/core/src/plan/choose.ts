/**
 * The best set of blocks under limits: exact, by branch and bound over the candidates in the order of
 * their worth; and after it, what each of them makes the best come to where it is in or out.
 * O(2^candidates) at worst; the bound, by the minutes that are left, cuts nearly all of it.
 */
import { Tally } from "../tally.js";
import { cellOf } from "../grid.js";
import { PLAN_WEIGHTS } from "./weights.js";
import type { Effort } from "../syllabus/effort.js";
import type { Phase } from "./block.js";
import { canBeOrdered } from "./order.js";

/** What choosing has to know of a candidate. */
export interface Choosable {
  readonly worth: number;
  readonly minutes: number;
  readonly landings: number;
  readonly multiples: number;
  readonly effort: Effort;
  readonly phase: Phase;
  readonly isReview: boolean;
  /** Of the main work: begun, or new; null for the rest. */
  readonly work: "begun" | "new" | null;
  /** Taken whatever the limits say: somebody asked for it. */
  readonly isKept: boolean;
  /** The place of the same skill's other side among the candidates; null where it is not there. */
  readonly mate: number | null;
}

export interface Limits {
  readonly minutes: number;
  readonly reviewMinutes: number;
  /** Infinity where nothing is judged. */
  readonly landings: number;
  readonly multiples: number;
}

export interface Chosen {
  /** Places in the list of candidates, ascending. */
  readonly places: readonly number[];
  readonly objective: number;
}

export interface Weighed extends Chosen {
  /**
   * By place: the objective of the best choice without it, where it is taken, and with it, where it is not;
   * null where there is none. Exact for a dozen candidates; of more, a choice that was found.
   */
  readonly otherwise: readonly (number | null)[];
}

const HAIR = 1e-9;
/** Past so many branches what each makes of the best is no longer sought, and is taken from what was found. */
const MOST_OF_EACH = 800;

/** What blocks are worth together: each its own worth, less for repeated efforts and for sides left behind. */
export function objectiveOf(candidates: readonly Choosable[], places: readonly number[]): number {
  const taken = new Set(places);
  const efforts = new Tally<Effort>();
  let objective = 0;
  for (const place of places) {
    const one = cellOf(candidates, place);
    objective += one.worth - efforts.of(one.effort) * PLAN_WEIGHTS.sameEffort;
    efforts.add(one.effort);
    if (one.mate !== null && !taken.has(one.mate)) objective -= PLAN_WEIGHTS.sideBehind;
  }
  return objective;
}

const USES = ["minutes", "reviewMinutes", "landings", "multiples"] as const;
/** What is used of each limit. */
type Used = Readonly<Record<(typeof USES)[number], number>>;

const NOTHING_USED: Used = { minutes: 0, reviewMinutes: 0, landings: 0, multiples: 0 };

/** What one candidate uses. */
export function usedBy({ minutes, isReview, landings, multiples }: Choosable): Used {
  return { minutes, reviewMinutes: isReview ? minutes : 0, landings, multiples };
}

function sumOf(one: Used, other: Used): Used {
  return {
    minutes: one.minutes + other.minutes,
    reviewMinutes: one.reviewMinutes + other.reviewMinutes,
    landings: one.landings + other.landings,
    multiples: one.multiples + other.multiples,
  };
}

/** Whether one more goes: what is beyond a limit already, by what is kept, takes no more of it. */
function allows(limits: Limits, sum: Used, more: Used): boolean {
  return USES.every((use) => more[use] === 0 || sum[use] <= limits[use] + HAIR);
}

/**
 * The most that candidates from a place on can still bring in so many minutes: the worthiest minutes first,
 * the last of them in part, and none of the losses.
 */
function mostOf(candidates: readonly Choosable[]): (from: number, minutes: number) => number {
  const dense = candidates
    .map((one, place) => ({ place, worth: one.worth, minutes: one.minutes }))
    .filter(({ place, worth }) => worth > 0 && candidates[place]?.isKept !== true)
    .sort((one, other) => other.worth * one.minutes - one.worth * other.minutes);
  return (from, minutes) => {
    let [left, most] = [minutes + HAIR, 0];
    for (const one of dense) {
      if (one.place < from) continue;
      if (one.minutes >= left) return left > 0 ? most + (one.worth * left) / one.minutes : most;
      left -= one.minutes;
      most += one.worth;
    }
    return most;
  };
}

/** Candidates that can still be taken, or are. */
interface Available {
  available: number;
}

/** Candidates of one phase and effort: of these no two stand side by side. */
interface Group extends Available {
  readonly index: number;
  /** All of its phase. */
  readonly phase: Available;
  taken: number;
}

function groupsOf(candidates: readonly Choosable[]): {
  readonly all: readonly Group[];
  readonly of: readonly Group[];
} {
  const phases = new Map<Phase, Available>();
  const all = new Map<string, Group>();
  const of = candidates.map(({ phase: name, effort }) => {
    const phase = phases.get(name) ?? { available: 0 };
    phases.set(name, phase);
    phase.available += 1;
    const key = `${name} ${effort}`;
    const group = all.get(key) ?? { index: all.size, phase, available: 0, taken: 0 };
    all.set(key, group);
    group.available += 1;
    return group;
  });
  return { all: [...all.values()], of };
}

/** Minutes of begun and of new main work. */
function workOf(candidates: readonly Choosable[], places: readonly number[]) {
  const minutes = { begun: 0, new: 0 };
  for (const place of places) {
    const one = candidates[place];
    if (one !== undefined && one.work !== null) minutes[one.work] += one.minutes;
  }
  return minutes;
}

/** What any choice has to be beside within its limits, as far as what is kept is so itself. */
function rulesOf(
  candidates: readonly Choosable[],
  { kept, hasBegun, phases }: { kept: readonly number[]; hasBegun: boolean; phases: readonly Phase[] | null },
) {
  const order = phases !== null && canBeOrdered(candidates, kept, phases) ? phases : null;
  const keptNew = workOf(candidates, kept).new;
  return (places: readonly number[]): boolean => {
    const work = workOf(candidates, places);
    // Depth before breadth: begun work has at least half of the main minutes (record.md, What now).
    if (hasBegun && work.new > Math.max(work.begun, keptNew) + HAIR) return false;
    return order === null || canBeOrdered(candidates, places, order);
  };
}

/** One search: the best so far, and of each candidate the best with it and without it. */
class Search {
  private best: Pick<Chosen, "places" | "objective"> = { places: [], objective: -Infinity };
  private readonly with: number[];
  private readonly without: number[];
  private readonly kept: readonly number[];
  private readonly usedByKept: Used;
  private readonly isAllowed: (places: readonly number[]) => boolean;
  private readonly most: (from: number, minutes: number) => number;
  private readonly uses: readonly Used[];
  /** Whether a candidate can be in any choice at all, by its own minutes and loads. */
  private readonly canBe: readonly boolean[];
  /** The branch that is looked at: what is taken, and how many of each effort. */
  private readonly taken: boolean[];
  private readonly efforts: readonly number[];
  private readonly counts: number[];
  /** What the kept ones bring. */
  private gained = 0;
  /** Branches that were looked at for the sake of each. */
  private visited = 0;
  private readonly groups: ReturnType<typeof groupsOf>;
  private readonly hasOrder: boolean;
  /** What a minute is worth where the minutes run out; 0 where all of it fits. */
  private minuteWorth = 0;
  /** What each is worth beyond its minutes, and the places by it, the most first. */
  private beyond: readonly number[] = [];
  private byBeyond: readonly number[] = [];

  constructor(
    private readonly candidates: readonly Choosable[],
    private readonly limits: Limits,
    phases: readonly Phase[] | null,
  ) {
    this.with = candidates.map(() => -Infinity);
    this.without = candidates.map(() => -Infinity);
    this.uses = candidates.map(usedBy);
    this.kept = candidates.flatMap((one, place) => (one.isKept ? [place] : []));
    this.most = mostOf(candidates);
    this.usedByKept = this.kept.reduce((sum, place) => sumOf(sum, this.useOf(place)), NOTHING_USED);
    const fits = candidates.map((_, place) => {
      const use = this.useOf(place);
      return allows(limits, sumOf(this.usedByKept, use), use);
    });
    // Begun work that today does not allow at all does not hold up what is new.
    const fitting = [...candidates.keys()].filter((place) => fits[place] === true || this.isKept(place));
    const mostBegun = workOf(candidates, fitting).begun;
    const hasBegun = mostBegun > 0;
    const mostNew = hasBegun ? Math.max(mostBegun, workOf(candidates, this.kept).new) : Infinity;
    this.canBe = candidates.map(
      (one, place) => fits[place] === true && (one.work !== "new" || one.minutes <= mostNew + HAIR),
    );
    this.isAllowed = rulesOf(candidates, { kept: this.kept, hasBegun, phases });
    const kinds = [...new Set(candidates.map((one) => one.effort))];
    this.efforts = candidates.map((one) => kinds.indexOf(one.effort));
    this.counts = kinds.map(() => 0);
    this.taken = candidates.map(() => false);
    this.hasOrder = phases !== null && canBeOrdered(candidates, this.kept, phases);
    this.groups = groupsOf(candidates);
    this.price();
  }

  /** The best choice. */
  choose(): Chosen {
    this.gained = this.kept.reduce((sum, place) => sum + this.take(place), 0);
    this.look(this.gained);
    this.beginWith([...this.candidates.keys()]);
    this.visit(0, this.gained, this.usedByKept, false);
    return this.best;
  }

  /** What each makes of the best, once that is known. */
  weigh(): Weighed {
    const { candidates } = this;
    for (const place of candidates.keys()) this.turn(place);
    this.visit(0, this.gained, this.usedByKept, true);
    const { places, objective } = this.best;
    const otherwise = candidates.map((one, place) => {
      const value = (places.includes(place) ? this.without[place] : this.with[place]) ?? -Infinity;
      return one.isKept || value === -Infinity ? null : value;
    });
    return { places, objective, otherwise };
  }

  /** Sets a price for a minute, so that what all of them can come to is bounded as narrowly as can be. */
  private price(): void {
    const minutes = this.limits.minutes - this.usedByKept.minutes;
    const prices = new Set([0, ...this.candidates.map((one) => one.worth / one.minutes)]);
    let best: { readonly price: number; readonly most: number } = { price: 0, most: Infinity };
    for (const price of prices) {
      this.priceAt(price);
      const most = this.bound(0, minutes, null, null);
      if (most < best.most) best = { price, most };
    }
    this.priceAt(best.price);
  }

  private priceAt(minuteWorth: number): void {
    this.minuteWorth = minuteWorth;
    this.beyond = this.candidates.map((one) => one.worth - minuteWorth * one.minutes);
    const beyond = (place: number) => cellOf(this.beyond, place);
    this.byBeyond = [...this.candidates.keys()].sort((one, other) => beyond(other) - beyond(one));
  }

  private useOf(place: number): Used {
    return this.uses[place] ?? NOTHING_USED;
  }

  private isKept(place: number): boolean {
    return this.candidates[place]?.isKept === true;
  }

  /** Of the effort of a candidate, how many the branch has. */
  private sameAs(place: number): number {
    return cellOf(this.counts, cellOf(this.efforts, place));
  }

  private add(place: number, times: 1 | -1): void {
    const [effort, group] = [cellOf(this.efforts, place), this.groups.of[place]];
    this.counts[effort] = cellOf(this.counts, effort) + times;
    if (group !== undefined) group.taken += times;
    this.taken[place] = times > 0;
  }

  /** Leaves a candidate out of the branch, or lets it in question again. */
  private leave(place: number, times: 1 | -1): void {
    const group = this.groups.of[place];
    if (group === undefined) return;
    group.available -= times;
    group.phase.available -= times;
  }

  /** Takes a candidate in; answers what it brings, less what is lost to its effort, which stays lost. */
  private take(place: number): number {
    const gain = cellOf(this.candidates, place).worth - this.sameAs(place) * PLAN_WEIGHTS.sameEffort;
    this.add(place, 1);
    return gain;
  }

  /** Sides taken whose other side is not: of those that are decided before a place, all that stays so. */
  private behind(before: number): number {
    let count = 0;
    for (let place = 0; place < this.candidates.length; place += 1) {
      const mate = this.candidates[place]?.mate ?? null;
      if (mate === null || this.taken[place] !== true || this.taken[mate] === true) continue;
      if (mate < before || this.isKept(mate)) count += 1;
    }
    return count;
  }

  private takenPlaces(): readonly number[] {
    const places: number[] = [];
    for (let place = 0; place < this.taken.length; place += 1) {
      if (this.taken[place] === true) places.push(place);
    }
    return places;
  }

  /** Takes note of the branch as it is, which has gained so much. */
  private look(gained: number): void {
    const objective = gained - PLAN_WEIGHTS.sideBehind * this.behind(this.candidates.length);
    const { taken } = this;
    const isBetter = (place: number) =>
      objective > ((taken[place] === true ? this.with[place] : this.without[place]) ?? Infinity) + HAIR;
    const isBest = objective > this.best.objective + HAIR;
    if (!isBest && !taken.some((_, place) => isBetter(place))) return;
    const places = this.takenPlaces();
    if (!this.isAllowed(places)) return;
    taken.forEach((isTaken, place) => {
      if (isBetter(place)) (isTaken ? this.with : this.without)[place] = objective;
    });
    if (isBest) this.best = { places, objective };
  }

  /** Choices of what is kept and of these as far as they go, each noted: somewhere to begin from. */
  private beginWith(places: readonly number[]): void {
    const added: number[] = [];
    let { gained, usedByKept: used } = this;
    for (const one of places) {
      const use = this.useOf(one);
      const more = sumOf(used, use);
      if (this.isKept(one) || !allows(this.limits, more, use)) continue;
      const wider = gained + this.take(one);
      if (!this.isAllowed(this.takenPlaces())) {
        this.add(one, -1);
        continue;
      }
      [gained, used] = [wider, more];
      added.push(one);
      this.look(gained);
    }
    added.forEach((one) => this.add(one, -1));
  }

  /** Begins near the best with one candidate the other way. */
  private turn(place: number): void {
    const others = [...this.best.places, ...this.candidates.keys()].filter((one) => one !== place);
    const isTaken = this.best.places.includes(place);
    this.beginWith([...new Set(isTaken ? others : [place, ...others])]);
  }

  /** Of each group, how many more can stand in a row: one more than all that can stand between them. */
  private roomWithout(skipped: number | null): number[] {
    const left = skipped === null ? undefined : this.groups.of[skipped];
    return this.groups.all.map((group) => {
      if (!this.hasOrder) return Infinity;
      const isOther = left !== undefined && left !== group && left.phase === group.phase;
      const others = group.phase.available - group.available - (isOther ? 1 : 0);
      return others + 1 - group.taken;
    });
  }

  /**
   * The most that the branch can come to with the candidates from a place on, by what their efforts lose at the
   * least and as many of each as can stand in a row: the minutes at their price, and what each is worth
   * beyond it (a Lagrangian bound). One of them can be left out, or taken in before the others.
   */
  private bound(from: number, minutes: number, skipped: number | null, forced: number | null): number {
    const counts = [...this.counts];
    const room = this.roomWithout(skipped);
    let most = this.minuteWorth * Math.max(0, minutes);
    const pick = (at: number, isForced: boolean) => {
      const [effort, group] = [cellOf(this.efforts, at), this.groups.of[at]];
      if (group === undefined) return;
      const left = cellOf(room, group.index);
      const same = cellOf(counts, effort);
      const mate = this.candidates[at]?.mate ?? null;
      const isBehind = mate !== null && mate < from && this.taken[mate] === false;
      const lost = same * PLAN_WEIGHTS.sameEffort + (isBehind ? PLAN_WEIGHTS.sideBehind : 0);
      const gain = cellOf(this.beyond, at) - lost;
      if (!isForced && (gain <= 0 || left <= 0)) return;
      room[group.index] = left - 1;
      counts[effort] = same + 1;
      most += gain;
    };
    if (forced !== null) pick(forced, true);
    for (const at of this.byBeyond) {
      if (at >= from && at !== skipped && at !== forced && !this.isKept(at)) pick(at, false);
    }
    return most;
  }

  /** Whether the branch can still better what is known of some candidate as it stands there. */
  private canBetter(from: number, gained: number, minutes: number, most: number): boolean {
    for (let at = 0; at < this.candidates.length; at += 1) {
      if (this.isKept(at)) continue;
      const withIt = (this.canBe[at] === true ? cellOf(this.with, at) : Infinity) + HAIR;
      const without = cellOf(this.without, at) + HAIR;
      if (at < from) {
        if (most > (this.taken[at] === true ? withIt : without)) return true;
        continue;
      }
      if (most > without && gained + this.bound(from, minutes, at, null) > without) return true;
      if (most > withIt && gained + this.bound(from, minutes, null, at) > withIt) return true;
    }
    return false;
  }

  private visit(place: number, gainedByTaken: number, used: Used, isOfEach: boolean): void {
    if (place >= this.candidates.length || this.visited >= MOST_OF_EACH) return;
    if (isOfEach) this.visited += 1;
    // What is left behind stays so, whatever else comes.
    const gained = gainedByTaken - PLAN_WEIGHTS.sideBehind * this.behind(place);
    const left = this.limits.minutes - used.minutes;
    const most = Math.min(gained + this.most(place, left), gained + this.bound(place, left, null, null));
    const isWorthIt = isOfEach
      ? this.canBetter(place, gained, left, most)
      : most > this.best.objective + HAIR;
    if (!isWorthIt) return;
    if (this.isKept(place)) {
      this.visit(place + 1, gainedByTaken, used, isOfEach);
      return;
    }
    const use = this.useOf(place);
    const more = sumOf(used, use);
    if (allows(this.limits, more, use)) {
      const wider = gainedByTaken + this.take(place);
      this.look(wider);
      this.visit(place + 1, wider, more, isOfEach);
      this.add(place, -1);
    }
    this.leave(place, 1);
    this.visit(place + 1, gainedByTaken, used, isOfEach);
    this.leave(place, -1);
  }
}

/**
 * The choice of greatest objective that holds what is kept, fits the limits, gives begun work its half and
 * can be put in order; the first in lexicographic order of places among equals, so that the same question
 * has one answer. Without phases the order does not matter.
 */
export function choose(
  candidates: readonly Choosable[],
  limits: Limits,
  phases: readonly Phase[] | null,
): Chosen {
  return new Search(candidates, limits, phases).choose();
}

/** The same, and what the best comes to with each of the candidates the other way. */
export function weigh(
  candidates: readonly Choosable[],
  limits: Limits,
  phases: readonly Phase[] | null,
): Weighed {
  const search = new Search(candidates, limits, phases);
  search.choose();
  return search.weigh();
}
