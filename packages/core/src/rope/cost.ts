import { ARMS, isCross, POSES, type Arms, type Hand, type HandPlace } from "./arms.js";

/** How many times one hand has to travel. */
function handCost(hand: Hand, from: HandPlace, to: HandPlace): number {
  const sideChanges = from.side === to.side ? 0 : 1;
  if (from.route === to.route) return sideChanges;
  const frontAndBack = [from.route, to.route].every((route) => route === "front" || route === "back");
  if (!frontAndBack) return 1 + sideChanges;
  // The arm goes round its own side of the body.
  return 1 + (from.side === hand ? 0 : 1) + (to.side === hand ? 0 : 1);
}

function costBetween(from: Arms, to: Arms): number {
  if (isCross(from) && isCross(to) && from !== to) return 2;
  return handCost("l", POSES[from].l, POSES[to].l) + handCost("r", POSES[from].r, POSES[to].r);
}

const COSTS: Readonly<Record<Arms, Readonly<Record<Arms, number>>>> = Object.fromEntries(
  ARMS.map((from) => [from, Object.fromEntries(ARMS.map((to) => [to, costBetween(from, to)]))]),
) as Record<Arms, Record<Arms, number>>;

/** What a link costs in hand moves (rope-model.md, Cost of a link). */
export function linkCost(from: Arms, to: Arms): number {
  return COSTS[from][to];
}
