/** Who could do a combo now, and what the others lack (teaching.md, Combos: learned skills, at most one new). */
import { isMet, type Status } from "../record/standing.js";
import type { SubjectSide } from "../syllabus/roles.js";
import { SideMap } from "../syllabus/side-map.js";
import { comboSubject } from "../log/combo-subject.js";
import type { Syllabus } from "../syllabus/syllabus.js";
import { derivedNeeds } from "./derived-needs.js";
import { mirrorPart, scoreOfPart, type ComboPart } from "./part.js";

export interface Ability {
  /**
   * `now`: all of it is known; `one-new`: all but one skill, and that is open; `not-yet`: more is missing;
   * `unknown`: there are turns in it that no skill of the catalogue leads to.
   */
  readonly code: "now" | "one-new" | "not-yet" | "unknown";
  readonly lacking: readonly SubjectSide[];
  /** Turns that are no skill: what they ask is derived from the model. */
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

function distinct(sides: readonly SubjectSide[]): readonly SubjectSide[] {
  const seen = new SideMap<true>();
  return sides.flatMap(({ subject, side }) => {
    const isNew = seen.get({ subject, side }) === undefined;
    seen.set({ subject, side }, true);
    return isNew ? [{ subject, side }] : [];
  });
}

/** The sides that a combo is made of, each once, in order. */
export function sidesOfCombo(parts: readonly ComboPart[]): readonly SubjectSide[] {
  return distinct(parts.flatMap(({ subject, side }) => (subject === null ? [] : [{ subject, side }])));
}

/** What the turns among the parts that are no skill ask; null where no skill leads to some of it. */
function unnamedNeeds(parts: readonly ComboPart[], syllabus: Syllabus): readonly SubjectSide[] | null {
  const needs = parts
    .filter((part) => part.subject === null)
    .map((part) => derivedNeeds(syllabus, scoreOfPart(part)));
  return needs.some((one) => one === null) ? null : needs.flatMap((one) => one ?? []);
}

/** `statusOf` answers the status of a side; undefined for one that nobody keeps. */
export function abilityOf(
  parts: readonly ComboPart[],
  statusOf: (subject: string, side: SubjectSide["side"]) => Status | undefined,
  syllabus: Syllabus,
): Ability {
  const derived = unnamedNeeds(parts, syllabus);
  const asked = [...sidesOfCombo(parts), ...(derived ?? [])];
  const lacking = distinct(asked).filter(({ subject, side }) => {
    const status = statusOf(subject, side);
    return status === undefined || !isMet(status);
  });
  const unnamed = parts.filter(({ subject }) => subject === null).length;
  if (derived === null) return { code: "unknown", lacking, unnamed };
  const isOpen = lacking.every(({ subject, side }) => {
    const status = statusOf(subject, side);
    return status === "ready" || status === "working";
  });
  if (lacking.length === 0) return { code: "now", lacking, unnamed };
  return { code: lacking.length === 1 && isOpen ? "one-new" : "not-yet", lacking, unnamed };
}
