/**
 * What a drill tires: the same kind is not done twice running. Footwork is told apart by the feet that
 * it lands on, the rest by its family.
 */
import { expandBeats, landingOf, type Score } from "../rope/score.js";
import type { Family } from "./skill.js";

export type Effort =
  "off-the-rope" | "two-feet" | "one-foot" | "foot-to-foot" | "swings" | "crosses" | "multiples" | "mixed";

const FAMILY_EFFORTS: Readonly<Record<Exclude<Family, "footwork">, Effort>> = {
  "side-swings": "swings",
  crosses: "crosses",
  multiples: "multiples",
};

function footworkEffort(score: Score | null): Effort {
  if (score === null) return "off-the-rope";
  const feet = new Set(expandBeats(score).map(landingOf));
  if (feet.has("b")) return "two-feet";
  return feet.size > 1 ? "foot-to-foot" : "one-foot";
}

export function effortOf(family: Family | undefined, score: Score | null): Effort {
  if (family === undefined) return "mixed";
  return family === "footwork" ? footworkEffort(score) : FAMILY_EFFORTS[family];
}
