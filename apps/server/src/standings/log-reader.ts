/** What of the log is read to fold sides: of whom, about what, and since when. */
import type { Instant, SubjectSide } from "@mirrup/core";
import { In, MoreThanOrEqual, Raw, type FindOptionsWhere } from "typeorm";
import type { Scope } from "../database/scope.js";
import {
  acceptedBy,
  DecisionEntity,
  LOG_SET_FIELDS,
  SetEntity,
  voidedBy,
  type LogSet,
} from "../log/index.js";
import type { LogRows } from "./log-lines.js";

/** One student's lines that can bear on some sides, on all where none are named. */
export interface Span {
  readonly studentId: string;
  readonly sides: readonly SubjectSide[] | "all";
  /** Null for the whole log. */
  readonly since: Instant | null;
}

function setsOf(scope: Scope, { studentId, sides, since }: Span): readonly FindOptionsWhere<SetEntity>[] {
  const where = {
    ...{ studioId: scope.studio.id, studentId },
    ...(since === null ? {} : { happenedAt: MoreThanOrEqual(new Date(since)) }),
  };
  if (sides === "all") return [where];
  return [
    { ...where, subject: In(subjectsFor(scope, sides)) },
    { ...where, drill: hasScore() },
  ];
}

/** Rows as they come: making entities of a long log takes longer than all that is then made of it. */
function setsIn(scope: Scope, where: FindOptionsWhere<SetEntity>[]): Promise<readonly LogSet[]> {
  const query = scope.manager.createQueryBuilder(SetEntity, "line").select([]);
  for (const field of LOG_SET_FIELDS) query.addSelect(`line.${field}`, field);
  return query.where(where).getRawMany<LogSet>();
}

/**
 * The lines of some spans that were not taken back, by student. Decisions are all read, since one that was made since
 * may take back what is older. Two queries, along the index by time.
 */
export async function linesOf(scope: Scope, spans: readonly Span[]): Promise<ReadonlyMap<string, LogRows>> {
  if (spans.length === 0) return new Map();
  const ids = spans.map((span) => span.studentId);
  const sets = await setsIn(
    scope,
    spans.flatMap((span) => setsOf(scope, span)),
  );
  const decisions = await scope.manager.findBy(DecisionEntity, {
    ...{ studioId: scope.studio.id, studentId: In([...new Set(ids)]) },
  });
  const voided = voidedBy(decisions);
  const accepted = acceptedBy(decisions);
  // What an instructor accepted counts as if they had written it down.
  const read = sets.map((set): LogSet => (accepted.has(set.id) ? { ...set, countedBy: "hand" } : set));
  const standing = <T extends { readonly id: string; readonly studentId: string }>(
    rows: readonly T[],
    studentId: string,
  ) => rows.filter((row) => row.studentId === studentId && !voided.has(row.id));
  return new Map(
    ids.map((id) => [id, { sets: standing(read, id), decisions: standing(decisions, id) }] as const),
  );
}

/** The subjects whose sets, without a score of their own, can bear on some sides. */
function subjectsFor({ catalogue }: Scope, sides: readonly SubjectSide[]): string[] {
  const named = sides.map((side) => side.subject);
  const needing = named.flatMap((subject) => [subject, ...(catalogue.neededBy.get(subject) ?? [])]);
  const base = (catalogue.roles.baseTest?.parts ?? []).map((part) => part.subject);
  return [...new Set([...needing, ...base])];
}

function hasScore() {
  return Raw((column) => `jsonb_exists(${column}, 'score')`);
}
