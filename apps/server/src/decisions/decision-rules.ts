import type { DecisionRequest, ProblemError } from "@mirrup/contract";
import {
  comboSubject,
  itemKey,
  itemSideNames,
  programmeItems,
  programmeSubject,
  sidesOf,
  type Catalogue,
  type HiddenSkill,
  type Programme,
  type SideName,
} from "@mirrup/core";
import type { ComboPart } from "@mirrup/core/combos";
import { isDeepStrictEqual } from "node:util";
import { comboSubjectFault, type SubjectFault } from "../combos/index.js";
import { decisionRequestOf, type DecisionEntity } from "../log/index.js";

export interface Refusal {
  readonly status: number;
  readonly error: ProblemError;
}

/** What the database knows that a batch of decisions asks about. */
export interface DecisionKnowledge {
  readonly catalogue: Catalogue;
  readonly hidden: ReadonlyMap<string, HiddenSkill>;
  /** The studio's, by their key. */
  readonly programmes: ReadonlyMap<string, Programme>;
  readonly students: ReadonlySet<string>;
  readonly deleted: ReadonlySet<string>;
  readonly stored: ReadonlyMap<string, DecisionEntity>;
  /** The combos that the batch names, by their id. */
  readonly combos: ReadonlyMap<string, readonly ComboPart[]>;
  /** Lines of the log that could be taken back, and whose they are. */
  readonly targets: ReadonlyMap<string, Target>;
}

interface Target {
  readonly studentId: string;
  /** It was taken back already. */
  readonly isVoided: boolean;
  /** It takes something back itself. */
  readonly isVoid: boolean;
  /** A set that the student counted alone: open, or accepted already; null for anything else. */
  readonly alone: "open" | "accepted" | null;
}

export function sameDecision(one: DecisionRequest, other: DecisionRequest): boolean {
  const instantOf = (request: DecisionRequest) => ({ ...request, at: new Date(request.at).getTime() });
  return isDeepStrictEqual(instantOf(one), instantOf(other));
}

export function isStored(request: DecisionRequest, knowledge: DecisionKnowledge): boolean {
  const stored = knowledge.stored.get(request.id);
  return stored !== undefined && sameDecision(request, decisionRequestOf(stored));
}

/**
 * What is wrong with a subject of a programme; null for nothing. An item that is not asked any more is none: what a
 * device had ticked before it heard of that is kept, and counts again if it is asked again.
 */
function programmeFault(
  subject: string,
  side: SideName,
  programmes: ReadonlyMap<string, Programme>,
): SubjectFault | null {
  const about = programmeSubject(subject);
  const programme = about === null ? undefined : programmes.get(about.programme);
  if (about === null || programme === undefined) {
    const message = "There is no such programme in the studio.";
    return { field: "subject", code: "unknown-subject", message };
  }
  const items = programmeItems(programme).filter((item) => itemKey(item) === about.item);
  const sides: readonly SideName[] = about.item === null ? ["whole"] : items.flatMap(itemSideNames);
  if (sides.length === 0 || sides.includes(side)) return null;
  const message = `This is done ${[...new Set(sides)].map((one) => `"${one}"`).join(" or ")}, not "${side}".`;
  return { field: "side", code: "side-not-of-skill", message };
}

