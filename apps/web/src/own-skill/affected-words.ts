/** Whom a change of what is taught touches, in words. */
import type { SkillPreviewItem } from "@mirrup/contract";
import { grouped, type SubjectSide } from "@mirrup/core";
import type { StandingDifference } from "@mirrup/core/teaching";
import { counted } from "../app/plural.js";
import { listWords, skillName, subjectName } from "../app/words.js";

const KINDS = [
  "locks",
  "opens",
  "clears",
  "reopens",
  "hides",
] as const satisfies readonly (keyof StandingDifference)[];
type Kind = (typeof KINDS)[number];

/** What becomes of one side, and of several. */
const VERBS: Readonly<Record<Kind, readonly [one: string, several: string]>> = {
  locks: ["locks", "lock"],
  opens: ["opens", "open"],
  clears: ["is cleared", "are cleared"],
  reopens: ["is not cleared any more", "are not cleared any more"],
  hides: ["is hidden with its record", "are hidden with their records"],
};

const SHOWN_SKILLS = 4;

export interface Touched {
  readonly studentId: string;
  readonly name: string;
  /** What becomes of their sides, by name. */
  readonly words: string;
}

/** Those whom it touches, by how much. */
export function touchedBy(items: readonly SkillPreviewItem[]): readonly Touched[] {
  const size = (item: SkillPreviewItem) => KINDS.reduce((sum, kind) => sum + item[kind].length, 0);
  return items
    .filter((item) => size(item) > 0)
    .sort((one, other) => size(other) - size(one))
    .map((item) => ({
      studentId: item.studentId,
      name: item.name,
      words: KINDS.flatMap((kind) => sidesWords(item[kind], VERBS[kind])).join("; "),
    }));
}

function sidesWords(
  sides: readonly SubjectSide[],
  [one, several]: readonly [string, string],
): readonly string[] {
  if (sides.length === 0) return [];
  const skills = [...grouped(sides, ({ subject }) => subject)];
  const names = skills
    .slice(0, SHOWN_SKILLS)
    .map(([subject, [first, second]]) =>
      second === undefined
        ? subjectName(subject, first?.side ?? "whole")
        : `${skillName(subject)} on both sides`,
    );
  const more = skills.length - names.length;
  return [
    `${listWords([...names, ...(more > 0 ? [`${more} more skills`] : [])])} ${sides.length === 1 ? one : several}`,
  ];
}

/** In one sentence: `4 students: 6 sides lock, 2 open.` */
export function affectedWords(items: readonly SkillPreviewItem[]): string {
  const touched = touchedBy(items);
  if (touched.length === 0) return "Nobody’s record changes by it.";
  const sums = KINDS.flatMap((kind) => {
    const sum = items.reduce((total, item) => total + item[kind].length, 0);
    return sum === 0 ? [] : [{ sum, verb: VERBS[kind][sum === 1 ? 0 : 1] }];
  });
  const parts = sums.map(({ sum, verb }, place) =>
    place === 0 ? `${counted(sum, "side")} ${verb}` : `${sum} ${verb}`,
  );
  return `${counted(touched.length, "student")}: ${parts.join(", ")}.`;
}
