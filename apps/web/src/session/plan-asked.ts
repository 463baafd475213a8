/** What is asked of a plan, as the page's address says it. */
import {
  ENERGIES,
  isEasyPhase,
  PRECAUTIONS,
  type Energy,
  type PlanBlock,
  type Precaution,
} from "@mirrup/core/planning";

export interface PlanAsked {
  readonly minutes: number;
  readonly energy: Energy;
  /** Sides such as `cross:left` that are not to be in it, and those that are. */
  readonly ban: readonly string[];
  readonly pin: readonly string[];
  /** Sides with so many sets more, or fewer. */
  readonly more: ReadonlyMap<string, number>;
  readonly missing: readonly Precaution[];
  /** The blocks by hand, by their keys; those that are not named keep the plan's order. */
  readonly order: readonly string[];
}

const MOST_MINUTES = 240;
const USUAL_MINUTES = 45;
const MOST_SETS = 9;

function moreFrom(texts: readonly string[]): ReadonlyMap<string, number> {
  return new Map(
    texts.flatMap((text): readonly (readonly [string, number])[] => {
      const [, side, sets] = /^(.+):(-?\d)$/.exec(text) ?? [];
      return side === undefined || sets === undefined ? [] : [[side, Number(sets)]];
    }),
  );
}

export function askedFrom(params: URLSearchParams): PlanAsked {
  const minutes = Number(params.get("minutes") ?? USUAL_MINUTES);
  return {
    minutes: Number.isFinite(minutes)
      ? Math.min(MOST_MINUTES, Math.max(0, Math.round(minutes)))
      : USUAL_MINUTES,
    energy: ENERGIES.find((one) => one === params.get("energy")) ?? "normal",
    ban: params.getAll("ban"),
    pin: params.getAll("pin"),
    more: moreFrom(params.getAll("more")),
    missing: PRECAUTIONS.filter((one) => params.getAll("missing").includes(one)),
    order: params.getAll("order"),
  };
}

/** What the server plans from: everything but the order by hand. */
export function questionOf({ minutes, energy, ban, pin, more, missing }: PlanAsked): URLSearchParams {
  const params = new URLSearchParams({ minutes: String(minutes), energy });
  ban.forEach((side) => params.append("ban", side));
  pin.forEach((side) => params.append("pin", side));
  more.forEach((sets, side) => params.append("more", `${side}:${sets}`));
  missing.forEach((one) => params.append("missing", one));
  return params;
}

export function addressOfAsked(asked: PlanAsked): URLSearchParams {
  const params = questionOf(asked);
  asked.order.forEach((key) => params.append("order", key));
  return params;
}

const without = (list: readonly string[], side: string) => list.filter((one) => one !== side);

/** Leaves a side out of the plan, or lets it in again. */
export function banned(asked: PlanAsked, side: string, isBanned: boolean): PlanAsked {
  const ban = without(asked.ban, side);
  return { ...asked, pin: without(asked.pin, side), ban: isBanned ? [...ban, side] : ban };
}

/** Keeps a side in the plan whatever else changes, or lets it go. */
export function pinned(asked: PlanAsked, side: string, isPinned: boolean): PlanAsked {
  const pin = without(asked.pin, side);
  return { ...asked, ban: without(asked.ban, side), pin: isPinned ? [...pin, side] : pin };
}

/** One set more of a side, or one fewer; a side that was lengthened by hand stays in the plan. */
export function lengthened(asked: PlanAsked, side: string, by: 1 | -1): PlanAsked {
  const sets = Math.min(MOST_SETS, Math.max(-MOST_SETS, (asked.more.get(side) ?? 0) + by));
  return { ...pinned(asked, side, true), more: new Map([...asked.more, [side, sets]]) };
}

type Block = Pick<PlanBlock, "phase" | "subject" | "side" | "effort">;

export function blockKey({ phase, subject, side }: Block): string {
  return `${phase} ${subject}:${side}`;
}

const isFixed = ({ phase }: Block) => isEasyPhase(phase);

/** The blocks in the order by hand, between warm-up and cool-down; what it does not name keeps its place. */
export function orderedBlocks<T extends Block>(blocks: readonly T[], order: readonly string[]): readonly T[] {
  const named = order.flatMap((key) => blocks.filter((block) => !isFixed(block) && blockKey(block) === key));
  const isNamed = new Set(named);
  const queue = [...named];
  return blocks.map((block) => (isNamed.has(block) ? (queue.shift() ?? block) : block));
}

/** A block before the one that is at `to` now: the order by hand of all that can be moved. */
export function moved(asked: PlanAsked, blocks: readonly Block[], from: string, to: string): PlanAsked {
  const keys = blocks.filter((block) => !isFixed(block)).map(blockKey);
  const target = keys.indexOf(to);
  if (target < 0 || !keys.includes(from) || from === to) return asked;
  return { ...asked, order: without(keys, from).toSpliced(target, 0, from) };
}

/** Blocks that follow one of the same kind of effort, by their keys. */
export function repeatedEfforts(blocks: readonly Block[]): ReadonlySet<string> {
  return new Set(
    blocks.flatMap((block, place) =>
      block.effort !== "mixed" && blocks[place - 1]?.effort === block.effort ? [blockKey(block)] : [],
    ),
  );
}

/** When each block begins, minutes into the lesson. */
export function startsOf(blocks: readonly { readonly minutes: number }[]): readonly number[] {
  return blocks.map((_, place) => blocks.slice(0, place).reduce((sum, block) => sum + block.minutes, 0));
}
