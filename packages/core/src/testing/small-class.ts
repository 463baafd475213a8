/** Students of a class by what they may do, for tests of class plans. */
import type { Helper } from "../plan/class-eyes.js";
import type { RopeStock } from "../plan/rope-stock.js";
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
    family: has("multiples") ? "multiples" : has("swings") ? "crosses" : "footwork",
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

/** So many ropes that suit everybody. */
export const ropesOf = (many: number): readonly RopeStock[] => [{ kind: null, lengthMm: null, many }];

/** A helper who may look at what is new and lead nothing. */
export const HELPER: Helper = { mayLead: [] };

export const CLASS_ASKED: ClassAsked = {
  minutes: 60,
  turns: null,
  stations: 3,
  coaches: 1,
  helpers: [HELPER],
  floor: null,
  hardSkill: "late",
  bans: [],
  stationPins: [],
  placePins: [],
  seed: 1,
};
