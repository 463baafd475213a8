import type { EntityManager } from "typeorm";

/** Ends a person's sessions at once, on every device but that of one session. */
export async function endSessions(manager: EntityManager, personId: string, exceptSid = ""): Promise<void> {
  await manager.query("DELETE FROM auth_session WHERE sess ->> 'personId' = $1 AND sid <> $2", [
    personId,
    exceptSid,
  ]);
}
