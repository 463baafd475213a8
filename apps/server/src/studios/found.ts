import type { NewStudio } from "@mirrup/contract";
import type { EntityManager } from "typeorm";
import { v7 as uuid } from "uuid";
import type { AuditService } from "../audit/index.js";
import { enterStudio, scopeIn } from "../database/scope.js";
import { MembershipEntity } from "../people/membership.entity.js";
import { NEW_STUDIO, StudioEntity } from "./studio.entity.js";

/** Makes a studio whose owner is a person that is there already. */
export async function foundStudio(
  manager: EntityManager,
  { studioName, timeZone, school }: NewStudio,
  personId: string,
  now: Date,
  audit: AuditService,
): Promise<StudioEntity> {
  const own = { name: studioName.trim(), timeZone, school, isDemo: false, createdAt: now };
  const studio: StudioEntity = { ...NEW_STUDIO, ...own, id: uuid() };
  await enterStudio(manager, studio.id);
  await manager.insert(StudioEntity, studio);
  await manager.insert(MembershipEntity, { studioId: studio.id, personId, role: "owner" });
  await audit.note(await scopeIn(manager, { studio, personId, now }), "set-up");
  return studio;
}
