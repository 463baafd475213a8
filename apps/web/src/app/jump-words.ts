/** How high somebody jumps, in words. */
import type { JumpMeasure } from "@mirrup/contract";
import { multipleName } from "@mirrup/core";
import { lengthIn, type LengthUnit } from "./words.js";

/** A height of centimetres or inches, as one says it. */
export function heightWords(metres: number, unit: LengthUnit): string {
  return `${unit === "cm" ? String(Math.round(100 * metres)) : String(lengthIn(1000 * metres, "in"))} ${unit}`;
}

export function beatName(turns: number): string {
  return turns < 2 ? "single" : multipleName(turns);
}

export const JUMP_WAY_NAMES: Readonly<Record<JumpMeasure["way"], string>> = {
  taps: "from tapped landings",
  ticks: "from a tapped set",
  typed: "as it was known",
};
