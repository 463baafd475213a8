/**
 * The rules of a link (rope-model.md, Rules): `reach`, `route` and `layer`, in that order. Each
 * answers a sentence, or null where the link keeps it. They depend on two neighbours alone, so all
 * links between the sixteen arms are judged once, when the module is loaded.
 */
import {
  ARMS,
  isCross,
  isRelease,
  isSideSwing,
  isWrap,
  otherHand,
  POSES,
  sideOfArms,
  type Arms,
  type Hand,
} from "./arms.js";
import { armsPhrase, handWord } from "./arms-words.js";

export interface LinkFault {
  readonly code: "reach" | "route" | "layer";
  readonly message: string;
}

const HANDS = ["l", "r"] as const;

function sideSwingOf(arms: Arms): Arms {
  return sideOfArms(arms) === "l" ? "sl" : "sr";
}

function reachInto(from: Arms, to: Arms): string | null {
  if (from === to) return null;
  if (to === "k" && !isCross(from)) {
    return `The hands reach behind the knees only out of a cross. Here they come from ${armsPhrase(from)}.`;
  }
  if (isWrap(to) && from !== sideSwingOf(to)) {
    return `The rope winds onto an arm only out of a side swing to the same side. Here it comes from ${armsPhrase(from)}.`;
  }
  if (isRelease(to) && from !== "o" && from !== sideSwingOf(to)) {
    return `A handle is let go only out of an open turn or the side swing of its side. Here it comes from ${armsPhrase(from)}.`;
  }
  return null;
}

function reachOutOf(from: Arms, to: Arms): string | null {
  if (from === to) return null;
  if (from === "k" && to !== "o") {
    return `From behind the knees the hands come back to an open turn. Here ${armsPhrase(to)} follows.`;
  }
  if (isWrap(from) && to !== sideSwingOf(from)) {
    return `Out of a wrap comes the side swing of the same side. Here ${armsPhrase(to)} follows.`;
  }
  if (isRelease(from) && to !== "o") {
    return `A handle that was let go is caught in an open turn. Here ${armsPhrase(to)} follows.`;
  }
  return null;
}

function reachLegOver(from: Arms, to: Arms): string | null {
  const swings = (from === "sl" && to === "ur") || (from === "sr" && to === "ul");
  if (!swings) return null;
  const side = handWord(from === "sl" ? "l" : "r");
  return `From a side swing to the ${side}, only the ${side} leg can be lifted over. Here it is the other one.`;
}

function changesRoute(hand: Hand, from: Arms, to: Arms): boolean {
  return POSES[from][hand].route !== POSES[to][hand].route;
}

function routeFault(from: Arms, to: Arms): string | null {
  if (from === "k" || to === "k") return null;
  const changing = HANDS.filter((hand) => changesRoute(hand, from, to));
  for (const hand of changing) {
    if (POSES[from][hand].route !== "front" && POSES[to][hand].route !== "front") {
      return `The ${handWord(hand)} hand would go from behind straight under a leg, or back. It has to come to the front in between.`;
    }
  }
  const swingPast = (from === "el" && to === "er") || (from === "er" && to === "el");
  if (changing.length < 2 || swingPast) return null;
  return `From ${armsPhrase(from)} to ${armsPhrase(to)} both hands would have to find a new way round the body at once. Put a turn between.`;
}

/** The arm that a cross has on top. */
function topOf(cross: Arms): Hand {
  return sideOfArms(cross) ?? "r";
}

function layerOut(from: Arms, to: Arms): string | null {
  if (!isCross(from) || to === "k") return null;
  const top = topOf(from);
  if (!changesRoute(top, from, to)) return null;
  return `Out of a cross only the lower hand is free to leave. With the ${handWord(top)} arm on top that is the ${handWord(otherHand(top))} one; here the ${handWord(top)} one leaves.`;
}

function layerInto(from: Arms, to: Arms): string | null {
  if (!isCross(to) || from === "k") return null;
  const top = topOf(to);
  if (isSideSwing(from)) {
    const swung = sideOfArms(from) ?? "r";
    if (swung === top) return null;
    return `After a side swing to the ${handWord(swung)}, the ${handWord(swung)} arm goes on top. Here the ${handWord(top)} one does.`;
  }
  if (!changesRoute(top, from, to)) return null;
  return `The ${handWord(top)} hand comes back from ${POSES[from][top].route === "leg" ? "under the leg" : "behind the back"} and ends underneath, so the ${handWord(otherHand(top))} arm goes on top. Here the ${handWord(top)} one does.`;
}

function judge(from: Arms, to: Arms): LinkFault | null {
  const reach = reachInto(from, to) ?? reachOutOf(from, to) ?? reachLegOver(from, to);
  if (reach !== null) return { code: "reach", message: reach };
  const route = routeFault(from, to);
  if (route !== null) return { code: "route", message: route };
  const layer = layerOut(from, to) ?? layerInto(from, to);
  return layer === null ? null : { code: "layer", message: layer };
}

type LinkTable = Readonly<Record<Arms, Readonly<Record<Arms, LinkFault | null>>>>;

const LINKS: LinkTable = Object.fromEntries(
  ARMS.map((from) => [from, Object.fromEntries(ARMS.map((to) => [to, judge(from, to)]))]),
) as LinkTable;

/** The first link rule that two neighbours break, rows of the same arms apart; null for none. */
export function linkFault(from: Arms, to: Arms): LinkFault | null {
  return LINKS[from][to];
}

/** How many turns in a row a wrap or a release may last; null for arms that may last for ever. */
export function longestRow(arms: Arms): number | null {
  if (isWrap(arms)) return 3;
  return isRelease(arms) ? 2 : null;
}

export function rowFault(arms: Arms): LinkFault {
  const message = isWrap(arms)
    ? "The rope winds onto an arm three times at most; here it would be a fourth."
    : "A handle stays out of the hand for two turns at most; here it would be a third.";
  return { code: "reach", message };
}
