/** Which ropes lie at which station of a turn, and who goes without. Pure. */
import { fusedRopeOf, type SettingValues } from "@mirrup/catalogue";
import { DRILL_ROWS, skillOf } from "@mirrup/core";
import { ROPE_KINDS, ropesGiven, type RopePair, type RopeStock, type RopeWish } from "@mirrup/core/planning";
import { catalogue } from "../app/catalogue.js";
import { pairsAt, type ShownPlan } from "./shown.js";

/** A student's rope as it is known today. */
export interface RopeOf extends RopeWish {
  readonly id: string;
}

export interface LaidOut {
  readonly station: number;
  /** Ropes of the hall, by their line, so many of each; slow where they may not be turned fast there. */
  readonly ropes: readonly { readonly rope: RopeStock; readonly many: number; readonly isSlow: boolean }[];
  /** Who jumps with their own. */
  readonly own: readonly string[];
  /** Pairs for whom there is none that fits. */
  readonly without: number;
}

interface PairAt extends RopePair {
  readonly station: number;
  readonly ids: readonly string[];
  /** Which of its station's pairs this is. */
  readonly place: number;
}

function pairsOfTurn(
  plan: ShownPlan,
  turn: number,
  wishes: ReadonlyMap<string, RopeOf>,
  settings: SettingValues,
): readonly PairAt[] {
  return (plan.rotations[turn]?.stations ?? []).flatMap(({ subject }, station) => {
    if (subject === null) return [];
    const { skillClass, cautions } = skillOf(catalogue(), subject);
    const taught = fusedRopeOf(skillClass, settings);
    const chosen = ROPE_KINDS.find((kind) => kind === taught) ?? null;
    return pairsAt(plan, turn, station).flatMap((pair, place): PairAt[] => {
      const ids = pair.filter((one) => DRILL_ROWS[one.place.drill.kind].hasRope).map((one) => one.id);
      const people = ids.map((id) => wishes.get(id) ?? { ropeMm: null, hasOwnRope: false });
      return ids.length === 0 ? [] : [{ station, place, ids, people, skillClass, cautions, chosen }];
    });
  });
}

/** By station at which anybody is, in order. */
export function laidOut(
  plan: ShownPlan,
  turn: number,
  stock: readonly RopeStock[],
  people: readonly RopeOf[],
  settings: SettingValues,
): readonly LaidOut[] {
  const wishes = new Map(people.map((one) => [one.id, one]));
  const all = pairsOfTurn(plan, turn, wishes, settings);
  // Every station has its first rope before another has its second.
  const pairs = [...all].sort((one, other) => one.place - other.place);
  const given = ropesGiven(stock, pairs).map((rope, number) => ({ rope, pair: pairs[number] }));
  const stations = [...new Set(all.map((one) => one.station))];
  return stations.map((station) => {
    const here = given.flatMap(({ rope, pair }) => (pair?.station === station ? [{ rope, pair }] : []));
    const lines = stock.map((rope, place) => {
      const out = here.flatMap((one) =>
        one.rope.from === "stock" && one.rope.place === place ? [one.rope] : [],
      );
      return { rope, many: out.length, isSlow: out.some((one) => one.isSlow) };
    });
    return {
      station,
      ropes: lines.filter((one) => one.many > 0),
      own: here.flatMap(({ rope, pair }) =>
        rope.from === "own" ? pair.ids.filter((id) => wishes.get(id)?.hasOwnRope === true) : [],
      ),
      without: here.filter(({ rope }) => rope.from === "none").length,
    };
  });
}
