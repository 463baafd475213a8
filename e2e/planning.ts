/** Planning a class is a search; on a machine that does other work beside it takes several times as long. */
export const PLANNED = { timeout: 90_000 } as const;
/** For a walk that plans a class again and again. */
export const LONG = 360_000;
