/** Room on the floor (safety.md, space): a clear circle of radius arm span / 2 + 0.6 m for each jumper. */

export interface Floor {
  readonly widthMetres: number;
  readonly lengthMetres: number;
}

const MARGIN_METRES = 0.6;
/** For whoever has not been measured: room enough for a tall adult is always safe. */
const UNKNOWN_SPAN_METRES = 1.8;

/** Radius of the clear circle, metres. The arm span is close to the height. */
export function clearRadius(heightMm: number | null): number {
  return (heightMm === null ? UNKNOWN_SPAN_METRES : heightMm / 1000) / 2 + MARGIN_METRES;
}

/** How many circles of that radius lie on the floor in rows; 0 where it has no room for one. */
export function circlesThatFit({ widthMetres, lengthMetres }: Floor, radiusMetres: number): number {
  const across = 2 * radiusMetres;
  return Math.max(0, Math.floor(widthMetres / across) * Math.floor(lengthMetres / across));
}
