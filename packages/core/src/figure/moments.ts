/** The moments of a trick that an instructor points at: the hands are there, the rope passes, the feet land. */
import { cellOf } from "../grid.js";
import { UNDER_FEET, type Arms } from "../rope/arms.js";
import { WINDOW_TO } from "../rope/timing.js";
import type { Motion } from "./motion.js";

export type MomentKind =
  /** The feet leave the floor. */
  | "take-off"
  /** The arms have changed: they move no more before the rope comes. */
  | "hands"
  /** The rope is at the bottom: under the feet, beside the body, or stopped under the toes. */
  | "under"
  | "beside"
  | "stopped"
  | "landing";

export interface KeyMoment {
  /** Seconds from the first take-off. */
  readonly at: number;
  readonly kind: MomentKind;
  /** From 0. */
  readonly beat: number;
  /** The arms then, or those that they have come to. */
  readonly arms: Arms;
}

/** Every moment of a motion, in time. O(turns). */
export function keyMoments({ beats, timing }: Motion): readonly KeyMoment[] {
  const moments: KeyMoment[] = [];
  let before: { readonly at: number; readonly arms: Arms } | null = null;
  let held: Arms = "o";
  for (const [beat, { turns }] of beats.entries()) {
    const { start, airtime, bottoms } = cellOf(timing.beats, beat);
    moments.push({ at: start, kind: "take-off", beat, arms: held });
    for (const [place, { arms, turn }] of turns.entries()) {
      const at = cellOf(bottoms, place);
      if (before !== null && before.arms !== arms)
        moments.push({ at: before.at + WINDOW_TO * (at - before.at), kind: "hands", beat, arms });
      const passes = UNDER_FEET[arms] ? "under" : "beside";
      moments.push({ at, kind: turn.caught ? "stopped" : passes, beat, arms });
      before = { at, arms };
      held = arms;
    }
    moments.push({ at: start + airtime, kind: "landing", beat, arms: held });
  }
  return moments.sort((one, other) => one.at - other.at);
}

/** What tells most of a trick comes first: where the rope passes with the arms changed, then how they came there. */
function tells({ kind, arms }: KeyMoment): number {
  const isPlain = arms === "o";
  switch (kind) {
    case "under":
    case "beside":
    case "stopped":
      return isPlain ? 2 : 0;
    case "hands":
      return 1;
    case "landing":
      return 3;
    case "take-off":
      return 4;
  }
}

/** The `count` moments that tell most, in time; all where there are no more. */
export function tellingMoments(motion: Motion, count: number): readonly KeyMoment[] {
  return keyMoments(motion)
    .map((moment, place) => ({ moment, place }))
    .sort((one, other) => tells(one.moment) - tells(other.moment) || one.place - other.place)
    .slice(0, count)
    .sort((one, other) => one.place - other.place)
    .map(({ moment }) => moment);
}

/** The moment that tells most: where a still picture is taken. */
export function tellingMoment(motion: Motion): KeyMoment | undefined {
  return tellingMoments(motion, 1)[0];
}
