import type { DecisionView } from "@mirrup/contract";
import { In } from "typeorm";
import { PersonEntity } from "../auth/person.entity.js";
import type { Scope } from "../database/scope.js";
import { DecisionEntity } from "./decision.entity.js";
import { decisionRequestOf } from "./request.js";

/** The lines that some of these took back, by their id. */
export function voidedBy(lines: readonly DecisionEntity[]): ReadonlySet<string> {
  return new Set(lines.flatMap(({ decision }) => (decision.kind === "void" ? [decision.target] : [])));
}

/** Decisions with who made each, and whether it was taken back. */
export async function decisionsAs(
  scope: Scope,
  lines: readonly DecisionEntity[],
  voided: ReadonlySet<string>,
): Promise<DecisionView[]> {
  const people = await scope.manager.findBy(PersonEntity, {
    id: In([...new Set(lines.flatMap((line) => line.personId ?? []))]),
  });
  const nameOf = new Map(people.map((person) => [person.id, person.name]));
  return lines.map((line) => {
    const { id, subject, side, decision, reason, at } = decisionRequestOf(line);
    const by = (line.personId === null ? undefined : nameOf.get(line.personId)) ?? null;
    return { id, subject, side, decision, reason, at, by, isVoided: voided.has(id) };
  });
}

/** A student's decisions, newest first, each with who made it and whether it was taken back. */
export async function decisionsOf(scope: Scope, studentId: string): Promise<DecisionView[]> {
  const lines = await scope.manager.find(DecisionEntity, {
    where: { studioId: scope.studio.id, studentId },
    order: { happenedAt: "DESC", id: "DESC" },
  });
  return decisionsAs(scope, lines, voidedBy(lines));
}
