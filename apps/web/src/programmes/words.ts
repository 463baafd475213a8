/** What programmes say: asks, sides, and how far somebody is. */
import type { ProgrammeProgress } from "@mirrup/contract";
import {
  programmeItems,
  type Ask,
  type ItemSide,
  type OwnProgramme,
  type ProgrammeItem,
  type SideName,
} from "@mirrup/core";
import type { ItemProgress, ItemSideProgress } from "@mirrup/core/teaching";
import { programmes } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { dateWords, gateWords, listWords, skillName } from "../app/words.js";

export const ITEM_SIDE_NAMES: Readonly<Record<ItemSide, string>> = {
  left: "left side",
  right: "right side",
  both: "both sides",
  either: "either side",
  whole: "",
};

/** What counts, after the name of the skill. */
export function askWords(ask: Ask): string {
  if (ask.kind === "gate") return "to its gate";
  return ask.kind === "shown" ? "shown once" : gateWords(ask);
}

/** `cross, both sides, 6 in a row`. */
export function itemWords({ skill, side, ask }: ProgrammeItem): string {
  return [skillName(skill), ITEM_SIDE_NAMES[side], askWords(ask)].filter(Boolean).join(", ");
}

/** What a programme asks, in a line. */
export function programmeWords(programme: OwnProgramme): string {
  const count = programmeItems(programme).length;
  const before = programme.before === null ? null : programmes().get(programme.before)?.name;
  return [
    programme.allBut === 0
      ? `All of ${counted(count, "skill")}`
      : `${count - programme.allBut} of ${counted(count, "skill")}`,
    programme.order === "fixed" ? "in this order" : "in any order",
    ...(before == null ? [] : [`after ${before}`]),
  ].join(", ");
}

const BY_WORDS: Readonly<Record<NonNullable<ItemSideProgress["by"]>, string>> = {
  record: "done",
  known: "taken as known",
  hand: "ticked by hand",
};

/** How one side of an item stands, for a box's name. */
export function sideWords({ side, by, on }: ItemSideProgress): string {
  const what = by === null ? "to do" : `${BY_WORDS[by]}${on === null ? "" : `, ${dateWords(on)}`}`;
  return side === "whole" ? what : `${side}: ${what}`;
}

function sidesLeft({ side }: ProgrammeItem, { sides, isDone }: ItemProgress): readonly SideName[] | null {
  if (isDone) return null;
  const left = sides.filter(({ by }) => by === null).map((one) => one.side);
  return side === "both" && left.length === 1 ? left : [];
}

/** What is left for one student, after how much is done. */
export function leftWords(programme: OwnProgramme, { items, isEnough }: ProgrammeProgress): string {
  const left = programmeItems(programme).filter((_, place) => items[place]?.isDone !== true);
  if (left.length === 0) return ".";
  const named = listWords(left.map(({ skill }) => skillName(skill)));
  return isEnough ? `, which is enough; left: ${named}.` : `; left: ${named}.`;
}

export interface Missing {
  readonly item: ProgrammeItem;
  /** Who lacks it, by name; the side where it is only one. */
  readonly students: readonly string[];
}

/** What the most lack first, each with who: what to teach for the most to come on. */
export function missingMost(
  programme: OwnProgramme,
  students: readonly ProgrammeProgress[],
): readonly Missing[] {
  const open = students.filter(({ finishedOn }) => finishedOn === null);
  return programmeItems(programme)
    .map((item, place): Missing => ({
      item,
      students: open.flatMap(({ name, items }) => {
        const progress = items[place];
        const left = progress === undefined ? null : sidesLeft(item, progress);
        return left === null ? [] : [left.length === 0 ? name : `${name} (${left.join("")})`];
      }),
    }))
    .filter(({ students: names }) => names.length > 0)
    .sort((one, other) => other.students.length - one.students.length);
}

/** Who is how far, in a sentence. */
export function classWords(students: readonly ProgrammeProgress[]): string {
  const finished = students.filter(({ finishedOn }) => finishedOn !== null);
  const ready = students.filter(({ finishedOn, isEnough }) => finishedOn === null && isEnough);
  const parts = [
    `${finished.length} of ${counted(students.length, "student")} finished`,
    ...(ready.length === 0 ? [] : [`${listWords(ready.map(({ name }) => name))} could`]),
  ];
  return `${parts.join("; ")}.`;
}
