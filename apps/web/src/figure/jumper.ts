import type { StudentProfile } from "@mirrup/contract";
import { HEIGHTS, ROPES, type Jumper } from "@mirrup/core/figure";
import { handOf } from "../app/hand-of.js";

/** What of a student a figure is drawn by. */
export type JumperProfile = Pick<StudentProfile, "heightMm" | "ropeLengthMm" | "dominantHand">;

const within = (value: number, { least, most }: { readonly least: number; readonly most: number }) =>
  Math.min(most, Math.max(least, value));

/** A student's body and rope, as far as they are written down and can be drawn. */
export function jumperOf(student: JumperProfile | undefined): Jumper {
  if (student === undefined) return {};
  const { heightMm, ropeLengthMm } = student;
  const height = heightMm === null ? undefined : within(heightMm / 1000, HEIGHTS);
  const tall = height ?? 1.7;
  const ropes = { least: ROPES.least * tall, most: ROPES.most * tall };
  return {
    ...(height === undefined ? {} : { height }),
    ...(ropeLengthMm === null ? {} : { rope: within(ropeLengthMm / 1000, ropes) }),
    dominant: handOf(student),
  };
}
