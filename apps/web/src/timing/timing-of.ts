import type { JumpMeasure } from "@mirrup/contract";
import { DEFAULT_CONTACT, type TimingOptions } from "@mirrup/core";
import { measuredHeights } from "../app/measured-heights.js";
import { usualHeight } from "../app/usual-height.js";

/** Heights by turns: as measured, else as is usual at a turn rate; the time on the floor as measured last. */
export function timingOf(
  jumps: readonly JumpMeasure[],
  highest: number,
  turnRate: number,
): Required<Pick<TimingOptions, "height" | "contact">> {
  const usual = Array.from({ length: highest + 1 }, (_, turns) => usualHeight(turns, turnRate));
  const height = { ...Object.fromEntries(usual.entries()), ...measuredHeights(jumps) };
  const [newest] = jumps;
  return { height, contact: newest === undefined ? DEFAULT_CONTACT : newest.contactMs / 1000 };
}
