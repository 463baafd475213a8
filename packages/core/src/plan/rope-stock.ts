/**
 * The ropes of a hall and who can jump with them. A rope serves two who take turns. A longer one is shortened by
 * a knot; sliding the grip to the handle's end makes good for a few centimetres (teaching.md, Rope fit).
 */
import { cellOf } from "../grid.js";
import type { CautionCode } from "../syllabus/caution.js";
import type { SkillClass } from "../syllabus/skill.js";

export const ROPE_KINDS = ["beaded", "heavy", "cord", "thin", "wire"] as const;
export type RopeKind = (typeof ROPE_KINDS)[number];

/** Ropes that are alike. */
export interface RopeStock {
  /** Null where it does not matter. */
  readonly kind: RopeKind | null;
  /** Handle tip to handle tip, mm; null for ropes that suit everybody. */
  readonly lengthMm: number | null;
  readonly many: number;
}

/** What somebody jumps with. */
export interface RopeWish {
  /** The length that they should have, mm; null where it is not known: any will do. */
  readonly ropeMm: number | null;
  /** Brought one that fits. */
  readonly hasOwnRope: boolean;
}

/** By so much a rope may be shorter than it should be, mm. */
const GRIP_MM = 50;
/** Partners to a rope, in turns. */
const PARTNERS = 2;

const reachOf = ({ lengthMm }: RopeStock) => (lengthMm === null ? Infinity : lengthMm + GRIP_MM);
/** What somebody needs whose length nobody wrote down, mm. */
const ANY_LENGTH = 0;
const needOf = ({ ropeMm }: RopeWish) => ropeMm ?? ANY_LENGTH;

/**
 * By person: the share of a turn for which there is a rope, from 0 to 1. Who brought one has all of it, and a
 * partner can take turns with them. The others share what fits them as evenly as can be: whoever has least has as
 * much as they can. Since a long rope suits all who are shorter, only so many of the tallest can be short of ropes
 * together, and of these the worst off are settled first. More ropes are less for nobody. O(people²).
 */
export function ropeShares(
  stock: readonly RopeStock[] | null,
  people: readonly RopeWish[],
): readonly number[] {
  if (stock === null) return people.map(() => 1);
  const lent = people
    .filter((one) => one.hasOwnRope)
    .map((one) => ({ reach: needOf(one) + GRIP_MM, places: 1 }));
  const ropes = [...stock.map((one) => ({ reach: reachOf(one), places: PARTNERS * one.many })), ...lent];
  const placesFrom = (need: number) =>
    ropes.reduce((sum, { reach, places }) => (reach >= need ? sum + places : sum), 0);
  const waiting = people
    .flatMap((one, place) => (one.hasOwnRope ? [] : [{ place, need: needOf(one) }]))
    .sort((one, other) => other.need - one.need);
  const shares = people.map(() => 1);
  let [settled, taken] = [0, 0];
  while (settled < waiting.length) {
    let worst = { share: 1, until: waiting.length, places: 0 };
    for (let until = settled + 1; until <= waiting.length; until += 1) {
      const [last, after] = [waiting[until - 1], waiting[until]];
      if (last === undefined || last.need === after?.need) continue;
      const places = placesFrom(last.need);
      const share = (places - taken) / (until - settled);
      if (share < worst.share) worst = { share, until, places };
    }
    for (const { place } of waiting.slice(settled, worst.until)) shares[place] = worst.share;
    [settled, taken] = [worst.until, worst.places];
  }
  return shares;
}

/** Two who take turns with one rope at a skill. */
export interface RopePair {
  readonly people: readonly RopeWish[];
  readonly skillClass: SkillClass;
  readonly cautions: readonly CautionCode[];
  /** The kind that is taught with, before all others; null where nobody chose one. */
  readonly chosen: RopeKind | null;
}

/** What a pair jumps with: a rope that one of them brought, one of the stock by its place there, or none. */
export type RopeGiven =
  | { readonly from: "own" | "none" }
  | {
      readonly from: "stock";
      readonly place: number;
      /** Not to be turned fast. */
      readonly isSlow: boolean;
    };

/** The kinds that serve best first (drills.md, Rope by stage). */
const NEW_STEPS: readonly RopeKind[] = ["beaded", "cord", "heavy", "thin", "wire"];
const FAST: readonly RopeKind[] = ["thin", "wire", "cord", "beaded", "heavy"];
const FAST_CLASSES: ReadonlySet<SkillClass> = new Set(["speed", "triple", "quad"]);
/** Never at speed where the rope can lash the neck (safety.md, neck). */
const NOT_AT_NECK: ReadonlySet<RopeKind> = new Set(["beaded", "wire"]);

function rankOf({ skillClass, cautions, chosen }: RopePair, kind: RopeKind | null): number {
  if (kind === null) return 0;
  const order = FAST_CLASSES.has(skillClass) ? FAST : NEW_STEPS;
  const rank = kind === chosen ? 0 : 1 + order.indexOf(kind);
  const isRisky = cautions.includes("neck") && NOT_AT_NECK.has(kind);
  return rank + (isRisky ? order.length : 0);
}

/**
 * Which of the pairs can have a rope at once: as many as can be, and of those the first ones. Whoever is chosen
 * among the taller takes no more than the ropes that reach them (the sets that can be served are a matroid).
 */
function served<T extends { readonly need: number }>(
  stock: readonly RopeStock[],
  wanting: readonly T[],
): readonly T[] {
  const chosen: T[] = [];
  const reaching = (need: number) =>
    stock.reduce((sum, rope) => (reachOf(rope) >= need ? sum + rope.many : sum), 0);
  for (const one of wanting) {
    const all = [...chosen, one];
    const isServed = all.every(
      ({ need }) => all.filter((other) => other.need >= need).length <= reaching(need),
    );
    if (isServed) chosen.push(one);
  }
  return chosen.sort((one, other) => other.need - one.need);
}

/**
 * A rope for each pair, those named first served first, and as many as can be. Of those who are served the tallest
 * choose first, since whatever they can use all the others can. Each takes the kind that suits what they do, and of
 * those the one nearest to their length.
 */
export function ropesGiven(stock: readonly RopeStock[], pairs: readonly RopePair[]): readonly RopeGiven[] {
  const left = stock.map((one) => one.many);
  const given: RopeGiven[] = pairs.map(() => ({ from: "none" }));
  const wanting = pairs.flatMap((pair, number) => {
    const { people } = pair;
    const need = Math.max(0, ...people.map(needOf));
    const brought = people.filter((one) => one.hasOwnRope).map(needOf);
    // One that is too short for the other is better than none.
    if (brought.length > 0) given[number] = { from: "own" };
    return brought.some((length) => length + GRIP_MM >= need) ? [] : [{ number, need, pair }];
  });
  for (const { number, need, pair } of served(stock, wanting)) {
    const fitting = stock.flatMap((rope, place) =>
      cellOf(left, place) > 0 && reachOf(rope) >= need
        ? [{ rope, place, rank: rankOf(pair, rope.kind), off: Math.abs((rope.lengthMm ?? need) - need) }]
        : [],
    );
    const [best] = fitting.sort((one, other) => one.rank - other.rank || one.off - other.off);
    if (best === undefined) continue;
    left[best.place] = cellOf(left, best.place) - 1;
    const { kind } = best.rope;
    const isSlow = kind !== null && pair.cautions.includes("neck") && NOT_AT_NECK.has(kind);
    given[number] = { from: "stock", place: best.place, isSlow };
  }
  return given;
}
