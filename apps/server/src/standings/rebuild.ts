import type { DataSource } from "typeorm";
import { holdTeaching, Scopes } from "../database/scope.js";
import { StudentEntity } from "../students/student.entity.js";
import { StudioEntity } from "../studios/studio.entity.js";
import { readerFor, rulesHash } from "./learner.js";
import { StandingsService } from "./standings.service.js";

async function studioIds(database: DataSource): Promise<readonly string[]> {
  const studios = await database.manager.find(StudioEntity, { select: { id: true } });
  return studios.map((studio) => studio.id);
}

/** Makes the facts of every student anew from the log, a studio in one transaction; as the owner, who sees them all. */
export async function rebuildAll(database: DataSource): Promise<void> {
  const standings = new StandingsService();
  for (const studioId of await studioIds(database)) {
    await new Scopes(database).run({ studioId }, async (asked) => {
      const scope = await holdTeaching(asked);
      const students = await scope.manager.find(StudentEntity, {
        where: { studioId },
        // What comes in meanwhile waits, and is folded on top.
        ...{ order: { id: "ASC" }, lock: { mode: "for_no_key_update" } },
      });
      for (const student of students) await standings.refold(scope, student);
    });
  }
}

/**
 * Makes those facts anew that other rules made, so that the first read need not; answers how many students
 * had such. What that changes is written down for each studio's owner.
 */
export async function refreshAll(database: DataSource): Promise<number> {
  const standings = new StandingsService();
  let stale = 0;
  for (const studioId of await studioIds(database)) {
    await new Scopes(database).run({ studioId }, async (scope) => {
      const students = await scope.manager.findBy(StudentEntity, { studioId });
      const old = students.filter(
        (student) => student.factsRules !== rulesHash(scope, readerFor(scope, student)),
      );
      stale += old.length;
      await standings.factsOf(scope, old);
    });
  }
  return stale;
}
