import type { SkillClass } from "@mirrup/core";

/** The kinds of skills, as a coach says them. */
export const CLASS_NAMES: Readonly<Record<SkillClass, string>> = {
  ground: "without jumping",
  base: "base",
  footwork: "footwork",
  taps: "taps",
  speed: "speed",
  power: "power",
  swing: "side swing",
  turn: "turn of the body",
  release: "release or wrap",
  cross: "cross",
  fusion: "crosses and swings together",
  double: "double",
  "fused-double": "double with a cross",
  triple: "triple",
  quad: "quadruple or more",
};
