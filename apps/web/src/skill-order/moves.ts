/** Skills put elsewhere on the strands, one after the other, while the order is being made. */
import { placedWith } from "@mirrup/catalogue";
import type { Catalogue, Overlay, SkillPlace } from "@mirrup/core";
import { skillName } from "../app/words.js";

export interface Move extends SkillPlace {
  readonly skill: string;
}

type Strands = Catalogue["strands"];

/** Where something is let go: at a skill, or at the end of a strand. */
export type Target =
  { readonly kind: "skill"; readonly skill: string } | { readonly kind: "end"; readonly strand: string };

/** What the studio has of its own after moves; skills that are not there any more are passed over. */
export function movedBy(own: Overlay, moves: readonly Move[], isThere: (skill: string) => boolean): Overlay {
  const entries = moves
    .filter(({ skill }) => isThere(skill))
    .reduce((kept, { skill, ...place }) => placedWith({ ...own, entries: kept }, skill, place), own.entries);
  return { ...own, entries };
}

function strandWith(strands: Strands, skill: string) {
  return strands.find(({ skills }) => skills.includes(skill));
}

/** The move that letting a skill go at a target is: past what lay below it on its strand, else before. Null for none. */
export function moveTo(strands: Strands, skill: string, target: Target): Move | null {
  const strand =
    target.kind === "end"
      ? strands.find(({ id }) => id === target.strand)
      : strandWith(strands, target.skill);
  if (strand === undefined) return null;
  const { id, skills } = strand;
  const rest = skills.filter((one) => one !== skill);
  const at = target.kind === "end" ? rest.length : skills.indexOf(target.skill);
  const move = { skill, strand: id, after: rest[at - 1] ?? id };
  const from = skills.indexOf(skill);
  const isWhereItWas = from >= 0 && (skills[from - 1] ?? id) === move.after;
  return isWhereItWas ? null : move;
}

/** Beside which skill a moved one came to stand, where needs had it stand later than it was put, or sooner. */
export interface Held {
  readonly side: "after" | "before";
  readonly skill: string;
}

/** What held a moved skill; null where it stands as it was put. */
export function heldBy(strands: Strands, { skill, strand, after }: Move): Held | null {
  const skills = strands.find(({ id }) => id === strand)?.skills ?? [];
  const at = skills.indexOf(skill);
  const asked = after === strand ? -1 : skills.indexOf(after);
  const [before, next] = [skills[at - 1], skills[at + 1]];
  if (asked < at - 1 && before !== undefined) return { side: "after", skill: before };
  return asked > at && next !== undefined ? { side: "before", skill: next } : null;
}

export function heldWords(name: string, { side, skill }: Held): string {
  return side === "after"
    ? `${name} stands after ${skillName(skill)}: it needs what comes there.`
    : `${name} stands before ${skillName(skill)}: what comes there needs it.`;
}
