import type { PeriodQuery, ProgressView, SideProgressView } from "@mirrup/contract";
import {
  idParam,
  lastSetsQuery,
  periodQuery,
  progressReply,
  sideProgressReply,
} from "@mirrup/contract/schemas";
import type { SideName } from "@mirrup/core";
import { Controller, Get, Param, Query } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { Reading, Within } from "../door/index.js";
import { ProgressService } from "./progress.service.js";
import { StudentsService } from "./students.service.js";

@Controller("students/:id/progress")
export class ProgressController {
  constructor(
    private readonly students: StudentsService,
    private readonly progress: ProgressService,
  ) {}

  @Get()
  @Reading({
    says: "What a student practised in a period by day and side, landings by week, and what was cleared",
    for: "viewer",
    reply: progressReply,
    refuses: [410, 422],
  })
  read(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: periodQuery }) period: PeriodQuery,
  ): Promise<ProgressView> {
    return this.progress.of(scope, id, period);
  }

  @Get("side")
  @Reading({
    says: "How one side has come along: its chance lesson by lesson, how evenly it sounded, and its misses",
    for: "viewer",
    reply: sideProgressReply,
    refuses: [410, 422],
  })
  async side(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: lastSetsQuery }) about: { readonly subject: string; readonly side: SideName },
  ): Promise<SideProgressView> {
    return this.progress.ofSide(scope, await this.students.getOrThrow(scope, id), about);
  }
}
