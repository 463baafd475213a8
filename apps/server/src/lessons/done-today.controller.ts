import type { DoneSide, Items } from "@mirrup/contract";
import { doneSidesReply, idParam } from "@mirrup/contract/schemas";
import { localDate } from "@mirrup/core";
import { Controller, Get, Param } from "@nestjs/common";
import { Asking, For } from "../access/access.js";
import { Scopes, type Member } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { StudentsService } from "../students/index.js";
import { DoneService } from "./done.service.js";

@Controller("students/:id/done")
export class DoneTodayController {
  constructor(
    private readonly scopes: Scopes,
    private readonly students: StudentsService,
    private readonly done: DoneService,
  ) {}

  /** What a student did today, to stand beside what was planned. */
  @Get()
  @For("viewer")
  @Reply(doneSidesReply, 400, 401, 404, 410)
  today(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<Items<DoneSide>> {
    return this.scopes.run(member, async (scope) => {
      await this.students.getOrThrow(scope, id);
      const day = localDate(scope.now.getTime(), scope.studio.timeZone);
      return { items: await this.done.of(scope, day, [id]) };
    });
  }
}
