import { ROLES, type Membership } from "@mirrup/contract";
import type { EntityManager } from "typeorm";

/** The studios that a person belongs to; asked of the database's owner, since it is asked before a studio is named. */
export async function membershipsOf(manager: EntityManager, personId: string): Promise<Membership[]> {
  const rows = await manager.query<
    readonly { readonly studio_id: string; readonly studio_name: string; readonly role: string }[]
  >("SELECT studio_id, studio_name, role FROM mirrup_memberships_of($1)", [personId]);
  return rows.map((row) => ({
    studioId: row.studio_id,
    studioName: row.studio_name,
    role: ROLES.find((role) => role === row.role) ?? "viewer",
  }));
}

/** The demo club's coach, whom anybody may look around as; null where there is no demo. */
export async function demoCoach(manager: EntityManager): Promise<string | null> {
  const [row] = await manager.query<readonly { readonly id: string | null }[]>(
    "SELECT mirrup_demo_coach() AS id",
  );
  return row?.id ?? null;
}
