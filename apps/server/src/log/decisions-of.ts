import type { DecisionView, LoggedDecision } from "@mirrup/contract";
import { In } from "typeorm";
import { PersonEntity } from "../auth/person.entity.js";
import type { Scope } from "../database/scope.js";
import { DecisionEntity } from "./decision.entity.js";
import { decisionRequestOf } from "./request.js";

/** The lines that some of these took back, by their id. */
export function voidedBy(lines: readonly DecisionEntity[]): ReadonlySet<string> {
  return new Set(lines.flatMap(({ decision }) => (decision.kind === "void" ? [decision.target] : [])));
}

/** Lines that are about another line of the log, and not about a side. */
export const isAboutLine = (
  decision: LoggedDecision,
): decision is Extract<LoggedDecision, { readonly target: string }> =>
  decision.kind === "void" || decision.kind === "accept";

/** The sets of some students' own counting that an instructor accepted, where that was not taken back. */
export function acceptedBy(lines: readonly DecisionEntity[]): ReadonlySet<string> {
  const voided = voidedBy(lines);
  return new Set(
    lines.flatMap(({ id, decision }) =>
      decision.kind === "accept" && !voided.has(id) ? [decision.target] : [],
    ),
  );
}

/** What people are called, by their ids; whoever has left no account is not among them. */
export async function peopleNamed(
  { manager }: Scope,
  lines: readonly { readonly personId: string | null }[],
): Promise<(personId: string | null) => string | null> {
  const ids = [...new Set(lines.flatMap(({ personId }) => personId ?? []))];
  const people = ids.length === 0 ? [] : await manager.findBy(PersonEntity, { id: In(ids) });
  const names = new Map(people.map(({ id, name }) => [id, name]));
  return (personId) => (personId === null ? null : (names.get(personId) ?? null));
}

/** Decisions with who made each, and whether it was taken back. */
export async function decisionsAs(
  scope: Scope,
  lines: readonly DecisionEntity[],
  voided: ReadonlySet<string>,
): Promise<DecisionView[]> {
  const nameOf = await peopleNamed(scope, lines);
  return lines.map((line) => {
    const { id, subject, side, decision, reason, at } = decisionRequestOf(line);
    const by = nameOf(line.personId);
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
