/** Who jumps: the body, the rope and the measured jumps of a student, as timing and the figure take them. */
import type { JumpMeasure, StudentProfile } from "@mirrup/contract";
import { DEFAULT_CLEARANCE, DEFAULT_CONTACT, type TimingOptions } from "@mirrup/core";
import { HEIGHTS, ROPES, type Jumper } from "@mirrup/core/figure";
import { usualHeight } from "../app/usual-height.js";

/** The newest measure for so many turns. `jumps` has the newest first. */
function measuredFor(jumps: readonly JumpMeasure[], turns: number): JumpMeasure | undefined {
  return jumps.find((jump) => jump.turns === turns);
}

const LEAST_OVER_ROPE = 0.005;

/** Heights by turns: as measured, else as is usual at a turn rate; the time on the floor as measured last. */
export function timingOf(
  jumps: readonly JumpMeasure[],
  highest: number,
  turnRate: number,
): Required<Pick<TimingOptions, "height" | "contact">> {
  const height = Object.fromEntries(
    Array.from({ length: highest + 1 }, (_, turns) => {
      const measured = measuredFor(jumps, turns);
      const metres = measured === undefined ? usualHeight(turns, turnRate) : measured.heightMm / 1000;
      return [turns, turns === 0 ? metres : Math.max(metres, DEFAULT_CLEARANCE + LEAST_OVER_ROPE)];
    }),
  );
  const [newest] = jumps;
  return { height, contact: newest === undefined ? DEFAULT_CONTACT : newest.contactMs / 1000 };
}

const within = (value: number, { least, most }: { readonly least: number; readonly most: number }) =>
  Math.min(most, Math.max(least, value));

/** A student's body and rope, as far as they are written down and can be drawn. */
export function jumperOf(
  student: Pick<StudentProfile, "heightMm" | "ropeLengthMm" | "dominantHand"> | undefined,
): Jumper {
  if (student === undefined) return {};
  const { heightMm, ropeLengthMm, dominantHand } = student;
  const height = heightMm === null ? undefined : within(heightMm / 1000, HEIGHTS);
  const tall = height ?? 1.7;
  const ropes = { least: ROPES.least * tall, most: ROPES.most * tall };
  return {
    ...(height === undefined ? {} : { height }),
    ...(ropeLengthMm === null ? {} : { rope: within(ropeLengthMm / 1000, ropes) }),
    dominant: dominantHand === "left" ? "l" : "r",
  };
}
