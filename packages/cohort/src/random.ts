import type { Random } from "@mirrup/core";

export { between, randomFrom, type Random } from "@mirrup/core";

/** A draw from the standard normal distribution (Box and Muller). */
export function normal(random: Random): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}
