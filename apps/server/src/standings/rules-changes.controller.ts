import type { Done, Items, RulesChange } from "@mirrup/contract";
import { doneReply, rulesChangesReply, rulesChangesRequest } from "@mirrup/contract/schemas";
import { Body, Controller, Get, Post } from "@nestjs/common";
import { In } from "typeorm";
import { AuditService } from "../audit/index.js";
import { Command, Reading, Within } from "../door/index.js";
import { holdTeaching, type Scope } from "../database/scope.js";
import { StudentEntity } from "../students/student.entity.js";
import { RulesChangeEntity } from "./rules-change.entity.js";
import { clearByHand } from "./school-change.js";
import { StandingsService } from "./standings.service.js";

const KEPT = "Cleared before Mirrup’s rules of evidence changed, and kept.";

@Controller("studio/rules-changes")
export class RulesChangesController {
  constructor(
    private readonly standings: StandingsService,
    private readonly audit: AuditService,
  ) {}

  @Get()
  @Reading({
    says: "What newer rules read otherwise, until the owner has settled it",
    for: "owner",
    reply: rulesChangesReply,
  })
  async list(@Within() scope: Scope): Promise<Items<RulesChange>> {
    const { manager, studio } = scope;
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
  }

  @Post()
  @Command({
    says: "Settles them: as the rules have it, or keeping what they would reopen, as clearings by hand. Twice is once",
    for: "owner",
    reply: doneReply,
    audit: ["settled-rules"],
    touches: ["studio", "students"],
  })
  async settle(
    @Within() asked: Scope,
    @Body({ schema: rulesChangesRequest }) { keep }: { readonly keep: boolean },
  ): Promise<Done> {
    const scope = await holdTeaching(asked);
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
    if (rows.length > 0)
      await this.audit.note(scope, "settled-rules", { about: keep ? "kept" : "as the rules have it" });
    return { done: true };
  }
}
