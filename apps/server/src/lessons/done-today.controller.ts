import type { DoneSide, Items } from "@mirrup/contract";
import { doneSidesReply, idParam } from "@mirrup/contract/schemas";
import { localDate } from "@mirrup/core";
import { Controller, Get, Param } from "@nestjs/common";
import { Reading, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { StudentsService } from "../students/index.js";
import { DoneService } from "./done.service.js";

@Controller("students/:id/done")
export class DoneTodayController {
  constructor(
    private readonly students: StudentsService,
    private readonly done: DoneService,
  ) {}

  @Get()
  @Reading({
    says: "What a student did today, to stand beside what was planned",
    for: "viewer",
    reply: doneSidesReply,
    refuses: [410],
  })
  async today(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
  ): Promise<Items<DoneSide>> {
    await this.students.getOrThrow(scope, id);
    const day = localDate(scope.now.getTime(), scope.studio.timeZone);
    return { items: await this.done.of(scope, day, [id]) };
  }
}
