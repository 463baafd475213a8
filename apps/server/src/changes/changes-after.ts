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

/** What was changed after a number, nothing where none is named; all of it may be, where more was than is kept. */
export async function changesAfter({ studio, manager }: Scope, after: number | null): Promise<ChangesReply> {
  const [clock] = await manager.query<readonly { readonly last: string }[]>(
    "SELECT last FROM change_clock WHERE studio_id = $1",
    [studio.id],
  );
  const number = Number(clock?.last ?? 0);
  if (after === null || after === number) return { number, all: false, items: [] };
  const rows = await manager.query<readonly Row[]>(
    `SELECT number, topics, student_ids, device FROM change
     WHERE studio_id = $1 AND number > $2 ORDER BY number LIMIT $3`,
    [studio.id, after, MOST + 1],
  );
  // Fewer than were made: some are forgotten, or the number is another database's.
  if (rows.length > MOST || rows.length !== number - after) return { number, all: true, items: [] };
  const items = rows.map((row) => ({
    number: Number(row.number),
    topics: row.topics,
    studentIds: row.student_ids,
    device: row.device,
  }));
  return { number, all: false, items };
}
