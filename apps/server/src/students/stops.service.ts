import { localDate } from "@mirrup/core";
import { Injectable } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { EarlyStopEntity } from "./early-stop.entity.js";

/** Who stopped early today: no drill is offered to them any more on that day. */
@Injectable()
export class StopsService {
  /** The students who stopped today; one query. */
  async today(scope: Scope): Promise<ReadonlySet<string>> {
    const rows = await scope.manager.findBy(EarlyStopEntity, {
      studioId: scope.studio.id,
      day: dayOf(scope),
    });
    return new Set(rows.map((row) => row.studentId));
  }

  async hasStopped(scope: Scope, studentId: string): Promise<boolean> {
    return scope.manager.existsBy(EarlyStopEntity, {
      studioId: scope.studio.id,
      studentId,
      day: dayOf(scope),
    });
  }

  /** Ends jumping for the student today; twice is the same as once. */
  async stop(scope: Scope, studentId: string): Promise<void> {
    const row = { studioId: scope.studio.id, studentId, day: dayOf(scope) };
    await scope.manager.upsert(EarlyStopEntity, row, ["studioId", "studentId", "day"]);
  }

  async takeBack(scope: Scope, studentId: string): Promise<void> {
    await scope.manager.delete(EarlyStopEntity, { studioId: scope.studio.id, studentId, day: dayOf(scope) });
  }
}

function dayOf({ now, studio }: Scope): string {
  return localDate(now.getTime(), studio.timeZone);
}
