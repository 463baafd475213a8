import { In, type DataSource } from "typeorm";
import { PersonEntity } from "../auth/person.entity.js";
import { MembershipEntity } from "../people/index.js";
import { StudioEntity } from "../studios/index.js";
import { KeepingRefusal } from "./refusal.js";

/**
 * Takes the demo club away for good, and whoever belonged to nothing else. Answers how many people that were.
 * Throws `KeepingRefusal` where there is none.
 */
export async function removeDemo(database: DataSource): Promise<number> {
  return database.transaction(async (manager) => {
    const demo = await manager.findOneBy(StudioEntity, { isDemo: true });
    if (demo === null) throw new KeepingRefusal("There is no demo club here.");
    const members = await manager.findBy(MembershipEntity, { studioId: demo.id });
    await manager.delete(StudioEntity, { id: demo.id });
    const ids = members.map((member) => member.personId);
    const others = await manager.findBy(MembershipEntity, { personId: In(ids) });
    const left = ids.filter((id) => !others.some((member) => member.personId === id));
    if (left.length > 0) await manager.delete(PersonEntity, { id: In(left) });
    return left.length;
  });
}
