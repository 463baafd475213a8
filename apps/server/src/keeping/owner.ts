import type { DataSource } from "typeorm";
import { PersonEntity } from "../auth/person.entity.js";
import { makeInvitation } from "../links/index.js";
import { MembershipEntity } from "../people/index.js";
import { StudioEntity } from "../studios/index.js";
import { KeepingRefusal } from "./refusal.js";

/** What was done for somebody: they own the studio now, or a link was made by which they can. */
export type MadeOwner =
  | { readonly kind: "owner"; readonly studio: string }
  | { readonly kind: "invited"; readonly studio: string; readonly token: string };

async function studioCalled(database: DataSource, name: string | null): Promise<StudioEntity> {
  const studios = await database.manager.find(StudioEntity, { order: { name: "ASC" } });
  const found = name === null ? studios : studios.filter((studio) => studio.name === name);
  const [only] = found;
  if (only !== undefined && found.length === 1) return only;
  const names = studios.map((studio) => studio.name).join(", ");
  if (studios.length === 0) throw new KeepingRefusal("There is no studio yet. Open Mirrup and set one up.");
  throw new KeepingRefusal(`Say which studio, with --studio NAME, of: ${names}.`);
}

/**
 * Makes somebody an owner: where nobody who could do it can sign in any more. Throws `KeepingRefusal` where it is not
 * clear of which studio.
 */
export async function makeOwner(
  database: DataSource,
  {
    email,
    studio: name,
    now,
  }: { readonly email: string; readonly studio: string | null; readonly now: Date },
): Promise<MadeOwner> {
  const studio = await studioCalled(database, name);
  return database.transaction(async (manager): Promise<MadeOwner> => {
    const person = await manager.findOneBy(PersonEntity, { email: email.toLowerCase() });
    if (person === null) {
      const asked = { email: email.toLowerCase(), role: "owner", studioId: studio.id, now } as const;
      return { kind: "invited", studio: studio.name, token: await makeInvitation(manager, asked) };
    }
    const membership = { studioId: studio.id, personId: person.id, role: "owner" } as const;
    await manager.upsert(MembershipEntity, membership, ["studioId", "personId"]);
    return { kind: "owner", studio: studio.name };
  });
}
