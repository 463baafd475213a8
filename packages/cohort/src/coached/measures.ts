/** How honest what was said turned out to be. */
import type { Coached, Said } from "./coached.js";

/** A tenth of all chances: what was said in it on average, how often it came, and of how many. */
export interface Band {
  readonly said: number;
  readonly came: number;
  readonly count: number;
}

const mean = (numbers: readonly number[]) =>
  numbers.reduce((sum, one) => sum + one, 0) / Math.max(1, numbers.length);

/** The tenths in which at least so many drills were said; fewer say nothing. */
export function bandsOf(said: readonly Said[], least: number): readonly Band[] {
  return Array.from({ length: 10 }, (_, place) =>
    said.filter(({ chance }) => Math.min(9, Math.floor(10 * chance)) === place),
  )
    .filter((band) => band.length >= least)
    .map((band) => ({
      said: mean(band.map(({ chance }) => chance)),
      came: mean(band.map(({ came }) => Number(came))),
      count: band.length,
    }));
}

/** The mean distance of what was said from what came, each band by its drills. */
export function bandError(bands: readonly Band[]): number {
  const count = bands.reduce((sum, band) => sum + band.count, 0);
  return bands.reduce((sum, { said, came, count: own }) => sum + Math.abs(said - came) * own, 0) / count;
}

/** How often the range of tries left held what came, of all sides that were cleared. */
export function heldShare(left: Coached["left"]): number {
  return mean(left.map(({ low, high, came }) => Number(came >= low && came <= high)));
}
