export const SIZES = {
  /** A form, however much was written into it. */
  form: "64kb",
  /** A lesson's sets, or its plan. */
  batch: "1mb",
  /** A file of as many students as one may bring in, with every field of each. */
  file: "4mb",
} as const;

export type Size = keyof typeof SIZES;
