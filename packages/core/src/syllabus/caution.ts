/** The cautions of safety.md, and which of them a skill carries. */
import { isRelease, isWrap, type Arms } from "../rope/arms.js";
import { measureScore } from "../rope/measure.js";
import { expandBeats, type Beat, type Score } from "../rope/score.js";

export const CAUTION_CODES = [
  "warm-up",
  "surface",
  "shoes",
  "space",
  "load",
  "pain",
  "growth",
  "condition",
  "face",
  "sting",
  "wrist",
  "neck",
  "fatigue",
  "heat",
] as const;
export type CautionCode = (typeof CAUTION_CODES)[number];

const BEHIND: ReadonlySet<string> = new Set(["bl", "br", "k"]);

/** A multiple in which the arms change. */
function isFused(beats: readonly Beat[]): boolean {
  return beats.some(({ turns }) => turns.length > 1 && turns.some(({ arms }) => arms !== "o"));
}

/**
 * The cautions of a skill, read off its score: multiples ask for shoes and care with growing
 * bodies, triples and more for a floor that gives and a fresh jumper; a rope that turns backward in
 * a multiple, flies free or unwinds can strike the face, a fast one stings; arms behind the body lead it
 * past the neck.
 */
export function cautionsOf(score: Score | null): readonly CautionCode[] {
  if (score === null) return [];
  const { highest } = measureScore(score);
  const beats = expandBeats(score);
  const arms = beats.flatMap((beat) => beat.turns.map((turn) => turn.arms));
  const some = (test: (one: Arms) => boolean) => arms.some((one) => one !== "x" && test(one));
  const backwardMultiple = highest > 1 && score.direction === "backward";
  const codes: (CautionCode | false)[] = [
    highest > 2 && "surface",
    highest > 1 && "shoes",
    highest > 1 && "growth",
    (backwardMultiple || some(isRelease) || some(isWrap)) && "face",
    (highest > 2 || backwardMultiple || isFused(beats)) && "sting",
    beats.some((beat) => beat.gestures.includes("plank")) && "wrist",
    some((one) => BEHIND.has(one)) && "neck",
    highest > 2 && "fatigue",
  ];
  return codes.filter((code) => code !== false);
}
