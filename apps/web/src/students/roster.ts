/** Which students a list shows and in what order: pure, so that it can be told and tested apart. */
import type { ArchivedStudent, StudentView } from "@mirrup/contract";
import { byName, DAY_MS } from "@mirrup/core";
import { plain } from "../app/plain.js";

export const SHOWN = ["all", "unseen", "stuck", "review", "archived"] as const;
export type Shown = (typeof SHOWN)[number];

export const SORTS = ["name", "level", "seen", "cleared"] as const;
export type Sort = (typeof SORTS)[number];

export interface RosterFilter {
  readonly words: string;
  readonly group: string;
  readonly shown: Shown;
  /** 0 for every level. */
  readonly level: number;
  readonly sort: Sort;
}

/** Nobody who comes every week has been away this long. */
export const UNSEEN_DAYS = 14;

function isShown(student: StudentView, shown: Shown, now: number): boolean {
  switch (shown) {
    case "all":
      return true;
    // They are in a list of their own.
    case "archived":
      return false;
    case "stuck":
      return student.stuck > 0;
    case "review":
      return student.reviewsDue > 0;
    case "unseen":
      return (
        student.lastPractisedAt === null || now - Date.parse(student.lastPractisedAt) > UNSEEN_DAYS * DAY_MS
      );
  }
}

const ORDERS: Readonly<Record<Sort, (one: StudentView, other: StudentView) => number>> = {
  name: (one, other) => byName(one.name, other.name),
  level: (one, other) => other.level - one.level,
  cleared: (one, other) => other.counts.cleared - one.counts.cleared,
  seen: (one, other) => (one.lastPractisedAt ?? "").localeCompare(other.lastPractisedAt ?? ""),
};

/** Who is archived, by name, as far as the words and the group let them through: they have no level that counts now. */
export function archivedOf(
  students: readonly ArchivedStudent[],
  { words, group }: Pick<RosterFilter, "words" | "group">,
): readonly ArchivedStudent[] {
  const sought = plain(words);
  return students
    .filter(({ name, groups }) => (group === "" || groups.includes(group)) && plain(name).includes(sought))
    .sort((one, other) => byName(one.name, other.name));
}

/** The students that a filter lets through, sorted; names decide among equals. */
export function rosterOf(
  students: readonly StudentView[],
  { words, group, shown, level, sort }: RosterFilter,
  now: number,
): readonly StudentView[] {
  const sought = plain(words);
  return students
    .filter(
      (student) =>
        isShown(student, shown, now) &&
        (group === "" || student.groups.includes(group)) &&
        (level === 0 || student.level === level) &&
        plain(student.name).includes(sought),
    )
    .sort((one, other) => ORDERS[sort](one, other) || ORDERS.name(one, other));
}
