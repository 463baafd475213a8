/** A page of a student's log, the newest first: sets and decisions as one line of time. */
import { LOG_PAGE_SIZE, type LogLine, type LogPage, type LogQuery } from "@mirrup/contract";
import type { EntityTarget, ObjectLiteral } from "typeorm";
import type { Scope } from "../database/scope.js";
import { decisionsAs } from "./decisions-of.js";
import { DecisionEntity } from "./decision.entity.js";
import { withNotes } from "./notes.js";
import { SetEntity } from "./set.entity.js";

interface Place {
  readonly at: Date;
  readonly id: string;
}

/** `2026-06-01T12:00:00.000Z~…`: what stands before is in the next page. */
function placeOf(text: string): Place {
  const [at = "", id = ""] = text.split("~");
  return { at: new Date(at), id };
}

interface Asked {
  readonly studentId: string;
  readonly subject?: string | undefined;
  readonly before: Place | null;
}

/** One more than a page of one kind, along the index by time; or by subject, where one is asked for. */
function linesBefore<Line extends ObjectLiteral & { readonly happenedAt: Date; readonly id: string }>(
  { manager, studio }: Scope,
  entity: EntityTarget<Line>,
  { studentId, subject, before }: Asked,
  and: string,
): Promise<Line[]> {
  const where = { studioId: studio.id, studentId, ...(subject === undefined ? {} : { subject }) };
  const query = manager.createQueryBuilder(entity, "line").where(where).andWhere(and);
  if (before !== null) {
    // The first by itself, too: the index by time has no id, and begins there.
    query
      .andWhere("line.happened_at <= :at AND (line.happened_at, line.id) < (:at, :id)")
      .setParameters({ at: before.at, id: before.id });
  }
  return query
    .orderBy("line.happened_at", "DESC")
    .addOrderBy("line.id", "DESC")
    .limit(LOG_PAGE_SIZE + 1)
    .getMany();
}

/** Those of some lines that were taken back. */
async function voidedAmong(
  scope: Scope,
  studentId: string,
  ids: readonly string[],
): Promise<ReadonlySet<string>> {
  if (ids.length === 0) return new Set();
  const rows = await scope.manager.query<{ readonly target: string }[]>(
    `SELECT decision ->> 'target' AS target FROM decision
      WHERE studio_id = $1 AND student_id = $2 AND decision ->> 'kind' = 'void' AND decision ->> 'target' = ANY($3)`,
    [scope.studio.id, studentId, ids],
  );
  return new Set(rows.map(({ target }) => target));
}

const isLater = (one: Place, other: Place) =>
  one.at.getTime() - other.at.getTime() || (one.id < other.id ? -1 : 1);

/** What happened before a place, or at the last; taking something back is told at what was taken back. */
export async function logPage(
  scope: Scope,
  studentId: string,
  { before, subject, kind }: LogQuery,
): Promise<LogPage> {
  const asked: Asked = { studentId, subject, before: before === undefined ? null : placeOf(before) };
  const sets = kind === "decision" ? [] : await linesBefore(scope, SetEntity, asked, "TRUE");
  const decisions =
    kind === "set"
      ? []
      : await linesBefore(scope, DecisionEntity, asked, "line.decision ->> 'kind' <> 'void'");
  const merged = [...sets, ...decisions]
    .map((line) => ({ line, at: line.happenedAt, id: line.id }))
    .sort((one, other) => isLater(other, one));
  const page = merged.slice(0, LOG_PAGE_SIZE);
  const voided = await voidedAmong(
    scope,
    studentId,
    page.map(({ id }) => id),
  );
  const views = new Map<string, LogLine>();
  const onPage = new Set(page.map(({ id }) => id));
  const shown = await withNotes(
    scope,
    sets.filter(({ id }) => onPage.has(id)),
  );
  const at = new Map(page.map(({ id, at: when }) => [id, when.toISOString()]));
  for (const set of shown) {
    views.set(set.id, { kind: "set", at: at.get(set.id) ?? set.at, set, isVoided: voided.has(set.id) });
  }
  const decided = await decisionsAs(
    scope,
    decisions.filter(({ id }) => onPage.has(id)),
    voided,
  );
  for (const decision of decided) {
    views.set(decision.id, { kind: "decision", at: at.get(decision.id) ?? decision.at, decision });
  }
  const last = page.at(-1);
  const hasMore = merged.length > page.length && last !== undefined;
  return {
    items: page.flatMap(({ id }) => views.get(id) ?? []),
    next: hasMore ? `${last.at.toISOString()}~${last.id}` : null,
  };
}
