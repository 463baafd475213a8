import type { Topic } from "@mirrup/contract";
import type { Scope } from "../database/scope.js";

/** On which PostgreSQL tells every server that a studio has another change. */
export const CHANNEL = "mirrup_changes";

export interface Told {
  readonly topics: readonly Topic[];
  readonly studentIds: readonly string[];
  readonly device: string | null;
}

/**
 * Writes down that the scope changed something, and tells whoever waits for it once that is kept. The last of a
 * transaction: the studio's number is held until its end, so that numbers come in the order in which they are seen.
 */
export async function tellChange(scope: Scope, { topics, studentIds, device }: Told): Promise<void> {
  await scope.manager.query(
    `WITH next AS (
       INSERT INTO change_clock AS clock (studio_id, last) VALUES ($1, 1)
       ON CONFLICT (studio_id) DO UPDATE SET last = clock.last + 1 RETURNING last
     ), line AS (
       INSERT INTO change (studio_id, number, at, topics, student_ids, device)
       SELECT $1, last, $2, $3, $4, $5 FROM next
     )
     SELECT pg_notify('${CHANNEL}', $1::text)`,
    [scope.studio.id, scope.now, topics, studentIds, device],
  );
}
