import { In, Not, type DataSource } from "typeorm";
import { Scopes } from "../database/scope.js";
import { StudentEntity } from "../students/student.entity.js";
import { FACTS_VERSION, StudioEntity } from "../studios/studio.entity.js";
import { StandingsService } from "./standings.service.js";

/** Makes the facts of every student of some studios anew from the log, a studio in one transaction. */
export async function rebuildStudios(database: DataSource, studioIds: readonly string[]): Promise<void> {
  const standings = new StandingsService();
  for (const studioId of studioIds) {
    await new Scopes(database).run({ studioId }, async (scope) => {
      const students = await scope.manager.findBy(StudentEntity, { studioId });
      for (const student of students) await standings.refold(scope, student);
      await scope.manager.update(StudioEntity, { id: studioId }, { factsVersion: FACTS_VERSION });
    });
  }
}

/** Studios whose facts have another shape than this version's, or all of them; as the owner, who sees them. */
export async function studiosToRebuild(database: DataSource, all = false): Promise<string[]> {
  const where = all ? {} : { factsVersion: Not(In([FACTS_VERSION])) };
  const studios = await database.manager.find(StudioEntity, { where, select: { id: true } });
  return studios.map((studio) => studio.id);
}