/** Everything that keeps one decision of a batch out of the log; empty when nothing does. */
export function refusalsOf(request: DecisionRequest, item: number, knowledge: DecisionKnowledge): Refusal[] {
  const { id, studentId, subject, side, decision, reason } = request;
  const refuse = (status: number, field: string, code: string, message: string): Refusal => ({
    status,
    error: { item, id, field, code, message },
  });
  if (knowledge.deleted.has(studentId)) {
    return [
      refuse(410, "studentId", "deleted-student", "This student was deleted, and nothing of theirs is kept."),
    ];
  }
  if (knowledge.stored.has(id)) {
    const message = "The log has another decision with this id. Give this one an id of its own.";
    return isStored(request, knowledge) ? [] : [refuse(409, "id", "other-body", message)];
  }
  if (!knowledge.students.has(studentId)) {
    return [refuse(422, "studentId", "unknown-student", "There is no student with this id in the studio.")];
  }
  const refusals: Refusal[] = [];
  const skill = knowledge.catalogue.skills.get(subject) ?? knowledge.hidden.get(subject);
  if (comboSubject(subject) !== null) {
    const fault = comboSubjectFault(subject, side, knowledge.combos);
    if (fault !== null) refusals.push(refuse(422, fault.field, fault.code, fault.message));
    if (decision.kind === "override" || decision.kind === "place") {
      const message = "A combo has one gate for all and is not placed. Clear it, or reopen it.";
      refusals.push(refuse(422, "decision.kind", "not-of-combos", message));
    }
  } else if (programmeSubject(subject) !== null) {
    const fault = programmeFault(subject, side, knowledge.programmes);
    if (fault !== null) refusals.push(refuse(422, fault.field, fault.code, fault.message));
    if (decision.kind !== "clear" && decision.kind !== "void") {
      const message = "Of a programme one says by hand what is done, or takes that back.";
      refusals.push(refuse(422, "decision.kind", "not-of-programmes", message));
    }
  } else if (skill === undefined) {
    const message = `"${subject}" is not a skill of the catalogue.`;
    refusals.push(refuse(422, "subject", "unknown-subject", message));
  } else if (decision.kind === "override" ? side !== "whole" : !sidesOf(skill).includes(side)) {
    const sides = decision.kind === "override" || !skill.twoSided ? `"whole"` : `"left" or "right"`;
    const message = `This is decided for ${sides} of the ${skill.name}, not for "${side}".`;
    refusals.push(refuse(422, "side", "side-not-of-skill", message));
  }
  const asksReason = decision.kind === "clear" || decision.kind === "reopen" || decision.kind === "override";
  if (asksReason && reason.trim() === "") {
    const message = "Give the reason in a few words, so that it can be understood later.";
    refusals.push(refuse(422, "reason", "no-reason", message));
  }
  if (decision.kind === "void") {
    const target = knowledge.targets.get(decision.target);
    if (target?.studentId !== studentId) {
      const message = "What should be taken back is not in this student's log.";
      refusals.push(refuse(422, "decision.target", "unknown-target", message));
    } else if (target.isVoid) {
      const message = "This took something back, and that stays. Decide or count it anew instead.";
      refusals.push(refuse(422, "decision.target", "takes-back", message));
    } else if (target.isVoided) {
      refusals.push(refuse(409, "decision.target", "taken-back", "This was taken back already."));
    }
  }
  if (decision.kind === "accept") {
    const target = knowledge.targets.get(decision.target);
    if (target?.studentId !== studentId || target.alone === null) {
      const message = "What should be accepted is no set that this student counted alone.";
      refusals.push(refuse(422, "decision.target", "unknown-target", message));
    } else if (target.isVoided) {
      const message = "This set was taken back. Let it be counted again.";
      refusals.push(refuse(409, "decision.target", "taken-back", message));
    } else if (target.alone === "accepted") {
      refusals.push(refuse(409, "decision.target", "accepted", "This set was accepted already."));
    }
  }
  return refusals;
}

/** A batch's decisions: those that are new to the log, each once, and what is wrong with the others. */
export function sortDecisions(requests: readonly DecisionRequest[], knowledge: DecisionKnowledge) {
  const refusals: Refusal[] = [];
  const fresh = new Map<string, DecisionRequest>();
  const takenBack = new Set<string>();
  const accepted = new Set<string>();
  requests.forEach((request, item) => {
    const { id, decision } = request;
    const refuse = (field: string, code: string, message: string) =>
      refusals.push({ status: 409, error: { item, id, field, code, message } });
    const twin = fresh.get(id);
    if (twin !== undefined) {
      const message = "Two different decisions of this batch have this id. Give each its own.";
      if (!sameDecision(twin, request)) refuse("id", "other-body", message);
      return;
    }
    refusals.push(...refusalsOf(request, item, knowledge));
    if (isStored(request, knowledge)) return;
    fresh.set(id, request);
    if (decision.kind === "accept") {
      if (accepted.has(decision.target))
        refuse("decision.target", "accepted", "This batch accepts it twice. Once is enough.");
      accepted.add(decision.target);
    }
    if (decision.kind !== "void") return;
    if (takenBack.has(decision.target)) {
      refuse("decision.target", "taken-back", "This batch takes it back twice. Once is enough.");
    }
    takenBack.add(decision.target);
  });
  return { refusals, fresh: [...fresh.values()] };
}
