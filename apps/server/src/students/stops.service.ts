import type { Tapped } from "@mirrup/contract";
import { localDate } from "@mirrup/core";
import { Injectable } from "@nestjs/common";
import { AuditService } from "../audit/index.js";
import type { Scope } from "../database/scope.js";
import { saidAt } from "../log/index.js";
import { EarlyStopEntity } from "./early-stop.entity.js";

/** Who stopped early on a day: no drill is offered to them any more on that day. */
@Injectable()
export class StopsService {
  constructor(private readonly audit: AuditService) {}

  /** The students who stopped today; one query. */
  async today(scope: Scope): Promise<ReadonlySet<string>> {
    const rows = await scope.manager.findBy(EarlyStopEntity, {
      studioId: scope.studio.id,
      day: dayOf(scope, scope.now),
      stops: true,
    });
    return new Set(rows.map((row) => row.studentId));
  }

  async hasStopped(scope: Scope, studentId: string): Promise<boolean> {
    return scope.manager.existsBy(EarlyStopEntity, {
      studioId: scope.studio.id,
      studentId,
      day: dayOf(scope, scope.now),
      stops: true,
    });
  }

  /**
   * Ends jumping for the student on the day on which it was said, or takes that back. Whoever calls holds the student,
   * so that of two devices the word counts that was said last, whichever comes first.
   */
  async say(scope: Scope, studentId: string, stops: boolean, tapped: Tapped): Promise<void> {
    const at = saidAt(tapped, scope.now);
    const key = { studioId: scope.studio.id, studentId, day: dayOf(scope, at) };
    const known = await scope.manager.findOneBy(EarlyStopEntity, key);
    if (known !== null && known.saidAt > at) return;
    const isNew = (known?.stops ?? false) !== stops;
    await scope.manager.upsert(EarlyStopEntity, { ...key, stops, saidAt: at }, [
      "studioId",
      "studentId",
      "day",
    ]);
    if (isNew) await this.audit.note(scope, stops ? "stopped-early" : "took-stop-back", { studentId });
  }
}

function dayOf({ studio }: Scope, at: Date): string {
  return localDate(at.getTime(), studio.timeZone);
}
