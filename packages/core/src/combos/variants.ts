/**
 * What can be made of a trick: its other side, other feet, another direction, more turns, closed up, held, another way
 * in or out. Made from the score alone; whether it can be jumped is told with it.
 */
import { checkScore } from "../rope/check.js";
import { mirrorScore } from "../rope/mirror.js";
import { printScore } from "../rope/print.js";
import {
  defaultLanding,
  expandBeats,
  flip,
  LIMITS,
  type Beat,
  type Score,
  type Turn,
} from "../rope/score.js";

export const VARIANT_KINDS = [
  "other-side",
  "direction",
  "stepped",
  "one-foot",
  "more-turns",
  "fused",
  "closed-up",
  "held",
  "swing-in",
  "swing-out",
] as const;
export type VariantKind = (typeof VARIANT_KINDS)[number];

export interface Variant {
  readonly kind: VariantKind;
  /** As it is printed. */
  readonly text: string;
  readonly score: Score;
  /** Why it cannot be jumped again and again; nothing where it can. */
  readonly faults: readonly string[];
}

/** A jump holds no more than a quadruple does. */
const MOST_TURNS = 4;
/** Whatever is longer is a combo, and no trick to vary. */
const MOST_BEATS = 32;

const plainTurn = (arms: Turn["arms"]): Turn => ({ arms, caught: false, from: 0, to: 0 });
const plainBeat = (turns: readonly Turn[]): Beat => ({
  ...{ kind: "beat", turns, takeOff: null, landing: null, gestures: [], from: 0, to: 0 },
});
const isOpen = ({ turns }: Beat) => turns.length === 1 && turns[0]?.arms === "o";

type Beats = readonly Beat[];
const changed = (beats: Beats, change: (beat: Beat, place: number) => Beat) => beats.map(change);

/** The foot that is landed on in any case, as under a lifted leg; else the right one. */
function firstFoot(beats: Beats): "l" | "r" {
  const single = beats.map(({ turns }) => defaultLanding(turns.at(-1)?.arms)).find((foot) => foot !== "b");
  return single ?? "r";
}

/** The same on the feet that are given, jump by jump. */
function onFeet(beats: Beats, feet: readonly Beat["landing"][]): Beats {
  return changed(beats, (beat, place) => ({
    ...beat,
    takeOff: null,
    landing: feet[place % feet.length] ?? null,
  }));
}

/** One jump with all of the turns. */
function fused(beats: Beats): Beats | null {
  const turns = beats.flatMap((beat) => beat.turns);
  const last = beats.at(-1);
  if (beats.length < 2 || turns.length > MOST_TURNS || last === undefined) return null;
  return [{ ...last, takeOff: null, turns }];
}

/** Tells one jump from another, wherever it was written. */
function jumpKey({ turns, landing, gestures }: Beat): string {
  return JSON.stringify([turns.map(({ arms, caught }) => [arms, caught]), landing, gestures]);
}

/** Each closed turn held through the open ones after it. */
function held(beats: Beats): Beats {
  let arms: Turn["arms"] | undefined;
  const all = changed(beats, (beat) => {
    if (!isOpen(beat)) {
      arms = beat.turns.at(-1)?.arms ?? arms;
      return beat;
    }
    return arms === undefined ? beat : { ...beat, turns: [plainTurn(arms)] };
  });
  // The same jump over and over is one.
  const jumps = new Set(all.map(jumpKey));
  return jumps.size === 1 ? all.slice(0, 1) : all;
}

function withMore(beats: Beats): Beats | null {
  const more = changed(beats, (beat) =>
    isOpen(beat) && beats.length > 1 ? beat : { ...beat, turns: [plainTurn("o"), ...beat.turns] },
  );
  return more.some(({ turns }) => turns.length > MOST_TURNS) ? null : more;
}

/** Without the bounces between; as it was where there are none, or nothing else. */
function closedUp(beats: Beats): Beats {
  const rest = beats.filter((beat) => !isOpen(beat));
  return rest.length === 0 ? beats : rest;
}

type Make = (beats: Beats, score: Score) => Beats | Score | null;

const MAKES: Readonly<Record<VariantKind, Make>> = {
  "other-side": (_, score) => mirrorScore(score),
  direction: (_, score) => ({ ...score, direction: flip(score.direction) }),
  stepped: (beats) => {
    const first = firstFoot(beats);
    return onFeet(beats.length % 2 === 0 ? beats : [...beats, ...beats], [first, first === "r" ? "l" : "r"]);
  },
  "one-foot": (beats) => onFeet(beats, [firstFoot(beats)]),
  "more-turns": withMore,
  fused,
  "closed-up": closedUp,
  held,
  "swing-in": (beats) => [plainBeat([plainTurn("sr")]), ...beats],
  "swing-out": (beats) => [...beats, plainBeat([plainTurn("sr")])],
};

/** The variants of a score, each once, in the order of their kinds; none of a score that is too long. O(beats). */
export function variantsOf(score: Score): readonly Variant[] {
  // Each by itself: what is repeated may take off from another foot the second time.
  const beats = expandBeats(score).map((beat) => ({ ...beat }));
  if (beats.length > Math.min(MOST_BEATS, LIMITS.beats)) return [];
  const met = new Set([printScore(score)]);
  return VARIANT_KINDS.flatMap((kind): Variant[] => {
    const made = MAKES[kind](beats, score);
    if (made === null) return [];
    const varied: Score =
      "direction" in made ? made : { ...score, items: made.map((unit) => ({ unit, count: null })) };
    const text = printScore(varied);
    if (met.has(text)) return [];
    met.add(text);
    const faults = checkScore(varied, { loop: true }).map(({ message }) => message);
    return [{ kind, text, score: varied, faults: [...new Set(faults)] }];
  });
}
