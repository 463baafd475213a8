/**
 * The sides a skill is practised on. Left and right are always the jumper's own; a skill that has
 * no sides is practised `whole`.
 */
export const SIDE_NAMES = ["left", "right", "whole"] as const;
export type SideName = (typeof SIDE_NAMES)[number];

export function otherSideName(side: SideName): SideName {
  switch (side) {
    case "left":
      return "right";
    case "right":
      return "left";
    case "whole":
      return "whole";
  }
}

/** The sides of a skill, left before right. */
export function sidesOf(skill: { readonly twoSided: boolean }): readonly SideName[] {
  return skill.twoSided ? ["left", "right"] : ["whole"];
}
