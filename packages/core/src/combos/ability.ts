/** Who could do a combo now, and what the others lack (teaching.md, Combos: learned skills, at most one new). */
import { isMet, type Status } from "../record/standing.js";
import { sideKey, type SubjectSide } from "../syllabus/side-table.js";
import { comboSubject } from "./combo.js";
import { mirrorPart, type ComboPart } from "./part.js";

export interface Ability {
  /** `now`: all of it is known; `one-new`: all but one skill, and that is open; `not-yet`: more is missing. */
  readonly code: "now" | "one-new" | "not-yet";
  readonly lacking: readonly SubjectSide[];
  /** Turns that are no skill, of which nobody knows whether they are known. */
  readonly unnamed: number;
}

/**
 * The parts with every combo among them taken apart into its own, as often as it is done; `partsOf`
 * answers a combo's parts as written, undefined for one that nobody keeps, which stays as it is.
 */
export function takenApart(
  parts: readonly ComboPart[],
  partsOf: (id: string) => readonly ComboPart[] | undefined,
): readonly ComboPart[] {
  return parts.flatMap((part) => {
    const about = part.subject === null ? null : comboSubject(part.subject);
    const own = about === null ? undefined : partsOf(about.id);
    if (own === undefined) return [part];
    const inner = takenApart(own, partsOf);
    return part.side === "left" ? inner.map(mirrorPart) : inner;
  });
}

/** The sides that a combo is made of, each once, in order. */
export function sidesOfCombo(parts: readonly ComboPart[]): readonly SubjectSide[] {
  const sides = parts.flatMap(({ subject, side }) => (subject === null ? [] : [{ subject, side }]));
  return [...new Map(sides.map((one) => [sideKey(one.subject, one.side), one])).values()];
}

/** `statusOf` answers the status of a side; undefined for one that nobody keeps. */
export function abilityOf(
  parts: readonly ComboPart[],
  statusOf: (subject: string, side: SubjectSide["side"]) => Status | undefined,
): Ability {
  const lacking = sidesOfCombo(parts).filter(({ subject, side }) => {
    const status = statusOf(subject, side);
    return status === undefined || !isMet(status);
  });
  const unnamed = parts.filter(({ subject }) => subject === null).length;
  const isOpen = lacking.every(({ subject, side }) => {
    const status = statusOf(subject, side);
    return status === "ready" || status === "working";
  });
  if (lacking.length === 0) return { code: "now", lacking, unnamed };
  return { code: lacking.length === 1 && isOpen ? "one-new" : "not-yet", lacking, unnamed };
}
