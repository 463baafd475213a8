/** A body in the air (rope-model.md, Timing): what a height of jump is in time, and back. */
export const GRAVITY = 9.81;

/** Seconds with the feet off the floor in a jump of `height` metres. */
export function airtimeOf(height: number): number {
  return 2 * Math.sqrt((2 * height) / GRAVITY);
}

/** Metres that the feet rise in a jump of `airtime` seconds. */
export function heightOf(airtime: number): number {
  return (GRAVITY * airtime ** 2) / 8;
}
