/**
 * The sides a skill is practised on. Left and right are always the jumper's own; a skill that has
 * no sides is practised `whole`.
 */
export const SIDES = ["left", "right", "whole"] as const;
export type Side = (typeof SIDES)[number];

export function otherSide(side: Side): Side {
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
export function sidesOf(skill: { readonly twoSided: boolean }): readonly Side[] {
  return skill.twoSided ? ["left", "right"] : ["whole"];
}
