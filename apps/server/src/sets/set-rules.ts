import type { ProblemError, SetRequest } from "@mirrup/contract";
import { checkSetCounts, comboSubject, sidesOf, type Catalogue, type HiddenSkill } from "@mirrup/core";
import type { ComboPart } from "@mirrup/core/combos";
import { isDeepStrictEqual } from "node:util";
import { comboSubjectFault } from "../combos/index.js";
import { requestOf, type SetEntity } from "../log/index.js";

/** A reason to refuse one set, with the status that it asks for. */
export interface Refusal {
  readonly status: number;
  readonly error: ProblemError;
}

/** What the database knows of the batch's students and ids, read once for all of it. */
export interface BatchKnowledge {
  readonly catalogue: Catalogue;
  readonly hidden: ReadonlyMap<string, HiddenSkill>;
  readonly students: ReadonlySet<string>;
  readonly deleted: ReadonlySet<string>;
  readonly stored: ReadonlyMap<string, SetEntity>;
  /** The combos that the batch names, by their id. */
  readonly combos: ReadonlyMap<string, readonly ComboPart[]>;
}

export function sameSet(one: SetRequest, other: SetRequest): boolean {
  const instantOf = (set: SetRequest) => ({ ...set, at: new Date(set.at).getTime() });
  return isDeepStrictEqual(instantOf(one), instantOf(other));
}

export function isStored(set: SetRequest, knowledge: BatchKnowledge): boolean {
  const stored = knowledge.stored.get(set.id);
  return stored !== undefined && sameSet(set, requestOf(stored));
}

/** Everything that keeps one set of a batch out of the log; empty when nothing does. */
export function refusalsOf(set: SetRequest, item: number, knowledge: BatchKnowledge): Refusal[] {
  const refuse = (status: number, field: string, code: string, message: string): Refusal => ({
    status,
    error: { item, id: set.id, field, code, message },
  });
  if (knowledge.deleted.has(set.studentId)) {
    const message = "This student was deleted, and nothing of theirs is kept.";
    return [refuse(410, "studentId", "deleted-student", message)];
  }
  if (knowledge.stored.has(set.id)) {
    if (isStored(set, knowledge)) return [];
    const message = "The log has another set with this id. Give this one an id of its own.";
    return [refuse(409, "id", "other-body", message)];
  }
  const refusals = checkSetCounts(set).map(({ field, code, message }) => refuse(422, field, code, message));
  if (!knowledge.students.has(set.studentId)) {
    const message = "There is no student with this id in the studio.";
    refusals.push(refuse(422, "studentId", "unknown-student", message));
  }
  if (comboSubject(set.subject) !== null) {
    const fault = comboSubjectFault(set.subject, set.side, knowledge.combos);
    if (fault !== null) refusals.push(refuse(422, fault.field, fault.code, fault.message));
    return refusals;
  }
  // What is hidden is not taught; what a device had counted before it heard of that is kept.
  const skill = knowledge.catalogue.skills.get(set.subject) ?? knowledge.hidden.get(set.subject);
  if (skill === undefined) {
    const message = `"${set.subject}" is not a skill of the catalogue.`;
    refusals.push(refuse(422, "subject", "unknown-subject", message));
  } else if (!sidesOf(skill).includes(set.side)) {
    const sides = skill.twoSided ? `"left" or "right"` : `"whole"`;
    const message = `The ${skill.name} is practised ${sides}, not "${set.side}".`;
    refusals.push(refuse(422, "side", "side-not-of-skill", message));
  }
  return refusals;
}
