import type { Done, Items, RulesChange } from "@mirrup/contract";
import { doneReply, rulesChangesReply, rulesChangesRequest } from "@mirrup/contract/schemas";
import { Body, Controller, Get, HttpCode, Post } from "@nestjs/common";
import { In } from "typeorm";
import { Asking, For } from "../access/access.js";
import { type Member, Scopes } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { StudentEntity } from "../students/student.entity.js";
import { RulesChangeEntity } from "./rules-change.entity.js";
import { clearByHand } from "./school-change.js";
import { StandingsService } from "./standings.service.js";

const KEPT = "Cleared before Mirrup’s rules of evidence changed, and kept.";

@Controller("studio/rules-changes")
export class RulesChangesController {
  constructor(
    private readonly scopes: Scopes,
    private readonly standings: StandingsService,
  ) {}

  /** What newer rules read otherwise, until the owner has settled it. */
  @Get()
  @For("owner")
  @Reply(rulesChangesReply, 401, 403, 404)
  list(@Asking() member: Member): Promise<Items<RulesChange>> {
    return this.scopes.run(member, async ({ manager, studio }) => {
      const rows = await manager.findBy(RulesChangeEntity, { studioId: studio.id });
      const ids = [...new Set(rows.map((row) => row.studentId))];
      const students = await manager.findBy(StudentEntity, { studioId: studio.id, id: In(ids) });
      const names = new Map(students.map((student) => [student.id, student.name]));
      const items = rows.map(({ studentId, subject, side, isCleared, at }) => {
        return {
          studentId,
          name: names.get(studentId) ?? "",
          subject,
          side,
          isCleared,
          at: at.toISOString(),
        };
      });
      return { items };
    });
  }

  /** Settles them: as the rules have it, or keeping what they would reopen, as clearings by hand. Twice is once. */
  @Post()
  @HttpCode(200)
  @For("owner")
  @Reply(doneReply, 400, 401, 403, 404)
  settle(
    @Asking() member: Member,
    @Body({ schema: rulesChangesRequest }) { keep }: { readonly keep: boolean },
  ): Promise<Done> {
    return this.scopes.run(member, async (scope) => {
      const studioId = scope.studio.id;
      const rows = await scope.manager.find(RulesChangeEntity, {
        where: { studioId },
        lock: { mode: "pessimistic_write" },
      });
      const lost = rows.filter((row) => !row.isCleared);
      const ids = [...new Set(lost.map((row) => row.studentId))];
      const students = await scope.manager.find(StudentEntity, {
        where: { studioId, id: In(keep ? ids : []) },
        order: { id: "ASC" },
        lock: { mode: "for_no_key_update" },
      });
      for (const student of students) {
        const sides = lost.filter((row) => row.studentId === student.id);
        await clearByHand(scope, student.id, sides, KEPT);
        await this.standings.refold(scope, student, sides);
      }
      await scope.manager.delete(RulesChangeEntity, { studioId });
      return { done: true };
    });
  }
}
