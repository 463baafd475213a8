import type { ChangesReply, Topic } from "@mirrup/contract";
import type { Scope } from "../database/scope.js";

/** More at once than anybody follows one by one. */
const MOST = 500;

interface Row {
  readonly number: string;
  readonly topics: readonly Topic[];
  readonly student_ids: readonly string[];
  readonly device: string | null;
}

/** A page that opens has read everything within so long; of the changes of that time some came between its readings. */
const OPENS_WITHIN_MS = 10_000;

/**
 * What was changed after a number; where none is named, in the last seconds, since a page reads before it knows from
 * where to follow. All of it may be, where more was than is kept.
 */
export async function changesAfter(
  { studio, manager, now }: Scope,
  after: number | null,
): Promise<ChangesReply> {
  const [clock] = await manager.query<readonly { readonly last: string }[]>(
    "SELECT last FROM change_clock WHERE studio_id = $1",
    [studio.id],
  );
  const number = Number(clock?.last ?? 0);
  if (after === number) return { number, all: false, items: [] };
  const rows = await manager.query<readonly Row[]>(
    `SELECT number, topics, student_ids, device FROM change
     WHERE studio_id = $1 AND ${after === null ? "at > $2" : "number > $2"} ORDER BY number LIMIT $3`,
    [studio.id, after ?? new Date(now.getTime() - OPENS_WITHIN_MS), MOST + 1],
  );
  const isMore = rows.length > MOST;
  // Fewer than were made: some are forgotten, or the number is another database's.
  if (isMore || (after !== null && rows.length !== number - after)) return { number, all: true, items: [] };
  const items = rows.map((row) => ({
    number: Number(row.number),
    topics: row.topics,
    studentIds: row.student_ids,
    device: row.device,
  }));
  return { number, all: false, items };
}
