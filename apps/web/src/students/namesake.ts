/** Whoever is added twice has two records, and each of them half of what they practised. Pure. */
import { plainName } from "../app/plain.js";
import type { Named } from "./use-everybody.js";

/**
 * Somebody of that name, if there is one already: rather one who comes than one who is archived, and of several records
 * of a child the one that is kept.
 */
export function namesakeOf(name: string, everybody: readonly Named[]): Named | null {
  const sought = plainName(name);
  if (sought === "") return null;
  const alike = everybody.filter((one) => plainName(one.name) === sought);
  const found = alike.find(({ isArchived }) => !isArchived) ?? alike[0] ?? null;
  return everybody.find(({ id }) => id === found?.sameAs) ?? found;
}

/** What to know before another of that name is added. */
export function namesakeWords({ name, isArchived }: Named): string {
  return isArchived
    ? `${name} is archived. Bring them back under Show, archived, and all they practised is there again.`
    : `${name} is in the list already. Adding makes a second record.`;
}

/** Those whose name somebody else of them has too: perhaps one child, added by two people. */
export function sharingNames(all: readonly Pick<Named, "id" | "name">[]): ReadonlySet<string> {
  const first = new Map<string, string>();
  const shared = new Set<string>();
  for (const { id, name } of all) {
    const other = first.get(plainName(name));
    if (other === undefined) first.set(plainName(name), id);
    else shared.add(other).add(id);
  }
  return shared;
}
