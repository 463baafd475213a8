import { JUMPS_AT_HAND, type JumpMeasure, type JumpRequest } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { saidAt } from "../log/index.js";
import { JumpEntity } from "./jump.entity.js";

export function measureOf(jump: JumpEntity): JumpMeasure {
  const { id, turns, heightMm, contactMs, landings, way, measuredAt } = jump;
  return { id, turns, heightMm, contactMs, landings, way, measuredAt: measuredAt.toISOString() };
}

/** How high students jump, as it was measured. */
@Injectable()
export class JumpsService {
  /** The newest first, without what was taken back. */
  async list(scope: Scope, studentId: string): Promise<JumpMeasure[]> {
    const jumps = await scope.manager.find(JumpEntity, {
      where: { studioId: scope.studio.id, studentId, removed: false },
      order: { measuredAt: "DESC", id: "DESC" },
      take: JUMPS_AT_HAND,
    });
    return jumps.map(measureOf);
  }

  /** All of them, the oldest first. */
  async all(scope: Scope, studentId: string): Promise<JumpMeasure[]> {
    const jumps = await scope.manager.find(JumpEntity, {
      where: { studioId: scope.studio.id, studentId, removed: false },
      order: { measuredAt: "ASC", id: "ASC" },
    });
    return jumps.map(measureOf);
  }

  /**
   * Keeps a measure, or takes it back. Whoever calls holds the student: of two words about one the one counts that was
   * said last, whichever comes first.
   */
  async say(scope: Scope, studentId: string, request: JumpRequest): Promise<void> {
    const { id, turns, heightMm, contactMs, landings, way, removed } = request;
    const studioId = scope.studio.id;
    const said = saidAt(request.at === undefined ? {} : { at: request.at }, scope.now);
    const known = await scope.manager.findOneBy(JumpEntity, { studioId, studentId, id });
    if (known !== null && known.saidAt > said) return;
    const measuredAt = saidAt({ at: request.measuredAt }, scope.now);
    const jump = { studioId, id, studentId, turns, heightMm, contactMs, landings, way, measuredAt };
    await scope.manager.upsert(JumpEntity, { ...jump, removed, saidAt: said }, [
      "studioId",
      "studentId",
      "id",
    ]);
  }
}
