/** Students of a class by what they may do, for tests of class plans. */
import type { ClassOption } from "../plan/class-option.js";
import type { ClassAsked, ClassStudent } from "../plan/class.js";

/** An option as `cross 0.9 show coach`: the skill, its worth, then its use and who has to watch. */
export function optionOf(text: string): ClassOption {
  const [subject = "", worth = "0", ...rest] = text.split(" ");
  const has = (word: string) => rest.includes(word);
  return {
    subject,
    side: "whole",
    use: has("show") ? "show" : has("review") ? "review" : has("keep") ? "keep" : "frontier",
    drill: { kind: "streak", count: 5 },
    cautions: [],
    chance: 0.5,
    reason: null,
    worth: Number(worth),
    effort: has("swings") ? "swings" : has("multiples") ? "multiples" : "two-feet",
    watch: has("coach") ? "coach" : has("helper") ? "helper" : "nobody",
    isBegun: has("begun"),
    hasRope: !has("shadow"),
    isNewAndHard: has("hard"),
    landingsAMinute: 20,
    multiplesAMinute: has("multiples") ? 20 : 0,
  };
}

export function studentOf(
  id: string,
  options: readonly string[],
  changes: Partial<ClassStudent> = {},
): ClassStudent {
  return {
    id,
    options: options.map(optionOf),
    heightMm: 1500,
    landingsLeft: null,
    multiplesLeft: null,
    ...changes,
  };
}

export const CLASS_ASKED: ClassAsked = {
  minutes: 60,
  turns: null,
  stations: 3,
  coaches: 1,
  helpers: 1,
  floor: null,
  hardSkill: "late",
  bans: [],
  stationPins: [],
  placePins: [],
  seed: 1,
};
