/** What is asked of a plan, as the page's address says it. */
import { ENERGIES, type Energy } from "@mirrup/core";

export interface PlanAsked {
  readonly minutes: number;
  readonly energy: Energy;
  /** Sides such as `cross:left` that are not to be in it, and those that are. */
  readonly ban: readonly string[];
  readonly pin: readonly string[];
}

const MOST_MINUTES = 240;
const USUAL_MINUTES = 45;

export function askedFrom(params: URLSearchParams): PlanAsked {
  const minutes = Number(params.get("minutes") ?? USUAL_MINUTES);
  return {
    minutes: Number.isFinite(minutes)
      ? Math.min(MOST_MINUTES, Math.max(0, Math.round(minutes)))
      : USUAL_MINUTES,
    energy: ENERGIES.find((one) => one === params.get("energy")) ?? "normal",
    ban: params.getAll("ban"),
    pin: params.getAll("pin"),
  };
}

export function addressOfAsked({ minutes, energy, ban, pin }: PlanAsked): URLSearchParams {
  const params = new URLSearchParams({ minutes: String(minutes), energy });
  ban.forEach((side) => params.append("ban", side));
  pin.forEach((side) => params.append("pin", side));
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

/** When each block begins, minutes into the lesson. */
export function startsOf(blocks: readonly { readonly minutes: number }[]): readonly number[] {
  return blocks.map((_, place) => blocks.slice(0, place).reduce((sum, block) => sum + block.minutes, 0));
}
