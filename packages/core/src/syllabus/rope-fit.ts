/**
 * How long a rope should be (teaching.md, Rope fit): handle tip to handle tip,
 * `2 · (line − drop) + 2 cm`, where the line is the armpit's or the chest's height, taken as a share
 * of the jumper's, and the drop is how far below it the handles end.
 */
export const ROPE_LINES = ["armpit", "chest"] as const;
export type RopeLine = (typeof ROPE_LINES)[number];

export const ROPE_USES = ["beginner", "crosses-and-doubles", "speed"] as const;
export type RopeUse = (typeof ROPE_USES)[number];

/** The line's height as a share of the jumper's. */
export const LINE_SHARE: Readonly<Record<RopeLine, number>> = { armpit: 0.75, chest: 0.72 };
/** How far below the line the handles end, mm. */
export const DROP_MM: Readonly<Record<RopeUse, number>> = {
  beginner: 0,
  "crosses-and-doubles": 65,
  speed: 120,
};
const FOOT_MM = 20;

/** Less than that makes no difference, mm. */
const FITS_MM = 20;

/** How much longer (negative: shorter) a rope is than the one that fits, mm; 0 where that makes no difference. */
export function ropeMisfit(lengthMm: number, fittingMm: number): number {
  const difference = lengthMm - fittingMm;
  return Math.abs(difference) < FITS_MM ? 0 : difference;
}

/** Rope length in whole millimetres for a height in millimetres. */
export function ropeFit(heightMm: number, line: RopeLine, use: RopeUse): number {
  return Math.round(2 * (LINE_SHARE[line] * heightMm - DROP_MM[use]) + FOOT_MM);
}
