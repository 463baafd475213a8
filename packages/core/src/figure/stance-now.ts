/** The feet and the body between two landings: what hangs, what is drawn in, what bears weight. */
import type { Hand } from "../rope/arms.js";
import type { Moment } from "./motion.js";
import { eased, mix } from "./point.js";
import type { FootPlace, Stance } from "./stance.js";

/** Radians that a foot's toes hang in the air. */
const TOES_DOWN = 0.42;
const DRAWN_IN = 0.55;
const PICKED_UP = 0.05;

export interface StanceNow {
  readonly feet: Readonly<Record<Hand, FootPlace>>;
  readonly aside: number;
  readonly ahead: number;
  readonly sink: number;
  readonly lean: number;
  readonly twist: number;
  readonly press: number;
}

function footBetween(from: FootPlace, to: FootPlace, { flown }: Moment, tuck: number): FootPlace {
  const share = eased(flown, 0, 1);
  const arch = Math.sin(Math.PI * Math.min(1, flown));
  const flat = 1 - Math.min(1, Math.abs(mix(from.pitch, to.pitch, share)) / 1.2);
  const weight = mix(from.weight, to.weight, share);
  const drawnIn = 1 - DRAWN_IN * arch * (1 - weight);
  return {
    // A foot that only touches is drawn in and up while the rope passes.
    out: mix(from.out, to.out, share) * drawnIn,
    ahead: mix(from.ahead, to.ahead, share) * drawnIn,
    lift: mix(from.lift, to.lift, share) + (tuck + PICKED_UP * (1 - weight)) * arch,
    // The toes hang in the air.
    pitch: mix(from.pitch, to.pitch, share) + TOES_DOWN * arch * flat,
    weight,
  };
}

export function stanceNow(moment: Moment): StanceNow {
  const { before, after, flown } = moment;
  const share = eased(flown, 0, 1);
  const tuck = after.tuck;
  const value = (of: (stance: Stance) => number) => mix(of(before), of(after), share);
  return {
    feet: {
      l: footBetween(before.feet.l, after.feet.l, moment, tuck),
      r: footBetween(before.feet.r, after.feet.r, moment, tuck),
    },
    aside: value((stance) => stance.aside),
    ahead: value((stance) => stance.ahead),
    sink: value((stance) => stance.sink),
    lean: value((stance) => stance.lean),
    twist: value((stance) => stance.twist),
    press: value((stance) => stance.press),
  };
}
