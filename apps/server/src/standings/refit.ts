/**
 * The learner model refitted to each studio's own log (record.md, Chances). It is done beside the server:
 * each scope that writes facts holds its studio, so that nobody's set is read under one model and written under another.
 */
import { DAY_MS } from "@mirrup/core";
import { HANDBOOK_MODEL, refit, type StudentLog } from "@mirrup/core/teaching";
import type { DataSource } from "typeorm";
import { Scopes, type Scope } from "../database/scope.js";
import { SetEntity } from "../log/index.js";
import { StudentEntity } from "../students/student.entity.js";
import { StudioEntity } from "../studios/studio.entity.js";
import { modelOf, syllabusFor } from "./learner.js";
import { linesFrom } from "./log-lines.js";
import { RememberedFacts } from "./remembered.js";
import { StandingsService } from "./standings.service.js";

/** Fewer new sets than this teach nothing, and more often than this nobody wants to wait for it. */
const NEW_SETS = 200;
const DAYS_BETWEEN = 7;
/** Enough to tell; the past fades anyway. About ten seconds. */
const MOST_SETS = 20_000;

/** Whether a studio's log has grown enough, and the last time is long enough ago. */
export function isDue(
  { modelAt, modelSets }: Pick<StudioEntity, "modelAt" | "modelSets">,
  sets: number,
  now: Date,
): boolean {
  const rested = modelAt === null || now.getTime() - modelAt.getTime() >= DAYS_BETWEEN * DAY_MS;
  return rested && sets - modelSets >= NEW_SETS;
}

/** The logs of the students who practised last, as many as are read at all. */
async function logsOf(scope: Scope, standings: StandingsService): Promise<readonly StudentLog[]> {
  const studioId = scope.studio.id;
  const newest = await scope.manager
    .createQueryBuilder(SetEntity, "one")
    .select("one.studentId", "studentId")
    .addSelect("count(*)::int", "sets")
    .where({ studioId })
    .groupBy("one.studentId")
    .orderBy("max(one.happenedAt)", "DESC")
    .getRawMany<{ readonly studentId: string; readonly sets: number }>();
  const logs: StudentLog[] = [];
  let read = 0;
  for (const { studentId, sets } of newest) {
    if (read > 0 && read + sets > MOST_SETS) break;
    read += sets;
    const student = await scope.manager.findOneByOrFail(StudentEntity, { studioId, id: studentId });
    const lines = linesFrom(await standings.linesOf(scope, studentId), scope.studio.timeZone);
    logs.push({ ...lines, syllabus: syllabusFor(scope, student) });
  }
  return logs;
}

/**
 * Refits the studios whose log asks for it; answers how many those were. Where that fails, the studio's odds
 * stay as they were and `onFailure` is told: nobody is kept out of a hall for it.
 */
export async function refitAll(
  database: DataSource,
  now: Date,
  onFailure: (studioId: string, error: unknown) => void,
): Promise<number> {
  const standings = new StandingsService(new RememberedFacts());
  const studios = await database.manager.find(StudioEntity);
  let refitted = 0;
  for (const { id, modelAt, modelSets } of studios) {
    const sets = await database.manager.countBy(SetEntity, { studioId: id });
    if (!isDue({ modelAt, modelSets }, sets, now)) continue;
    try {
      await new Scopes(database).run({ studioId: id }, async (scope) => {
        const model = refit(await logsOf(scope, standings), HANDBOOK_MODEL, modelOf(scope).version);
        await scope.manager.update(StudioEntity, { id }, { model, modelSets: sets, modelAt: now });
      });
      refitted += 1;
    } catch (error) {
      onFailure(id, error);
    }
  }
  return refitted;
}
