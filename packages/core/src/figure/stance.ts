/**
 * What the feet and the body do at a landing (rope-model.md, Feet), as places. Written in metres for
 * a jumper of 1.70 m, x outward from the middle for the foot's own side, so that left and right are
 * mirrored by construction.
 */
import type { Hand } from "../rope/arms.js";
import { otherHand } from "../rope/arms.js";
import { turnsBody, type Foot, type Gesture } from "../rope/feet.js";

/** Where one foot is: how far out and ahead of where one stands, how far its lowest point is lifted. */
export interface FootPlace {
  readonly out: number;
  readonly ahead: number;
  readonly lift: number;
  /** Radians the heel is raised over the toes; below 0 the toes over the heel. */
  readonly pitch: number;
  /** How much of the weight it bears, 0 to 1. */
  readonly weight: number;
}

export interface Stance {
  readonly feet: Readonly<Record<Hand, FootPlace>>;
  /** How far from the spot one lands, to the left and ahead. */
  readonly aside: number;
  readonly ahead: number;
  /** How far the hips sink. */
  readonly sink: number;
  /** Radians the trunk leans forward more than it would. */
  readonly lean: number;
  /** Radians the hips and feet are turned to the left, the shoulders staying. */
  readonly twist: number;
  /** How much the knees are drawn up in the air, metres. */
  readonly tuck: number;
  /** 0, or 1 in a press on the hands. */
  readonly press: number;
}

const CLOSED: FootPlace = { out: 0.06, ahead: 0, lift: 0, pitch: 0.16, weight: 1 };
/** Standing on it alone: under the middle. */
const STANDING: FootPlace = { ...CLOSED, out: 0.015 };
const FREE: FootPlace = { out: 0.08, ahead: -0.16, lift: 0.15, pitch: 0.95, weight: 0 };

const LEVEL: Stance = {
  feet: { l: CLOSED, r: CLOSED },
  ...{ aside: 0, ahead: 0, sink: 0, lean: 0, twist: 0, tuck: 0, press: 0 },
};

/** One foot does something while the other stands: it is where the free foot is. */
const FREE_FOOT: Readonly<Record<string, Partial<FootPlace>>> = {
  tap: { out: 0.2, ahead: 0.13, lift: 0, pitch: 0.45 },
  out: { out: 0.36, ahead: 0.03, lift: 0, pitch: 0.3 },
  heel: { out: 0.09, ahead: 0.32, lift: 0, pitch: -0.5 },
  toe: { out: 0.09, ahead: 0.26, lift: 0, pitch: 0.75 },
  knee: { out: 0.09, ahead: 0.27, lift: 0.34, pitch: 0.5 },
  kick: { out: 0.07, ahead: 0.6, lift: 0.26, pitch: 0.6 },
  heelkick: { out: 0.08, ahead: -0.4, lift: 0.34, pitch: 1.5 },
  swing: { out: 0.58, ahead: 0, lift: 0.24, pitch: 0.5 },
};

const STEP = { apart: 0.2, fore: 0.19, cross: 0.1, behind: -0.14, travel: 0.2, twist: 0.6 } as const;

function withFoot(stance: Stance, foot: Hand, place: Partial<FootPlace>): Stance {
  return { ...stance, feet: { ...stance.feet, [foot]: { ...stance.feet[foot], ...place } } };
}

function withFeet(stance: Stance, place: Partial<FootPlace>): Stance {
  return withFoot(withFoot(stance, "l", place), "r", place);
}

function standingOn(landing: Foot): Stance {
  if (landing === "b") return LEVEL;
  return { ...LEVEL, feet: { ...LEVEL.feet, [landing]: STANDING, [otherHand(landing)]: FREE } };
}

function unsided(stance: Stance, gesture: Gesture): Stance {
  switch (gesture) {
    case "apart":
      return withFeet(stance, { out: STEP.apart });
    case "fore":
      return { ...stance, ahead: STEP.travel };
    case "aft":
      return { ...stance, ahead: -STEP.travel };
    case "left":
      return { ...stance, aside: STEP.travel };
    case "right":
      return { ...stance, aside: -STEP.travel };
    case "squat":
      return { ...withFeet(stance, { out: 0.12, pitch: 0.3 }), sink: 0.34, lean: 0.45 };
    case "tuck":
      return { ...stance, tuck: 0.2, lean: 0.25 };
    case "plank":
      return { ...withFeet(stance, { ahead: -0.96, pitch: 0.9 }), sink: 0.5, lean: 1.3, press: 1 };
    default:
      return stance;
  }
}

function sided(stance: Stance, name: string, foot: Hand, landing: Foot): Stance {
  const free = FREE_FOOT[name];
  const other = otherHand(foot);
  if (free !== undefined) {
    // Said of the foot that stands, it is a step there.
    const { out, ahead } = { ...CLOSED, ...free };
    return landing === foot
      ? withFoot(stance, foot, { out: Math.min(out, STEP.apart), ahead: Math.min(ahead, STEP.fore) })
      : withFoot(stance, foot, { ...free, weight: 0 });
  }
  switch (name) {
    case "front":
      return withFoot(withFoot(stance, foot, { ahead: STEP.fore }), other, { ahead: -STEP.fore });
    case "cross":
      // Between both feet it crosses in front; as a step of its own it goes behind.
      return landing === foot
        ? withFoot(stance, foot, { out: -STEP.cross, ahead: STEP.behind })
        : withFoot(withFoot(stance, foot, { out: -STEP.cross, ahead: STEP.cross }), other, {
            out: -STEP.cross,
            ahead: -0.05,
          });
    case "twist":
      return { ...stance, twist: foot === "l" ? STEP.twist : -STEP.twist };
    case "lunge":
      return {
        ...withFoot(withFoot(stance, foot, { ahead: 0.34, pitch: 0 }), other, { ahead: -0.36, pitch: 0.9 }),
        sink: 0.24,
      };
    default:
      return stance;
  }
}

/** The stance of a landing: on which feet, and what else the feet and the body do. */
export function stanceOf(landing: Foot, gestures: readonly Gesture[]): Stance {
  return gestures.reduce((stance, gesture) => {
    if (turnsBody(gesture)) return stance;
    const before = unsided(stance, gesture);
    if (before !== stance || gesture === "together") return before;
    return sided(stance, gesture.slice(0, -1), gesture.endsWith("l") ? "l" : "r", landing);
  }, standingOn(landing));
}
