/** What was written into the log: sets as they were counted, and decisions. */
import type { LogLine } from "@mirrup/contract";
import type { EntityTarget, ObjectLiteral, SelectQueryBuilder } from "typeorm";
import type { Scope } from "../../database/scope.js";
import { decisionsAs, DecisionEntity, peopleNamed, SetEntity, withNotes } from "../../log/index.js";
import type { BecameBySet } from "./became.js";
import { ENOUGH, likeOf, type Asked, type Placed } from "./place.js";

/** Lines of one kind before a place, along the index by time. */
function linesBefore<Line extends ObjectLiteral & { readonly happenedAt: Date; readonly id: string }>(
  { manager, studio }: Scope,
  entity: EntityTarget<Line>,
  { studentId, before }: Asked,
): SelectQueryBuilder<Line> {
  const query = manager.createQueryBuilder(entity, "line").where({ studioId: studio.id, studentId });
  if (before !== null) {
    // The first by itself, too: the index by time has no id, and begins there.
    query.andWhere("line.happened_at <= :at AND (line.happened_at, line.id) < (:at, :id)", {
      at: before.at,
      id: before.id,
    });
  }
  return query.orderBy("line.happened_at", "DESC").addOrderBy("line.id", "DESC").limit(ENOUGH);
}

/** Those of some lines that were taken back. */
async function voidedAmong(
  scope: Scope,
  studentId: string,
  lines: readonly { readonly id: string }[],
): Promise<ReadonlySet<string>> {
  if (lines.length === 0) return new Set();
  const rows = await scope.manager.query<{ readonly target: string }[]>(
    `SELECT decision ->> 'target' AS target FROM decision
      WHERE studio_id = $1 AND student_id = $2 AND decision ->> 'kind' = 'void' AND decision ->> 'target' = ANY($3)`,
    [scope.studio.id, studentId, lines.map(({ id }) => id)],
  );
  return new Set(rows.map(({ target }) => target));
}

function placed<View extends { readonly id: string }>(
  lines: readonly { readonly id: string; readonly happenedAt: Date }[],
  views: readonly View[],
  lineOf: (view: View, at: string) => LogLine,
): readonly Placed[] {
  const byId = new Map(views.map((view) => [view.id, view]));
  return lines.flatMap(({ id, happenedAt }) => {
    const view = byId.get(id);
    return view === undefined ? [] : [{ at: happenedAt, id, line: lineOf(view, happenedAt.toISOString()) }];
  });
}

/** Sets, each with what became by it; only those by which something became, where milestones are asked for. */
export async function counted(
  scope: Scope,
  asked: Asked,
  became: BecameBySet,
  only: "set" | "milestone",
): Promise<readonly Placed[]> {
  const { studentId, subject, text } = asked;
  const query = linesBefore(scope, SetEntity, asked);
  if (only === "milestone") {
    const ids = [...became].flatMap(([id, own]) =>
      subject === undefined || own.some((one) => one.subject === subject) ? [id] : [],
    );
    if (ids.length === 0) return [];
    query.andWhere("line.id = ANY(:ids)", { ids });
  } else if (subject !== undefined) query.andWhere({ subject });
  if (text !== undefined) {
    query.andWhere(
      `EXISTS (SELECT FROM set_note AS note
                WHERE note.studio_id = line.studio_id AND note.set_id = line.id AND note.text ILIKE :like)`,
      { like: likeOf(text) },
    );
  }
  const sets = await query.getMany();
  const voided = await voidedAmong(scope, studentId, sets);
  const nameOf = await peopleNamed(scope, sets);
  const sentBy = new Map(sets.map(({ id, personId }) => [id, nameOf(personId)]));
  return placed(sets, await withNotes(scope, sets), (set, at) => {
    const isVoided = voided.has(set.id);
    const by = sentBy.get(set.id) ?? null;
    return { kind: "set", at, set, by, isVoided, became: isVoided ? [] : (became.get(set.id) ?? []) };
  });
}

/** Decisions; taking something back is told at what was taken back. */
export async function decided(scope: Scope, asked: Asked): Promise<readonly Placed[]> {
  const { studentId, subject, text } = asked;
  const query = linesBefore(scope, DecisionEntity, asked).andWhere("line.decision ->> 'kind' <> 'void'");
  if (subject !== undefined) query.andWhere({ subject });
  if (text !== undefined) query.andWhere("line.reason ILIKE :like", { like: likeOf(text) });
  const lines = await query.getMany();
  const voided = await voidedAmong(scope, studentId, lines);
  return placed(lines, await decisionsAs(scope, lines, voided), (decision, at) => ({
    ...{ kind: "decision", at, decision },
  }));
}
