import type { DataSource } from "typeorm";
import { holdTeaching, Scopes, type TeachingScope } from "../database/scope.js";
import { StudentEntity } from "../students/student.entity.js";
import { StudioEntity } from "../studios/studio.entity.js";
import { readerFor, rulesHash } from "./learner.js";
import { RememberedFacts } from "./remembered.js";
import { StandingsService } from "./standings.service.js";

async function studioIds(database: DataSource): Promise<readonly string[]> {
  const studios = await database.manager.find(StudioEntity, { select: { id: true } });
  return studios.map((studio) => studio.id);
}

/** Does something with every student, each held and in a transaction of their own: nobody waits for more than one. */
async function forEachStudent(
  database: DataSource,
  work: (scope: TeachingScope, student: StudentEntity) => Promise<void>,
): Promise<void> {
  for (const studioId of await studioIds(database)) {
    const students = await database.manager.find(StudentEntity, {
      select: { id: true },
      where: { studioId },
    });
    for (const { id } of students)
      await new Scopes(database).run({ studioId }, async (asked) => {
        const scope = await holdTeaching(asked);
        const student = await scope.manager.findOne(StudentEntity, {
          where: { studioId, id },
          // What comes in meanwhile waits, and is folded on top.
          lock: { mode: "for_no_key_update" },
        });
        if (student !== null) await work(scope, student);
      });
  }
}

/** Makes the facts of every student anew from the log; as the owner, who sees them all. */
export async function rebuildAll(database: DataSource): Promise<void> {
  const standings = new StandingsService(new RememberedFacts());
  await forEachStudent(database, (scope, student) => standings.refold(scope, student));
}

/**
 * Makes those facts anew that other rules made, so that the first read need not; answers how many students
 * had such. What that changes is written down for each studio's owner.
 */
export async function refreshAll(database: DataSource): Promise<number> {
  const standings = new StandingsService(new RememberedFacts());
  let stale = 0;
  await forEachStudent(database, async (scope, student) => {
    if (student.factsRules === rulesHash(scope, readerFor(scope, student))) return;
    stale += 1;
    await standings.factsOf(scope, [student]);
  });
  return stale;
}
