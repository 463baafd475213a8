import type { ClassPeriodQuery, ClassProgressView, RefitView } from "@mirrup/contract";
import { classPeriodQuery, classProgressReply, refitReply } from "@mirrup/contract/schemas";
import { Controller, Get, Query } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { Reading, Within } from "../door/index.js";
import { ClassProgressService } from "./class-progress.service.js";

@Controller("progress")
export class ClassProgressController {
  constructor(private readonly progress: ClassProgressService) {}

  @Get()
  @Reading({
    says: "What a group, or everybody, practised and cleared in a period, and who of them needs looking at",
    for: "viewer",
    reply: classProgressReply,
    pace: "heavy",
    refuses: [422],
  })
  read(
    @Within() scope: Scope,
    @Query({ schema: classPeriodQuery }) period: ClassPeriodQuery,
  ): Promise<ClassProgressView> {
    return this.progress.of(scope, period);
  }

  @Get("refit")
  @Reading({
    says: "What the studio's own log has made of the numbers by which odds are said",
    for: "viewer",
    reply: refitReply,
  })
  refit(@Within() scope: Scope): Promise<RefitView> {
    return Promise.resolve(this.progress.refitted(scope));
  }
}
