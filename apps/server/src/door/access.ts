import type { Role } from "@mirrup/contract";

/** Who may call a route: everybody; whoever is signed in; members of the studio with at least a role. */
export type Least = "public" | "signed-in" | Role;

const RANK: Readonly<Record<Role, number>> = { viewer: 0, coach: 1, owner: 2 };

export function mayAct(role: Role, least: Role): boolean {
  return RANK[role] >= RANK[least];
}

/** The role that a route asks for; null where it asks for none. */
export function roleOf(least: Least): Role | null {
  return least === "public" || least === "signed-in" ? null : least;
}
