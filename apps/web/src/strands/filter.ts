/** Which skill sides the map brings out; the rest stays, faded. */
import type { NextItem } from "@mirrup/contract";
import type { SideName, Strand } from "@mirrup/core";
import type { SkillStanding } from "../beads/index.js";

export const BROUGHT_OUT = ["all", "next", "rusty", "stuck", "open"] as const;
export type BroughtOut = (typeof BROUGHT_OUT)[number];

export const FILTER_SIDES = ["both", "stronger", "weaker"] as const;
export type FilterSide = (typeof FILTER_SIDES)[number];

export interface MapFilter {
  readonly out: BroughtOut;
  /** A strand's id; empty for all. */
  readonly strand: string;
  readonly side: FilterSide;
}

export const NO_FILTER: MapFilter = { out: "all", strand: "", side: "both" };

export interface FilterContext {
  readonly strands: readonly Strand[];
  readonly next: readonly NextItem[];
  readonly leadingSide: "left" | "right";
}

export function isSideShown(side: SideName, filter: MapFilter, leadingSide: "left" | "right"): boolean {
  if (filter.side === "both" || side === "whole") return true;
  return (filter.side === "stronger") === (side === leadingSide);
}

/** Whether a skill is brought out: on the strand, and some side in question has what is sought. */
export function isSkillShown(
  subject: string,
  standing: SkillStanding | undefined,
  filter: MapFilter,
  { strands, next, leadingSide }: FilterContext,
): boolean {
  const strand = strands.find((one) => one.id === filter.strand);
  if (strand !== undefined && !strand.skills.includes(subject)) return false;
  if (filter.out === "all") return true;
  const sides = [...(standing?.values() ?? [])].filter((one) => isSideShown(one.side, filter, leadingSide));
  switch (filter.out) {
    case "next":
      return next.some((one) => one.subject === subject && isSideShown(one.side, filter, leadingSide));
    case "rusty":
      return sides.some((one) => one.status === "rusty");
    case "stuck":
      return sides.some((one) => one.isStuck);
    case "open":
      return sides.some((one) => one.status === "ready" || one.status === "working");
  }
}
