/** What a class plan says, in words. */
import type { ClassFault, ClassUse, Look, Place, RopeKind, RopeStock, Watch } from "@mirrup/core/planning";
import { counted, pluralOf } from "../app/plural.js";
import { drillOfWords, oddsWords } from "../app/drill-words.js";
import { lengthIn, listWords, reasonWords, wholeWords, type LengthUnit } from "../app/words.js";
import type { LaidOut } from "./laid-out.js";

export const WATCH_NAMES: Readonly<Record<Watch, string>> = {
  nobody: "",
  helper: "helper here",
  coach: "coach here",
};

/** What a student does at a station that is not open work, in a word or two. */
export const USE_NAMES: Readonly<Record<ClassUse, string>> = {
  frontier: "",
  review: "review",
  show: "shows it",
  keep: "keeps going",
};

/** What a student does in a turn, and why. */
export function placeWords(subject: string, { side, drill, use, chance, reason }: Place): string {
  const whose = side === "whole" ? "" : `${side} side, `;
  const odds = chance === null ? "" : `: ${oddsWords(chance)}`;
  const why: Readonly<Record<ClassUse, string>> = {
    frontier: reason === null ? "" : reasonWords(reason),
    review: "Its review is due.",
    show: "Just cleared or soon due: shows it and counts, which is its review.",
    keep: "Nothing nearer is open here; it keeps going.",
  };
  return `${whose}${drillOfWords(subject, side, drill)}${odds}. ${why[use]}`.trim();
}

/** What one student is to do, short: `left, 8 in a row`. */
export function taskWords(subject: string, { side, drill }: Pick<Place, "side" | "drill">): string {
  const what = drillOfWords(subject, side, drill);
  return side === "whole" ? what : `${side}, ${what}`;
}

/** Why there is no plan, or what one could not keep to, and what to do about it. */
export function faultWords(fault: ClassFault, nameOf: (id: string) => string): string {
  const names = (ids: readonly string[]) => listWords(ids.map(nameOf));
  switch (fault.code) {
    case "no-minutes":
      return "There are no minutes to plan. Choose how long the class is.";
    case "no-students":
      return "Nobody is here to plan for. Mark who comes, or add students to the group.";
    case "no-stations":
      return "There is no station. Choose at least one.";
    case "too-many-students":
      return `A plan holds ${fault.most} students. Split the class into two lessons.`;
    case "floor-too-small":
      return fault.holds === 0
        ? "The floor has no room for one jumper’s clear circle. Check its measures."
        : `The floor holds ${fault.holds} students who take turns in pairs, each jumper with a clear circle. Split the class, or use a larger floor.`;
    case "nothing-open":
      return `Nothing that is not left out may be done by ${names(fault.students)}. Bring something back.`;
    case "pin-refused":
      return `${nameOf(fault.pin.student)} cannot be at station ${fault.pin.station + 1} in turn ${fault.pin.rotation + 1}: what is done there is locked or left out for them. They are where the plan has them.`;
    case "coach-missing":
      return `In turn ${fault.rotation + 1} more stations ask for a coach than there are. Change one of the drills you chose, or have another coach.`;
    case "not-apart":
      return `In turn ${fault.rotation + 1} ${names(fault.students)} are at one station, though they are to be apart. Have another station, or move one of them.`;
    case "not-together":
      return `In turn ${fault.rotation + 1} ${names(fault.students)} are not at one station, though they are to be together: no drill is of use to both there.`;
    case "over-load":
      return `More landings or multiples than today still allows for ${names(fault.students)}. Shorten the lesson for them, or let them count.`;
  }
}

/** From so many times on, a ratio says no more than that it is far more. */
const FAR_MORE = 10;

/** One drill for everybody, which a plan in which nobody stands by can fall short of where stations are few. */
function heldAgainst(useful: number, sameForAll: number): string {
  const same = sameForAll < 1 ? "none" : wholeWords(sameForAll);
  if (useful < sameForAll)
    return `. One drill for everybody would have ${same}, but whoever may not do it stands by; try a further station.`;
  const times =
    useful > FAR_MORE * sameForAll ? "far more than" : `${(useful / sameForAll).toFixed(1)} times`;
  return `: ${times} one drill for everybody (${same}).`;
}

/** What the plan is worth, and what that is held against. */
export function usefulWords(plan: {
  readonly useful: number;
  readonly minutes: number;
  readonly sameForAll: number;
  readonly most: number;
}): string {
  const { useful, minutes, sameForAll, most } = plan;
  const share = most > 0 ? Math.min(100, Math.round((100 * useful) / most)) : 100;
  return (
    `${wholeWords(useful)} useful minutes of ${wholeWords(minutes)} at the stations${heldAgainst(useful, sameForAll)} ` +
    `Each student alone with you could have ${wholeWords(most)} at most; this has ${share}% of it.`
  );
}

export const ROPE_KIND_NAMES: Readonly<Record<RopeKind, string>> = {
  beaded: "beaded",
  heavy: "heavy",
  cord: "cord",
  thin: "thin, fast",
  wire: "wire",
};

/** `2 beaded of 240 cm`, `1 rope`. */
export function ropeWords({ kind, lengthMm }: RopeStock, many: number, unit: LengthUnit): string {
  const what = kind === null ? pluralOf(many, "rope") : ROPE_KIND_NAMES[kind];
  return `${many} ${what}${lengthMm === null ? "" : ` of ${lengthIn(lengthMm, unit)} ${unit}`}`;
}

/** What lies at a station, who has their own, and for how many there is none. */
export function laidOutWords(
  { ropes, own, without }: LaidOut,
  unit: LengthUnit,
  nameOf: (id: string) => string,
): string {
  const names = (ids: readonly string[]) => listWords(ids.map(nameOf));
  const lying = ropes.map(
    ({ rope, many, isSlow }) => `${ropeWords(rope, many, unit)}${isSlow ? ", turned slowly only" : ""}`,
  );
  return [
    lying.length === 0 ? [] : [lying.join(", ")],
    own.length === 0 ? [] : [`own: ${names(own)}`],
    without === 0 ? [] : [`none for ${counted(without, "pair")}`],
  ]
    .flat()
    .join("; ");
}

/** `3 min, first Amara, then Bram`. */
export function lookWords({ minutes, students }: Look, nameOf: (id: string) => string): string {
  const [first, ...rest] = students.map(nameOf);
  const then = rest.length === 0 ? "" : `, then ${listWords(rest)}`;
  return `${minutes} min${first === undefined ? "" : `: ${rest.length === 0 ? "" : "first "}${first}${then}`}`;
}
